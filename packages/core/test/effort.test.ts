import { fold, type LedgerEvent } from '../src/ledger';
import { clumpSize, heightBands, outingRates, summariseSeason, type Catch, type OutingSummary } from '../src/season';
import { findingWords, rowLabel } from '../src/season';
import { catchesOf, effortIntervals } from '../src/season/effort';
import { imperial, metric, minuteMs } from '../src/units';
import { baseMs, event, shortOuting, testId } from './events';
import { usualMethod } from '../src/methods';

const minutes = (s: { fromMs: number; toMs: number }) => (s.toMs - s.fromMs) / minuteMs;

test('line in the water is cut where its depth changes, with its height above the bottom', () => {
  const { events } = shortOuting();
  const intervals = effortIntervals(fold(events), baseMs + 3_600_000);
  expect(intervals.map((s) => [minutes(s), s.heightM])).toEqual([
    [5, 1],
    [25, 2],
  ]);
});

test('a line still down counts until now, and one that was forgotten no longer than four hours', () => {
  const { events } = shortOuting();
  const open = events.filter((e) => e.kind !== 'line-up' && e.kind !== 'outing-ended');
  const sum = (nowMs: number) => effortIntervals(fold(open), nowMs).reduce((m, s) => m + minutes(s), 0);
  expect(sum(baseMs + 3_720_000)).toBeCloseTo(60, 6);
  expect(sum(baseMs + 48 * 3_600_000)).toBeCloseTo(240, 6);
});

test('ending the outing raises every line', () => {
  const { events } = shortOuting();
  const ended = fold(events.filter((e) => e.kind !== 'line-up')).outings[0];
  expect(ended.lines[0].upMs).toBe(ended.endedMs);
});

test('a hole without a depth gives effort without a height, and the season still counts it', () => {
  const { events } = shortOuting();
  const unsounded = events.filter((e) => e.kind !== 'depth-sounded');
  expect(effortIntervals(fold(unsounded), baseMs).every((s) => s.heightM === null)).toBe(true);
  const season = summariseSeason(fold(unsounded), baseMs);
  expect(season.lineMin).toBe(30);
  expect(season.comparisons.find((c) => c.by === 'presentation' && c.count === 'fish')!.rows).toMatchObject([{ key: 'Tungsten', minutes: 30, count: 1 }]);
});

test('a bite long before a fish is a bite of its own; a look is none', () => {
  const { events, outing, hole, line } = shortOuting();
  const early = event(outing, 200, 'reaction', { station: hole, line, reaction: 'bite', depthM: 6.5, bottomM: 7.5 });
  const lost = event(outing, 900, 'reaction', { station: hole, line, reaction: 'lost', depthM: 5.5, bottomM: 7.5 });
  const looked = event(outing, 950, 'reaction', { station: hole, line, reaction: 'looked' });
  const catches = catchesOf(fold([...events, early, lost, looked]), baseMs);
  expect(catches.filter((c) => c.isFish)).toHaveLength(1);
  expect(catches).toHaveLength(3);
});

test('clumps: alone is 1, a visit of four is 4, and mixed visits weigh by their fish', () => {
  const at = (station: string, min: number): Catch => ({ outing: 'o', station, method: usualMethod.id, ms: min * minuteMs, presentation: null, heightM: null, isFish: true });
  expect(clumpSize([])).toBe(1);
  expect(clumpSize([at('a', 0), at('a', 60), at('b', 0)])).toBe(1);
  expect(clumpSize([at('a', 0), at('a', 5), at('a', 9), at('a', 14)])).toBe(4);
  expect(clumpSize([at('a', 0), at('a', 2), at('a', 4), at('b', 0)])).toBeCloseTo((3 * 3 + 1) / 4, 9);
});

test('bands of height meet without gaps and read in the angler’s units', () => {
  for (let i = 1; i < heightBands.length; i++) expect(heightBands[i].fromM).toBe(heightBands[i - 1].toM);
  const label = (key: string, units = imperial) => rowLabel({ by: 'height' }, key, units, (n) => n);
  expect(['bottom', 'low', 'knee', 'man', 'high'].map((k) => label(k))).toEqual(['On bottom', '1.5 ft up', '3 ft up', '6 ft up', '8 ft up or more']);
  expect(label('knee', metric)).toBe('0.9 m up');
  expect(rowLabel({ by: 'presentation' }, 'x', imperial, () => 'Spoon')).toBe('Spoon');
});

test('a winter with a clear difference is told in a sentence with its figures', () => {
  const events: LedgerEvent[] = [];
  for (let n = 0; n < 12; n++) {
    const [outing, hole] = [testId(), testId()];
    const day = n * 86_400;
    const at = <K extends LedgerEvent['kind']>(s: number, kind: K, body: Extract<LedgerEvent, { kind: K }>['body']) =>
      events.push(event(outing, day + s, kind as never, body as never));
    at(0, 'outing-started', { water: 'w', waterName: 'W', species: ['bluegill'], goal: 'numbers', method: usualMethod.id });
    at(1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] });
    at(2, 'depth-sounded', { station: hole, depthM: 8, source: 'line' });
    for (const [k, [depthM, fish]] of (
      [
        [7.1, 6],
        [7.95, 1],
      ] as const
    ).entries()) {
      const line = testId();
      at(10 + k * 5000, 'line-down', { line, station: hole, rod: 'r', presentation: 'Jig', depthM });
      for (let f = 0; f < fish; f++) at(600 + k * 5000 + f * 660, 'fish-landed', { fish: testId(), station: hole, line, species: 'bluegill', lengthMm: 180, depthM, bottomM: 8 });
      at(4900 + k * 5000, 'line-up', { line });
    }
    at(11_000, 'outing-ended', {});
  }
  const heights = summariseSeason(fold(events), baseMs + 30 * 86_400_000).comparisons.find((c) => c.by === 'height' && c.count === 'fish')!;
  expect(heights.finding).toMatchObject({ kind: 'leads', best: { key: 'knee' }, other: { key: 'bottom' } });
  const words = findingWords(heights, imperial, (n) => n);
  expect(words.headline).toBe('3 ft up beats on bottom');
  expect(words.detail).toMatch(/^\d\.\d fish an hour of line against \d\.\d\. 99 in 100 that it is not luck\.$/);
});

test('a line whose bait nobody said counts as effort, and in no comparison of baits', () => {
  const { events } = shortOuting();
  const unsaid = events.map((e) => (e.kind === 'line-down' ? { ...e, body: { ...e.body, presentation: undefined } } : e));
  const [said, without] = [events, unsaid].map((log) => summariseSeason(fold(log), baseMs + 3600_000));
  expect(without).toMatchObject({ lineMin: said.lineMin, bites: said.bites, fish: said.fish });
  const baits = (season: typeof said) => season.comparisons.find((c) => c.by === 'presentation' && c.count === 'fish')!.rows.map((r) => r.key);
  expect(baits(said)).not.toEqual([]);
  expect(baits(without)).toEqual([]);
});

test('an outing’s rate is by its own effort, and too little of it gives none', () => {
  const outing = (id: string, lineMin: number, casts: number, fish: number): OutingSummary => ({
    id,
    water: 'w',
    zone: '+00:00',
    waterName: 'W',
    startedMs: baseMs,
    endedMs: null,
    methods: [],
    stations: 1,
    lineMin,
    casts,
    bites: 2 * fish,
    fish,
    species: [],
    lostTo: null,
  });
  const latestFirst = [outing('short', 20, 5, 3), outing('cast', 40, 40, 2), outing('long', 120, 0, 3)];
  expect(outingRates(latestFirst, 'fish', 'minutes', 8).map((r) => [r.id, r.rate])).toEqual([
    ['long', 1.5],
    ['cast', 3],
  ]);
  expect(outingRates(latestFirst, 'bites', 'casts', 8).map((r) => [r.id, r.rate])).toEqual([['cast', 1]]);
  expect(outingRates(latestFirst, 'fish', 'minutes', 1).map((r) => r.id)).toEqual(['cast']);
});
