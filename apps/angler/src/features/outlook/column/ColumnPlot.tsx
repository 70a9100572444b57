import type { ColumnAnswer } from '@burrow/core/column';
import type { Band } from '@burrow/core/outlook';
import { depthFigure, depthText, iceText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { valueAt } from '@burrow/core/water';
import type { Measurement } from '@burrow/core/winter';
import { View } from 'react-native';
import Svg, { G, Line, Path, Pattern, Defs, Rect, Text as SvgText } from 'react-native-svg';
import { bold, regular, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';
import { columnScale } from './scale';

interface Props {
  answer: ColumnAnswer;
  band: Band | null;
  bandLabel: string;
  casts: readonly Measurement[];
  units: UnitPreference;
  height?: number;
  /** The drawing in words. */
  spoken: string;
}

/** Temperature, oxygen and light against depth: modelled lines with their spread, measured points as open squares, ice on top, bottom below. */
export function ColumnPlot({ answer, band, bandLabel, casts, units, height = 320, spoken }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { now, spreadC, deepestM } = answer;
  const scale = columnScale({ width: size.width, height, deepestM, answer, casts, units, label: bandLabel });
  const { x, y, left, right, top, base } = scale;
  const line = (points: readonly (readonly [number, number])[]) => points.map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`).join('');
  const of = (at: (i: number) => number) => now.depthM.map((z, i) => [at(i), y(z)] as const);
  const temps = of((i) => x.temp(now.tempC[i]));
  const spread = `${line(of((i) => x.temp(now.tempC[i] + 2 * spreadC[i])))}L${of((i) => x.temp(now.tempC[i] - 2 * spreadC[i]))
    .reverse()
    .map(([px, py]) => `${px.toFixed(1)} ${py.toFixed(1)}`)
    .join('L')}Z`;
  const iceM = now.iceClearM + now.iceWhiteM;
  const label = (px: number, py: number, text: string, fill: string, anchor: 'start' | 'middle' | 'end' = 'start', strong = false) => (
    <SvgText x={px} y={py} fontSize={14} fontFamily={strong ? bold : regular} fill={fill} textAnchor={anchor}>
      {text}
    </SvgText>
  );
  return (
    <View onLayout={onLayout} role="figure" aria-label={spoken}>
      <Legend hasCasts={casts.length > 0} units={units} />
      {size.width > 0 ? (
        <Svg width={size.width} height={height} aria-hidden>
          <Defs>
            <Pattern id="column-bed" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <Rect width="3" height="9" fill={palette.plum} opacity={0.6} />
            </Pattern>
          </Defs>
          <Rect x={left} y={top} width={right - left} height={base - top} fill={palette.waterTop} />
          {band ? (
            <Rect x={left} y={y(band.fromM)} width={right - left} height={y(band.toM) - y(band.fromM)} fill={palette.kelp} opacity={palette.name === 'day' ? 0.16 : 0.24} />
          ) : null}
          {scale.ticks.map((z) => (
            <G key={z}>
              <Line x1={left} x2={right} y1={y(z)} y2={y(z)} stroke={palette.line} />
              {label(left - 8, y(z) + 5, depthFigure(z, units), palette.second, 'end')}
            </G>
          ))}
          {label(left - 8, top - 4, units.depth, palette.second, 'end')}
          {iceM > 0 ? label(right, top - 4, `ice ${iceText(iceM, units)}, modelled`, palette.second, 'end') : null}
          {iceM > 0 ? <Rect x={left} y={top} width={right - left} height={Math.max(4, y(0.917 * iceM) - top)} fill={palette.card} stroke={palette.second} /> : null}
          <Path d={spread} fill={palette.ember} opacity={0.16} />
          <Path d={line(of((i) => x.light(now.light[i])))} stroke={palette.straw} strokeWidth={2.5} strokeDasharray="2 5" fill="none" />
          <Path d={line(of((i) => x.oxygen(now.oxygenMgL[i])))} stroke={palette.ink} strokeWidth={2.5} strokeDasharray="8 5" fill="none" />
          <Path d={line(temps)} stroke={palette.ember} strokeWidth={3} fill="none" />
          {casts.map((c) => (
            <Rect key={`${c.atMs}-${c.depthM}`} x={x.temp(c.value) - 5} y={y(c.depthM!) - 5} width={10} height={10} fill={palette.card} stroke={palette.ember} strokeWidth={2} />
          ))}
          <Rect x={left} y={base} width={right - left} height={10} fill="url(#column-bed)" />
          <Line x1={left} x2={right} y1={base} y2={base} stroke={palette.plum} strokeWidth={2.5} />
          {scale.tempTicks.map((t) => label(x.temp(t.c), base + 28, t.text, palette.ember, 'middle', true))}
          {scale.oxygenTicks.map((o) => label(x.oxygen(o), base + 46, `${o}`, palette.ink, 'middle'))}
          {label(left - 8, base + 28, units.temp === 'F' ? '°F' : '°C', palette.ember, 'end', true)}
          {label(left - 8, base + 46, 'mg/L', palette.ink, 'end')}
        </Svg>
      ) : null}
      {size.width > 0 && band ? <Chip {...scale.chipAt(band)}>{bandLabel}</Chip> : null}
    </View>
  );
}

/** A label on an opaque ground, so that no line runs through it. */
function Chip({ top, left, width, children }: { top: number; left: number; width: number; children: string }) {
  const palette = usePalette();
  return (
    <View pointerEvents="none" style={{ position: 'absolute', top, left, width, alignItems: 'center', backgroundColor: palette.card, borderRadius: 6 }}>
      <Text size="small" strong tone="kelp" numberOfLines={1}>
        {children}
      </Text>
    </View>
  );
}

function Legend({ hasCasts, units }: { hasCasts: boolean; units: UnitPreference }) {
  const palette = usePalette();
  const entries = [
    { text: units.temp === 'F' ? '°F' : '°C', tone: 'ember' as const, dash: undefined },
    { text: 'oxygen', tone: 'ink' as const, dash: '6 4' },
    { text: 'light', tone: 'straw' as const, dash: '2 4' },
  ];
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14, height: 28 }} aria-hidden>
      {entries.map((e) => (
        <View key={e.text} style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <Svg width={22} height={4}>
            <Line x1={0} x2={22} y1={2} y2={2} stroke={palette[e.tone]} strokeWidth={3} strokeDasharray={e.dash} />
          </Svg>
          <Text size="small" strong tone={e.tone}>
            {e.text}
          </Text>
        </View>
      ))}
      {hasCasts ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <View style={{ width: 10, height: 10, borderWidth: 2, borderColor: palette.ember }} />
          <Text size="small" tone="second">
            your thermometer
          </Text>
        </View>
      ) : null}
    </View>
  );
}

/** What the plot shows, for those who do not see it. */
export const columnSpoken = (answer: ColumnAnswer, units: UnitPreference) => {
  const { now, deepestM } = answer;
  const at = (z: number) =>
    `${depthText(z, units)}: ${units.temp === 'F' ? `${Math.round(valueAt(now, 'tempC', z) * 1.8 + 32)} °F` : `${valueAt(now, 'tempC', z).toFixed(1)} °C`}, oxygen ${valueAt(now, 'oxygenMgL', z).toFixed(0)}`;
  const step = metresPerDepthUnit(units) * (units.depth === 'ft' ? 8 : 3);
  const depths = [];
  for (let z = step; z < deepestM; z += step) depths.push(at(z));
  return `Modelled column. ${depths.join('. ')}`;
};
