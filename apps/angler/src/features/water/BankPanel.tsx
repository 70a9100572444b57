import type { bankWords, BankSetting, BankStrip } from '@burrow/core/banks';
import { clockText, compassPoint, windText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';
import { change } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';

interface Props {
  /** Null until they are computed, with what went wrong. */
  banks: { strip: BankStrip; setting: BankSetting; words: ReturnType<typeof bankWords> } | null;
  why: string | null;
  units: UnitPreference;
  zone: string;
  isIced: boolean;
}

const rowPx = 17;
const leftPx = 46;
const waveRowPx = 26;

/** Banks by sun and wind: the shore unrolled along the strip, the hours of the day down it. */
export function BankPanel({ banks, why, units, zone, isIced }: Props) {
  if (!banks) return why ? <Section>{why}</Section> : null;
  const { strip, setting, words } = banks;
  return (
    <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 12 }}>
      <Text heading={2} size="lead">
        {words.headline}
      </Text>
      <Text>{words.detail}</Text>
      {isIced ? <Caution headline="Banks in the sun lose their ice first">The edge is weakest there, and at inflows. Step on elsewhere, and check.</Caution> : null}
      <Unrolled strip={strip} zone={zone} />
      <Text
        size="small"
        tone="second"
      >{`Wind ${windText(setting.windMs, units)} from the ${compassPoint(setting.windFromDeg)}. Clear squares: sun on the water by the bank. Dark: shade. Bars below: how far the wind has run.`}</Text>
      <Text strong>Sun and wind together: schools differ</Text>
      <Choice
        label="Sun and wind together"
        options={[
          { id: 'windward', label: 'The windward bank' },
          { id: 'lee', label: 'The lee' },
        ]}
        value={setting.viewpoint}
        onChange={(windViewpoint) => change({ windViewpoint })}
        wrap
      />
    </View>
  );
}

function Section({ children }: { children: string }) {
  return (
    <View style={{ paddingHorizontal: 16 }}>
      <Text tone="straw">{children}</Text>
    </View>
  );
}

function Unrolled({ strip, zone }: { strip: BankStrip; zone: string }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { banks, hoursMs, best } = strip;
  const totalM = banks.at(-1)!.segment.alongM + banks.at(-1)!.segment.lengthM / 2;
  const width = Math.max(1, size.width - leftPx);
  const x = (m: number) => leftPx + (m / totalM) * width;
  const bottom = hoursMs.length * rowPx;
  const sides = sidesAlong(strip);
  const label = { fontFamily: bold, fontSize: 14, fill: palette.second };
  return (
    <View role="img" aria-label={described(strip, zone)} onLayout={onLayout} style={{ height: bottom + waveRowPx + 28 }}>
      {size.width > 0 ? (
        <Svg width={size.width} height={bottom + waveRowPx + 28}>
          <Rect x={leftPx} y={0} width={width} height={bottom - 2} fill={palette.depths[7]} />
          {hoursMs.flatMap((ms, h) =>
            litRuns(strip, h).map(([fromM, toM]) => <Rect key={`${ms}-${fromM}`} x={x(fromM)} y={h * rowPx} width={x(toM) - x(fromM)} height={rowPx - 2} fill={palette.card} />),
          )}
          <Path d={fetchOutline(strip, x, bottom + waveRowPx, waveRowPx - 6)} fill={palette.second} />
          {hoursMs.map((ms, h) =>
            h % 2 === 0 ? (
              <SvgText key={ms} x={0} y={h * rowPx + 12} {...label}>
                {clockText(ms, zone)}
              </SvgText>
            ) : null,
          )}
          <SvgText x={0} y={bottom + waveRowPx} {...label}>
            wind
          </SvgText>
          <Line x1={x(banks[best].segment.alongM)} x2={x(banks[best].segment.alongM)} y1={0} y2={bottom + waveRowPx} stroke={palette.ember} strokeWidth={3} />
          {sides.map(({ alongM, side }) => (
            <SvgText key={side + alongM} x={x(alongM)} y={bottom + waveRowPx + 20} textAnchor="middle" {...label}>
              {side}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

/** Stretches of shore that the sun reaches at an hour, m along it. */
function litRuns({ banks }: BankStrip, hour: number): [number, number][] {
  const runs: [number, number][] = [];
  for (const { segment, sunlit } of banks) {
    const [fromM, toM] = [segment.alongM - segment.lengthM / 2, segment.alongM + segment.lengthM / 2];
    const last = runs.at(-1);
    if (!sunlit[hour]) continue;
    if (last && fromM - last[1] < 0.01) last[1] = toM;
    else runs.push([fromM, toM]);
  }
  return runs;
}

/** How far the wind has run to each bank, as an outline over a base line. */
function fetchOutline({ banks }: BankStrip, x: (m: number) => number, basePx: number, mostPx: number): string {
  const longest = Math.max(1, ...banks.map((b) => b.fetchM));
  const top = banks.map((b) => `L${x(b.segment.alongM).toFixed(1)} ${(basePx - (b.fetchM / longest) * mostPx).toFixed(1)}`);
  return `M${x(0)} ${basePx}${top.join('')}L${x(banks.at(-1)!.segment.alongM).toFixed(1)} ${basePx}Z`;
}

/** Where along the shore each side of the water has its middle. */
function sidesAlong({ banks }: BankStrip): { alongM: number; side: string }[] {
  const found = new Map<string, number[]>();
  for (const { segment } of banks) {
    const side = compassPoint(segment.facesDeg + 180);
    if (side.includes('-')) continue;
    found.set(side, [...(found.get(side) ?? []), segment.alongM]);
  }
  return [...found].map(([side, at]) => ({ side, alongM: at[at.length >> 1] }));
}

function described({ banks, hoursMs, best }: BankStrip, zone: string): string {
  const lit = banks[best].sunlit.flatMap((isLit, h) => (isLit ? [clockText(hoursMs[h], zone)] : []));
  return `Banks by sun and wind. Best: the ${compassPoint(banks[best].segment.facesDeg + 180)} bank, ${lit.length > 0 ? `sun from ${lit[0]} to ${lit.at(-1)}` : 'no sun today'}.`;
}
