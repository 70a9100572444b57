import type { CrewBoardAnswer } from '@burrow/contract/api';
import { clockText, counted, depthText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

const height = 30;

interface Props {
  row: CrewBoardAnswer['rows'][number];
  fromMs: number;
  nowMs: number;
  zone: string;
  units: UnitPreference;
}

/** One of the crew: what is down and how deep, and over the hours when a line was in and what came. */
export function MemberRow({ row, fromMs, nowMs, zone, units }: Props) {
  const palette = usePalette();
  const [{ width }, onLayout] = useSize();
  const x = (ms: number) => ((ms - fromMs) / Math.max(60_000, nowMs - fromMs)) * Math.max(0, width - 12) + 4;
  const down = row.lines.map((l) => `${l.presentation ?? 'bait not said'}${l.depthM === null ? '' : `, ${depthText(l.depthM, units)}`}`);
  const landed = row.bites.filter((b) => b.isFish).length;
  const last = row.bites.at(-1);
  const came = `${counted(row.bites.length, 'bite')}, ${row.fish} fish`;
  return (
    <View style={{ gap: 4 }}>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 10 }}>
        <Text strong size="lead">
          {row.isYou ? `${row.name}, you` : row.name}
        </Text>
        <Text size="small" tone="second" numberOfLines={1} style={{ flex: 1 }}>
          {down.length > 0 ? down.join('; ') : row.place === null ? 'not fishing yet' : 'no line down'}
        </Text>
        <Text size="small" strong tone={row.fish > 0 ? 'kelp' : 'second'}>
          {came}
        </Text>
      </View>
      <View
        onLayout={onLayout}
        role="img"
        aria-label={`${row.name}${row.place ? ` at ${row.place}` : ''}: ${came}${last ? `, the last ${clockText(last.ms, zone)}` : ''}, ${landed} landed, ${row.lineMin} minutes of line`}
        style={{ height, borderRadius: 4, overflow: 'hidden', backgroundColor: palette.depths[0] }}
      >
        {width > 0 ? (
          <Svg width={width} height={height} aria-hidden>
            {row.spans.map((s) => (
              <Line key={s.fromMs} x1={x(s.fromMs)} x2={Math.max(x(s.fromMs) + 2, x(s.toMs ?? nowMs))} y1={height - 5} y2={height - 5} stroke={palette.ember} strokeWidth={2.5} />
            ))}
            {row.bites.map((b, k) =>
              b.isFish ? (
                <Rect key={k} x={x(b.ms) - 4} y={4} width={8} height={18} rx={2} fill={palette.kelp} />
              ) : (
                <Rect key={k} x={x(b.ms) - 4} y={11} width={8} height={10} rx={2} fill={palette.card} stroke={palette.kelp} strokeWidth={2} />
              ),
            )}
          </Svg>
        ) : null}
      </View>
    </View>
  );
}

/** What the marks of a row are. */
export function RowKey() {
  const palette = usePalette();
  const parts = [
    { name: 'landed', mark: <Rect x={3} y={1} width={8} height={14} rx={2} fill={palette.kelp} /> },
    { name: 'bite, not landed', mark: <Rect x={3} y={3} width={8} height={10} rx={2} fill={palette.card} stroke={palette.kelp} strokeWidth={2} /> },
    { name: 'line in the water', mark: <Line x1={0} x2={14} y1={8} y2={8} stroke={palette.ember} strokeWidth={2.5} /> },
  ];
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14 }}>
      {parts.map(({ name, mark }) => (
        <View key={name} style={{ flexDirection: 'row', alignItems: 'center', gap: 5 }}>
          <Svg width={14} height={16} aria-hidden>
            {mark}
          </Svg>
          <Text size="small">{name}</Text>
        </View>
      ))}
    </View>
  );
}
