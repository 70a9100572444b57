import type { ColumnAnswer } from '@burrow/core/column';
import { speciesOf } from '@burrow/core/fish';
import { columnTable, columnWords, measurementsOf, recentCasts, type FishDepth } from '@burrow/core/outlook';
import { useMemo, useState } from 'react';
import { ActivityIndicator, View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { ColumnPlot, columnSpoken } from './column/ColumnPlot';

interface Props {
  species: string;
  answer: ColumnAnswer | null;
  depth: FishDepth | null;
  why: string | null;
  pending: boolean;
  waterId: string;
  nowMs: number;
  /** What the last thermometer reading changed; null where none did. */
  thermometer: string | null;
  /** Whether nobody measured how clear the water is. */
  clarityAssumed: boolean;
  height?: number;
}

/** The column of the water now: its finding, the picture, where its figures come from; as a table on request. */
export function ColumnPart({ species, answer, depth, why, pending, waterId, nowMs, thermometer, clarityAssumed, height }: Props) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { state } = useLedger();
  const [asTable, setAsTable] = useState(false);
  const casts = useMemo(() => recentCasts(measurementsOf(state, waterId), nowMs), [state, waterId, nowMs]);
  if (!answer || !depth) {
    return (
      <View style={{ gap: 8, minHeight: 120 }}>
        <Text heading={2} size="lead">
          The water by depth
        </Text>
        {pending && !why ? (
          <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
            <ActivityIndicator color={palette.ember} aria-label="Computing the column" accessibilityLabel="Computing the column" />
            <Text tone="second">Running the winter through this water</Text>
          </View>
        ) : (
          <Text tone="second">{`Not to be had: ${why ?? 'no weather since autumn has reached this phone yet'}. The windows go by weather and light alone.`}</Text>
        )}
      </View>
    );
  }
  const words = columnWords(answer, depth, speciesOf(species).short, units);
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        {words.title}
      </Text>
      <Text tone="second">{words.detail}</Text>
      {thermometer ? <Text strong>{thermometer}</Text> : null}
      {asTable ? (
        <View role="table" aria-label="Column in figures">
          {columnTable(answer, units).map((row) => (
            <View key={row.depth} role="row" style={{ flexDirection: 'row', borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 6 }}>
              {[row.depth, row.temp, row.oxygen, row.light].map((cell, i) => (
                <View key={i} role="cell" style={{ flex: 1 }}>
                  <Text size="small" strong={i === 0} align={i === 0 ? 'left' : 'right'}>
                    {cell}
                  </Text>
                </View>
              ))}
            </View>
          ))}
        </View>
      ) : (
        <ColumnPlot
          answer={answer}
          band={depth.look}
          bandLabel={speciesOf(species).short.toLowerCase()}
          casts={casts}
          units={units}
          height={height}
          spoken={columnSpoken(answer, units)}
        />
      )}
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <Text size="small" tone="second" style={{ flex: 1 }}>
          {clarityAssumed ? `${words.source} Clarity is assumed; the disc tells it.` : words.source}
        </Text>
        <Action label={asTable ? 'As a picture' : 'In figures'} onPress={() => setAsTable(!asTable)} />
      </View>
    </View>
  );
}
