import { catchesCsv } from '@burrow/contract/formats/catches-csv';
import { speciesOf, speciesTable } from '@burrow/core/fish';
import type { LedgerEvent } from '@burrow/core/ledger';
import { effortUnitOf, methodOf } from '@burrow/core/methods';
import { clumpWords, findingWords, outingRates, summariseMethods, summariseSeason, type Comparison, type OutingSummary } from '@burrow/core/season';
import { clockText, counted, dayText } from '@burrow/core/units';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Rates } from './Rates';
import { Sheet } from '@/ui/Sheet';
import { useWide } from '@/features/shell/Shell';
import { Text } from '@/ui/Text';
import { nowMs } from '@/data/clock';
import { openFile, saveFile } from '@/data/files';
import { usePreferences } from '@/data/preferences';
import type { ImportRecord } from '@/data/ledger-view';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';

const OutingChart = lazy(() => import('@/ui/charts').then((m) => ({ default: m.OutingChart })));

/** Most outings in one picture. */
const shownOutings = 8;

/** What works? */
export function SeasonScreen() {
  const { state, ready, refused } = useLedger();
  const { units } = usePreferences();
  const { detail } = useWater();
  const wide = useWide();
  const palette = usePalette();
  const [count, setCount] = useState<'fish' | 'bites'>('fish');
  const ways = useMemo(() => summariseMethods(state, nowMs(), effortUnitOf), [state]);
  const [chosen, setChosen] = useState<string | null>(null);
  // Rates are compared within one way of fishing: the one of the most outings, unless another is chosen.
  const way = ways.find((w) => w.method === chosen) ?? ways[0];
  const unit = way?.unit ?? 'minutes';
  const season = useMemo(() => summariseSeason(state, nowMs(), way?.method, unit), [state, way?.method, unit]);
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  if (!ready) return <Notice title="Adding up the winter" busy />;
  if (season.outings.length === 0)
    return (
      <ScrollView contentContainerStyle={{ flexGrow: 1 }}>
        <PutBack />
        <Notice title="Nothing logged yet">After the first outing this place shows what brought bites, and how sure that is.</Notice>
        <Exchange />
      </ScrollView>
    );

  const of = (by: Comparison['by']) => season.comparisons.find((c) => c.by === by && c.count === count)!;
  const [heights, baits] = [of('height'), of('presentation')];
  const lead = [heights, baits].find((c) => c.finding.kind === 'leads') ?? (unit === 'casts' ? baits : heights);
  const words = findingWords(lead, units, (name) => name);
  const answer = (
    <View style={{ gap: 6 }}>
      {ways.length > 1 ? (
        <Choice label="Way of fishing" options={ways.map((w) => ({ id: w.method, label: methodOf(w.method)?.offer ?? w.method }))} value={way.method} onChange={setChosen} />
      ) : null}
      <Text
        size="small"
        tone="second"
      >{`This winter: ${counted(season.outings.length, 'outing')}, ${unit === 'casts' ? counted(way.effort, 'cast') : `${Math.round(season.lineMin / 60)} h of line in the water`}, ${season.fish} fish`}</Text>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.detail}</Text>
    </View>
  );
  const rates = (
    <View style={{ gap: 24 }}>
      <Choice
        label="Count"
        options={[
          { id: 'fish', label: unit === 'casts' ? 'Fish in ten casts' : 'Fish an hour' },
          { id: 'bites', label: unit === 'casts' ? 'Bites in ten casts' : 'Bites an hour' },
        ]}
        value={count}
        onChange={setCount}
      />
      {unit === 'casts' ? null : <Rates title="Height above bottom" comparison={heights} said={lead === heights} />}
      <Rates title="Presentation" comparison={baits} said={lead === baits} />
      <Text size="small" tone="second">{`Rates lean toward the winter's mean where little was tried. ${clumpWords(season)}`}</Text>
    </View>
  );
  const list = (
    <View>
      <Text heading={2} size="lead">
        Outings
      </Text>
      {season.outings.map((o) => (
        <OutingRow key={o.id} outing={o} zone={zone} />
      ))}
    </View>
  );
  const chart = (
    <Suspense fallback={<Text tone="second">Drawing</Text>}>
      <OutingChart
        rates={outingRates(season.outings, count, unit, shownOutings)}
        zone={zone}
        measure={`${count} ${unit === 'casts' ? 'in ten casts' : 'an hour of line'}`}
        empty={`Not enough for a picture: it begins at ${unit === 'casts' ? 'ten casts' : 'half an hour of line'} in one outing`}
      />
    </Suspense>
  );
  const gone = <PutBack />;
  const refusedNote =
    refused.length > 0 ? (
      <Text tone="straw">{`${refused.length} ${refused.length === 1 ? 'entry was' : 'entries were'} refused by the server and kept here: ${refused[0].refused}. Gear lists them.`}</Text>
    ) : null;
  if (wide) {
    return (
      <View style={{ flex: 1, flexDirection: 'row' }}>
        <ScrollView style={{ flexGrow: 0, flexShrink: 0, width: 340, borderRightWidth: 1, borderRightColor: palette.line }} contentContainerStyle={{ padding: 20, gap: 16 }}>
          {list}
        </ScrollView>
        <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: 24, gap: 24, maxWidth: 640 }}>
          {gone}
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
  }
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 20 }}>
      {gone}
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
function PutBack() {
  const { outing } = useLocalSearchParams<{ outing?: string }>();
  const { state, events, ledger } = useLedger();
  const start = events.find((e) => e.kind === 'outing-started' && e.outing === outing);
  const undone = start && events.findLast((e) => e.kind === 'undone' && e.body.target === start.id);
  if (!undone || state.outings.some((o) => o.id === outing)) return null;
  return (
    <Action icon="undo" label="The outing is out of the log: put it back" onPress={() => void ledger.write({ id: undone.outing, zone: 'UTC' }, 'undone', { target: undone.id })} />
  );
}

const nameOf = (id: string) => (speciesTable.some((s) => s.id === id) ? speciesOf(id).short.toLowerCase() : id);

function OutingRow({ outing, zone }: { outing: OutingSummary; zone: string }) {
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
        <Text strong tone={outing.fish > 0 ? 'kelp' : 'second'}>{`${outing.fish} fish`}</Text>
      </View>
      <Text
        size="small"
        tone="second"
      >{`${outing.waterName}, ${counted(outing.stations, (methodOf(outing.methods[0])?.station ?? 'place').toLowerCase())}, ${outing.casts > 0 ? `${counted(outing.casts, 'cast')}` : `${(outing.lineMin / 60).toFixed(1)} h of line`}, ${counted(outing.bites, 'bite')}${outing.endedMs === null ? ', still out' : ''}${species ? `: ${species}` : ''}`}</Text>
      {outing.broughtFrom === undefined ? null : <Text size="small" tone="straw">{`Another's, brought in from ${outing.broughtFrom}`}</Text>}
    </Pressable>
  );
}

/** The log out and in again, in open formats. */
function Exchange() {
  const { events, state, ledger, imports } = useLedger();
  const { detail } = useWater();
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const [says, setSays] = useState<string | null>(null);
  const [asked, setAsked] = useState<{ name: string; events: LedgerEvent[] } | null>(null);
  const [taken, setTaken] = useState<{ record: ImportRecord; undone: LedgerEvent[] } | null>(null);
  const preview = asked && ledger.previewImport(asked.events);
  const bringIn = async () => {
    const file = await openFile('.ndjson,application/x-ndjson');
    if (!file) return;
    const { parseLedger, FormatError } = await import('@burrow/contract/formats/ledger-ndjson');
    try {
      const read = parseLedger(file.text);
      const { fresh, known } = ledger.previewImport(read);
      if (fresh > 0) setAsked({ name: file.name, events: read });
      else setSays(`0 new entries from ${file.name}, ${known} were here already.`);
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      setSays(`${file.name}: ${error.message}. Nothing was taken in.`);
    }
  };
  const takeIn = async () => {
    const { name, events: read } = asked!;
    const { count } = await ledger.importEvents(read, name);
    setAsked(null);
    setSays(`${count} new ${count === 1 ? 'entry' : 'entries'} from ${name}.`);
  };
  const takeOut = async (record: ImportRecord) => {
    setTaken({ record, undone: await ledger.takeOut(record, zone) });
    setSays(null);
  };
  const exportLedger = async () => {
    const { ledgerText } = await import('@burrow/contract/formats/ledger-ndjson');
    saveFile('ledger.ndjson', 'application/x-ndjson', ledgerText(events));
  };
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        Take it with you
      </Text>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <Action icon="download" label="Ledger (NDJSON)" onPress={() => void exportLedger()} />
        <Action icon="download" label="Catches (CSV)" onPress={() => saveFile('catches.csv', 'text/csv', catchesCsv(state))} />
        <Action icon="upload" label="Bring a ledger in" onPress={() => void bringIn()} />
      </View>
      <View aria-live="polite">{says ? <Text>{says}</Text> : null}</View>
      {imports.map((record) => (
        <View key={record.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text size="small" style={{ flex: 1 }}>{`${record.name}, brought in ${dayText(record.atMs, zone)}: ${record.count} ${record.count === 1 ? 'entry' : 'entries'}`}</Text>
          <Action label="Take out" spoken={`Take out ${record.name}`} onPress={() => void takeOut(record)} />
        </View>
      ))}
      {taken ? (
        <Action
          icon="undo"
          label={`Put back ${taken.record.name}`}
          onPress={() => {
            void ledger.putBack(taken.record, taken.undone, zone);
            setTaken(null);
          }}
        />
      ) : null}
      <Sheet
        title="Bring this ledger in?"
        open={asked !== null}
        onClose={() => setAsked(null)}
        footer={
          <>
            <Action kind="main" height={64} label={`Take in ${preview?.fresh ?? 0} new ${preview?.fresh === 1 ? 'entry' : 'entries'}`} onPress={() => void takeIn()} />
            <Action label="Leave it" onPress={() => setAsked(null)} />
          </>
        }
      >
        {preview ? (
          <>
            <Text>{`${asked!.name}: ${preview.fresh} new, ${preview.known} here already, with ${counted(preview.outings, 'outing')} that ${preview.outings === 1 ? 'is' : 'are'} not in your log.`}</Text>
            {preview.isForeign ? <Text tone="straw">Some of it was written by another account. Taken in, it counts as yours in every figure here.</Text> : null}
            <Text size="small" tone="second">
              It can be taken out again from this place.
            </Text>
          </>
        ) : null}
      </Sheet>
    </View>
  );
}
