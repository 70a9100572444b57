import { castText } from '@burrow/core/casting';
import { depthFigure, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import { rulerDepths } from '../station/shaft/scale';
import { rockShape, starPath, woodShape } from './shapes';
import type { CastControl } from './useCast';

/** A letter of a name in the picture is about so wide, px. */
const letterPx = 8.2;
/** Height over the water for the rod and the line in the air, and room for the depths at the left, px. */
const [airPx, leftPx, rightPx] = [34, 40, 10];
/** A shallow bed is drawn this much taller than wide, at most. */
const mostTimes = 4;

/** The cast from the side: the bed, the band, how the bait falls and comes back, and what it passes. Touch it to say where the bait is. */
export function CastSectionView({ control }: { control: CastControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units } = usePreferences();
  const { settings, ground, advice, bait } = control;
  const { section, dived, passed } = advice.cast;
  const { fallS, restS, hardRestS } = advice.retrieve;
  const { outM, isByTime, touch: setOut } = bait;
  const { made } = control.shown;
  const { width, height } = size;
  const { band, query } = settings;
  const deepestM = Math.max(band.fromM + 0.5, ...section.bed.map((p) => p.depthM)) * 1.18;
  const xScale = Math.max(0, width - leftPx - rightPx) / query.castM;
  const yScale = Math.min((height - airPx) / Math.max(0.5, deepestM), xScale * mostTimes);
  const x = (out: number) => leftPx + out * xScale;
  const y = (depth: number) => airPx + depth * yScale;
  const points = (list: readonly { outM: number; depthM: number }[]) => list.map((p) => `${x(p.outM).toFixed(1)},${y(p.depthM).toFixed(1)}`).join(' ');
  const first = section.bed[0]?.outM ?? 0;
  const last = section.bed.at(-1)?.outM ?? 0;
  const bedPath = `M${x(first)} ${height}L${points(section.bed).replaceAll(' ', 'L')}L${x(last)} ${height}Z`;
  const label = { fontFamily: bold, fontSize: 14, fill: palette.ink };
  const times = yScale / (xScale || 1);
  const touch = (e: GestureResponderEvent) => setOut(Math.min(section.lengthM, Math.max(1, (e.nativeEvent.locationX - leftPx) / (xScale || 1))));
  const marks = passed.filter((p) => p.target.kind === 'hard' || p.target.kind === 'cover').slice(0, 2);
  const unitM = metresPerDepthUnit(units);
  const stepM = unitM * ([5, 10, 20, 50].find((s) => query.castM / (s * unitM) <= 5) ?? 100);
  const ticks = Array.from({ length: Math.floor((query.castM - 0.3 * stepM) / stepM) }, (_, k) => (k + 1) * stepM);
  const baitDepth = section.path.length > 0 ? section.path.reduce((a, b) => (Math.abs(b.outM - outM) < Math.abs(a.outM - outM) ? b : a)).depthM : 0;
  const said = dived ? `dives to ${depthText(dived.deepestM, units)}` : fallS === null ? 'count it down' : `${Math.round(fallS)} s down`;
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
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
          {settings.isMoving ? null : (
            <Rect x={x(0)} y={y(band.fromM)} width={width - x(0)} height={Math.max(0, y(band.toM) - y(band.fromM))} fill={palette.kelp} fillOpacity={0.2} />
          )}
          <Line x1={x(0)} x2={width} y1={airPx} y2={airPx} stroke={palette.ink} strokeWidth={1.5} />
          {rulerDepths({ topM: 0, baseM: (height - airPx) / yScale }, height - airPx, unitM, 34)
            .filter((d) => d.depthM > 0 && y(d.depthM) < height - 8)
            .map((d) => (
              <G key={d.depthM}>
                <Line x1={x(0)} x2={width} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.25} />
                <SvgText x={leftPx - 6} y={y(d.depthM) + 5} textAnchor="end" {...label}>
                  {depthFigure(d.depthM, units)}
                </SvgText>
              </G>
            ))}
          {section.bed.length > 1 ? <Path d={bedPath} fill="url(#cast-bed)" stroke={palette.plum} strokeWidth={2.5} /> : null}
          {section.lengthM > 1 ? (
            <>
              <Path
                d={`M${x(0)} ${airPx - 12}Q${x(section.lengthM / 2)} ${Math.max(2, airPx - 38)} ${x(section.lengthM)} ${airPx}`}
                stroke={palette.ember}
                strokeWidth={2}
                strokeDasharray="3 4"
                fill="none"
              />
              <Line x1={x(section.lengthM)} x2={x(section.lengthM)} y1={airPx} y2={y(section.landsM)} stroke={palette.ember} strokeWidth={3} strokeDasharray="7 5" />
              <Polyline points={points(section.path)} stroke={palette.ember} strokeWidth={2.5} fill="none" strokeLinejoin="round" />
              <SvgText x={x(section.lengthM) - 8} y={airPx + 20} textAnchor="end" fontFamily={bold} fontSize={15} fill={palette.ember} {...halo}>
                {said}
              </SvgText>
            </>
          ) : null}
          <Path d={`M${x(0) - 14} ${airPx + 6}L${x(0) - 3} ${airPx + 6}L${x(0)} ${airPx - 12}`} stroke={palette.ink} strokeWidth={2.5} fill="none" />
          {marks.map(({ target, outM: at }, k) => {
            const depth = section.bed.reduce((a, b) => (Math.abs(b.outM - at) < Math.abs(a.outM - at) ? b : a)).depthM;
            // The name stands over water: on the right, unless there is no room.
            const isLeft = x(at) > width * 0.5;
            const name = `${target.name} ${castText(at, units)} out: rest ${Math.round(target.kind === 'hard' ? hardRestS : restS)} s`;
            const nameX = isLeft ? Math.max(x(at) + 12, name.length * letterPx) : x(at) + 6;
            return (
              <G key={k}>
                <Path d={starPath(x(at), y(depth), target.kind === 'hard' ? rockShape : woodShape)} fill={palette.card} stroke={palette.plum} strokeWidth={2.2} />
                {k === 0 ? (
                  <SvgText x={nameX} y={y(depth) - 16} textAnchor={isLeft ? 'end' : 'start'} fontFamily={bold} fontSize={14} fill={palette.plum} {...halo}>
                    {name}
                  </SvgText>
                ) : null}
              </G>
            );
          })}
          {made.length > 0 ? <Circle cx={x(outM)} cy={y(baitDepth)} r={8} fill={palette.ember} stroke={palette.card} strokeWidth={2.5} /> : null}
          {ticks.map((t) => (
            <SvgText key={t} x={x(t)} y={height - 6} textAnchor="middle" {...label} {...halo}>
              {String(Math.round(t / unitM))}
            </SvgText>
          ))}
          <SvgText x={width - 4} y={height - 6} textAnchor="end" {...label} {...halo}>
            {castText(query.castM, units)}
          </SvgText>
          {times > 1.6 ? (
            <SvgText x={width - 4} y={14} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
              {`depth drawn ${times.toFixed(1)} times`}
            </SvgText>
          ) : null}
          {ground.levelM !== 0 ? (
            <SvgText x={x(0) + 4} y={14} fontFamily={bold} fontSize={13} fill={palette.second}>
              {`level ${ground.levelM < 0 ? '−' : '+'}${depthFigure(Math.abs(ground.levelM), units)} ${units.depth}`}
            </SvgText>
          ) : null}
        </Svg>
      ) : null}
    </View>
  );
}
