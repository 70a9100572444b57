import { speciesTable } from '@burrow/core/fish';
import { answerOutlook, outlookWords, type OutlookInput } from '@burrow/core/outlook';
import { clockText, dayText, spanText } from '@burrow/core/units';
import type { Front, Phase } from '@burrow/core/weather';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/components/Action';
import { Caution } from '@/components/Caution';
import { Choice } from '@/components/Choice';
import { Notice } from '@/components/Notice';
import { PhaseRibbon } from '@/components/ribbon/PhaseRibbon';
import { Sheet } from '@/components/Sheet';
import { useWide } from '@/components/shell/Shell';
import { Words } from '@/components/Words';
import { useNow, useWallNow } from '@/data/clock';
import { change, usePreferences } from '@/data/preferences';
import { useLastIce, useWater, useWeather } from '@/data/water';
import { usePalette } from '@/theme/theme';

type Opened = { kind: 'front'; front: Front } | { kind: 'phase'; phase: Phase } | null;

/** Should I go, and when? */
export function OutlookScreen() {
  const { water, waters, detail } = useWater();
  const weather = useWeather(water?.id);
  const lastIce = useLastIce(water?.id);
  const { species, units } = usePreferences();
  const now = useNow(60_000);
  const [opened, setOpened] = useState<Opened>(null);
  const file = detail.data?.value.file;
  const series = weather.data?.value.series;
  const input = useMemo<OutlookInput | null>(
    () =>
      water && file && series && series.length > 1
        ? { speciesId: species, nowMs: now, place: { lon: water.lon, lat: water.lat, timeZone: file.water.timezone }, series, lastIce }
        : null,
    [water, file, series, species, now, lastIce],
  );
  const outlook = useMemo(() => input && answerOutlook(input), [input]);

  if (waters.data?.value.length === 0)
    return <Notice title="No water yet">Add your lake in Gear: a GeoJSON file with its outline and soundings. Then this place says when to go.</Notice>;
  if (waters.isError || detail.isError)
    return (
      <Notice title="No signal yet" action={{ label: 'Try again', onPress: () => void waters.refetch() }}>
        Your waters have not reached this phone. They stay on it once they have.
      </Notice>
    );
  if (weather.isError)
    return (
      <Notice title="No weather" action={{ label: 'Try again', onPress: () => void weather.refetch() }}>
        The station does not answer and nothing is kept from before. Look at the sky; the map and the hole work without it.
      </Notice>
    );
  if (!input || !outlook || !weather.data) return <Notice title="Reading the weather" busy />;
  const words = outlookWords(outlook, input, units);
  return (
    <>
      <Layout input={input} outlook={outlook} words={words} onOpen={setOpened} station={weather.data.value} keptMs={weather.data.keptMs} />
      <EvidenceSheet opened={opened} timeZone={input.place.timeZone} onClose={() => setOpened(null)} />
    </>
  );
}

interface LayoutProps {
  input: OutlookInput;
  outlook: ReturnType<typeof answerOutlook>;
  words: ReturnType<typeof outlookWords>;
  onOpen: (opened: Opened) => void;
  station: { station: string; simulated: boolean; observedMs: number };
  keptMs: number;
}

function Layout(props: LayoutProps) {
  const { input, outlook, words, onOpen } = props;
  const wide = useWide();
  const ribbon = (
    <PhaseRibbon
      outlook={outlook}
      series={input.series}
      nowMs={input.nowMs}
      timeZone={input.place.timeZone}
      onPhase={(phase) => onOpen({ kind: 'phase', phase })}
      onFront={(front) => onOpen({ kind: 'front', front })}
    />
  );
  if (wide) {
    return (
      <ScrollView contentContainerStyle={{ paddingBottom: 24 }}>
        <View style={{ flexDirection: 'row', gap: 40, padding: 24, paddingBottom: 16, alignItems: 'flex-end' }}>
          <View style={{ flex: 1, gap: 8 }}>
            <Answer words={words} />
          </View>
          <View style={{ width: 530 }}>
            <SpeciesChoice value={input.speciesId} wrap />
          </View>
        </View>
        {ribbon}
        <View style={{ flexDirection: 'row', gap: 24, padding: 24 }}>
          <View style={{ flex: 1.1 }}>
            <Windows {...props} />
          </View>
          <View style={{ flex: 1 }}>
            <Cold {...props} />
          </View>
          <View style={{ flex: 1 }}>
            <Caution headline={words.ice.headline}>{words.ice.detail}</Caution>
          </View>
        </View>
      </ScrollView>
    );
  }
  return (
    <ScrollView contentContainerStyle={{ paddingBottom: 20 }}>
      <View style={{ padding: 16, paddingBottom: 12, gap: 10 }}>
        <SpeciesChoice value={input.speciesId} />
        <Answer words={words} />
      </View>
      {ribbon}
      <View style={{ padding: 16, gap: 16 }}>
        <Caution headline={words.ice.headline}>{words.ice.detail}</Caution>
        <Cold {...props} />
        <Windows {...props} />
      </View>
    </ScrollView>
  );
}

const SpeciesChoice = ({ value, wrap }: { value: string; wrap?: boolean }) => (
  <Choice label="Fish" wrap={wrap} options={speciesTable.map((s) => ({ id: s.id as string, label: s.short }))} value={value} onChange={(species) => change({ species })} />
);

function Answer({ words }: { words: LayoutProps['words'] }) {
  return (
    <>
      <Words heading={1} size="title">
        {words.headline}
      </Words>
      <Words tone="second">{words.why}</Words>
    </>
  );
}

function Cold({ words, station, keptMs, input }: LayoutProps) {
  const wallNowMs = useWallNow(60_000);
  const age = Math.max(0, input.nowMs - station.observedMs);
  const stale = wallNowMs - keptMs > 30 * 60_000;
  return (
    <View style={{ gap: 4 }}>
      <Words heading={2} size="lead">
        Cold and light
      </Words>
      <Words>{words.cold}</Words>
      <Words
        size="small"
        tone={stale ? 'straw' : 'second'}
      >{`${station.station}${station.simulated ? ', simulated' : ''}: read ${age < 60_000 ? 'just now' : `${spanText(age)} ago`}${stale ? ', no fresher without signal' : ''}.`}</Words>
    </View>
  );
}

function Windows({ outlook, input }: LayoutProps) {
  const palette = usePalette();
  const { timeZone } = input.place;
  return (
    <View style={{ gap: 4 }}>
      <Words heading={2} size="lead">
        Hours worth being there
      </Words>
      {outlook.windows.length === 0 ? <Words tone="second">None stand out in the next three days.</Words> : null}
      {outlook.windows.map((w) => (
        <View key={w.fromMs} style={{ flexDirection: 'row', gap: 12, paddingVertical: 8, borderTopWidth: 1, borderTopColor: palette.line }}>
          <View style={{ width: 128 }}>
            <Words strong>{`${clockText(w.fromMs, timeZone)} to ${clockText(w.toMs, timeZone)}`}</Words>
            <Words size="small" tone="second">
              {dayText(w.fromMs, timeZone)}
            </Words>
          </View>
          <View style={{ flex: 1 }}>
            {w.reasons.map((r) => (
              <Words key={r.ruleId} size="small" tone="second">
                {r.text}
              </Words>
            ))}
          </View>
        </View>
      ))}
      <Words size="small" tone="second">
        A prior from fieldcraft, not yet weighed against your own log.
      </Words>
    </View>
  );
}

const phaseNames: Record<Phase['name'], string> = {
  approach: 'A front is coming',
  passage: 'The front passes',
  'post-front clear': 'Bright behind a front',
  settling: 'Settling after a front',
  steady: 'Steady weather',
  'warming trend': 'A warming spell',
  'cold rain': 'Cold rain',
};

/** What a front or a phase was read from. */
function EvidenceSheet({ opened, timeZone, onClose }: { opened: Opened; timeZone: string; onClose: () => void }) {
  const title = opened?.kind === 'front' ? `${opened.front.kind[0].toUpperCase()}${opened.front.kind.slice(1)} front` : opened ? phaseNames[opened.phase.name] : '';
  const span = (a: number, b: number) =>
    `${dayText(a, timeZone)} ${clockText(a, timeZone)} to ${dayText(b, timeZone) === dayText(a, timeZone) ? '' : `${dayText(b, timeZone)} `}${clockText(b, timeZone)}`;
  return (
    <Sheet title={title} open={opened !== null} onClose={onClose} footer={<Action label="Done" onPress={onClose} />}>
      {opened?.kind === 'front' ? (
        <>
          <Words>{`${dayText(opened.front.atMs, timeZone)} ${clockText(opened.front.atMs, timeZone)}, give or take ${Math.ceil(opened.front.uncertaintyH)} h. Read from the hourly series after taking out the day's own rhythm and the air tide:`}</Words>
          {opened.front.evidence.map((e) => (
            <View key={e.sign} style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
              <Words>{e.sign}</Words>
              <Words strong>{e.unit === 'share' ? `${Math.round(e.amount * 100)} %` : `${e.amount > 0 ? '+' : '−'}${Math.abs(e.amount).toFixed(1)} ${e.unit}`}</Words>
            </View>
          ))}
        </>
      ) : opened ? (
        <Words>{`${span(opened.phase.fromMs, opened.phase.toMs)}. How sure: ${Math.round(opened.phase.confidence * 100)} in 100${opened.phase.confidence < 0.95 ? ', less the further ahead' : ', observed'}.`}</Words>
      ) : null}
    </Sheet>
  );
}
