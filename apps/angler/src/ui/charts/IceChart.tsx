import type { WaterWinter } from '@burrow/contract/api';
import { winterIceRows, winterWords } from '@burrow/core/outlook';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

/** The ice of the winter week by week, modelled, with what was measured beside it in the table. */
export function IceChart({ winter, timeZone }: { winter: WaterWinter; timeZone: string }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [size, onLayout] = useSize();
  const [asTable, setAsTable] = useState(false);
  const words = winterWords(winter, timeZone, units);
  const rows = winterIceRows(winter, timeZone, units);
  return (
    <View onLayout={onLayout} style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        {words.title}
      </Text>
      <Text tone="second">{words.detail}</Text>
      {asTable ? (
        <View role="table" aria-label="Ice by week">
          {rows.map((row) => (
            <View
              key={row.day}
              role="row"
              style={{ flexDirection: 'row', justifyContent: 'space-between', minHeight: 32, borderTopWidth: 1, borderTopColor: palette.line, alignItems: 'center' }}
            >
              {[row.day, `${row.modelled} modelled`, row.measured ? `${row.measured} measured` : ''].map((cell, i) => (
                <View key={i} role="cell" style={{ flex: 1 }}>
                  <Text size="small" strong={i === 2}>
                    {cell}
                  </Text>
                </View>
              ))}
            </View>
          ))}
        </View>
      ) : size.width > 0 && rows.length > 1 ? (
        <View role="img" aria-label={`Ice by week, modelled: ${rows.map((r) => `${r.day} ${r.modelled}`).join(', ')}`}>
          <LineChart
            data={{ labels: rows.map((r, i) => (i % 3 === 0 ? r.day : '')), datasets: [{ data: rows.map((r) => r.figure), color: () => palette.ink, strokeWidth: 3 }] }}
            width={size.width}
            height={180}
            fromZero
            withDots={false}
            withInnerLines={false}
            withShadow={false}
            segments={3}
            yAxisSuffix={` ${units.ice}`}
            chartConfig={{
              backgroundGradientFrom: palette.ground,
              backgroundGradientTo: palette.ground,
              decimalPlaces: 0,
              color: () => palette.ink,
              labelColor: () => palette.ink,
              propsForLabels: { fontFamily: bold, fontSize: 14 },
            }}
            style={{ marginLeft: -12 }}
          />
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Text size="small" tone="second">
          Clear and white ice, modelled. No figure here replaces a drill.
        </Text>
        <Action kind="bare" label={asTable ? 'As a picture' : 'As a table'} onPress={() => setAsTable(!asTable)} />
      </View>
    </View>
  );
}
