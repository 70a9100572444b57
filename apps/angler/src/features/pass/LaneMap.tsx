import { CastWater, type Spot } from '@burrow/core/casting';
import { spotAlong } from '@burrow/core/troll';
import { distanceText, niceLengthM } from '@burrow/core/units';
import { useMemo, useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Bed } from '@/features/cast/CastMap';
import { Chips } from '@/features/cast/Chips';
import { placeChips, type CastFrame, type Chip } from '@/features/cast/frame';
import { boatShape } from '@/features/cast/shapes';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import type { PassControl } from './usePass';

/** As much of the lane is in view about the boat, m, close up. */
const closeM = 260;
const marginPx = 44;

/** The lane over the bed from above, where one is, what comes next, and where something took. Touch it to say where one is. */
export function LaneMap({ control }: { control: PassControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const [isWhole, setWhole] = useState(false);
  const { units } = usePreferences();
  const { ground, pass, settings, follow, outing, running, advice } = control;
  const { lane, place, turn, answer } = advice;
  const { spot, position, touch: setTouched } = control.place;
  const { strikes } = running;
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const start = useMemo(() => bed.spot(pass.at), [bed, pass.at]);
  // The close view moves by steps: a map that creeps under the boat is not read.
  const about = spot ?? (lane ? lane.spots[0] : start);
  const [middle, setMiddle] = useState<Spot>(about);
  if (Math.hypot(middle.x - about.x, middle.y - about.y) > closeM / 3) setMiddle(about);
  const frame = useMemo(() => (size.width > 0 && size.height > 0 ? laneFrame(bed, middle, isWhole ? (lane?.spots ?? []) : [], size) : null), [bed, middle, isWhole, lane, size]);
  const px = (s: Spot) => frame!.spotPx(s);
  const path = (spots: readonly Spot[]) => (spots.length < 2 ? '' : `M${spots.map((s) => `${px(s).x.toFixed(1)} ${px(s).y.toFixed(1)}`).join('L')}`);
  const touch = (e: GestureResponderEvent) => {
    if (!frame || position.fix) return;
    const { locationX: x, locationY: y } = e.nativeEvent;
    setTouched(bed.place({ x: middle.x + (x - size.width / 2) / frame.pxPerM + frame.shift.x, y: middle.y - (y - size.height / 2) / frame.pxPerM + frame.shift.y }));
  };
  const turnSpot = lane && turn ? spotAlong(lane.spots, turn.fromM) : null;
  const heading = position.fix?.headingDeg ?? place?.bearingDeg ?? 0;
  const past = outing.stations.filter((s) => s.kind === 'pass' && s.track !== null && s.track.length > 1);
  const struck = strikes.flatMap((s) => (s.at ? [{ ...s, ...px_(frame, bed.spot(s.at)) }] : []));
  const scaleM = frame ? niceLengthM(96 / frame.pxPerM, units) : 0;
  const chips: Chip[] = frame
    ? [
        ...(turnSpot && answer.toTurnM !== null && answer.toTurnM > 4
          ? [{ id: 'turn', text: `${turn!.side} in ${distanceText(answer.toTurnM, units)}`, tone: 'ember' as const, ...px(turnSpot), isLarge: true }]
          : []),
        // Of many only the last have their name: the bars tell the rest.
        ...struck.slice(-3).map((s) => ({ id: s.id, text: s.isFish ? 'fish' : 'strike', tone: 'kelp' as const, x: s.x, y: s.y })),
      ]
    : [];
  const placed = frame ? placeChips(chips, frame.width, frame.height, [{ left: 0, top: 0, width: 190, height: 40 }]) : [];
  return (
    <View onLayout={onLayout} style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}>
      {frame ? (
        <View
          role="img"
          aria-label={`Lane from above. ${answer.headline}. ${strikes.length} strikes.`}
          onStartShouldSetResponder={() => true}
          onResponderRelease={touch}
          style={{ position: 'absolute', inset: 0, cursor: position.fix ? 'default' : 'crosshair' } as object}
        >
          <Bed ground={ground} frame={frame} band={follow} palette={palette} isMoving={settings.isMoving} units={units} />
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
            {turnSpot ? (
              <G transform={`translate(${px(turnSpot).x} ${px(turnSpot).y})`}>
                <Circle r={14} fill={palette.card} stroke={palette.ember} strokeWidth={3} />
                <Path
                  d={turn!.side === 'right' ? 'M-4 7V1q0 -4 4 -4h5m-3 -4l4 4l-4 4' : 'M4 7V1q0 -4 -4 -4h-5m3 -4l-4 4l4 4'}
                  fill="none"
                  stroke={palette.ember}
                  strokeWidth={2.6}
                />
              </G>
            ) : null}
            {struck.map((s) => (
              <Rect key={s.id} x={s.x - 10} y={s.y - 3.5} width={20} height={7} rx={2} fill={palette.kelp} stroke={palette.card} strokeWidth={1.5} />
            ))}
            {spot ? (
              <G transform={`translate(${px(spot).x} ${px(spot).y}) rotate(${heading})`}>
                <Line x1={-3} x2={-7} y1={10} y2={26} stroke={palette.ember} strokeWidth={2} />
                <Line x1={3} x2={7} y1={10} y2={26} stroke={palette.ember} strokeWidth={2} />
                <Path d={boatShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
              </G>
            ) : (
              <Circle cx={px(start).x} cy={px(start).y} r={9} fill={palette.card} stroke={palette.ember} strokeWidth={3} />
            )}
          </Svg>
          <Chips chips={placed} />
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
        </View>
      ) : null}
      <View style={{ position: 'absolute', right: 8, bottom: 8 }}>
        <Action height={48} label={isWhole ? 'Near me' : 'Whole lane'} onPress={() => setWhole(!isWhole)} />
      </View>
    </View>
  );
}

const px_ = (frame: CastFrame | null, s: Spot) => (frame ? frame.spotPx(s) : { x: 0, y: 0 });

/** The map about the boat, or about the whole lane, north up. */
function laneFrame(bed: CastWater, middle: Spot, lane: readonly Spot[], size: { width: number; height: number }): CastFrame & { shift: Spot } {
  const span = (axis: 'x' | 'y') =>
    lane.length === 0 ? { from: middle[axis], to: middle[axis] } : { from: Math.min(...lane.map((s) => s[axis])), to: Math.max(...lane.map((s) => s[axis])) };
  const [x, y] = [span('x'), span('y')];
  const pxPerM =
    lane.length === 0
      ? Math.min(size.width, size.height) / closeM
      : Math.min((size.width - 2 * marginPx) / Math.max(20, x.to - x.from), (size.height - 2 * marginPx) / Math.max(20, y.to - y.from));
  const centre = { x: (x.from + x.to) / 2, y: (y.from + y.to) / 2 };
  const spotPx = (p: Spot) => ({ x: size.width / 2 + (p.x - centre.x) * pxPerM, y: size.height / 2 - (p.y - centre.y) * pxPerM });
  return { ...size, pxPerM, spot: middle, at: spotPx(middle), spotPx, toPx: (at) => spotPx(bed.spot(at)), shift: { x: centre.x - middle.x, y: centre.y - middle.y } };
}
