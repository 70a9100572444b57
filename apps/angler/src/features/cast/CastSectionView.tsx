import { castText } from '@burrow/core/casting';
import { depthFigure, type UnitPreference } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import { DepthRuler } from '../station/shaft/DepthRuler';
import { airPx, leftPx, sectionFrame, type SectionFrame } from './section-frame';
import { rockShape, starPath, woodShape } from './shapes';
import type { CastControl } from './useCast';

const haloOf = (palette: Palette) => ({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' }) as object;

/** The cast from the side: the bed, the band, how the bait falls and comes back, and what it passes. Touch it to say where the bait is. */
export function CastSectionView({ control }: { control: CastControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units } = usePreferences();
  const { section } = control.advice.cast;
  const { outM, isByTime, touch: setOut } = control.bait;
  const { width, height } = size;
  const { band, isMoving } = control.settings;
  const frame = sectionFrame(control, size, units);
  const { x, y, bedPath } = frame;
  const touch = (e: GestureResponderEvent) => setOut(frame.outAt(e.nativeEvent.locationX));
  return (
    <View
      onLayout={onLayout}
      role="slider"
      tabIndex={0}
      aria-label="Where the bait is"
      aria-valuemin={1}
      aria-valuemax={Math.max(2, Math.round(section.lengthM))}
      aria-valuenow={Math.min(Math.round(section.lengthM), Math.max(1, Math.round(outM)))}
      aria-valuetext={`${castText(outM, units)} out${isByTime ? ', by the time since the cast' : ''}`}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          setOut(Math.min(section.lengthM, Math.max(1, outM + by)));
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={touch}
      onResponderMove={touch}
      style={{ flex: 1, minHeight: 130, overflow: 'hidden', backgroundColor: palette.ground, touchAction: 'none', cursor: 'pointer' } as object}
    >
      {height > 0 ? (
        <Svg width={width} height={height} pointerEvents="none" aria-hidden>
          <BedPattern id="cast-bed" />
          <Rect x={x(0)} y={airPx} width={width - x(0)} height={height - airPx} fill={palette.waterTop} />
          {isMoving ? null : <Rect x={x(0)} y={y(band.fromM)} width={width - x(0)} height={Math.max(0, y(band.toM) - y(band.fromM))} fill={palette.kelp} fillOpacity={0.2} />}
          <Line x1={x(0)} x2={width} y1={airPx} y2={airPx} stroke={palette.ink} strokeWidth={1.5} />
          <DepthRuler leftPx={leftPx} rightPx={width} baseM={frame.baseM} heightPx={height - airPx} leastPx={34} endPx={height - 8} y={y} units={units} />
          {bedPath ? <Path d={bedPath} fill="url(#cast-bed)" stroke={palette.plum} strokeWidth={2.5} /> : null}
          {section.lengthM > 1 ? <Flight control={control} frame={frame} palette={palette} /> : null}
          <Path d={`M${x(0) - 14} ${airPx + 6}L${x(0) - 3} ${airPx + 6}L${x(0)} ${airPx - 12}`} stroke={palette.ink} strokeWidth={2.5} fill="none" />
          <Passed frame={frame} palette={palette} />
          {control.shown.made.length > 0 ? <Circle cx={x(outM)} cy={y(frame.baitM)} r={8} fill={palette.ember} stroke={palette.card} strokeWidth={2.5} /> : null}
          <Remarks control={control} frame={frame} palette={palette} units={units} />
        </Svg>
      ) : null}
    </View>
  );
}

interface Layer {
  frame: SectionFrame;
  palette: Palette;
}

/** The line through the air, the fall, and the way back. */
function Flight({ control, frame: { x, y, points, fall, fallAt }, palette }: Layer & { control: CastControl }) {
  const { section } = control.advice.cast;
  const endX = x(section.lengthM);
  return (
    <>
      <Path
        d={`M${x(0)} ${airPx - 12}Q${x(section.lengthM / 2)} ${Math.max(2, airPx - 38)} ${endX} ${airPx}`}
        stroke={palette.ember}
        strokeWidth={2}
        strokeDasharray="3 4"
        fill="none"
      />
      <Line x1={endX} x2={endX} y1={airPx} y2={y(section.landsM)} stroke={palette.ember} strokeWidth={3} strokeDasharray="7 5" />
      <Polyline points={points(section.path)} stroke={palette.ember} strokeWidth={2.5} fill="none" strokeLinejoin="round" />
      <SvgText {...fallAt} textAnchor="end" fontFamily={bold} fontSize={15} fill={palette.ember} {...haloOf(palette)}>
        {fall}
      </SvgText>
    </>
  );
}

/** Hard places and cover under the cast; the first one is named. */
function Passed({ frame: { x, y, marks }, palette }: Layer) {
  return marks.map((mark, k) => {
    const [px, py] = [x(mark.outM), y(mark.depthM)];
    return (
      <G key={k}>
        <Path d={starPath(px, py, mark.isHard ? rockShape : woodShape)} fill={palette.card} stroke={palette.plum} strokeWidth={2.2} />
        {k === 0 ? (
          <SvgText x={mark.nameX} y={mark.nameY} textAnchor={mark.isLeft ? 'end' : 'start'} fontFamily={bold} fontSize={14} fill={palette.plum} {...haloOf(palette)}>
            {mark.name}
          </SvgText>
        ) : null}
      </G>
    );
  });
}

/** Distances along the foot, how much taller it is drawn, and the level the depths are of. */
function Remarks({ control, frame: { x, width, height, ticks, times }, palette, units }: Layer & { control: CastControl; units: UnitPreference }) {
  const { levelM } = control.ground;
  const label = { fontFamily: bold, fontSize: 14, fill: palette.ink, ...haloOf(palette) };
  return (
    <>
      {ticks.map((t) => (
        <SvgText key={t.outM} x={x(t.outM)} y={height - 6} textAnchor="middle" {...label}>
          {t.text}
        </SvgText>
      ))}
      <SvgText x={width - 4} y={height - 6} textAnchor="end" {...label}>
        {castText(control.settings.query.castM, units)}
      </SvgText>
      {times > 1.6 ? (
        <SvgText x={width - 4} y={14} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
          {`depth drawn ${times.toFixed(1)} times`}
        </SvgText>
      ) : null}
      {levelM !== 0 ? (
        <SvgText x={x(0) + 4} y={14} fontFamily={bold} fontSize={13} fill={palette.second}>
          {`level ${levelM < 0 ? '−' : '+'}${depthFigure(Math.abs(levelM), units)} ${units.depth}`}
        </SvgText>
      ) : null}
    </>
  );
}
