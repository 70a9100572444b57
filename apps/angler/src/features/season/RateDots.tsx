import type { RateRow } from '@burrow/core/season';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

interface Props {
  rows: readonly RateRow[];
  label: (key: string) => string;
  best?: string;
  unit: string;
  /** How much effort lies behind a row. */
  effort: (minutes: number, isEnough: boolean) => string;
}

/** Rates with their 90 % ranges, a line each. */
export function RateDots({ rows, label, best, unit, effort }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const most = Math.max(1, ...rows.map((r) => r.rate.high)) * 1.05;
  const x = (rate: number) => (rate / most) * Math.max(0, size.width - 16) + 8;
  return (
    <View role="table" aria-label={`${unit}, with 90 percent range`} style={{ gap: 2 }}>
      {rows.map((row, i) => {
        const colour = row.key === best ? palette.kelp : palette.second;
        return (
          <View key={row.key} role="row" style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
            <View role="cell" style={{ width: 128, paddingRight: 8 }}>
              <Text size="body" strong={row.key === best}>
                {label(row.key)}
              </Text>
            </View>
            <View
              role="cell"
              onLayout={i === 0 ? onLayout : undefined}
              style={{ flex: 1 }}
              aria-label={
                row.enough
                  ? `${row.rate.mean.toFixed(1)}, ${row.rate.low.toFixed(1)} to ${row.rate.high.toFixed(1)}, ${row.count} in ${effort(row.minutes, true)}`
                  : 'not enough yet'
              }
            >
              {row.enough ? (
                <>
                  <View style={{ height: 20 }} aria-hidden>
                    <View style={{ position: 'absolute', left: x(row.rate.mean) - 20, width: 40 }}>
                      <Text size="small" strong align="center" tone={row.key === best ? 'kelp' : 'ink'}>
                        {row.rate.mean.toFixed(1)}
                      </Text>
                    </View>
                  </View>
                  <Svg width={size.width} height={18} aria-hidden>
                    <Line x1={8} x2={size.width - 8} y1={9} y2={9} stroke={palette.line} strokeWidth={2} />
                    <Rect x={x(row.rate.low)} y={5} width={Math.max(2, x(row.rate.high) - x(row.rate.low))} height={8} rx={4} fill={colour} opacity={0.45} />
                    <Circle cx={x(row.rate.mean)} cy={9} r={7} fill={colour} />
                  </Svg>
                </>
              ) : (
                <Text size="small" tone="second">{`not enough yet (${effort(row.minutes, false)})`}</Text>
              )}
            </View>
          </View>
        );
      })}
      <View aria-hidden style={{ flexDirection: 'row', paddingLeft: 136, justifyContent: 'space-between' }}>
        <Text size="small" tone="second">
          0
        </Text>
        <Text size="small" tone="second">{`${unit}, 90 % range`}</Text>
      </View>
    </View>
  );
}
