import type { OutingRate } from '@burrow/core/season';
import { dayText } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-chart-kit';
import { bold, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

interface Props {
  rates: readonly OutingRate[];
  zone: string;
  /** What the figures are: "fish an hour", "bites in ten casts". */
  measure: string;
  /** What is said where there are none. */
  empty: string;
}

/** Catches for the effort of the last outings, as a picture or as a table. */
export function OutingChart({ rates, zone, measure, empty }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const [asTable, setAsTable] = useState(false);
  const rows = rates.map((r) => ({ ...r, day: dayText(r.startedMs, zone).slice(4) }));
  const best = rows.reduce((a, b) => (b.rate > a.rate ? b : a), rows[0]);
  return (
    <View onLayout={onLayout} style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        {best ? (best.rate > 0 ? `Best lately: ${best.day}, ${best.rate.toFixed(1)} ${measure}` : `None lately: no ${measure}`) : empty}
      </Text>
      {asTable ? (
        <View role="table" aria-label={`${measure} by outing`}>
          {rows.map((row) => (
            <View key={row.id} role="row" style={{ flexDirection: 'row', justifyContent: 'space-between', minHeight: 32 }}>
              <View role="cell">
                <Text>{row.day}</Text>
              </View>
              <View role="cell">
                <Text strong>{row.rate.toFixed(1)}</Text>
              </View>
            </View>
          ))}
        </View>
      ) : size.width > 0 && rows.length > 0 ? (
        <View role="img" aria-label={`${measure}: ${rows.map((r) => `${r.day} ${r.rate.toFixed(1)}`).join(', ')}`}>
          <BarChart
            data={{ labels: rows.map((r) => r.day.split(' ')[0]), datasets: [{ data: rows.map((r) => Math.round(r.rate * 10) / 10) }] }}
            width={size.width}
            height={190}
            fromZero
            showValuesOnTopOfBars
            withInnerLines={false}
            yAxisLabel=""
            yAxisSuffix=""
            segments={3}
            chartConfig={{
              backgroundGradientFrom: palette.ground,
              backgroundGradientTo: palette.ground,
              fillShadowGradientFrom: palette.kelp,
              fillShadowGradientTo: palette.kelp,
              fillShadowGradientFromOpacity: 1,
              fillShadowGradientToOpacity: 1,
              decimalPlaces: 1,
              barPercentage: 0.55,
              color: () => palette.kelp,
              labelColor: () => palette.ink,
              propsForLabels: { fontFamily: bold, fontSize: 14 },
            }}
            style={{ marginLeft: -16 }}
          />
        </View>
      ) : null}
      {rows.length === 0 ? null : (
        <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
          <Text size="small" tone="second">{`${measure}, by day`}</Text>
          <Action kind="bare" label={asTable ? 'As a picture' : 'As a table'} onPress={() => setAsTable(!asTable)} />
        </View>
      )}
    </View>
  );
}
