import fc from 'fast-check';
import { fold, type LedgerEvent, type OutingState } from '../src/ledger';
import {
  assumedPole,
  bedAt,
  changesAnswered,
  changeRules,
  feedPicture,
  feedRules,
  pegAdvice,
  pegAnswer,
  pegOf,
  pegRig,
  pegsOf,
  quietReasons,
  runFrame,
  runOf,
  shotText,
  swimCurve,
  swimLimits,
  swimRings,
  whatToChange,
  whetherToFeed,
  type Ball,
  type FeedScene,
  type PegQuery,
} from '../src/pole';
import { metric, minuteMs } from '../src/units';
import { testId } from './events';

const start = Date.parse('2026-12-05T08:00:00Z');
const outing = testId();
const [near, far] = [testId(), testId()];
const at = (min: number) => new Date(start + min * minuteMs).toISOString();
const put = (min: number, kind: string, body: unknown): LedgerEvent =>
  ({ id: testId(), outing, angler: 'a', device: 'd', at: at(min), kind, v: 2, body }) as unknown as LedgerEvent;

/** A peg of two swims, plumbed and fed, the near one begun at minute 10. */
const begun = (): LedgerEvent[] => [
  put(0, 'outing-started', { water: 'w', waterName: 'W', species: ['roach'], goal: 'numbers', method: 'pole' }),
  put(1, 'station-opened', { station: near, kind: 'swim', label: '4', at: [0, 0] }),
  ...[1, 3, 5, 7, 9, 11].map((outM, k) => put(2, 'plumbed', { station: near, outM, depthM: [0.5, 1, 1.4, 1.6, 1.8, 1.75][k] })),
  put(4, 'flow-timed', { station: near, alongM: 2, seconds: 20 }),
  put(5, 'swim-placed', { station: near, outM: 6 }),
  put(5.1, 'station-opened', { station: far, kind: 'swim', label: '4', at: [0, 0], outM: 10, peg: near }),
  put(5.2, 'moved', { station: near }),
  put(6, 'fed', { station: far, what: 'crumb', alongM: -0.5, ball: { cm: 5, gcc: 1.2, breaks: 'half', particle: 'crumb' } }),
  put(10, 'line-down', { line: testId(), station: near, rod: 'pole', presentation: 'maggot' }),
];
const outingOf = (events: readonly LedgerEvent[]): OutingState => fold(events).outings[0];
const pegAt = (events: readonly LedgerEvent[], min: number, here = near) => {
  const o = outingOf(events);
  return pegOf(
    o,
    o.stations.find((s) => s.id === here)!,
    start + min * minuteMs,
  );
};
const adviceAt = (o: OutingState, nowMs: number) =>
  pegAdvice({
    ...{ outing: o, station: o.stations.find((s) => s.id === near)!, tempC: 6, reasons: [], isBaited: false, wind: null, facesDeg: null, nowMs, units: metric, zone: 'UTC' },
    tackle: { ...assumedPole, pattern: null, shot: null, targetG: null, floats: [0.4, 0.9].map((capacityG) => ({ name: `${capacityG}`, capacityG })) },
  });
const query = (events: readonly LedgerEvent[], min: number, over: Partial<PegQuery> = {}): PegQuery => ({
  peg: pegAt(events, min),
  tempC: 6,
  reasons: [],
  isBaited: false,
  reachM: 11,
  nowMs: start + min * minuteMs,
  units: metric,
  zone: 'UTC',
  ...over,
});

test('a peg is read from its log: bed, flow at seven eighths of the surface, swims nearest first, feed and stays', () => {
  const peg = pegAt(begun(), 30);
  expect(peg.plumbed).toHaveLength(6);
  expect(peg.flow!.flowMs).toBeCloseTo(0.0875, 6);
  expect(peg.swims.map((s) => s.outM)).toEqual([6, 10]);
  expect(peg.swims[0].depthM).toBeCloseTo(1.5, 6);
  expect(peg.swims[0].stays).toEqual([{ fromMs: start + 10 * minuteMs, toMs: start + 30 * minuteMs }]);
  expect(peg.swims[1].fedMs).toEqual([start + 6 * minuteMs]);
  expect(pegsOf(outingOf(begun()), start + 30 * minuteMs).map((p) => p.hereId)).toEqual([near]);
});

test('plumbed anew at the same distance, the later depth holds', () => {
  const peg = pegAt([...begun(), put(20, 'plumbed', { station: near, outM: 5, depthM: 1.6 })], 30);
  expect(peg.plumbed).toHaveLength(6);
  expect(bedAt(peg.plumbed, 5)).toBe(1.6);
});

test('a fish within three minutes of a bite is that bite; a fish alone is a bite of its own; no bite serves two fish', () => {
  const fish = (min: number) => put(min, 'fish-landed', { fish: testId(), station: near, species: 'roach', classMm: 150, alongM: 2 });
  const bite = (min: number) => put(min, 'reaction', { station: near, reaction: 'bite', alongM: 1.5 });
  expect(pegAt([...begun(), bite(12), fish(13)], 30).swims[0]).toMatchObject({ bites: 1, fish: 1, alongM: [1.5] });
  expect(pegAt([...begun(), bite(12), fish(13), fish(14)], 30).swims[0]).toMatchObject({ bites: 2, fish: 2 });
  expect(pegAt([...begun(), bite(12), fish(20)], 30).swims[0]).toMatchObject({ bites: 2 });
  expect(pegAt([...begun(), put(12, 'reaction', { station: near, reaction: 'looked' })], 30).swims[0].bites).toBe(0);
});

test('another flow lays fish and food elsewhere: what is known of the run begins with it', () => {
  const bite = (min: number, alongM: number) => put(min, 'reaction', { station: near, reaction: 'bite', alongM });
  const fed = (min: number) => put(min, 'fed', { station: near, what: 'crumb', alongM: 0, ball: { cm: 5, gcc: 1.2, breaks: 'half', particle: 'crumb' } });
  const timed = (min: number, alongM: number, seconds: number) => put(min, 'flow-timed', { station: near, alongM, seconds });
  const before = [...begun(), fed(11), bite(12, 2), bite(14, 2.2)];
  // A little slower is the same flow.
  expect(pegAt([...before, timed(20, 2, 23)], 30).swims[0]).toMatchObject({ alongM: [2, 2.2], feedsNow: [{}] });
  for (const [alongM, seconds] of [
    [0, 60],
    [-2, 20],
    [2, 8],
  ]) {
    const { swims, flow } = pegAt([...before, timed(20, alongM, seconds), bite(25, 0.4)], 30);
    expect(swims[0]).toMatchObject({ alongM: [0.4], feedsNow: [], bites: 3 });
    expect(flow!.sinceMs).toBe(start + 20 * minuteMs);
  }
});

test('the answer of the fish is laid to the change that came before it, and to no other', () => {
  const change = (min: number, what: string) => put(min, 'changed', { station: near, what });
  const bite = (min: number) => put(min, 'reaction', { station: near, reaction: 'bite' });
  const found = changesAnswered([outingOf([...begun(), change(20, 'a'), change(25, 'b'), bite(30), change(40, 'a'), bite(50), change(60, 'c'), bite(80)])]);
  expect(Object.fromEntries(found)).toEqual({ a: { tried: 2, won: 1 }, b: { tried: 1, won: 1 }, c: { tried: 1, won: 0 } });
});

test('what one change undid is not asked for next', () => {
  const scene = { isUnusual: true, waitMin: 30, unusualMin: 10, flowMs: 0, tempC: 5, minutesSinceFed: 5, fedShare: null, hadBites: true, reasons: [] };
  const asked = [];
  for (const tried: string[] = []; ;) {
    const { id } = whatToChange({ ...scene, tried });
    asked.push(id);
    if (id === 'pole.change.swap') break;
    tried.push(id);
  }
  expect(asked).toContain('pole.change.shallower');
  expect(asked).not.toContain('pole.change.deeper');
});

describe('what to do at a peg', () => {
  test('step by step: plumb, choose, start on the near swim, stay', () => {
    const [started, opened] = begun();
    expect(pegAnswer(query([started, opened], 2)).headline).toBe('Plumb the bed');
    const plumbed = begun().slice(0, 9);
    const choose = pegAnswer(query(plumbed, 5));
    expect(choose).toMatchObject({ step: 'choose', headline: 'Two swims: 4 m and 11 m' });
    expect(pegAnswer(query(begun().slice(0, -1), 8)).headline).toBe('Start on 6 m');
    expect(pegAnswer(query(begun(), 12)).headline).toMatch(/^Stay on 6 m until \d\d:\d\d$/);
  });

  test('a swim that was just gone to is stayed on, whatever the other promises', () => {
    const bites = [11, 12, 13, 14, 15, 16, 17, 18, 19, 20].map((m) => put(m, 'reaction', { station: near, reaction: 'bite' }));
    const swapped = [...begun(), ...bites, put(40, 'moved', { station: far }), put(40, 'line-down', { line: testId(), station: far, rod: 'pole', presentation: 'x' })];
    const after = (min: number) => pegAnswer({ ...query(swapped, min), peg: pegAt(swapped, min, far) });
    expect(after(40 + swimLimits.leastStayMin - 1).swapTo).toBeNull();
    expect(after(40 + swimLimits.leastStayMin + 12).swapTo?.id).toBe(near);
  });

  test('an unusual wait asks for one change, which is not asked for again; with a reason it is named first', () => {
    const bites = [11, 13, 15, 17, 19].map((m) => put(m, 'reaction', { station: near, reaction: 'bite' }));
    const alone = [...begun().filter((e) => e.kind !== 'station-opened' || (e.body as { peg?: string }).peg === undefined), ...bites];
    const first = pegAnswer(query(alone, 45));
    expect(first.wait.isUnusual).toBe(true);
    expect(first.change.id).toBe('pole.change.ball');
    expect(first.headline).toBe(first.change.label);
    const second = pegAnswer(query([...alone, put(45, 'changed', { station: near, what: first.change.id })], 46));
    expect(second.change.id).not.toBe(first.change.id);
    const rain = pegAnswer(query(alone, 45, { reasons: ['cold-rain'] }));
    expect(rain.change.id).toBe('pole.change.reason');
    expect(rain.detail).toMatch(/Cold rain runs in/);
  });

  test('another flow asks for another float in the heading, until it has been changed', () => {
    const timed = (min: number, seconds: number) => put(min, 'flow-timed', { station: near, alongM: 2, seconds });
    const slower = [...begun(), timed(15, 7), timed(20, 14)];
    const says = (events: LedgerEvent[], min: number) => adviceAt(outingOf(events), start + min * minuteMs);
    expect(says(slower, 21)).toMatchObject({ headline: 'Change to the 0.4 g', change: { id: 'pole.change.float' } });
    const done = says([...slower, put(22, 'changed', { station: near, what: 'pole.change.float' })], 23);
    expect(done.headline).toMatch(/^Stay on/);
    // It was no try for a bite: what is tried next begins anew.
    expect(done.here.tried).toEqual([]);
  });

  test('rings: what is left of a stay, go where one should', () => {
    const q = query(begun(), 12);
    const rings = swimRings(pegAnswer(q), q.peg, q.nowMs);
    expect(rings.map((r) => [r.isHere, r.words])).toEqual([
      [true, 'fishing'],
      [false, 'settling'],
    ]);
    expect(rings[0].minutes).toBeGreaterThan(0);
    for (const r of rings) expect(r.share).toBeLessThanOrEqual(1);
  });
});

test('reasons for the quiet: a tap holds three quarters of an hour, cooling is measured, cold rain comes of the weather', () => {
  const quiet = [{ ms: start, station: near, what: 'predator' as const }];
  const temp = (min: number, tempC: number) => ({ ms: start + min * minuteMs, station: near, depthM: 0.3, tempC });
  const now = start + 40 * minuteMs;
  expect(quietReasons({ quiet, temperatures: [] }, now, null, null)).toEqual([{ id: 'predator', by: 'seen' }]);
  expect(quietReasons({ quiet, temperatures: [] }, start + 46 * minuteMs, null, null)).toEqual([]);
  expect(quietReasons({ quiet: [], temperatures: [temp(0, 5.8), temp(30, 5.1)] }, now, null, 5.1)).toEqual([{ id: 'cooling', by: 'measured' }]);
  expect(quietReasons({ quiet: [], temperatures: [temp(0, 5.8), temp(30, 5.2)] }, now, null, 5.2)).toEqual([]);
  expect(quietReasons({ quiet: [], temperatures: [] }, now, { precipMm: 1, airC: 2 }, 5)).toEqual([{ id: 'cold-rain', by: 'weather' }]);
  // Warmer rain, snow, and water that nobody knows give no reason.
  expect(quietReasons({ quiet: [], temperatures: [] }, now, { precipMm: 1, airC: 8 }, 5)).toEqual([]);
  expect(quietReasons({ quiet: [], temperatures: [] }, now, { precipMm: 1, airC: -2 }, 5)).toEqual([]);
  expect(quietReasons({ quiet: [], temperatures: [] }, now, { precipMm: 1, airC: 2 }, null)).toEqual([]);
});

const ball: Ball = { cm: 5, gcc: 1.2, breaks: 'half', particle: 'crumb' };

describe('feed along the run', () => {
  test('a run lies downstream of where the float is laid in, on still water to both sides', () => {
    expect(runOf(0.1, 3)).toEqual({ fromM: 0, toM: 3 });
    expect(runOf(-0.1, 3)).toEqual({ fromM: -3, toM: 0 });
    expect(runOf(0, 3)).toEqual({ fromM: -1.5, toM: 1.5 });
  });

  test('the next ball lays its median where the bites come, whichever way it runs', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.4, noNaN: true }), fc.double({ min: 0.6, max: 4, noNaN: true }), fc.boolean(), (flow, depth, isBack) => {
        const flowMs = isBack ? -flow : flow;
        const bites = [1.8, 2, 2.2].map((m) => (isBack ? -m : m));
        const { next, biteM } = feedPicture({ alongM: bites, feedsNow: [] }, depth, flowMs, 3, ball, metric);
        expect(biteM).toBeCloseTo(isBack ? -2 : 2, 9);
        expect(Math.min(next.span.fromM, next.span.toM)).toBeLessThan(biteM! + 0.06);
        expect(Math.max(next.span.fromM, next.span.toM)).toBeGreaterThan(biteM! - 0.06);
      }),
    );
  });

  test('mirrored water gives the mirrored picture', () => {
    const fed = (alongM: number) => [{ ms: 0, station: near, what: 'crumb', massG: null, alongM, ball }];
    const down = feedPicture({ alongM: [2, 2.1, 2.4], feedsNow: fed(0.4) }, 1.8, 0.1, 3, ball, metric);
    const back = feedPicture({ alongM: [-2, -2.1, -2.4], feedsNow: fed(-0.4) }, 1.8, -0.1, 3, ball, metric);
    expect(back.next.dropM).toBeCloseTo(-down.next.dropM, 9);
    expect(back.last!.span.fromM).toBeCloseTo(-down.last!.span.toM, 9);
    expect(back.headline).toBe(down.headline);
    expect(back.detail).toBe(down.detail);
  });

  test('still water leaves no trail; a flow that nobody timed is said', () => {
    expect(feedPicture({ alongM: [], feedsNow: [] }, 4, 0.5, 3, ball, metric).headline).toMatch(/^Drop it .* up of the float, squeezed hard, with a handful of gravel$/);
    const still = feedPicture({ alongM: [], feedsNow: [] }, 2, 0, 3, ball, metric);
    expect(still.next.span).toEqual({ fromM: -0.3, toM: 0.3 });
    expect(still.headline).toBe('Feed over the float');
    expect(feedPicture({ alongM: [], feedsNow: [] }, 2, null, 3, ball, metric).headline).toBe('Time the float before you feed');
  });

  test('bites past the feed are said to be past it, and the next ball goes further down', () => {
    const p = feedPicture(
      { alongM: [2.7, 2.8, 2.9], feedsNow: [{ ms: 0, station: near, what: 'hemp', massG: null, alongM: 0, ball: { ...ball, breaks: 'bottom' } }] },
      1.8,
      0.1,
      3,
      ball,
      metric,
    );
    expect(p.detail).toMatch(/^Bites come past the feed, which lies /);
    expect(p.next.dropM).toBeGreaterThan(0.5);
    expect(p.headline).toMatch(/further down/);
    const { fromM, toM, bins } = runFrame(p, [2.7, 2.8, 2.9], null);
    expect(fromM).toBeLessThan(0);
    expect(toM).toBeGreaterThan(3);
    expect(bins.reduce((s, b) => s + b.bites, 0)).toBe(3);
  });

  test('in the coldest water a blank in flow asks for no ball: peg, run and next ball agree', () => {
    const said = feedPicture(
      { alongM: [], feedsNow: [{ ms: 0, station: near, what: 'crumb', massG: null, alongM: 0, ball: { ...ball, breaks: 'half' } }] },
      ...([1.7, 0.1, 3, ball, metric, { blankMin: 15, habit: 'unfed', tempC: 2 }] as const),
    );
    expect(said.advice.balls).toBe(0);
    expect(said.headline).toMatch(/^No ball: five or six grains/);
    expect(said.detail).toMatch(/^The last lies/);
    expect(whetherToFeed({ ...scene, tempC: 2, flowMs: 0.1, bitesSinceFed: 0, minutesSinceFed: 15 }).id).not.toBe('pole.feed.blank');
  });

  const scene: FeedScene = { isBaited: false, tempC: 7, fed: 1, minutesSinceFed: 40, bitesSinceFed: 3, isTired: false, flowMs: 0, isCooling: false };
  test.each<[string, Partial<FeedScene>]>([
    ['pole.feed.first-baited', { fed: 0, isBaited: true }],
    ['pole.feed.first', { fed: 0 }],
    ['pole.feed.tired', { isTired: true }],
    ['pole.feed.not-yet', { minutesSinceFed: 10 }],
    ['pole.feed.no-bites', { bitesSinceFed: 0 }],
    ['pole.feed.pinch', { tempC: 3 }],
    ['pole.feed.grains', { tempC: 2 }],
    ['pole.feed.grains', { isCooling: true }],
    ['pole.feed.first', { isCooling: true, fed: 0 }],
    ['pole.feed.blank', { flowMs: 0.1, bitesSinceFed: 0, minutesSinceFed: 12 }],
    ['pole.feed.top-up', {}],
  ])('%s is said where it holds', (id, over) => {
    expect(whetherToFeed({ ...scene, ...over }).id).toBe(id);
    expect(feedRules.find((r) => r.id === id)!.reason).toMatch(/\.$/);
  });
});

test('rig of a peg: the lightest float that carries it, shot for it, laid on in tow; a flow a third stronger asks for another', () => {
  const floats = [0.3, 0.4, 0.6].map((capacityG) => ({ name: `${capacityG}`, capacityG }));
  const rig = pegRig({ depthM: 1.8, flowMs: 0.1, earlierMs: null, floats, loadG: 0.02, pattern: null });
  expect(rig).toMatchObject({ float: { capacityG: 0.4 }, pattern: 'bulk-droppers', change: null });
  expect(rig.plan!.totalG + 0.02).toBeLessThanOrEqual(0.4 + 1e-9);
  expect(rig.stopM).toBeCloseTo(1.85, 6);
  expect(shotText(rig.plan!)).toMatch(/^\d+ × No\. \d+/);
  expect(pegRig({ depthM: 1.8, flowMs: 0.16, earlierMs: 0.1, floats, loadG: 0.02, pattern: null }).change).toEqual({
    label: 'Change to the 0.6 g',
    reason: 'The flow has changed by a third. The heavier one holds the bait down.',
  });
  expect(pegRig({ depthM: 1.8, flowMs: 0, earlierMs: 0.02, floats, loadG: 0.02, pattern: null })).toMatchObject({ pattern: 'strung', change: null });
  expect(pegRig({ depthM: 0.2, flowMs: 0, earlierMs: null, floats: [], loadG: 0.5, pattern: 'bulk' }).plan).toBeNull();
});

test('the curve of a swim knows at each moment only what had happened, and falls ahead while it gives nothing', () => {
  const bites = [12, 14, 16, 18].map((m) => put(m, 'reaction', { station: near, reaction: 'bite' }));
  const mood = { tempC: 6, factor: 1 };
  const early = swimCurve(pegAt([...begun(), ...bites], 11).swims[0], near, mood, start + 11 * minuteMs, 30);
  const late = swimCurve(pegAt([...begun(), ...bites], 40).swims[0], near, mood, start + 40 * minuteMs, 30);
  expect(late.past[0].bites).toBeCloseTo(early.past[0].bites, 9);
  for (let k = 1; k < late.ahead.length; k++) expect(late.ahead[k].bites).toBeLessThan(late.ahead[k - 1].bites);
});

test('every rule of the pole has an id of its own and a reason in a sentence', () => {
  const ids = [...changeRules, ...feedRules].map((r) => r.id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const r of [...changeRules, ...feedRules]) expect(r.reason).toMatch(/^[A-Z].*\.$/);
});
