import { speciesOf } from '@burrow/core/fish';
import { waysNow } from '@burrow/core/methods';
import { alertsFor, bearingWords, outlookWords, thermometerWords, type FeedingWindow, type Outlook, type OutlookInput } from '@burrow/core/outlook';
import type { Situation } from '@burrow/core/situation';
import { useRouter } from 'expo-router';
import { Suspense, useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { TargetChoice } from '@/features/fish/TargetChoice';
import { Notice } from '@/ui/Notice';
import { lazily } from '@/ui/lazily';
import { AlertList } from './AlertList';
import { CalendarKey } from './CalendarKey';
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
import { useDayPlan } from '@/data/day-plan';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import { useLedger } from '@/data/session';
import { isNone } from '@/data/water';
import type { LedgerEvent } from '@burrow/core/ledger';
import { NoWeather } from './NoWeather';
import { SimulatedBand } from '@/ui/SimulatedBand';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));
const IceChart = lazily(() => import('@/ui/charts').then((m) => m.IceChart));

/** Should I go, and when? */
export function OutlookScreen() {
  const { waters, detail, weather, without, water, zone, input, outlook, situation } = useOutlook();
  const router = useRouter();
  const [said, setSaid] = useState<LedgerEvent | null>(null);
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
  if (without && water) {
    const onAgain = isNone(weather.error) ? null : () => void weather.refetch();
    return <NoWeather words={without} water={water} onSeen={setSaid} zone={zone} said={said} onDone={() => setSaid(null)} onAgain={onAgain} />;
  }
  if (!input || !outlook || !situation || !weather.data || !water) return <Notice title="Reading the weather" busy />;
  return <Forecast input={input} outlook={outlook} situation={situation} weather={weather.data} waterId={water.id} said={said} onSaid={setSaid} />;
}

interface ForecastProps {
  input: OutlookInput;
  outlook: Outlook;
  situation: Situation;
  weather: NonNullable<ReturnType<typeof useOutlook>['weather']['data']>;
  waterId: string;
  /** Weather that was just logged by eye, which can be taken back. */
  said: LedgerEvent | null;
  onSaid: (event: LedgerEvent | null) => void;
}

/** What there is once the weather has been read: the answer, its time line, and all that hangs on it. */
function Forecast({ input, outlook, situation, weather, waterId, said, onSaid }: ForecastProps) {
  const { column, winter, water, waters, nowMs } = useOutlook();
  const flowing = (waters.data?.value ?? []).filter((w) => w.id !== waterId && isFlowing(w.kind)).map((w) => w.name);
  const { units, load, craft } = usePreferences();
  const wide = useWide();
  const day = useDayPlan();
  const [opened, setOpened] = useState<Opened>(null);
  const [why, setWhy] = useState<FeedingWindow | null>(null);
  const [seeing, setSeeing] = useState(false);
  const words = useMemo(() => outlookWords(outlook, input, units), [outlook, input, units]);
  const ways = waysNow(outlook, words, { load, craft, units });
  const { timeZone } = input.place;
  const parts: ForecastParts = {
    species: <TargetChoice />,
    answer: (
      <View style={{ gap: 8 }}>
        <Text heading={1} size="title">
          {words.headline}
        </Text>
        <Text tone="second">{words.why}</Text>
      </View>
    ),
    ribbon: (
      <>
        {weather.value.simulated ? <SimulatedBand>Simulated weather: it is not that of any real water</SimulatedBand> : null}
        <PhaseRibbon
          outlook={outlook}
          series={input.series}
          nowMs={nowMs}
          timeZone={timeZone}
          onPhase={(phase) => setOpened({ kind: 'phase', phase })}
          onFront={(front) => setOpened({ kind: 'front', front })}
        />
      </>
    ),
    alerts: <AlertList alerts={alertsFor(column.answer, outlook, input.speciesId, nowMs, timeZone, units, flowing)} />,
    column: (
      <ColumnPart
        species={input.speciesId}
        thermometer={thermometerWords(input, outlook, units)}
        clarityAssumed={situation.clarity.by === 'assumed'}
        answer={column.answer}
        depth={outlook.depth}
        why={column.why}
        pending={column.isPending}
        waterId={waterId}
        nowMs={nowMs}
        height={wide ? 340 : undefined}
      />
    ),
    go: <GoPart {...ways} bears={bearingWords(outlook.ice, load, units)} />,
    cold: <ColdPart words={words} station={weather.value} keptMs={weather.keptMs} nowMs={nowMs} waterId={waterId} zone={timeZone} onSeen={() => setSeeing(true)} />,
    windows: (
      <>
        <WindowList windows={outlook.windows} timeZone={timeZone} onWhy={setWhy} />
        <CalendarKey water={water?.name ?? 'the water'} fish={speciesOf(input.speciesId).short} windows={outlook.windows} plan={day.items} />
      </>
    ),
    plan: (
      <View style={{ gap: 10 }}>
        <Text heading={2} size="lead">
          Today
        </Text>
        <DayPlanList items={day.items} isEdited={day.isEdited} nowMs={nowMs} timeZone={timeZone} onChange={day.put} onReset={day.reset} />
      </View>
    ),
    ice: winter ? (
      <Suspense fallback={<Text tone="second">Drawing the winter</Text>}>
        <IceChart winter={winter} timeZone={timeZone} />
      </Suspense>
    ) : null,
  };
  return (
    <>
      {wide ? <WidePage {...parts} /> : <NarrowPage {...parts} />}
      <EvidenceSheet opened={opened} timeZone={timeZone} onClose={() => setOpened(null)} />
      <WhyWindow outlook={outlook} why={why} onClose={() => setWhy(null)} />
      <SeenSheet open={seeing} onClose={() => setSeeing(false)} last={outlook.weatherNow} zone={timeZone} onLogged={onSaid} />
      {said ? <SeenUndo said={said} zone={timeZone} onDone={() => onSaid(null)} /> : null}
    </>
  );
}

type ForecastParts = Record<'species' | 'answer' | 'ribbon' | 'alerts' | 'column' | 'go' | 'cold' | 'windows' | 'plan' | 'ice', ReactNode>;

function WidePage({ species, answer, ribbon, alerts, column, go, cold, windows, plan, ice }: ForecastParts) {
  return (
    <ScrollView contentContainerStyle={{ paddingBottom: 24 }}>
      <View style={{ flexDirection: 'row', gap: 40, padding: 24, paddingBottom: 16, alignItems: 'flex-end' }}>
        <View style={{ flex: 1 }}>{answer}</View>
        <View style={{ width: 470, gap: 10 }}>{species}</View>
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
          {alerts}
          {go}
          {plan}
        </View>
      </View>
    </ScrollView>
  );
}

function NarrowPage({ species, answer, ribbon, alerts, column, go, cold, windows, plan, ice }: ForecastParts) {
  return (
    <ScrollView contentContainerStyle={{ paddingBottom: 20 }}>
      <View style={{ padding: 16, paddingBottom: 12, gap: 10 }}>
        {species}
        {answer}
      </View>
      {ribbon}
      <View style={{ padding: 16, gap: 22 }}>
        {alerts}
        {column}
        {go}
        {plan}
        {cold}
        {windows}
        {ice}
      </View>
    </ScrollView>
  );
}

/** Why a window is worth it, and what other schools say of it. */
function WhyWindow({ outlook, why, onClose }: { outlook: Outlook; why: FeedingWindow | null; onClose: () => void }) {
  const router = useRouter();
  return (
    <ViewpointsSheet
      window={why && (outlook.windows.find((w) => w.peakMs === why.peakMs) ?? why)}
      peak={why && (outlook.activity.find((a) => a.atMs === why.peakMs) ?? null)}
      open={why !== null}
      onClose={onClose}
      onRules={() => {
        onClose();
        router.navigate('/fieldcraft');
      }}
    />
  );
}

/** Takes weather back that was just logged by eye. */
function SeenUndo({ said, zone, onDone }: { said: LedgerEvent; zone: string; onDone: () => void }) {
  const { ledger } = useLedger();
  return (
    <Suspense fallback={null}>
      <UndoSnackbar key={said.id} text="Weather logged" onUndo={() => void ledger.write({ id: said.outing, zone }, 'undone', { target: said.id })} onDismiss={onDone} />
    </Suspense>
  );
}
