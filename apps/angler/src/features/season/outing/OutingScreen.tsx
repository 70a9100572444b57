import type { WaterDetail } from '@burrow/contract/api';
import type { LedgerEvent, LogEntry, OutingState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { pegsOf, type Peg } from '@burrow/core/pole';
import { outingDay, outingDayWords, triedInVain } from '@burrow/core/season';
import { clockText, dayText, hourMs } from '@burrow/core/units';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { SwimDay } from '@/features/peg/SwimDay';
import { LogList } from '@/features/station/LogList';
import { useWide } from '@/features/shell/Shell';
import { useNow } from '@/data/clock';
import { savePassTracks } from '@/data/pass-tracks';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWaterDetail } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { usePastPegC } from '@/data/peg';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { DayPicture } from './DayPicture';
import { isCorrectable } from '@/features/entries/draft';
import { EntrySheet } from './EntrySheet';
import { OutingMap } from './OutingMap';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

/** An outing that ended this long ago is not gone on with. */
const resumableMs = 18 * hourMs;

/** One outing: what it came to, its day place by place, where it went, and all that was logged. */
export function OutingScreen() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const { state, ready } = useLedger();
  const router = useRouter();
  const outing = state.outings.find((o) => o.id === id);
  if (!ready) return <Notice title="Opening the log" busy />;
  if (!outing)
    return (
      <Notice title="No such outing" action={{ label: 'To the season', onPress: () => router.navigate('/season') }}>
        It was taken back, or belongs to another account.
      </Notice>
    );
  return <OutingPage key={outing.id} outing={outing} />;
}

function OutingPage({ outing }: { outing: OutingState }) {
  const { ledger, events, state } = useLedger();
  const { units } = usePreferences();
  const detail = useWaterDetail(outing.water);
  const wide = useWide();
  const palette = usePalette();
  const router = useRouter();
  const now = useNow(60_000);
  const [sheet, setSheet] = useState<{ entry: LogEntry | null } | null>(null);
  const [said, setSaid] = useState<{ text: string; undo: LedgerEvent[] } | null>(null);
  const water = detail.data?.value;
  // By the clocks of its water; without its file by those in force when it began, never by the phone's.
  const zone = water?.file.water.timezone ?? outing.zone;
  const day = useMemo(() => outingDay(outing, now), [outing, now]);
  const place = (methodOf(outing.method) ?? usualMethod).station;
  const words = outingDayWords(day, outing, place, units);
  const vain = useMemo(() => triedInVain(outing, now), [outing, now]);
  const scope = { id: outing.id, zone };
  const undo = (targets: readonly LedgerEvent[]) =>
    void ledger.writeAll(
      scope,
      [...targets].reverse().map((e) => ({ kind: 'undone' as const, body: { target: e.id } })),
    );
  const takeBack = async (id: string) => setSaid({ text: 'Taken back', undo: [await ledger.write(scope, 'undone', { target: id })] });
  const end = outing.entries.findLast((e) => e.kind === 'outing-ended');
  const isOpenElsewhere = state.outings.some((o) => o.endedMs === null && o.id !== outing.id);
  const canGoOn = outing.endedMs !== null && now - outing.endedMs < resumableMs && !isOpenElsewhere && end !== undefined;
  const goOn = async () => {
    await ledger.write(scope, 'undone', { target: end!.id });
    router.navigate('/water');
  };
  const remove = async () => {
    const start = events.find((e) => e.kind === 'outing-started' && e.outing === outing.id);
    if (start) await ledger.write(scope, 'undone', { target: start.id });
    router.navigate({ pathname: '/season', params: { outing: outing.id } });
  };

  const answer = (
    <View style={{ padding: 16, gap: 4 }} aria-live="polite">
      <Text size="small" tone="second">
        {`${outing.waterName}, ${dayText(outing.startedMs, zone)}, ${clockText(outing.startedMs, zone)} to ${outing.endedMs === null ? 'now' : clockText(outing.endedMs, zone)}`}
      </Text>
      <Text size="small" tone="second">
        {words.made}
      </Text>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.detail}</Text>
      {outing.broughtFrom === undefined ? null : <Text tone="straw">{`Another's, brought in from ${outing.broughtFrom}.`}</Text>}
      {vain.map((line) => (
        <Text key={line} size="small">
          {line}
        </Text>
      ))}
    </View>
  );
  const actions = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 16, paddingVertical: 12 }}>
      {canGoOn ? <Action grow icon="undo" label="Go on with it" spoken="The outing is not over: go on with it" onPress={() => void goOn()} /> : null}
      {outing.endedMs === null ? <Action grow kind="main" label={`To the ${place.toLowerCase()}`} onPress={() => router.navigate('/hole')} /> : null}
      {outing.stations.some((s) => s.track !== null) ? <Action grow icon="download" label="Tracks, GPX" onPress={() => void savePassTracks(outing)} /> : null}
      <Action grow icon="plus" label="Add an entry" onPress={() => setSheet({ entry: null })} />
    </View>
  );
  const map =
    outing.stations.length === 0 ? null : water ? (
      <OutingMap water={water} outing={outing} />
    ) : (
      <Notice title={detail.isError ? 'The map of this water is not on this phone' : 'Drawing the bed'} busy={!detail.isError} />
    );
  const log = (
    <View style={{ padding: 16, gap: 8 }}>
      <Text heading={2} size="lead">
        All that was logged
      </Text>
      <LogList
        outing={outing}
        entries={outing.entries}
        units={units}
        timeZone={zone}
        onUndo={(id) => void takeBack(id)}
        onCorrect={(entry) => setSheet({ entry })}
        isCorrectable={(entry) => isCorrectable(entry, outing)}
      />
      <Action kind="bare" label="Take this outing out of the log" onPress={() => void remove()} />
    </View>
  );
  // A day of casts has its map; depths over the hours it has only where some were sounded.
  const pegs = pegsOf(outing, outing.endedMs ?? now);
  const picture =
    pegs.length > 0 ? (
      <PegDays pegs={pegs} water={water} atMs={outing.endedMs ?? now} zone={zone} />
    ) : outing.casts.length > 0 && day.deepestM === null ? null : (
      <DayPicture day={day} zone={zone} units={units} />
    );
  return (
    <>
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          <ScrollView style={{ flex: 1 }}>
            {answer}
            {picture}
            {actions}
            {log}
          </ScrollView>
          {map ? <View style={{ flex: 1, borderLeftWidth: 1, borderLeftColor: palette.line }}>{map}</View> : null}
        </View>
      ) : (
        <ScrollView>
          {answer}
          {picture}
          {map ? <View style={{ height: 240, marginTop: 8 }}>{map}</View> : null}
          {actions}
          {log}
        </ScrollView>
      )}
      {sheet ? (
        <EntrySheet
          outing={outing}
          zone={zone}
          units={units}
          entry={sheet.entry}
          onClose={() => setSheet(null)}
          onDone={(text, done) => {
            setSheet(null);
            setSaid({ text, undo: done });
          }}
        />
      ) : null}
      {said ? (
        <Suspense fallback={null}>
          <UndoSnackbar key={said.undo[0]?.id} text={said.text} onUndo={() => undo(said.undo)} onDismiss={() => setSaid(null)} />
        </Suspense>
      ) : null}
    </>
  );
}

/** How the swims of each peg went. */
function PegDays({ pegs, water, atMs, zone }: { pegs: readonly Peg[]; water: WaterDetail | undefined; atMs: number; zone: string }) {
  const tempC = usePastPegC(water, atMs);
  return (
    <View style={{ paddingHorizontal: 16, gap: 8 }}>
      {pegs.map((peg) => (
        <View key={peg.id} style={{ gap: 4 }}>
          {pegs.length > 1 ? <Text strong>{`Peg ${peg.label}`}</Text> : null}
          <SwimDay peg={peg} atMs={atMs} tempC={tempC} hereId={peg.hereId} swapTo={null} aheadMin={0} zone={zone} />
        </View>
      ))}
    </View>
  );
}
