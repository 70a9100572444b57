import { biteMomentText, fallCountText, mudText, whatAfter, type CastSign } from '../../src/casting';
import { speciesOf } from '../../src/fish';
import { fold, type EventBodies, type EventKind } from '../../src/ledger';
import { hookProblems, ruleCardText, type RuleCard } from '../../src/law';
import { slowWords } from '../../src/outlook/column-words';
import { hoverWords, lineAtAngle, lineForDepth, rigCard, woodLineText } from '../../src/rig';
import { seatWords, tubeBuildText, tubeName } from '../../src/tackle';
import { seatSnagsText, snagsBySeat } from '../../src/season';
import { whatToTieOn, type TieOnQuery } from '../../src/tie-on';
import { depthInTurn, isTooFast, speedsFor, spreadDepths, trolledLine, type RunningLine } from '../../src/troll';
import { hourMs, metric, minuteMs } from '../../src/units';
import { tornText } from '../../src/visits';
import { baseMs, event, testId } from '../events';
import { piece } from '../pieces';

/* Baits, rigs, lines and what was told of them. */

const [outing, station, line] = [testId(), testId(), testId()];
const day = (...events: [number, EventKind, unknown][]) =>
  fold([
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['largemouth'], goal: 'numbers', method: 'cast' }),
    event(outing, 10, 'station-opened', { station, kind: 'stand', label: '1', at: [-140, 47] }),
    ...events.map(([s, kind, body]) => event(outing, s, kind, body as EventBodies[EventKind])),
  ]).outings[0];
const reaction = (s: number, kind: string, more: object = {}): [number, EventKind, unknown] => [s, 'reaction', { station, reaction: kind, ...more }];

describe('job 5, a tube rebuilt', () => {
  test('seat and scent: unset until said; short hangs level with its eye further back, full is the mistake', () => {
    expect(tubeBuildText({})).toBe('');
    expect(tubeName('White tube', { seat: 'short', scent: true, cutMm: 11 })).toBe('White tube, short seat, scent, tails 11 mm');
    expect(seatWords.short.hangs).toMatch(/level/);
    expect(seatWords.short.how).toMatch(/8 mm short of the nose.*eye sits further back.*slips off rock/);
    expect(seatWords.full.how).toMatch(/mistake/);
  });
  test('bed: snags are counted by seat, over the hours each was down, and of a line whose seat nobody said none', () => {
    const lowered = (s: number, id: string, seat?: 'short' | 'full'): [number, EventKind, unknown] => [
      s,
      'line-down',
      { line: id, station, rod: 'rod 1', ...(seat ? { tube: { seat } } : {}) },
    ];
    const [second, third] = [testId(), testId()];
    const snag = (s: number): [number, EventKind, unknown] => [s, 'felt', { station, what: 'snag', bearingDeg: 0, outM: 0 }];
    const o = day(
      lowered(0, line, 'full'),
      snag(600),
      snag(1200),
      [3600, 'line-up', { line }],
      lowered(3600, second, 'short'),
      [10_800, 'line-up', { line: second }],
      lowered(10_800, third),
      snag(11_000),
    );
    const rows = snagsBySeat([o], baseMs + 4 * hourMs);
    expect(rows).toEqual([{ seat: 'short', snags: 0, hours: 2 }, { seat: 'full', snags: 2, hours: 1 }]); // prettier-ignore
    expect(rows.map(seatSnagsText)).toEqual(['Short seat: 0 snags in 2.0 h', 'Full seat: 2 snags in 1.0 h']);
  });
});

test('job 7, balance: a float of 0.6 g with 0.18 g of hook and bait takes one BB, 23 cm up, and has 0.02 g to spare', () => {
  const card = rigCard('sliding-float', { depthM: 4.6, bottomM: 8, floats: [{ name: 'Reed', capacityG: 0.6 }], baitedG: 0.18 });
  const shot = card.parts.filter((p) => p.kind === 'bulk' || p.kind === 'shot');
  expect(shot).toMatchObject([{ name: 'BB', aboveHookM: 0.23, massG: 0.4 }]);
  expect(card.load!.carriesG - card.load!.hungG).toBeCloseTo(0.02, 6);
});

describe('job 8, torn bait', () => {
  const torn: [number, EventKind, unknown] = [100, 'changed', { station, what: 'bait-torn' }];
  test('bitten on the torn one: fish it on; two that turn away ask for a whole one; whole again, nothing', () => {
    expect(tornText(day(torn), station)).toMatch(/fish it on until looks turn away/);
    expect(tornText(day(torn, reaction(200, 'bite')), station)).toBe('Bitten on the torn one: fish it on.');
    expect(tornText(day(torn, reaction(200, 'refused'), reaction(400, 'refused')), station)).toMatch(/a whole one now/);
    expect(tornText(day(torn, reaction(200, 'refused'), reaction(400, 'refused'), reaction(700, 'bite')), station)).toMatch(/fish it on/);
    expect(tornText(day(torn, [900, 'changed', { station, what: 'bait-whole' }]), station)).toBeNull();
    expect(tornText(day(), station)).toBeNull();
  });
});

describe('job 9, live minnow', () => {
  const card: RuleCard = { fish: [], liveBait: 'not allowed', seenOn: '2027-04-03' };
  test('rig: live bait that the card forbids is refused with the rule, and nothing else is', () => {
    expect(hookProblems(card, { hooks: 1, points: 1, family: 'live-bait' })).toEqual(['Live bait: your card does not allow it.']);
    expect(hookProblems(card, { hooks: 1, points: 1, family: 'micro-jig' })).toEqual([]);
    expect(hookProblems({ ...card, liveBait: 'allowed' }, { hooks: 1, points: 1, family: 'live-bait' })).toEqual([]);
    expect(ruleCardText(card, (id) => id, metric)[0]).toBe('live bait not allowed');
  });
  const query: TieOnQuery = { speciesId: 'white-crappie', tempC: 11.5, secchiM: 0.6, method: 'vertical', goal: 'supper', depthM: 4.6, currentMs: 0, cloud: null };
  test('rig: brown water takes chartreuse or pink before clear and natural', () => {
    const box = ['chartreuse', 'pink', 'clear', 'brown'].map((colour) => piece(colour, 'micro-jig', { colour }));
    expect(['chartreuse', 'pink']).toContain(whatToTieOn(box, query)[0].piece);
  });
  test('depth: 5.6 m true asks for more line at 20°, straight down for 5.6; a line that bends asks for less than a straight one, whose 6.0 is the most', () => {
    const jig = { massG: 4, material: 'tungsten', shape: 'teardrop' } as const;
    const outM = lineForDepth(jig, 0.15, 5.6, 20);
    expect(lineAtAngle(jig, 0.15, outM, 20).depthM).toBeCloseTo(5.6, 3);
    expect(outM).toBeGreaterThan(5.68);
    expect(outM).toBeLessThan(5.6 / Math.cos((20 * Math.PI) / 180));
    expect(lineForDepth(jig, 0.15, 5.6, 0)).toBe(5.6);
  });
});

test('job 10, tie on: at 8 m of sight the smallest of the box, at 1 m another', () => {
  const box = [piece('3 mm', 'micro-jig', { massG: 0.6, sizeMm: 5, colour: 'natural' }), piece('5 mm', 'micro-jig', { massG: 1.8, sizeMm: 12, colour: 'pink' })];
  const first = (secchiM: number) => whatToTieOn(box, { speciesId: 'bluegill', tempC: 3.5, secchiM, method: 'ice', goal: 'size', depthM: 6, currentMs: 0, cloud: null })[0].piece;
  expect(first(8)).toBe('3 mm');
  expect(first(1)).toBe('5 mm');
});

test('job 7, others: spines and gill covers are cautioned of on the fish that has them', () => {
  for (const id of ['smallmouth', 'walleye', 'white-perch']) expect([id, speciesOf(id).handling]).toEqual([id, expect.stringMatching(/[Ss]pine|[Gg]ill cover|[Ss]harp/)]);
});

test('job 11, slow: a bulky jig for big ones; for numbers a small worm instead', () => {
  const box = [piece('jig', 'bulky-jig', { massG: 14, sizeMm: 90, colour: 'brown' }), piece('worm', 'straight-worm', { massG: 4, sizeMm: 80, colour: 'green' })];
  const first = (goal: 'size' | 'numbers') =>
    whatToTieOn(box, { speciesId: 'smallmouth', tempC: 8, secchiM: 3, method: 'cast', goal, depthM: 6, currentMs: 0, cloud: null, zone: 'bottom' })[0].piece;
  expect([first('size'), first('numbers')]).toEqual(['jig', 'worm']);
});

test('job 13, fall: it is counted, and what stops it at 4 of 9 took it', () => expect(fallCountText(9.2)).toBe('Count to 9; stopped sooner, strike.'));

describe('job 11 and 13, after a bite', () => {
  const sign = (min: number, kind: CastSign['kind']): CastSign => ({ ms: min * minuteMs, kind, bearingDeg: 90, outM: 10 });
  const after = (...kinds: CastSign['kind'][]) => whatAfter({ signs: kinds.map((k, i) => sign(i, k)), nowMs: kinds.length * minuteMs, underM: 6, passes: 1 });
  test('job 11, go: three short bites name both reasons and move; one or two do not', () => {
    expect(after('missed', 'nipped', 'missed')).toMatchObject({ aim: 'move', reason: expect.stringMatching(/tired of it, or the wind has turned/) });
    expect(after('missed').aim).not.toBe('move');
    expect(after('missed', 'nipped').aim).not.toBe('move');
  });
  test('job 11, miss, and job 13: the same spot at once, no new bearing, and never wind in', () => {
    expect(after('missed')).toMatchObject({ aim: 'let-fall', headline: 'Let it fall straight back' });
    expect(after('missed').reason).toMatch(/do not reel in/);
  });
});

test('job 14, bait 1: what hangs, rises or sinks is answered, and three trebles against two hooks are refused', () => {
  expect(hoverWords.rises).toMatch(/add weight/);
  expect(hoverWords.sinks).toMatch(/take weight off/);
  expect(hoverWords.hovers).toMatch(/hangs/);
  expect(hookProblems({ fish: [], hooks: 2, seenOn: '2027-02-01' }, { hooks: 3, points: 9 })).toEqual(['3 hooks: your card allows 2 on a line.']);
});

describe('jobs 3 and 17, lines and speed', () => {
  test('job 3, lines: trout take it at 0.4 to 0.8 m/s, crappie at 0.1 to 0.4; 0.55 is too fast for crappie, and what nobody read is never', () => {
    expect(speedsFor('rainbow-trout', 13.1)).toEqual({ fromMs: 0.4, toMs: 0.8 });
    expect(speedsFor('black-crappie', 6.1)).toEqual({ fromMs: 0.1, toMs: 0.4 });
    expect(isTooFast(0.55, 'measured', speedsFor('black-crappie', 6.1))).toBe(true);
    expect(isTooFast(0.55, 'assumed', speedsFor('black-crappie', 6.1))).toBe(false);
    expect(isTooFast(0.55, 'measured', speedsFor('rainbow-trout', 13.1))).toBe(false);
    expect(speedsFor('walleye', 3).toMs).toBeLessThan(speedsFor('walleye', 8).toMs);
  });
  const rig = { lure: { massG: 10, material: 'lead', shape: 'tube' }, lineMm: 0.25 } as const;
  test('job 3, lines: faster, and both run shallower', () => {
    for (const outM of [6, 9]) expect(trolledLine(rig, outM, 0.8).depthM).toBeLessThan(trolledLine(rig, outM, 0.5).depthM);
  });
  test('job 3, steer: the line inside a turn runs deeper than the one outside', () => {
    const line: RunningLine = { id: 'l', name: 'left', side: 'left', besideM: 3, depthM: 2.8, lineOutM: 8, rig };
    expect(depthInTurn(line, 0.6, 12, 'left')!).toBeGreaterThan(depthInTurn(line, 0.6, 12, 'right')!);
  });
  const spread = (rods: number, strikes: number) =>
    spreadDepths({ band: { fromM: 0.5, toM: 2.2 }, rods, baitsPerRod: 1, fished: strikes === 0 ? [] : [{ depthM: 1.4, minutes: 30, bites: strikes }] }).flat();
  const apart = () => spreadDepths({ band: { fromM: 0.5, toM: 2.2 }, rods: 4, baitsPerRod: 1, fished: [0.6, 2.1].map((depthM) => ({ depthM, minutes: 30, bites: 1 })) }).flat();
  test('job 17, rods: for two there are two depths, never four', () => expect(spread(2, 0)).toHaveLength(2));
  test('job 17, change: after two strikes at one depth three of four rods are near it, and one explores', () => {
    const near = spread(4, 2).filter((m) => Math.abs(m - 1.4) <= 0.3 + 1e-9);
    expect(near).toHaveLength(3);
    // One at the top and one at the bottom name no depth.
    expect(apart().filter((m) => Math.abs(m - 1.35) <= 0.3).length).toBeLessThan(3);
  });
});

test('job 17, why slow: at 11 mg/l it is the cold, with little oxygen that, and warm with plenty neither', () => {
  expect(slowWords(6.1, 11)).toBe(' Slow for the cold, not for want of oxygen.');
  expect(slowWords(3, 3)).toMatch(/want of oxygen, more than for the cold/);
  expect(slowWords(12, 10)).toBe('');
});

test('job 18, log: mud on the belly sends the next cast to the bed, dragged slowly, until a fish without it', () => {
  const fish = (s: number, more: object): [number, EventKind, unknown] => [s, 'fish-landed', { fish: testId(), station, species: 'largemouth', ...more }];
  expect(mudText(day(fish(100, { hasMud: true })))).toMatch(/On the bed, dragged slowly/);
  expect(mudText(day(fish(100, { hasMud: true }), fish(200, {})))).toBeNull();
  expect(mudText(day())).toBeNull();
});

describe('job 21, a warmed, dirty pocket', () => {
  test('gear: line of 2 kg near wood is flagged, of 6 kg it is not, and of one that nobody said nothing is claimed', () => {
    const kg = (v: number) => `${v} kg`;
    expect(woodLineText(2, kg)).toBe('Line of 2 kg beside wood: a fish that goes in breaks it. 3.5 kg or more.');
    expect(woodLineText(6, kg)).toBeNull();
    expect(woodLineText(null, kg)).toBeNull();
  });
  test('high or falling: three of four on the fall, and it is let fall at the edge; with three told, or no moment that stands out, nothing', () => {
    const bite = (s: number, moment: string) => reaction(s, 'bite', { moment });
    expect(biteMomentText(day(bite(1, 'fell'), bite(400, 'fell'), bite(800, 'moved'), bite(1200, 'fell')))).toBe('3 of 4 took on the fall: let it fall at the edge.');
    expect(biteMomentText(day(bite(1, 'fell'), bite(400, 'fell'), bite(800, 'fell')))).toBeNull();
    expect(biteMomentText(day(bite(1, 'fell'), bite(400, 'still'), bite(800, 'moved'), bite(1200, 'fell')))).toBeNull();
    expect(biteMomentText(day(...[1, 400, 800, 1200].map((s) => bite(s, 'still'))))).toMatch(/leave it longer/);
  });
});
