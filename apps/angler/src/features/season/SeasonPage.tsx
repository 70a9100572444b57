import { isKnownSpecies, speciesOf } from '@burrow/core/fish';
import { methodOf } from '@burrow/core/methods';
import type { OutingSummary } from '@burrow/core/season';
import { clockText, counted, dayText } from '@burrow/core/units';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { useLedger } from '@/data/session';
import { useWide } from '@/features/shell/Shell';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { Exchange } from './Exchange';
import { PastOutingSheet } from './PastOutingSheet';

interface PageProps {
  outings: readonly OutingSummary[];
  answer: ReactNode;
  rates: ReactNode;
  chart?: ReactNode;
}

/** Outings listed at first, and with each tap for more: a log of many winters is not drawn at once. */
const [shownFirst, shownStep] = [40, 100];

/** The season's parts: side by side where there is room. */
export function SeasonPage({ outings, answer, rates, chart }: PageProps) {
  const { refused } = useLedger();
  const [isAdding, setAdding] = useState(false);
  const [shown, setShown] = useState(shownFirst);
  const wide = useWide();
  const palette = usePalette();
  const list = (
    <View>
      <Text heading={2} size="lead">
        Outings
      </Text>
      <Action icon="plus" label="Add a past outing" onPress={() => setAdding(true)} />
      {isAdding ? <PastOutingSheet onClose={() => setAdding(false)} /> : null}
      {outings.slice(0, shown).map((o) => (
        <OutingRow key={o.id} outing={o} />
      ))}
      {outings.length > shown ? <Action label={`Show more: ${outings.length - shown} earlier`} onPress={() => setShown(shown + shownStep)} /> : null}
    </View>
  );
  const refusedNote =
    refused.length > 0 ? (
      <Text tone="straw">{`${refused.length} ${refused.length === 1 ? 'entry was' : 'entries were'} refused by the server and kept here: ${refused[0].refused}. Gear lists them.`}</Text>
    ) : null;
  if (wide)
    return (
      <View style={{ flex: 1, flexDirection: 'row' }}>
        <ScrollView style={{ flexGrow: 0, flexShrink: 0, width: 340, borderRightWidth: 1, borderRightColor: palette.line }} contentContainerStyle={{ padding: 20, gap: 16 }}>
          {list}
        </ScrollView>
        <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: 24, gap: 24, maxWidth: 640 }}>
          <PutBack />
          {answer}
          {refusedNote}
          {rates}
        </ScrollView>
        <ScrollView style={{ flexGrow: 0, flexShrink: 0, width: 360, borderLeftWidth: 1, borderLeftColor: palette.line }} contentContainerStyle={{ padding: 20, gap: 20 }}>
          {chart}
          <Exchange />
        </ScrollView>
      </View>
    );
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 20 }}>
      <PutBack />
      {answer}
      {refusedNote}
      {rates}
      {chart}
      {list}
      <Exchange />
    </ScrollView>
  );
}

/** Brings back an outing that was just taken out of the log; it is named in the address. */
export function PutBack() {
  const { outing } = useLocalSearchParams<{ outing?: string }>();
  const { state, events, ledger } = useLedger();
  const start = events.find((e) => e.kind === 'outing-started' && e.outing === outing);
  const undone = start && events.findLast((e) => e.kind === 'undone' && e.body.target === start.id);
  if (!undone || state.outings.some((o) => o.id === outing)) return null;
  return (
    <Action icon="undo" label="The outing is out of the log: put it back" onPress={() => void ledger.write({ id: undone.outing, zone: 'UTC' }, 'undone', { target: undone.id })} />
  );
}

const nameOf = (id: string) => (isKnownSpecies(id) ? speciesOf(id).short.toLowerCase() : id);

function OutingRow({ outing }: { outing: OutingSummary }) {
  const { zone } = outing;
  const router = useRouter();
  const palette = usePalette();
  const species = outing.species.map((s) => `${s.count} ${nameOf(s.id)}`).join(', ');
  return (
    <Pressable
      role="link"
      aria-label={`Open the outing of ${dayText(outing.startedMs, zone)}, ${clockText(outing.startedMs, zone)}`}
      onPress={() => router.navigate({ pathname: '/outing', params: { id: outing.id } })}
      style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 10, gap: 2 }}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Text strong>{`${dayText(outing.startedMs, zone)}, ${clockText(outing.startedMs, zone)}`}</Text>
        <Text strong tone={outing.fish > 0 ? 'kelp' : 'second'}>
          {outing.lostTo === null ? `${outing.fish} fish` : outing.lostTo === 'skin' ? 'skinned over' : 'lost to ice'}
        </Text>
      </View>
      <Text
        size="small"
        tone="second"
      >{`${outing.waterName}, ${counted(outing.stations, (methodOf(outing.methods[0])?.station ?? 'place').toLowerCase())}, ${outing.casts > 0 ? `${counted(outing.casts, 'cast')}` : `${(outing.lineMin / 60).toFixed(1)} h of line`}, ${counted(outing.bites, 'bite')}${outing.endedMs === null ? ', still out' : ''}${species ? `: ${species}` : ''}`}</Text>
      {outing.broughtFrom === undefined ? null : <Text size="small" tone="straw">{`Another's, brought in from ${outing.broughtFrom}`}</Text>}
    </Pressable>
  );
}
