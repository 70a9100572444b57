import type { WaterDetail } from '@burrow/contract/api';
import type { LogEntry, OutingState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { pegsOf, type Peg } from '@burrow/core/pole';
import { outingDay, outingDayWords, triedInVain, type OutingDay } from '@burrow/core/season';
import { clockText, dayText } from '@burrow/core/units';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { SwimDay } from '@/features/peg/SwimDay';
import { LogList } from '@/features/station/LogList';
import { useWide } from '@/features/shell/Shell';
import { useNow } from '@/data/clock';
import { savePassTracks } from '@/data/pass-tracks';
import { usePreferences } from '@/data/preferences';
import { printPage } from '@/data/print';
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
import { useOutingEdits } from './useOutingEdits';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

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
  const { units } = usePreferences();
  const detail = useWaterDetail(outing.water);
  const wide = useWide();
  const palette = usePalette();
  const now = useNow(60_000);
  const [sheet, setSheet] = useState<{ entry: LogEntry | null } | null>(null);
  const water = detail.data?.value;
  // By the clocks of its water; without its file by those in force when it began, never by the phone's.
  const zone = water?.file.water.timezone ?? outing.zone;
  const day = useMemo(() => outingDay(outing, now), [outing, now]);
  const edits = useOutingEdits(outing, zone, now);
  const { said, setSaid } = edits;
  const answer = <OutingWords outing={outing} day={day} zone={zone} now={now} />;
  const actions = <OutingKeys outing={outing} edits={edits} onAdd={() => setSheet({ entry: null })} />;
  const map =
    outing.stations.length === 0 ? null : water ? (
      <OutingMap water={water} outing={outing} />
    ) : (
      <Notice title={detail.isError ? 'The map of this water is not on this phone' : 'Drawing the bed'} busy={!detail.isError} />
    );
  const log = <OutingLog outing={outing} zone={zone} edits={edits} onCorrect={(entry) => setSheet({ entry })} />;
  const picture = <OutingPicture outing={outing} day={day} water={water} zone={zone} now={now} />;
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
          <UndoSnackbar key={said.undo[0]?.id} text={said.text} onUndo={() => edits.undo(said.undo)} onDismiss={() => setSaid(null)} />
        </Suspense>
      ) : null}
    </>
  );
}

/** All entries of an outing, each to correct or take back. */
function OutingLog({ outing, zone, edits, onCorrect }: { outing: OutingState; zone: string; edits: ReturnType<typeof useOutingEdits>; onCorrect: (entry: LogEntry) => void }) {
  const { units } = usePreferences();
  return (
    <View style={{ padding: 16, gap: 8 }}>
      <Text heading={2} size="lead">
        All that was logged
      </Text>
      <LogList
        outing={outing}
        entries={outing.entries}
        units={units}
        timeZone={zone}
        onUndo={(id) => void edits.takeBack(id)}
        onCorrect={onCorrect}
        isCorrectable={(entry) => isCorrectable(entry, outing)}
      />
      <Action kind="bare" label="Take this outing out of the log" onPress={() => void edits.remove()} />
    </View>
  );
}

/** The day as a picture. A day of casts has its map; depths over the hours it has only where some were sounded. */
function OutingPicture({ outing, day, water, zone, now }: { outing: OutingState; day: OutingDay; water: WaterDetail | undefined; zone: string; now: number }) {
  const { units } = usePreferences();
  const untilMs = outing.endedMs ?? now;
  const pegs = pegsOf(outing, untilMs);
  if (pegs.length > 0) return <PegDays pegs={pegs} water={water} atMs={untilMs} zone={zone} />;
  return outing.casts.length > 0 && day.deepestM === null ? null : <DayPicture day={day} zone={zone} units={units} />;
}

/** What an outing came to, in words. */
function OutingWords({ outing, day, zone, now }: { outing: OutingState; day: OutingDay; zone: string; now: number }) {
  const { units } = usePreferences();
  const words = outingDayWords(day, outing, (methodOf(outing.method) ?? usualMethod).station, units);
  const vain = useMemo(() => triedInVain(outing, now), [outing, now]);
  return (
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
}

/** What can be done with an outing that is looked at. */
function OutingKeys({ outing, edits, onAdd }: { outing: OutingState; edits: ReturnType<typeof useOutingEdits>; onAdd: () => void }) {
  const router = useRouter();
  const place = (methodOf(outing.method) ?? usualMethod).station;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 16, paddingVertical: 12 }}>
      {edits.canGoOn ? <Action grow icon="undo" label="Go on with it" spoken="The outing is not over: go on with it" onPress={() => void edits.goOn()} /> : null}
      {outing.endedMs === null ? <Action grow kind="main" label={`To the ${place.toLowerCase()}`} onPress={() => router.navigate('/hole')} /> : null}
      {outing.stations.some((s) => s.track !== null) ? <Action grow icon="download" label="Tracks, GPX" onPress={() => void savePassTracks(outing)} /> : null}
      <Action grow icon="plus" label="Add an entry" onPress={onAdd} />
      <Action grow label="Print" spoken="Print this outing" onPress={() => void printPage()} />
    </View>
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
