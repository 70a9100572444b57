import type { MarkDid } from '@burrow/core/coach';
import type { LostAt, ReactionKind } from '@burrow/core/ledger';
import { View } from 'react-native';
import { lostKeysAt, reactionWords } from '@/features/entries/kinds';
import { Action } from '@/ui/Action';
import { marksDid } from './reading/useReading';

const keys = { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } as const;
const others: ReactionKind[] = ['stalled', 'followed', 'chased', 'ignored', 'nipped', 'robbed', 'fled'];

/** What else a fish did at the bait, beside what stands at the thumb, and where one came off. */
export function MoreAnswers({ isOnIce, onReact }: { isOnIce: boolean; onReact: (kind: ReactionKind, lostAt?: LostAt, isSame?: true) => void }) {
  return (
    <View style={keys}>
      {others.map((kind) => (
        <Action key={kind} height={64} label={reactionWords[kind]} onPress={() => onReact(kind)} />
      ))}
      <Action height={64} label="Same fish again" onPress={() => onReact('looked', undefined, true)} />
      {lostKeysAt(isOnIce).map(({ at, label }) => (
        <Action key={at} height={64} label={label} onPress={() => onReact('lost', at)} />
      ))}
    </View>
  );
}

/** What a mark did that the row of keys of a reading by eye has no room for. */
export function MoreReadings({ onDid }: { onDid: (did: MarkDid) => void }) {
  return (
    <View style={keys}>
      {marksDid
        .filter((d) => d.icon === null)
        .map((d) => (
          <Action key={d.id} height={64} label={d.label} spoken={`Reading: ${d.label.toLowerCase()}`} onPress={() => onDid(d.id)} />
        ))}
    </View>
  );
}
