import type { LogEntry, OutingState } from '@burrow/core/ledger';
import { clockText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import { wordsOf } from '@/features/entries/kinds';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

/** What was logged, latest first, each with its undo. */
export function LogList({
  outing,
  entries,
  units,
  timeZone,
  onUndo,
  onCorrect,
  isCorrectable,
}: {
  outing: OutingState;
  entries: readonly LogEntry[];
  units: UnitPreference;
  timeZone: string;
  onUndo: (id: string) => void;
  /** Opens an entry whose figures can be put right. */
  onCorrect?: (entry: LogEntry) => void;
  isCorrectable?: (entry: LogEntry) => boolean;
}) {
  const palette = usePalette();
  if (entries.length === 0) return <Text tone="second">Nothing logged yet.</Text>;
  return (
    <View>
      {[...entries].reverse().map((entry) => {
        const { what, detail, isFish } = wordsOf(entry, outing, units);
        return (
          <View key={entry.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48, borderTopWidth: 1, borderTopColor: palette.line }}>
            <Text size="small" tone="second">
              {clockText(entry.ms, timeZone)}
            </Text>
            <Text size="small" strong tone={isFish ? 'kelp' : 'ink'} style={{ width: 78 }}>
              {what}
            </Text>
            <Text size="small" tone="second" style={{ flex: 1 }}>
              {detail}
            </Text>
            {onCorrect && isCorrectable?.(entry) ? (
              <Action kind="bare" label="" icon="edit" spoken={`Correct ${what} ${clockText(entry.ms, timeZone)}`} height={48} onPress={() => onCorrect(entry)} />
            ) : null}
            <Action kind="bare" label="Undo" spoken={`Undo ${what} ${clockText(entry.ms, timeZone)}`} height={48} onPress={() => onUndo(entry.id)} />
          </View>
        );
      })}
    </View>
  );
}
