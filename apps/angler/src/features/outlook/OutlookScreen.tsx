import type { Species } from '@burrow/core/fish';
import { bearingWords, thermometerWords, type FeedingWindow } from '@burrow/core/outlook';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { AlertList } from './AlertList';
import { ColumnPart } from './ColumnPart';
import { DayPlanList } from './DayPlanList';
import { EvidenceSheet, type Opened } from './EvidenceSheet';
import { ColdPart, GoPart } from './GoPart';
import { ViewpointsSheet } from './ViewpointsSheet';
import { SeenSheet } from './SeenSheet';
import { WindowList } from './WindowList';
import { PhaseRibbon } from '@/features/outlook/ribbon/PhaseRibbon';
import { useWide } from '@/features/shell/Shell';
import { Text } from '@/ui/Text';
import { useOutlook } from '@/data/outlook';
import { change, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import type { LedgerEvent } from '@burrow/core/ledger';
import { NoWeather } from './NoWeather';
import { SimulatedBand } from '@/ui/SimulatedBand';

const UndoSnackbar = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.UndoSnackbar })));
const IceChart = lazy(() => import('@/ui/charts').then((m) => ({ default: m.IceChart })));

/** Should I go, and when? */
export function OutlookScreen() {
  const data = useOutlook();
  const router = useRouter();
  const { units, load } = usePreferences();
  const { ledger } = useLedger();
  const wide = useWide();
  const [opened, setOpened] = useState<Opened>(null);
  const [why, setWhy] = useState<FeedingWindow | null>(null);
  const [seeing, setSeeing] = useState(false);
  const [said, setSaid] = useState<LedgerEvent | null>(null);
  const { waters, detail, weather, input, outlook, words, winter, nowMs } = data;

  if (waters.data?.value.length === 0)
    return (
      <Notice title="No water yet" action={{ label: 'Point at your water', onPress: () => router.navigate('/new-water') }}>
        A point on the map is enough to begin; shore and soundings can come later, or from a file. Then this place says when to go.
      </Notice>
    );
  if (waters.isError || detail.isError)
    return (
      <Notice title="No signal yet" action={{ label: 'Try again', onPress: () => void waters.refetch() }}>
        Your waters have not reached this phone. They stay on it once they have.
      </Notice>
    );
  if (data.without && data.water) return <NoWeather words={data.without} water={data.water} onSeen={setSaid} zone={data.zone} said={said} onDone={() => setSaid(null)} />;
  if (weather.isError)
    return (
      <Notice title="No weather" action={{ label: 'Try again', onPress: () => void weather.refetch() }}>
        The weather service does not answer and nothing is kept from before. Look at the sky; the map and the hole work without it.
      </Notice>
    );
  if (!input || !outlook || !words || !weather.data || !data.water) return <Notice title="Reading the weather" busy />;

  const { timeZone } = input.place;
  const answer = (
    <View style={{ gap: 8 }}>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.why}</Text>
    </View>
  );
  const ribbon = (
    <>
      {weather.data.value.simulated ? <SimulatedBand>Simulated weather: it is not that of any real water</SimulatedBand> : null}
      <PhaseRibbon
        outlook={outlook}
        series={input.series}
        nowMs={nowMs}
        timeZone={timeZone}
        onPhase={(phase) => setOpened({ kind: 'phase', phase })}
        onFront={(front) => setOpened({ kind: 'front', front })}
      />
    </>
  );
  const column = (
    <ColumnPart
      species={input.speciesId}
      thermometer={thermometerWords(input, outlook, units)}
      clarityAssumed={data.situation?.clarity.by === 'assumed'}
      answer={data.column}
      depth={outlook.depth}
      why={data.columnWhy}
      pending={data.columnPending}
      waterId={data.water.id}
      nowMs={nowMs}
      height={wide ? 340 : undefined}
    />
  );
  const go = <GoPart hazards={data.hazards} method={data.method} crafts={data.crafts} bears={bearingWords(outlook.ice, load, units)} />;
  const cold = (
    <ColdPart words={words} station={weather.data.value} keptMs={weather.data.keptMs} nowMs={nowMs} waterId={data.water.id} zone={timeZone} onSeen={() => setSeeing(true)} />
  );
  const windows = <WindowList windows={outlook.windows} timeZone={timeZone} onWhy={setWhy} />;
  const plan = (
    <View style={{ gap: 10 }}>
      <Text heading={2} size="lead">
        Today
      </Text>
      <DayPlanList items={data.plan} isEdited={data.isEdited} nowMs={nowMs} timeZone={timeZone} onChange={data.changePlan} onReset={data.resetPlan} />
    </View>
  );
  const ice = winter ? (
    <Suspense fallback={<Text tone="second">Drawing the winter</Text>}>
      <IceChart winter={winter} timeZone={timeZone} />
    </Suspense>
  ) : null;
  return (
    <>
      {wide ? (
        <ScrollView contentContainerStyle={{ paddingBottom: 24 }}>
          <View style={{ flexDirection: 'row', gap: 40, padding: 24, paddingBottom: 16, alignItems: 'flex-end' }}>
            <View style={{ flex: 1 }}>{answer}</View>
            <View style={{ width: 470, gap: 10 }}>
              <SpeciesChoice value={input.speciesId} offered={data.offered} />
            </View>
          </View>
          {ribbon}
          <View style={{ flexDirection: 'row', gap: 28, padding: 24 }}>
            <View style={{ flex: 1.15 }}>{column}</View>
            <View style={{ flex: 1, gap: 20 }}>
              {windows}
              {cold}
              {ice}
            </View>
            <View style={{ flex: 1.1, gap: 20 }}>
              <AlertList alerts={data.alerts} />
              {go}
              {plan}
            </View>
          </View>
        </ScrollView>
      ) : (
        <ScrollView contentContainerStyle={{ paddingBottom: 20 }}>
          <View style={{ padding: 16, paddingBottom: 12, gap: 10 }}>
            <SpeciesChoice value={input.speciesId} offered={data.offered} />
            {answer}
          </View>
          {ribbon}
          <View style={{ padding: 16, gap: 22 }}>
            <AlertList alerts={data.alerts} />
            {column}
            {go}
            {plan}
            {cold}
            {windows}
            {ice}
          </View>
        </ScrollView>
      )}
      <EvidenceSheet opened={opened} timeZone={timeZone} onClose={() => setOpened(null)} />
      <ViewpointsSheet
        window={why && (outlook.windows.find((w) => w.peakMs === why.peakMs) ?? why)}
        peak={why && (outlook.activity.find((a) => a.atMs === why.peakMs) ?? null)}
        open={why !== null}
        onClose={() => setWhy(null)}
        onRules={() => {
          setWhy(null);
          router.navigate('/fieldcraft');
        }}
      />
      <SeenSheet open={seeing} onClose={() => setSeeing(false)} last={outlook.weatherNow} zone={timeZone} onLogged={setSaid} />
      {said === null ? null : (
        <Suspense fallback={null}>
          <UndoSnackbar
            key={said.id}
            text="Weather logged"
            onUndo={() => void ledger.write({ id: said.outing, zone: timeZone }, 'undone', { target: said.id })}
            onDismiss={() => setSaid(null)}
          />
        </Suspense>
      )}
    </>
  );
}

/** Fish of this water, the last fished first. */
function SpeciesChoice({ value, offered }: { value: string; offered: readonly Species[] }) {
  return <Choice label="Fish" options={offered.map((s) => ({ id: s.id as string, label: s.short }))} value={value} onChange={(species) => change({ species })} />;
}
