import { adviceWords, adviseReading, type QuickReading } from '../../src/coach';
import { estimateWeight, fishKeys, isDepthInjuryLikely, keyed, speciesOf } from '../../src/fish';
import { hookProblems, keepProblems, lineProblem, planOfKept, planOfKeptText, type RuleCard } from '../../src/law';
import { lineAtAngle, lineToPull, sinkTime, windBow } from '../../src/rig';
import { feelsLike } from '../../src/safety';
import { familyOf, lureOf } from '../../src/tackle';
import { leaderKg } from '../../src/tie-on';
import { metric } from '../../src/units';

const says = (speciesId: string, waterTempC: number, reading: QuickReading) => adviceWords(adviseReading(reading, { speciesId, waterTempC, beamDeg: 20 }), metric).instruction;
const depthIn = (text: string) => Number(/([\d.]+) m$/.exec(text)?.[1]);
const sinks = (family: string, massG: number, depthM: number, lineMm = 0.2) => sinkTime(lureOf(familyOf(family), massG), depthM, lineMm);

describe('job 1, crappie at a bridge footing', () => {
  test('depth: marks from 6.6 m in 8.2: stop at 6.15 to 6.45', () => {
    const at = depthIn(says('black-crappie', 2.4, { bottomM: 8.2, jigM: 7.5, topMarkM: 6.6, did: 'still' }));
    expect(at).toBeGreaterThanOrEqual(6.15);
    expect(at).toBeLessThanOrEqual(6.45);
  });
  test('which kind: the key goes by spines, whatever the colour', () => {
    const crappies = fishKeys.find((k) => k.fish.includes('black-crappie'))!;
    expect(keyed(crappies, { spines: 'seven' }).is).toBe('black-crappie');
    expect(keyed(crappies, { spines: 'six' }).is).toBe('white-crappie');
  });
  test('keep: from 6.8 m it may go back, from 7.8 m it is hurt', () => {
    for (const id of ['black-crappie', 'white-crappie']) expect([6.8, 7.8].map((m) => isDepthInjuryLikely(speciesOf(id), m))).toEqual([false, true]);
  });
  test('after: five for supper, and no sixth', () => {
    const fish = Array.from({ length: 5 }, () => ({ species: 'black-crappie', fate: 'kept' }));
    const bass = { species: 'smallmouth', fate: 'kept' };
    const plan = planOfKept({ keepPlan: 5, species: ['black-crappie'], fish: [...fish, bass] as never })!;
    expect(plan).toEqual({ kept: 5, planned: 5, isFull: true });
    expect(planOfKeptText(plan, 20)).toMatch(/^5 of 5: the plan is full.* Your card allows 20\.$/);
    expect(planOfKept({ keepPlan: 5, species: ['black-crappie'], fish: fish.slice(0, 4) as never })!.isFull).toBe(false);
    expect(planOfKept({ species: ['black-crappie'], fish: [] })).toBeNull();
  });
});

describe('job 2, white perch from basin to basin', () => {
  const card: RuleCard = { fish: [{ species: 'white-perch', bag: 20 }], points: 1, lines: 2, seenOn: '2027-01-24' };
  test('rig: a treble with one point allowed is warned of, one point passes', () => {
    expect(hookProblems(card, { hooks: 1, points: 3 })).toEqual(['3 points: your card allows 1.']);
    expect(hookProblems(card, { hooks: 1, points: 1 })).toEqual([]);
  });
  test('empty: nothing seen calls by a thump on the bed, not by a rip', () =>
    expect(says('white-perch', 3.7, { bottomM: 8, jigM: 7.8, topMarkM: null, did: 'none' })).toMatch(/^Thump the bottom/));
  test('depth: the stop is over the top of the marks, never down through them', () => {
    expect(depthIn(says('white-perch', 3.7, { bottomM: 8, jigM: 7.5, topMarkM: 5.6, did: 'still' }))).toBeCloseTo(5.3, 1);
    expect(depthIn(says('white-perch', 3.7, { bottomM: 8, jigM: 7.5, topMarkM: 5.6, did: 'rising' }))).toBeLessThanOrEqual(5.3);
  });
  test('lines: a third line is one too many', () => {
    expect(lineProblem(card, 1)).toBeNull();
    expect(lineProblem(card, 2)).toMatch(/your card allows 2/);
  });
  test('after: four of four, though twenty are legal', () => {
    const plan = { kept: 4, planned: 4, isFull: true };
    expect(planOfKeptText(plan, 20)).toMatch(/Stop here.* allows 20/);
    expect(keepProblems(card, { species: 'white-perch', name: 'White perch', lengthMm: 250 }, { today: 4, lately: 4 }, metric)).toEqual([]);
  });
});

describe('job 4, crappie straight down', () => {
  test('hold: 7.0 m out at 15° hang no shallower than a straight line would, and not at 7', () => {
    // A straight line hangs at 6.76 m; a real one leans less below than it does at the surface.
    const { depthM } = lineAtAngle(lureOf(familyOf('micro-jig'), 2), 0.15, 7, 15);
    expect(depthM).toBeGreaterThanOrEqual(7 * Math.cos((15 * Math.PI) / 180));
    expect(depthM).toBeLessThan(6.95);
  });
  test('rig: 6.6 m take a 2 g jig longer than 4 s', () => expect(sinks('micro-jig', 2, 6.6, 0.15)).toBeGreaterThan(4));
  test('depth: top at 6.9 m is fished at 6.45 to 6.75', () => {
    const at = depthIn(says('black-crappie', 5.4, { bottomM: 9.8, jigM: 8, topMarkM: 6.9, did: 'still' }));
    expect(at).toBeGreaterThanOrEqual(6.45);
    expect(at).toBeLessThanOrEqual(6.75);
  });
});

test('job 5, a tube for lake trout: the heavier head is down first, in three steps', () => {
  const times = [16, 12, 8].map((massG) => sinks('tube', massG, 22, 0.25));
  expect(times).toEqual([...times].sort((a, b) => a - b));
});

test('job 5, depth: a bait for lake trout that chase begins well off the bottom, one for burbot at it', () => {
  const first = (species: string) => depthIn(says(species, 3.5, { bottomM: 22, jigM: 21.8, topMarkM: null, did: 'none' }));
  expect(22 - first('lake-trout')).toBeGreaterThanOrEqual(1.4);
  expect(22 - first('burbot')).toBeLessThanOrEqual(0.5);
});

describe('job 9, two crappies and a limit', () => {
  test('which fish: six spines are the white one, and 26 cm weighs about 250 g in condition', () => {
    expect(estimateWeight('white-crappie', 260)!.fullG).toBeGreaterThan(240);
    expect(estimateWeight('white-crappie', 260)!.fullG).toBeLessThan(260);
  });
  test('keep: 24.0 cm is kept, 23.5 goes back, and bluegill have a limit of their own', () => {
    const card: RuleCard = { fish: [{ species: 'white-crappie', leastMm: 240 }, { species: 'bluegill', bag: 3 }], seenOn: '2027-01-24' }; // prettier-ignore
    const problems = (lengthMm: number) => keepProblems(card, { species: 'white-crappie', name: 'Crappie', lengthMm }, { today: 0, lately: 0 }, metric);
    expect(problems(240)).toEqual([]);
    expect(problems(235)).toEqual([expect.stringMatching(/at least 24/)]);
    expect(keepProblems(card, { species: 'bluegill', name: 'Bluegill', lengthMm: 200 }, { today: 3, lately: 3 }, metric)[0]).toMatch(/3 kept today: your card allows 3/);
  });
});

test('job 10, big bluegill: 25 cm is about 380 g in condition, and it is told with the ordinary weight', () => {
  const { fullG, weightG } = estimateWeight('bluegill', 250)!;
  expect(Math.abs(fullG - 380)).toBeLessThan(10);
  expect(weightG).toBeLessThan(fullG);
});

describe('job 11, smallmouth on rock', () => {
  test('plan: 12 m/s of run in calm air of −5 °C feel like −14', () => expect(Math.round(feelsLike(-5, 12 * 3.6))).toBe(-14));
  test('fish care: from 10.5 m hurt, from 5 m not, the bound at 7.5', () => {
    expect([5, 7.4, 7.6, 10.5].map((m) => isDepthInjuryLikely(speciesOf('smallmouth'), m))).toEqual([false, false, true, true]);
  });
});

test('job 13, bass on the break: 20 m square to 8 m/s bow 0.7 m, down the wind under 0.1', () => {
  expect(windBow(20, 0.2, 8, 90).slackM).toBeCloseTo(0.7, 1);
  expect(windBow(20, 0.2, 8, 0).slackM).toBeLessThan(0.1);
});

test('job 15, whitefish: a leader of 2.7 to 3.6 kg', () => expect(leaderKg('lake-whitefish')).toEqual({ fromKg: 2.7, toKg: 3.6 }));

test('job 20, lake trout with two holes: 11.4 m of line hang the bait 0.4 m over 11.8', () => expect(lineToPull(11.8, 0.4)).toBeCloseTo(11.4, 6));
