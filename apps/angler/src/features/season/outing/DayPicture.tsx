import type { OutingDay } from '@burrow/core/season';
import { clockText, depthFigure, hourMs, metresPerDepthUnit, startOfDay, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

const height = 260;
const [leftPx, topPx, footPx] = [44, 44, 24];
/** Room over the shallowest and under the deepest, as a share of what lies between. */
const [headShare, bedShare] = [0.12, 0.35];

type Known = OutingDay & { deepestM: number; shallowestM: number };

/** The scales of a day in so many px: hours across, depths down, with the lines that are named. */
function dayScale(day: Known, zone: string, units: UnitPreference, roomPx: number) {
  const spanM = Math.max(1, day.deepestM - day.shallowestM);
  const [topM, endM] = [Math.max(0, day.shallowestM - headShare * spanM), day.deepestM + bedShare * spanM];
  const width = Math.max(1, roomPx - leftPx - 8);
  const bottomPx = height - footPx;
  const spanMs = Math.max(60_000, day.toMs - day.fromMs);
  const unitM = metresPerDepthUnit(units);
  const lines = (endM - topM) / unitM;
  const step = [1, 2, 5, 10, 20, 50].find((s) => (lines / s) * 20 < bottomPx - topPx && lines / s <= 6) ?? 100;
  const depths: number[] = [];
  for (let d = Math.ceil(topM / (step * unitM)); d * step * unitM < endM; d++) depths.push(d * step * unitM);
  const hourStep = [1, 2, 3, 6].find((h) => spanMs / (h * hourMs) <= 6) ?? 12;
  const hours: number[] = [];
  for (let ms = startOfDay(day.fromMs, zone); ms <= day.toMs; ms += hourStep * hourMs) if (ms > day.fromMs + spanMs * 0.03 && ms < day.toMs - spanMs * 0.03) hours.push(ms);
  return {
    width,
    bottomPx,
    depths,
    hours,
    x: (ms: number) => leftPx + ((ms - day.fromMs) / spanMs) * width,
    y: (m: number) => topPx + ((m - topM) / (endM - topM)) * (bottomPx - topPx),
  };
}

/** The outing as one picture: hours across, depths down, each place with its bed, its lines and what came to them. */
export function DayPicture({ day, zone, units }: { day: OutingDay; zone: string; units: UnitPreference }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { deepestM, shallowestM } = day;
  if (deepestM === null || shallowestM === null)
    return (
      <View style={{ paddingHorizontal: 16 }}>
        <Text tone="second">No depth was logged, of the bed or of a line: there is nothing to draw but the hours.</Text>
      </View>
    );
  const scale = dayScale({ ...day, deepestM, shallowestM }, zone, units, size.width);
  const { x, y, width, depths, hours } = scale;
  const label = { fontFamily: bold, fontSize: 14, fill: palette.second };
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14, paddingHorizontal: 16 }}>
        <Key mark={<Rect x={3} y={1} width={8} height={14} rx={2} fill={palette.kelp} />}>fish at its best height</Key>
        <Key mark={<Rect x={3} y={2} width={7} height={12} rx={2} fill={palette.card} stroke={palette.kelp} strokeWidth={2} />}>elsewhere</Key>
        <Key mark={<Line x1={7} x2={7} y1={3} y2={13} stroke={palette.ink} strokeWidth={3} />}>bite</Key>
        <Key mark={<Line x1={0} x2={14} y1={8} y2={8} stroke={palette.ember} strokeWidth={3} />}>line</Key>
      </View>
      <View onLayout={onLayout} role="img" aria-label={described(day, zone, units)} style={{ height }}>
        {size.width > 0 ? (
          <Svg width={size.width} height={height}>
            <BedPattern id="day-bed" />
            {depths.map((m) => (
              <G key={m}>
                <Line x1={leftPx} x2={leftPx + width} y1={y(m)} y2={y(m)} stroke={palette.line} strokeWidth={1} />
                <SvgText x={leftPx - 6} y={y(m) + 5} textAnchor="end" {...label}>
                  {depthFigure(m, units)}
                </SvgText>
              </G>
            ))}
            <SvgText x={leftPx - 6} y={topPx - 8} textAnchor="end" {...label}>
              {units.depth}
            </SvgText>
            {hours.map((ms) => (
              <SvgText key={ms} x={x(ms)} y={height - 6} textAnchor="middle" {...label}>
                {clockText(ms, zone)}
              </SvgText>
            ))}
            {day.stays.map((stay, k) => (
              <Stay key={k} stay={stay} scale={scale} />
            ))}
            {day.lines.map((l, k) => (
              <Line key={k} x1={x(l.fromMs)} x2={Math.max(x(l.fromMs) + 2, x(l.toMs))} y1={y(l.depthM)} y2={y(l.depthM)} stroke={palette.ember} strokeWidth={2.5} />
            ))}
            {day.catches.map((c, k) => (
              <Catch key={k} caught={c} scale={scale} />
            ))}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

type Scale = ReturnType<typeof dayScale>;

/** A place over its hours: the water, the bed at its depth, and its number where there is room. */
function Stay({ stay, scale: { x, y, bottomPx } }: { stay: OutingDay['stays'][number]; scale: Scale }) {
  const palette = usePalette();
  const [from, to] = [x(stay.fromMs) + 1, x(stay.toMs) - 1];
  const middle = (from + to) / 2;
  const width = Math.max(1, to - from);
  return (
    <G>
      <Rect x={from} y={topPx} width={width} height={bottomPx - topPx} fill={palette.depths[0]} />
      {stay.depthM === null ? null : (
        <>
          <Rect x={from} y={y(stay.depthM)} width={width} height={Math.max(0, bottomPx - y(stay.depthM))} fill="url(#day-bed)" />
          <Line x1={from} x2={Math.max(from + 1, to)} y1={y(stay.depthM)} y2={y(stay.depthM)} stroke={palette.plum} strokeWidth={3} />
        </>
      )}
      {to - from > 6 ? (
        <>
          <Circle cx={middle} cy={18} r={12} fill={palette.card} stroke={palette.ember} strokeWidth={2.5} />
          <SvgText x={middle} y={23} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ember}>
            {stay.label}
          </SvgText>
        </>
      ) : null}
    </G>
  );
}

/** A fish or a bite at its hour and depth. */
function Catch({ caught: c, scale: { x, y } }: { caught: OutingDay['catches'][number]; scale: Scale }) {
  const palette = usePalette();
  // Those of which nobody knows the depth stand under the number of their place.
  const at = c.depthM === null ? topPx + 20 : y(c.depthM);
  if (!c.isFish) return <Line x1={x(c.ms)} x2={x(c.ms)} y1={at - 10} y2={at - 2} stroke={palette.ink} strokeWidth={3} />;
  const drawn = c.isBest ? { fill: palette.kelp, stroke: palette.card, strokeWidth: 1 } : { fill: palette.card, stroke: palette.kelp, strokeWidth: 2 };
  return <Rect x={x(c.ms) - 4} y={at - 18} width={8} height={15} rx={2} {...drawn} />;
}

function Key({ mark, children }: { mark: React.ReactNode; children: string }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 5 }}>
      <Svg width={14} height={16} aria-hidden>
        {mark}
      </Svg>
      <Text size="small">{children}</Text>
    </View>
  );
}

function described(day: OutingDay, zone: string, units: UnitPreference): string {
  const stays = day.stays.map(
    (s) =>
      `${s.label} from ${clockText(s.fromMs, zone)}${s.depthM === null ? '' : `, ${depthFigure(s.depthM, units)} ${units.depth} deep`}, ${day.catches.filter((c) => c.isFish && c.station === s.station && c.ms >= s.fromMs && c.ms <= s.toMs).length} fish`,
  );
  return `The day place by place: ${stays.join('; ')}.`;
}
