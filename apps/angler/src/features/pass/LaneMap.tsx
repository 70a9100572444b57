import { CastWater, type Spot } from '@burrow/core/casting';
import { spotAlong } from '@burrow/core/troll';
import { distanceText, niceLengthM, type UnitPreference } from '@burrow/core/units';
import { useMemo, useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Bed } from '@/features/cast/CastMap';
import { Chips } from '@/features/cast/Chips';
import { placeChips, type Chip } from '@/features/cast/frame';
import { boatShape } from '@/features/cast/shapes';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import { closeM, laneFrame, type LaneFrame } from './lane-frame';
import type { PassControl } from './usePass';

/** The lane over the bed from above, where one is, what comes next, and where something took. Touch it to say where one is. */
export function LaneMap({ control }: { control: PassControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const [isWhole, setWhole] = useState(false);
  const { units } = usePreferences();
  const { ground, pass, settings, follow, running, advice } = control;
  const { lane, answer } = advice;
  const { spot, position, touch: setTouched } = control.place;
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const start = useMemo(() => bed.spot(pass.at), [bed, pass.at]);
  // The close view moves by steps: a map that creeps under the boat is not read.
  const about = spot ?? (lane ? lane.spots[0] : start);
  const [middle, setMiddle] = useState<Spot>(about);
  if (Math.hypot(middle.x - about.x, middle.y - about.y) > closeM / 3) setMiddle(about);
  const frame = useMemo(() => (size.width > 0 && size.height > 0 ? laneFrame(bed, middle, isWhole ? (lane?.spots ?? []) : [], size) : null), [bed, middle, isWhole, lane, size]);
  const touch = ({ nativeEvent: { locationX: x, locationY: y } }: GestureResponderEvent) => {
    if (frame && !position.fix) setTouched(bed.place(frame.spotAt(x, y)));
  };
  return (
    <View onLayout={onLayout} style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}>
      {frame ? (
        <View
          role="img"
          aria-label={`Lane from above. ${answer.headline}. ${running.strikes.length} strikes.`}
          onStartShouldSetResponder={() => true}
          onResponderRelease={touch}
          style={{ position: 'absolute', inset: 0, cursor: position.fix ? 'default' : 'crosshair' } as object}
        >
          <Bed ground={ground} frame={frame} band={follow} palette={palette} isMoving={settings.isMoving} units={units} />
          <OnTheBed control={control} frame={frame} start={start} bed={bed} />
          <MapKey frame={frame} units={units} />
        </View>
      ) : null}
      <View style={{ position: 'absolute', right: 8, bottom: 8 }}>
        <Action height={48} label={isWhole ? 'Near me' : 'Whole lane'} onPress={() => setWhole(!isWhole)} />
      </View>
    </View>
  );
}

interface OnTheBedProps {
  control: PassControl;
  frame: LaneFrame;
  start: Spot;
  bed: CastWater;
}

/** Ways gone, the lane, its next turn, strikes, and the boat, with the names of what matters now. */
function OnTheBed({ control, frame, start, bed }: OnTheBedProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { pass, outing, running, advice, place: standing } = control;
  const { lane, place, turn, answer } = advice;
  const { spot, position } = standing;
  const px = frame.spotPx;
  const path = (spots: readonly Spot[]) => (spots.length < 2 ? '' : `M${spots.map((s) => `${px(s).x.toFixed(1)} ${px(s).y.toFixed(1)}`).join('L')}`);
  const next = lane && turn ? { side: turn.side, ...px(spotAlong(lane.spots, turn.fromM)) } : null;
  const past = outing.stations.filter((s) => s.kind === 'pass' && s.track !== null && s.track.length > 1);
  const struck = running.strikes.flatMap((s) => (s.at ? [{ ...s, ...px(bed.spot(s.at)) }] : []));
  const chips: Chip[] = [
    ...(next && answer.toTurnM !== null && answer.toTurnM > 4
      ? [{ id: 'turn', text: `${next.side} in ${distanceText(answer.toTurnM, units)}`, tone: 'ember' as const, x: next.x, y: next.y, isLarge: true }]
      : []),
    // Of many only the last have their name: the bars tell the rest.
    ...struck.slice(-3).map((s) => ({ id: s.id, text: s.isFish ? 'fish' : 'strike', tone: 'kelp' as const, x: s.x, y: s.y })),
  ];
  return (
    <>
      <Svg width={frame.width} height={frame.height} style={{ position: 'absolute' }} pointerEvents="none" aria-hidden>
        {past.map((s) => (
          <Path
            key={s.id}
            d={path(s.track!.map((t) => bed.spot(t)))}
            fill="none"
            stroke={s.id === pass.id ? palette.ink : palette.card}
            strokeOpacity={0.85}
            strokeWidth={3}
            strokeDasharray={s.id === pass.id ? undefined : '1 5'}
          />
        ))}
        {lane ? (
          <>
            <Path d={path(lane.spots)} fill="none" stroke={palette.card} strokeWidth={8} strokeLinejoin="round" />
            <Path d={path(lane.spots)} fill="none" stroke={palette.ember} strokeWidth={3.6} strokeLinejoin="round" />
          </>
        ) : null}
        {next ? (
          <G transform={`translate(${next.x} ${next.y})`}>
            <Circle r={14} fill={palette.card} stroke={palette.ember} strokeWidth={3} />
            <Path d={next.side === 'right' ? 'M-4 7V1q0 -4 4 -4h5m-3 -4l4 4l-4 4' : 'M4 7V1q0 -4 -4 -4h-5m3 -4l-4 4l4 4'} fill="none" stroke={palette.ember} strokeWidth={2.6} />
          </G>
        ) : null}
        {struck.map((s) => (
          <Rect key={s.id} x={s.x - 10} y={s.y - 3.5} width={20} height={7} rx={2} fill={palette.kelp} stroke={palette.card} strokeWidth={1.5} />
        ))}
        <Boat at={spot ? px(spot) : null} start={px(start)} headingDeg={position.fix?.headingDeg ?? place?.bearingDeg ?? 0} />
      </Svg>
      <Chips chips={placeChips(chips, frame.width, frame.height, [{ left: 0, top: 0, width: 190, height: 40 }])} />
    </>
  );
}

interface Px {
  x: number;
  y: number;
}

/** The boat with its lines behind it; before a place is known, where the pass began. */
function Boat({ at, start, headingDeg }: { at: Px | null; start: Px; headingDeg: number }) {
  const palette = usePalette();
  if (!at) return <Circle cx={start.x} cy={start.y} r={9} fill={palette.card} stroke={palette.ember} strokeWidth={3} />;
  return (
    <G transform={`translate(${at.x} ${at.y}) rotate(${headingDeg})`}>
      <Line x1={-3} x2={-7} y1={10} y2={26} stroke={palette.ember} strokeWidth={2} />
      <Line x1={3} x2={7} y1={10} y2={26} stroke={palette.ember} strokeWidth={2} />
      <Path d={boatShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
    </G>
  );
}

/** What the figures on the map are, and how long a stretch is. */
function MapKey({ frame, units }: { frame: LaneFrame; units: UnitPreference }) {
  const palette = usePalette();
  const scaleM = niceLengthM(96 / frame.pxPerM, units);
  return (
    <>
      <View
        pointerEvents="none"
        style={{ position: 'absolute', left: 8, top: 8, paddingHorizontal: 8, paddingVertical: 3, borderRadius: 5, backgroundColor: palette.card, opacity: 0.94 }}
      >
        <Text size="small" tone="second">
          {`depths in ${units.depth === 'ft' ? 'feet' : 'metres'}, north up`}
        </Text>
      </View>
      <View pointerEvents="none" style={{ position: 'absolute', right: 10, top: 10, alignItems: 'center' }}>
        <Text size="small" strong>
          {distanceText(scaleM, units)}
        </Text>
        <View style={{ width: scaleM * frame.pxPerM, height: 7, borderWidth: 2, borderTopWidth: 0, borderColor: palette.ink }} />
      </View>
    </>
  );
}
