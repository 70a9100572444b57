import type { FeltKind, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { castText } from '@burrow/core/casting';
import { clamp, metresPerDepthUnit } from '@burrow/core/units';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { change, usePreferences } from '@/data/preferences';
import { lostKeys } from '@/features/entries/kinds';
import type { Thing } from '@/features/station/useLogged';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { HowAnswered } from './float-log';

/** A bite by what the bait did. */
const momentKeys = [
  { moment: 'fell', label: 'Bite on the fall' },
  { moment: 'still', label: 'Bite while still' },
  { moment: 'moved', label: 'Bite on the move' },
] as const;
const keys = { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } as const;

/** What a fish did at the bait, beside what stands at the thumb. */
export function CastAnswers({ onReact }: { onReact: (reaction: ReactionKind, text: string, how?: HowAnswered) => void }) {
  return (
    <View style={keys}>
      <Action height={64} label="Followed" onPress={() => onReact('followed', 'Follow logged')} />
      <Action height={64} label="Chased it" onPress={() => onReact('chased', 'Chase logged')} />
      <Action height={64} label="No notice" onPress={() => onReact('ignored', 'Fish that took no notice logged')} />
      {momentKeys.map(({ moment, label }) => (
        <Action key={moment} height={64} label={label} onPress={() => onReact('bite', `${label} logged`, { moment })} />
      ))}
      <Action height={64} label="Missed it" onPress={() => onReact('missed', 'Miss logged')} />
      <Action height={64} label="Bait gone" onPress={() => onReact('robbed', 'Bait gone logged')} />
      <Action height={64} label="Nipped" onPress={() => onReact('nipped', 'Nip logged')} />
      {lostKeys.map(({ at, label }) => (
        <Action key={at} height={64} label={label} onPress={() => onReact('lost', 'Lost logged', { lostAt: at })} />
      ))}
    </View>
  );
}

/** What the bait felt, or the eye saw, and how far out that counts. */
export function FeltOutThere({ onFelt, says }: { onFelt: (what: FeltKind) => void; says: string }) {
  return (
    <View style={{ gap: 6 }}>
      <Text strong>Felt or seen out there</Text>
      <View style={keys}>
        <Action height={64} label="Rock" onPress={() => onFelt('hard')} />
        <Action height={64} label="Wood" onPress={() => onFelt('wood')} />
        <Action height={64} label="Weeds" onPress={() => onFelt('weeds')} />
        <Action height={64} label="Soft" onPress={() => onFelt('soft')} />
        <Action height={64} label="Snag" onPress={() => onFelt('snag')} />
        <Action height={64} label="A school there" onPress={() => onFelt('school')} />
      </View>
      <Text size="small" tone="second">
        {says}
      </Text>
    </View>
  );
}

/** What one casts from, and how far. */
export function CastHabits() {
  const { craft, castM, units } = usePreferences();
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 5 : 1);
  return (
    <>
      <View style={{ gap: 6 }}>
        <Text strong>What you cast from</Text>
        <Choice
          label="What you cast from"
          wrap
          options={[
            { id: 'bank', label: 'Bank' },
            { id: 'pier', label: 'Pier' },
            { id: 'wading', label: 'Wading' },
            { id: 'kayak', label: 'Kayak' },
            { id: 'boat', label: 'Boat' },
          ]}
          value={craft}
          onChange={(id) => change({ craft: id })}
        />
      </View>
      <Stepper label="As far as you cast" text={castText(castM, units)} onStep={(d) => change({ castM: clamp(castM + d * stepM, 5, 100) })} />
    </>
  );
}

/** Fishing straight down from where one stood and cast. `underM` is what is known of the depth there. */
export const straightDown = (outing: OutingState, stand: StationState, underM: number | null): Thing[] => [
  { kind: 'method-changed', body: { method: 'vertical' } },
  {
    kind: 'station-opened',
    body: {
      station: newId(),
      kind: 'spot',
      label: String(outing.stations.length + 1),
      at: [stand.at[0], stand.at[1]],
      ...(stand.placed ? { placed: { by: stand.placed.by, ...(stand.placed.accuracyM === null ? {} : { accuracyM: stand.placed.accuracyM }) } } : {}),
      ...(underM === null ? {} : { mapDepthM: Math.round(100 * underM) / 100 }),
    },
  },
];
