import { clockText, dayText } from '@burrow/core/units';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { entryKinds } from '@/features/entries/kinds';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

/** Entries that the server would not have, each with its reason: they stay on this phone. */
export function RefusedList() {
  const palette = usePalette();
  const { refused, ledger } = useLedger();
  if (refused.length === 0) return null;
  return (
    <View style={{ gap: 4 }}>
      <Text strong tone="straw">
        Refused by the server, kept on this phone
      </Text>
      {refused.map((row) => {
        const ms = Date.parse(row.event.at);
        // Beside the server's own entry of the same id it cannot be sent; it is shown as it was.
        const canSend = row.id === row.event.id;
        return (
          <View key={row.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 6 }}>
            <View style={{ flex: 1 }}>
              <Text strong>{`${entryKinds[row.event.kind].name}, ${dayText(ms, 'UTC')} ${clockText(ms, 'UTC')} UTC`}</Text>
              <Text size="small" tone="second">
                {row.refused ?? ''}
              </Text>
            </View>
            {canSend ? <Action label="Send again" onPress={() => void ledger.sendAgain(row)} /> : null}
          </View>
        );
      })}
    </View>
  );
}
