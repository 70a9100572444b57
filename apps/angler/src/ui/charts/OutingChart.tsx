import type { OutingSummary } from '@burrow/core/season';
import { dayText } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-chart-kit';
import { bold, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

/** Most outings in one picture. */
const shown = 8;
/** A rate over less line than this says nothing, min. */
const leastMin = 30;

/** Catches per hour of line over the last outings, as a picture or as a table. */
export function OutingChart({ outings, zone, count }: { outings: readonly OutingSummary[]; zone: string; count: 'fish' | 'bites' }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const [asTable, setAsTable] = useState(false);
  const rows = outings
    .filter((o) => o.lineMin >= leastMin)
    .slice(0, shown)
    .reverse()
    .map((o) => ({ id: o.id, day: dayText(o.startedMs, zone).slice(4), rate: (o[count] / o.lineMin) * 60 }));
  const best = rows.reduce((a, b) => (b.rate > a.rate ? b : a), rows[0]);
  return (
    <View onLayout={onLayout} style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        {best ? `Best lately: ${best.day}, ${best.rate.toFixed(1)} ${count} an hour` : 'No line in the water yet'}
      </Text>
      {asTable ? (
        <View role="table" aria-label={`${count} an hour of line by outing`}>
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
        <View role="img" aria-label={`${count} an hour of line: ${rows.map((r) => `${r.day} ${r.rate.toFixed(1)}`).join(', ')}`}>
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
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text size="small" tone="second">{`${count} an hour of line, by day`}</Text>
        <Action kind="bare" label={asTable ? 'As a picture' : 'As a table'} onPress={() => setAsTable(!asTable)} />
      </View>
    </View>
  );
}
