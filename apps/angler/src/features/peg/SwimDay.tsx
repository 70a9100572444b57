import { swimCurve, swimName, type Peg, type PegSwim } from '@burrow/core/pole';
import { clamp, clockText, hourMs, minuteMs } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

interface Props {
  peg: Peg;
  /** Now, or the end of the outing, ms. */
  atMs: number;
  tempC: number;
  /** The swim that is fished on, and the one to go to. */
  hereId: string;
  swapTo: string | null;
  aheadMin: number;
  zone: string;
}

/** Height of a swim's row, half the width of a name, height of the lines' picture, and the room for names at its left, px. */
const [rowPx, namePx, chartPx, leftPx] = [30, 26, 104, 62];

/** The scales of a day at the peg: hours across, the swims' rows over the bites that they promised. */
function dayChart({ peg, atMs: now, tempC, hereId, aheadMin }: Omit<Props, 'swapTo' | 'zone'>, width: number) {
  const swims = peg.swims.filter((s) => s.outM !== null);
  const fromMs = Math.min(...swims.map((s) => s.sinceMs));
  const toMs = now + aheadMin * minuteMs;
  const x = (ms: number) => leftPx + ((ms - fromMs) / (toMs - fromMs)) * Math.max(0, width - leftPx - 8);
  const curves = swims.map((s) => ({ swim: s, ...swimCurve(s, hereId, { tempC, factor: 1 }, now, aheadMin) }));
  const most = Math.max(1, ...curves.flatMap((c) => [...c.past, ...c.ahead].map((p) => p.bites)));
  const top = swims.length * rowPx + 18;
  const y = (b: number) => top + chartPx - (b / most) * chartPx;
  const spanH = (toMs - fromMs) / hourMs;
  const everyMs = hourMs * (spanH > 8 ? 2 : spanH > 2 ? 1 : 0.5);
  const hours = Array.from({ length: Math.max(0, Math.floor(toMs / everyMs) - Math.ceil(fromMs / everyMs) + 1) }, (_, k) => (Math.ceil(fromMs / everyMs) + k) * everyMs);
  const path = (points: readonly { ms: number; bites: number }[]) => `M${points.map((p) => `${x(p.ms).toFixed(1)},${y(p.bites).toFixed(1)}`).join('L')}`;
  return { swims, curves, most, top, x, y, hours, path };
}

/** When each swim was fished and rested, with its bites; under it what it promised, and what it will while one stays. */
export function SwimDay({ peg, atMs: now, tempC, hereId, swapTo, aheadMin, zone }: Props) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [{ width }, onLayout] = useSize();
  const chart = dayChart({ peg, atMs: now, tempC, hereId, aheadMin }, width);
  const { swims, curves, most, top, x, y, hours } = chart;
  const height = top + chartPx + 24;
  const colorOf = (id: string) => (id === peg.hereId ? palette.kelp : palette.second);
  return (
    <View>
      <View onLayout={onLayout} role="img" aria-label={swims.map((s) => `${swimName(s, units)}: ${s.bites} bites`).join('; ')} style={{ height }}>
        {width > 0 ? (
          <Svg width={width} height={height}>
            {swims.map((s, k) => (
              <SwimRow key={s.id} swim={s} y={k * rowPx + 2} x={x} nowMs={now} name={swimName(s, units)} />
            ))}
            {[0, most / 2, most].map((b) => (
              <Line key={b} x1={leftPx} x2={width} y1={y(b)} y2={y(b)} stroke={palette.line} strokeWidth={1} />
            ))}
            <SvgText x={leftPx - 8} y={y(most) + 5} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
              {most.toFixed(1)}
            </SvgText>
            <SvgText x={leftPx - 8} y={y(0) + 5} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
              0
            </SvgText>
            {curves.map(({ swim, past }) => (
              <Path key={swim.id} d={chart.path(past)} fill="none" stroke={colorOf(swim.id)} strokeWidth={3} strokeLinejoin="round" />
            ))}
            {curves.map(({ swim, ahead }) => (
              <Path key={swim.id} d={chart.path(ahead)} fill="none" stroke={colorOf(swim.id)} strokeWidth={3} strokeDasharray="2 6" strokeLinecap="round" />
            ))}
            {curves.map(({ swim, past }, k) => {
              const at = past[Math.floor(past.length * (k === 0 ? 0.3 : 0.62))];
              return (
                <SvgText
                  key={swim.id}
                  x={clamp(x(at.ms), leftPx + namePx, Math.max(leftPx + namePx, width - namePx))}
                  y={y(at.bites) - 8}
                  textAnchor="middle"
                  fontFamily={bold}
                  fontSize={14}
                  fill={colorOf(swim.id)}
                  {...({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object)}
                >
                  {swimName(swim, units)}
                </SvgText>
              );
            })}
            <Line x1={x(now)} x2={x(now)} y1={0} y2={top + chartPx} stroke={palette.ember} strokeWidth={2.5} />
            {hours.map((ms) => (
              <SvgText key={ms} x={x(ms)} y={top + chartPx + 18} textAnchor="middle" fontFamily={bold} fontSize={13} fill={palette.second}>
                {clockText(ms, zone)}
              </SvgText>
            ))}
            {swapTo ? (
              <Circle cx={x(now)} cy={y(curves.find((c) => c.swim.id === swapTo)?.past.at(-1)?.bites ?? 0)} r={6} fill={palette.card} stroke={palette.ember} strokeWidth={2.5} />
            ) : null}
          </Svg>
        ) : null}
      </View>
      <Text size="small" tone="second">
        {`Bars: fished; ticks on them bites, dots feed. Lines: bites in ten minutes as they were expected${aheadMin > 0 ? ', dotted ahead' : ''}.`}
      </Text>
    </View>
  );
}

function SwimRow({ swim, y, x, nowMs, name }: { swim: PegSwim; y: number; x: (ms: number) => number; nowMs: number; name: string }) {
  const palette = usePalette();
  return (
    <>
      <SvgText x={54} y={y + 17} textAnchor="end" fontFamily={bold} fontSize={14} fill={palette.ink}>
        {name}
      </SvgText>
      <Rect x={x(swim.sinceMs)} y={y} width={Math.max(0, x(nowMs) - x(swim.sinceMs))} height={22} rx={4} fill={palette.card} stroke={palette.second} strokeDasharray="3 4" />
      {swim.stays.map((s) => (
        <Rect key={s.fromMs} x={x(s.fromMs)} y={y} width={Math.max(3, x(s.toMs) - x(s.fromMs))} height={22} rx={4} fill={palette.kelp} />
      ))}
      {swim.bitesMs.map((ms) => (
        <Line key={ms} x1={x(ms)} x2={x(ms)} y1={y + 4} y2={y + 18} stroke={palette.onKelp} strokeWidth={2} />
      ))}
      {swim.fedMs.map((ms) => (
        <Circle key={ms} cx={x(ms)} cy={y + 22} r={4} fill={palette.ink} stroke={palette.card} strokeWidth={1.5} />
      ))}
    </>
  );
}
