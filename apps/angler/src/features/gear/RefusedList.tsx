import type { EventKind } from '@burrow/core/ledger';
import { clockText, dayText } from '@burrow/core/units';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

const kindWords: Record<EventKind, string> = {
  'outing-started': 'Outing started',
  'outing-ended': 'Outing ended',
  'ice-measured': 'Ice',
  joined: 'Joined with another outing',
  'method-changed': 'Way of fishing changed',
  'station-opened': 'Place opened',
  'cadence-set': 'Movement',
  cast: 'Cast',
  felt: 'Felt on the bed',
  'level-measured': 'Level of the water',
  fed: 'Feed',
  'swim-placed': 'Swim chosen',
  plumbed: 'Depth plumbed',
  'flow-timed': 'Flow',
  changed: 'Change',
  'quiet-seen': 'Reason for the quiet',
  'bag-weighed': 'Fish weighed',
  tracked: 'Track of a pass',
  'pass-ended': 'Pass ended',
  rested: 'Rested',
  'depth-sounded': 'Depth',
  'temperature-measured': 'Water temperature',
  'clarity-measured': 'Clarity',
  'line-down': 'Line down',
  'line-up': 'Line up',
  'flag-up': 'Flag',
  'depth-set': 'Depth of the jig',
  reaction: 'What a fish did',
  'fish-landed': 'Fish landed',
  'fish-kept': 'Fish kept',
  'fish-released': 'Fish released',
  'weather-seen': 'Weather seen',
  'drill-done': 'Practice drill',
  moved: 'Moved',
  note: 'Note',
  undone: 'Taken back',
  amended: 'Corrected',
};

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
              <Text strong>{`${kindWords[row.event.kind]}, ${dayText(ms, 'UTC')} ${clockText(ms, 'UTC')} UTC`}</Text>
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
