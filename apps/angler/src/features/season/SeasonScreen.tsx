import { effortUnitOf, methodOf } from '@burrow/core/methods';
import { clumpWords, findingWords, outingRates, outingsSummary, summariseMethods, summariseSeason, type Comparison, type MethodSummary } from '@burrow/core/season';
import { counted, dayMs } from '@burrow/core/units';
import { Suspense, useMemo, useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { nowMs } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { Exchange } from './Exchange';
import { FactorPart } from './learned/FactorPart';
import { FeedingPart } from './learned/FeedingPart';
import { LossPart } from './learned/LossPart';
import { OutlookPart } from './learned/OutlookPart';
import { SpeciesPart, ThisTimePart } from './learned/SpeciesPart';
import { Trials } from './learned/Trials';
import { Rates } from './Rates';
import { PastOutingSheet } from './PastOutingSheet';
import { PutBack, SeasonPage } from './SeasonPage';

const OutingChart = lazily(() => import('@/ui/charts').then((m) => m.OutingChart));

/** Most outings in one picture. */
const shownOutings = 8;

/** Every way of fishing together. */
const allWays = 'all';

/** What works? All outings first with what they came to, then one way of fishing: rates are compared within one. */
export function SeasonScreen() {
  const { state, ready } = useLedger();
  const { detail } = useWater();
  const ways = useMemo(() => summariseMethods(state, nowMs(), effortUnitOf), [state]);
  const [chosen, setChosen] = useState<string>(allWays);
  const [isAdding, setAdding] = useState(false);
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  if (!ready) return <Notice title="Adding up the winter" busy />;
  if (state.outings.length === 0)
    return (
      <ScrollView contentContainerStyle={{ flexGrow: 1 }}>
        <PutBack />
        <Notice title="Nothing logged yet" action={{ label: 'Add a past outing', onPress: () => setAdding(true) }}>
          After the first outing this place shows what brought bites, and how sure that is.
        </Notice>
        <Exchange />
        {isAdding ? <PastOutingSheet onClose={() => setAdding(false)} /> : null}
      </ScrollView>
    );
  const way = ways.length === 1 ? ways[0] : ways.find((w) => w.method === chosen);
  const choice =
    ways.length > 1 ? (
      <Choice
        label="Way of fishing"
        wrap
        options={[{ id: allWays, label: 'All' }, ...ways.map((w) => ({ id: w.method, label: nameOfWay(w.method) }))]}
        value={way?.method ?? allWays}
        onChange={setChosen}
      />
    ) : null;
  return way ? <WaySeason way={way} choice={choice} zone={zone} /> : <AllSeason ways={ways} choice={choice} onWay={setChosen} />;
}

/** A log of several winters is not called this one. */
const spanWords = (outings: readonly { startedMs: number }[]) =>
  outings.length > 0 && outings[0].startedMs - outings[outings.length - 1].startedMs > 300 * dayMs ? 'All winters' : 'This winter';

const nameOfWay = (method: string) => methodOf(method)?.offer ?? method;

/** Effort in words, in what a way counts it in. */
const effortText = (way: MethodSummary) => (way.unit === 'casts' ? counted(way.effort, 'cast') : `${Math.round(way.effort / 60)} h of line`);

/** What every way of fishing took and gave, with all outings. */
function AllSeason({ ways, choice, onWay }: { ways: readonly MethodSummary[]; choice: ReactNode; onWay: (method: string) => void }) {
  const { state } = useLedger();
  const season = useMemo(() => outingsSummary(state, nowMs()), [state]);
  const casts = season.outings.reduce((sum, o) => sum + o.casts, 0);
  return (
    <SeasonPage
      outings={season.outings}
      answer={
        <View style={{ gap: 6 }}>
          {choice}
          <Text
            size="small"
            tone="second"
          >{`${spanWords(season.outings)}: ${counted(season.outings.length, 'outing')}, ${Math.round(season.lineMin / 60)} h of line in the water, ${counted(casts, 'cast')}, ${season.fish} fish`}</Text>
          <Text heading={1} size="title">{`${season.fish} fish on ${counted(season.outings.length, 'outing')}`}</Text>
          <Text tone="second">What brought them is compared within one way of fishing: choose one.</Text>
        </View>
      }
      rates={
        <View style={{ gap: 24 }}>
          <View>
            <Text heading={2} size="lead">
              By way of fishing
            </Text>
            {ways.map((way) => (
              <WayRow key={way.method} way={way} onPress={() => onWay(way.method)} />
            ))}
          </View>
          <ThisTimePart />
          <OutlookPart />
          <SpeciesPart />
        </View>
      }
    />
  );
}

function WayRow({ way, onPress }: { way: MethodSummary; onPress: () => void }) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={`${nameOfWay(way.method)}: ${way.fish} fish`}
      onPress={onPress}
      style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 10, minHeight: 56, gap: 2 }}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Text strong>{nameOfWay(way.method)}</Text>
        <Text strong tone={way.fish > 0 ? 'kelp' : 'second'}>{`${way.fish} fish`}</Text>
      </View>
      <Text size="small" tone="second">{`${counted(way.outings, 'outing')}, ${effortText(way)}, ${counted(way.bites, 'bite')}`}</Text>
    </Pressable>
  );
}

/** What works in one way of fishing. */
function WaySeason({ way, choice, zone }: { way: MethodSummary; choice: ReactNode; zone: string }) {
  const { state } = useLedger();
  const { units } = usePreferences();
  const [count, setCount] = useState<'fish' | 'bites'>('fish');
  const { unit } = way;
  const season = useMemo(() => summariseSeason(state, nowMs(), way.method, unit), [state, way.method, unit]);
  const ofWay = useMemo(() => state.outings.filter((o) => o.stations.some((s) => s.method === way.method)), [state, way.method]);
  const of = (by: Comparison['by']) => season.comparisons.find((c) => c.by === by && c.count === count)!;
  const [heights, baits] = [of('height'), of('presentation')];
  const lead = [heights, baits].find((c) => c.finding.kind === 'leads') ?? (unit === 'casts' ? baits : heights);
  const words = findingWords(lead, units, (name) => name);
  const per = unit === 'casts' ? 'in ten casts' : 'an hour';
  const effort = unit === 'casts' ? counted(way.effort, 'cast') : `${Math.round(season.lineMin / 60)} h of line in the water`;
  return (
    <SeasonPage
      outings={season.outings}
      answer={
        <View style={{ gap: 6 }}>
          {choice}
          <Text size="small" tone="second">{`${spanWords(season.outings)}: ${counted(season.outings.length, 'outing')}, ${effort}, ${season.fish} fish`}</Text>
          <Text heading={1} size="title">
            {words.headline}
          </Text>
          <Text tone="second">{words.detail}</Text>
        </View>
      }
      rates={
        <View style={{ gap: 24 }}>
          <Choice
            label="Count"
            options={[
              { id: 'fish', label: `Fish ${per}` },
              { id: 'bites', label: `Bites ${per}` },
            ]}
            value={count}
            onChange={setCount}
          />
          {unit === 'casts' ? null : <Rates title="Height above bottom" comparison={heights} said={lead === heights} />}
          <Rates title="Presentation" comparison={baits} said={lead === baits} />
          <Text size="small" tone="second">{`Rates lean toward the winter's mean where little was tried. ${clumpWords(season)}`}</Text>
          <FeedingPart method={way.method} />
          <FactorPart method={way.method} />
          <LossPart method={way.method} />
          <Trials outings={ofWay} heading="Side by side" />
        </View>
      }
      chart={
        <Suspense fallback={<Text tone="second">Drawing</Text>}>
          <OutingChart
            rates={outingRates(season.outings, count, unit, shownOutings)}
            zone={zone}
            measure={`${count} ${unit === 'casts' ? per : 'an hour of line'}`}
            empty={`Not enough for a picture: it begins at ${unit === 'casts' ? 'ten casts' : 'half an hour of line'} in one outing`}
          />
        </Suspense>
      }
    />
  );
}
