import { quietRules, shotText, swimCurve, swimName } from '@burrow/core/pole';
import { clockText, currentText } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import type { PegControl } from './usePeg';

const aheadMin = 45;

/** What each swim promises, how they went, and the rigs: for wide screens. */
export function SwimsPane({ control }: { control: PegControl }) {
  const palette = usePalette();
  const { answer, peg, units, rings, rigAt, depthM, flowMs, reasons, zone } = control;
  const views = answer.swims?.views ?? [];
  const most = Math.max(1, ...views.map((v) => v.high));
  return (
    <View style={{ gap: 14 }}>
      <Text heading={2} size="lead">
        Bites in the next ten minutes
      </Text>
      {views.length === 0 ? <Text tone="second">Swims first: what they promise stands here.</Text> : null}
      {rings.map((ring) => {
        const view = views.find((v) => v.id === ring.swim.id)!;
        const at = (b: number) => `${(100 * Math.min(b, most)) / most}%` as const;
        return (
          <View key={ring.swim.id} style={{ gap: 4, borderBottomWidth: 1, borderBottomColor: palette.line, paddingBottom: 10 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
              <View style={{ width: 92 }}>
                <Text strong size="lead">
                  {swimName(ring.swim, units)}
                </Text>
                <Text size="small" strong tone={ring.isHere ? 'kelp' : 'second'}>
                  {ring.words}
                </Text>
              </View>
              <View
                style={{ flex: 1, height: 34, justifyContent: 'center' }}
                role="img"
                aria-label={`${view.bites.toFixed(1)} bites, ${view.low.toFixed(1)} to ${view.high.toFixed(1)}`}
              >
                <View style={{ height: 2, backgroundColor: palette.line }} />
                <View
                  style={{
                    position: 'absolute',
                    left: at(Math.max(0, view.low)),
                    width: at(view.high - Math.max(0, view.low)),
                    height: 9,
                    borderRadius: 5,
                    backgroundColor: ring.isHere ? palette.kelp : palette.second,
                    opacity: 0.45,
                  }}
                />
                <View
                  style={{
                    position: 'absolute',
                    left: at(view.bites),
                    width: 14,
                    height: 14,
                    marginLeft: -7,
                    borderRadius: 7,
                    backgroundColor: ring.isHere ? palette.kelp : palette.second,
                  }}
                />
              </View>
              <Text strong size="lead" tone={ring.isHere ? 'kelp' : 'second'}>
                {view.bites.toFixed(1)}
              </Text>
            </View>
            <Text
              size="small"
              tone="second"
            >{`${ring.swim.fish} fish, ${ring.swim.bites} bites; ${ring.swim.fedMs.length === 0 ? 'not fed' : `last fed ${clockText(ring.swim.fedMs.at(-1)!, zone)}`}`}</Text>
          </View>
        );
      })}
      {peg.swims.some((s) => s.stays.length > 0) ? <SwimDay control={control} /> : null}
      {reasons.length > 0 ? <Text tone="straw">{reasons.map((r) => quietRules.find((q) => q.id === r.id)!.says).join(' ')}</Text> : null}
      <Text heading={2} size="lead">
        Rigs
      </Text>
      {rings.map(({ swim }) => {
        const rig = rigAt(swim.depthM ?? depthM);
        return (
          <View key={swim.id} style={{ flexDirection: 'row', gap: 10 }}>
            <Text strong style={{ width: 64 }}>
              {swimName(swim, units)}
            </Text>
            <Text
              style={{ flex: 1 }}
            >{`${rig.float ? `${rig.float.name} ${rig.float.capacityG} g` : `a float of ${rig.wantedG.toFixed(1)} g`}${rig.plan ? `: ${shotText(rig.plan)}` : ''}`}</Text>
          </View>
        );
      })}
      <Text size="small" tone="second">
        {flowMs === null ? 'Flow not timed: rigs are for still water.' : `Flow ${currentText(Math.abs(flowMs), units)} over the depth, timed ${clockText(peg.flow!.ms, zone)}.`}
      </Text>
    </View>
  );
}

const rowPx = 30;

/** When each swim was fished and rested, with its bites; under it what it promised, and what it will while one stays. */
function SwimDay({ control }: { control: PegControl }) {
  const palette = usePalette();
  const [{ width }, onLayout] = useSize();
  const { peg, now, units, zone, answer, temp } = control;
  const swims = peg.swims.filter((s) => s.outM !== null);
  const mood = { tempC: temp.value, factor: 1 };
  const fromMs = Math.min(...swims.map((s) => s.sinceMs));
  const toMs = now + aheadMin * 60_000;
  const left = 62;
  const x = (ms: number) => left + ((ms - fromMs) / (toMs - fromMs)) * Math.max(0, width - left - 8);
  const curves = swims.map((s) => ({ swim: s, ...swimCurve(s, answer.swims?.here ?? peg.hereId, mood, now, aheadMin) }));
  const most = Math.max(1, ...curves.flatMap((c) => [...c.past, ...c.ahead].map((p) => p.bites)));
  const top = swims.length * rowPx + 18;
  const chartPx = 104;
  const y = (b: number) => top + chartPx - (b / most) * chartPx;
  const path = (points: readonly { ms: number; bites: number }[]) => `M${points.map((p) => `${x(p.ms).toFixed(1)},${y(p.bites).toFixed(1)}`).join('L')}`;
  const hourMs = 3_600_000;
  const spanH = (toMs - fromMs) / hourMs;
  const everyMs = hourMs * (spanH > 8 ? 2 : spanH > 2 ? 1 : 0.5);
  const hours = Array.from({ length: Math.max(0, Math.floor(toMs / everyMs) - Math.ceil(fromMs / everyMs) + 1) }, (_, k) => (Math.ceil(fromMs / everyMs) + k) * everyMs);
  return (
    <View>
      <View onLayout={onLayout} role="img" aria-label={swims.map((s) => `${swimName(s, units)}: ${s.bites} bites`).join('; ')} style={{ height: top + chartPx + 24 }}>
        {width > 0 ? (
          <Svg width={width} height={top + chartPx + 24}>
            {swims.map((s, k) => (
              <SwimRow key={s.id} swim={s} y={k * rowPx + 2} x={x} nowMs={now} name={swimName(s, units)} />
            ))}
            {[0, most / 2, most].map((b) => (
              <Line key={b} x1={left} x2={width} y1={y(b)} y2={y(b)} stroke={palette.line} strokeWidth={1} />
            ))}
            <SvgText x={left - 8} y={y(most) + 5} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
              {most.toFixed(1)}
            </SvgText>
            <SvgText x={left - 8} y={y(0) + 5} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
              0
            </SvgText>
            {curves.map(({ swim, past }) => (
              <Path key={swim.id} d={path(past)} fill="none" stroke={swim.id === peg.hereId ? palette.kelp : palette.second} strokeWidth={3} strokeLinejoin="round" />
            ))}
            {curves.map(({ swim, ahead }) => (
              <Path
                key={swim.id}
                d={path(ahead)}
                fill="none"
                stroke={swim.id === peg.hereId ? palette.kelp : palette.second}
                strokeWidth={3}
                strokeDasharray="2 6"
                strokeLinecap="round"
              />
            ))}
            {curves.map(({ swim, past }, k) => {
              const at = past[Math.floor(past.length * (k === 0 ? 0.3 : 0.62))];
              return (
                <SvgText
                  key={swim.id}
                  x={x(at.ms)}
                  y={y(at.bites) - 8}
                  textAnchor="middle"
                  fontFamily={bold}
                  fontSize={14}
                  fill={swim.id === peg.hereId ? palette.kelp : palette.second}
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
            {answer.swapTo ? (
              <Circle
                cx={x(now)}
                cy={y(answer.swims?.views.find((v) => v.id === answer.swapTo!.id)?.bites ?? 0)}
                r={6}
                fill={palette.card}
                stroke={palette.ember}
                strokeWidth={2.5}
              />
            ) : null}
          </Svg>
        ) : null}
      </View>
      <Text size="small" tone="second">
        Bars: fished, white ticks are bites; hatched, at rest. Lines: bites in ten minutes as they were expected, dotted ahead.
      </Text>
    </View>
  );
}

function SwimRow({ swim, y, x, nowMs, name }: { swim: PegControl['here']; y: number; x: (ms: number) => number; nowMs: number; name: string }) {
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
