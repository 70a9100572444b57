import { bedAt, swimName } from '@burrow/core/pole';
import { depthFigure, depthFine, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import { rulerDepths } from '../station/shaft/scale';
import type { PegControl } from './usePeg';

/** Room over the water for the rings, under it for the distances, and beside it, px. */
const [airPx, footPx, rightPx, bankPx] = [92, 24, 12, 26];
const ringR = 27;
const mostTimes = 5;
const round = 2 * Math.PI * ringR;

/** The section across the peg: bank, bed as plumbed, swims with the state of each, and the rig as it hangs. */
export function PegSection({ control }: { control: PegControl }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const { units } = usePreferences();
  const { pole, advice } = control;
  const { peg, rings, rig, here, depth: deep, feedPicture: feed, step } = advice;
  const { m: depthM, by: depthBy } = deep;
  const reachM = Math.max(pole.reachM + 1, ...peg.plumbed.map((p) => p.outM + 0.5), ...rings.map((r) => (r.swim.outM ?? 0) + 1));
  const bottomM = Math.max(depthM, ...peg.plumbed.map((p) => p.depthM)) * 1.25;
  const xScale = Math.max(0, width - bankPx - rightPx) / reachM;
  const yScale = Math.max(0, Math.min((height - airPx - footPx) / bottomM, xScale * mostTimes));
  const x = (out: number) => bankPx + out * xScale;
  const y = (depth: number) => airPx + depth * yScale;
  const unitM = metresPerDepthUnit(units);
  const stepM = unitM * ([1, 2, 5, 10].find((s) => reachM / (s * unitM) <= 8) ?? 20);
  const bed = peg.plumbed.length > 0 ? [{ outM: 0, depthM: bedAt(peg.plumbed, 0) ?? 0 }, ...peg.plumbed] : [];
  const end = bed.at(-1);
  const bedPath = end ? `M0 ${y(0) - 14}L${x(0) - 10} ${y(0) - 12}${bed.map((p) => `L${x(p.outM)} ${y(p.depthM)}`).join('')}` : '';
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
  const hookM = Math.min(rig.stopM, here.depthM === null ? rig.stopM : depthM);
  const isFishing = control.log.line !== undefined && here.outM !== null;
  const times = yScale / (xScale || 1);
  const text = { fontFamily: bold, fontSize: 14, fill: palette.ink };
  const spoken = rings.map((r) => `${swimName(r.swim, units)} ${r.words}${r.minutes === null ? '' : `, ${r.minutes} min`}`).join('; ');
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Across the peg. ${peg.plumbed.length === 0 ? 'Nothing plumbed yet.' : `${peg.plumbed.length} depths plumbed.`} ${spoken}`}
      style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}
    >
      {height > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <BedPattern id="peg-bed" />
          <Rect x={bed.length > 0 ? x(0) - 4 : 0} y={airPx} width={width} height={height} fill={palette.waterTop} />
          {rulerDepths({ topM: 0, baseM: (height - airPx - footPx) / (yScale || 1) }, height - airPx, unitM, 34)
            .filter((d) => d.depthM > 0 && y(d.depthM) < height - footPx - 8)
            .map((d) => (
              <G key={d.depthM}>
                <Line x1={x(0)} x2={width} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.25} />
              </G>
            ))}
          {end ? <Path d={`${bedPath}L${x(end.outM)} ${height - footPx}L0 ${height - footPx}Z`} fill="url(#peg-bed)" /> : null}
          {end ? <Path d={bedPath} fill="none" stroke={palette.plum} strokeWidth={3} strokeLinejoin="round" /> : null}
          {end && end.outM < reachM - 0.5 ? (
            <Line x1={x(end.outM)} x2={width} y1={y(end.depthM)} y2={y(end.depthM)} stroke={palette.plum} strokeWidth={2} strokeDasharray="3 6" />
          ) : null}
          <Rect x={0} y={height - footPx} width={width} height={footPx} fill={palette.ground} />
          <Line x1={x(0) - 6} x2={width} y1={airPx} y2={airPx} stroke={palette.ink} strokeWidth={1.5} />
          {rulerDepths({ topM: 0, baseM: (height - airPx - footPx) / (yScale || 1) }, height - airPx, unitM, 34)
            .filter((d) => d.depthM > 0 && y(d.depthM) < height - footPx - 8)
            .map((d) => (
              <SvgText key={d.depthM} x={width - 5} y={y(d.depthM) + 5} textAnchor="end" {...text} {...halo}>
                {depthFigure(d.depthM, units)}
              </SvgText>
            ))}
          {peg.plumbed.map((p) => (
            <Rect key={p.outM} x={x(p.outM) - 4.5} y={y(p.depthM) - 4.5} width={9} height={9} fill={palette.card} stroke={palette.plum} strokeWidth={2} />
          ))}
          {Array.from({ length: Math.floor(reachM / stepM) }, (_, k) => (k + 1) * stepM).map((m) => (
            <SvgText key={m} x={x(m)} y={height - 7} textAnchor={x(m) > width - 26 ? 'end' : 'middle'} {...text} fill={palette.second}>
              {`${Math.round(m / unitM)}${x(m + stepM) > width - 4 ? ` ${units.depth}` : ''}`}
            </SvgText>
          ))}
          {rings.map((ring, k) => {
            const cx = Math.min(width - ringR - 8, x(ring.swim.outM!));
            const cy = ringR + 8;
            const isLeft = cx > 150 || k > 0;
            const color = ring.isNext ? palette.ember : ring.isHere ? palette.kelp : palette.second;
            const depth = ring.swim.depthM ?? depthM;
            return (
              <G key={ring.swim.id}>
                {ring.isHere ? null : (
                  <Line x1={x(ring.swim.outM!)} x2={x(ring.swim.outM!)} y1={cy + ringR + 4} y2={y(depth)} stroke={palette.second} strokeWidth={2} strokeDasharray="3 5" />
                )}
                {ring.swim.feeds.length > 0 ? (
                  <Path d={[-9, -5, -1, 3, 7].map((dx, i) => `M${x(ring.swim.outM!) + dx} ${y(depth) - 4 - (i % 2) * 3}h3v3h-3Z`).join('')} fill={palette.ink} />
                ) : null}
                <Circle cx={cx} cy={cy} r={ringR} fill={palette.card} stroke={palette.line} strokeWidth={7} />
                <Circle
                  cx={cx}
                  cy={cy}
                  r={ringR}
                  fill="none"
                  stroke={color}
                  strokeWidth={7}
                  strokeDasharray={ring.isHere || ring.isNext ? `${round * ring.share} ${round}` : '3 4'}
                  transform={`rotate(-90 ${cx} ${cy})`}
                />
                <SvgText x={cx} y={cy + (ring.minutes === null ? 6 : 2)} textAnchor="middle" fontFamily={bold} fontSize={ring.minutes === null ? 16 : 19} fill={palette.ink}>
                  {ring.minutes === null ? (ring.isNext ? 'go' : '–') : String(ring.minutes)}
                </SvgText>
                {ring.minutes === null ? null : (
                  <SvgText x={cx} y={cy + 16} textAnchor="middle" fontFamily={bold} fontSize={13} fill={palette.second}>
                    min
                  </SvgText>
                )}
                <SvgText x={cx + (isLeft ? -ringR - 9 : ringR + 9)} y={cy - 1} textAnchor={isLeft ? 'end' : 'start'} fontFamily={bold} fontSize={18} fill={palette.ink} {...halo}>
                  {swimName(ring.swim, units)}
                </SvgText>
                <SvgText x={cx + (isLeft ? -ringR - 9 : ringR + 9)} y={cy + 17} textAnchor={isLeft ? 'end' : 'start'} fontFamily={bold} fontSize={14} fill={color} {...halo}>
                  {ring.words}
                </SvgText>
              </G>
            );
          })}
          {isFishing ? (
            <>
              <Path d={`M0 ${airPx - 30}L${x(here.outM!)} ${airPx - 17}L0 ${airPx - 22}Z`} fill={palette.ink} stroke={palette.ink} strokeWidth={1.5} />
              <Line x1={x(here.outM!)} x2={x(here.outM!)} y1={airPx - 17} y2={y(hookM)} stroke={palette.ember} strokeWidth={2} />
              <Path d={`M${x(here.outM!) - 5} ${airPx - 4}q5 -9 10 0q0 9 -5 14q-5 -5 -5 -14Z`} fill={palette.ember} />
              {(rig.plan?.shots ?? []).map((s, k) => (
                <Circle key={k} cx={x(here.outM!)} cy={Math.max(airPx + 12, y(hookM - s.aboveHookM))} r={2.6} fill={palette.ink} />
              ))}
              <Path d={`M${x(here.outM!)} ${y(hookM) - 9}l8 8l-8 8l-8 -8Z`} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
              <SvgText
                x={x(here.outM!) + (x(here.outM!) > width * 0.62 ? -13 : 13)}
                y={y(hookM) - 8}
                textAnchor={x(here.outM!) > width * 0.62 ? 'end' : 'start'}
                fontFamily={bold}
                fontSize={15}
                fill={palette.ember}
                {...halo}
              >
                {`hook ${depthFine(rig.stopM, units)}${rig.overM > 0 ? ' laid on' : ''}`}
              </SvgText>
            </>
          ) : null}
          {step === 'fish' && depthBy !== 'plumbed' ? (
            <SvgText x={x(0) + 8} y={height - footPx - 10} fontFamily={bold} fontSize={14} fill={palette.straw} {...halo}>
              {`${depthText(depthM, units)} deep, ${depthBy}`}
            </SvgText>
          ) : null}
          {times > 1.6 ? (
            <SvgText x={6} y={height - footPx - 8} fontFamily={bold} fontSize={13} fill={palette.second} {...halo}>
              {step === 'fish' && depthBy !== 'plumbed' ? '' : `depth drawn ${times.toFixed(1)} times`}
            </SvgText>
          ) : null}
          {feed.last === null && step === 'plumb' ? (
            <SvgText x={width / 2} y={airPx + (height - airPx) / 2} textAnchor="middle" fontFamily={bold} fontSize={15} fill={palette.second}>
              bed not plumbed yet
            </SvgText>
          ) : null}
        </Svg>
      ) : null}
    </View>
  );
}
