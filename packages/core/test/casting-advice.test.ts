import {
  afterRules,
  aimAfter,
  backTo,
  backToText,
  baitOutM,
  bankCadences,
  bowText,
  cadenceRules,
  castAlong,
  castClock,
  castMinutes,
  castSection,
  castsOf,
  castTarget,
  castWords,
  chooseCadence,
  feltOn,
  fishedPlaces,
  floatDriftMs,
  nextStand,
  paceMin,
  passedBy,
  pauseS,
  releaseAdvice,
  restored,
  schoolWay,
  shyDistanceM,
  signsAt,
  standCasts,
  standWords,
  strikeRadiusM,
  takeChance,
  whatAfter,
  type AfterScene,
  type CadenceSetting,
  type CastSign,
  type FishedPlace,
  type StandQuery,
} from '../src/casting';
import { distanceM, LocalFrame, placeAlong, type LonLat } from '../src/ground';
import { fold } from '../src/ledger';
import { methodOf } from '../src/methods';
import { imperial, metric, minuteMs } from '../src/units';
import { event, testId } from './events';
import { bedOf } from './made-up-beds';

const frame = new LocalFrame(0, 0);
const at = (x: number, y: number): LonLat => frame.toLonLat(x, y);
const sign = (min: number, kind: CastSign['kind'], bearingDeg: number | null = 90): CastSign => ({ ms: min * minuteMs, kind, bearingDeg, outM: 10 });
const scene = (signs: CastSign[], more: Partial<AfterScene> = {}): AfterScene => ({ signs, nowMs: (signs.at(-1)?.ms ?? 0) + minuteMs / 2, underM: 4, passes: 1, ...more });

describe('what to do after what was seen and felt', () => {
  const cases: [string, AfterScene][] = [
    ['cast.after.begin', scene([])],
    ['cast.after.begin', scene([sign(0, 'cast')])],
    ['cast.after.nothing', scene([sign(0, 'cast'), sign(3, 'cast'), sign(6, 'cast')], { passes: 3 })],
    ['cast.after.hard', scene([sign(0, 'cast'), sign(1, 'hard')])],
    ['cast.after.snag', scene([sign(0, 'cast'), sign(1, 'snag')])],
    ['cast.after.followed', scene([sign(0, 'cast'), sign(1, 'followed')])],
    ['cast.after.chased', scene([sign(0, 'cast'), sign(1, 'chased')])],
    ['cast.after.ignored', scene([sign(0, 'cast'), sign(1, 'ignored')])],
    ['cast.after.nipped', scene([sign(0, 'cast'), sign(1, 'nipped')])],
    ['cast.after.missed', scene([sign(0, 'cast'), sign(1, 'missed')])],
    ['cast.after.missed', scene([sign(0, 'cast'), sign(1, 'bite')])],
    ['cast.after.missed', scene([sign(0, 'cast'), sign(1, 'robbed')])],
    ['cast.after.landed', scene([sign(0, 'cast'), sign(1, 'landed')])],
    ['cast.after.school', scene([sign(0, 'landed', 90), sign(5, 'cast', 92), sign(6, 'landed', 94)])],
    ['cast.after.short', scene([sign(0, 'landed'), sign(3, 'missed'), sign(6, 'nipped'), sign(9, 'missed'), sign(12, 'bite')])],
  ];
  it.each(cases)('%s', (id, s) => expect(whatAfter(s).id).toBe(id));

  it('fires every rule of its table, each with a reason and a viewpoint', () => {
    expect(new Set(cases.map(([id]) => id))).toEqual(new Set(afterRules.map((r) => r.id)));
    for (const rule of afterRules) expect([rule.reason, rule.viewpoint, rule.headline].every((t) => t.length > 8)).toBe(true);
  });

  it('does not send one down where the water is shallow, nor after fish from two sides', () => {
    const two = [sign(0, 'landed', 90), sign(6, 'landed', 94)];
    expect(whatAfter(scene(two, { underM: 1 })).id).toBe('cast.after.landed');
    expect(whatAfter(scene([sign(0, 'landed', 10), sign(6, 'landed', 94)])).id).toBe('cast.after.landed');
    expect(whatAfter(scene(two, { nowMs: 60 * minuteMs })).aim).toBe('best');
  });

  it('answers with another cast: the same, one beside, one from the other side, or the best', () => {
    const cast = (bearingDeg: number) => ({ bearingDeg, lengthM: 25, inBandShare: 1, gain: 0.1, bandM: 25, pass: 1 });
    const answer = { casts: [cast(90), cast(130)], bars: [], across: { bearingDeg: 0, inBandShare: 0.2 }, shown: 0, isReached: true };
    const last = { from: at(0, 0), bearingDeg: 88, lengthM: 25 };
    const aim = (id: string, made: typeof last | undefined = last) =>
      aimAfter(
        afterRules.find((r) => r.id === id)!,
        answer,
        made,
        0.5,
      );
    expect(aim('cast.after.landed')).toBe(88);
    expect(aim('cast.after.missed')).toBe(88);
    expect(aim('cast.after.nothing')).toBe(130);
    expect(aim('cast.after.snag')!).toBeGreaterThan(90);
    expect(aim('cast.after.begin')).toBe(90);
    expect(aimAfter(afterRules.at(-1)!, { ...answer, casts: [] }, undefined, 0.5)).toBeNull();
  });
});

describe('cadences of the bank', () => {
  const setting = (more: Partial<CadenceSetting>): CadenceSetting => ({ tempC: 6, secchiM: 4, bed: 'soft', group: 'bass', goal: 'numbers', isSuspended: false, bites: 1, ...more });
  const cases: [string, CadenceSetting][] = [
    ['cast.cadence.suspended', setting({ isSuspended: true })],
    ['cast.cadence.suspended-warm', setting({ isSuspended: true, tempC: 12 })],
    ['cast.cadence.wood', setting({ bed: 'wood', tempC: 9 })],
    ['cast.cadence.wood-cold', setting({ bed: 'weeds', tempC: 3 })],
    ['cast.cadence.hard', setting({ bed: 'hard' })],
    ['cast.cadence.cold-stained', setting({ tempC: 2, secchiM: 0.8 })],
    ['cast.cadence.cold', setting({ tempC: 2 })],
    ['cast.cadence.searching', setting({ tempC: 10, bites: 0 })],
    ['cast.cadence.stained', setting({ tempC: 7, secchiM: 0.8 })],
    ['cast.cadence.size', setting({ goal: 'size' })],
    ['cast.cadence.usual', setting({})],
  ];
  it.each(cases)('%s', (id, s) => expect(chooseCadence(s).rule.id).toBe(id));
  it('fires every rule', () => expect(new Set(cases.map(([id]) => id))).toEqual(new Set(cadenceRules.map((r) => r.id))));

  it('rests longer the colder it is and on rock, in whole bounds', () => {
    expect(pauseS(6, 'hop')).toBe(8);
    expect(pauseS(6, 'hop', 'hard')).toBe(15);
    expect(pauseS(2, 'hop')).toBe(16);
    for (const { id } of bankCadences.filter((c) => c.pauseS > 0)) expect(pauseS(1, id)).toBeGreaterThan(pauseS(10, id));
    expect(() => pauseS(6, 'twitch')).toThrow('expected a cadence of drag, hop');
  });

  it('from 1 to 12 °C, clear and stained, radius, chance, cadence and pause differ visibly', () => {
    const rows = [1, 4, 8, 12].flatMap((tempC) =>
      [0.6, 4].map((secchiM) => {
        const { cadence } = chooseCadence(setting({ tempC, secchiM, bites: 0 }));
        return [shyDistanceM(secchiM).toFixed(1), strikeRadiusM(tempC, secchiM).toFixed(2), takeChance(tempC).toFixed(2), cadence.id, pauseS(tempC, cadence.id).toFixed(0)].join(
          ' ',
        );
      }),
    );
    expect(rows).toEqual([
      '1.5 0.15 0.23 crawl 10',
      '8.0 0.15 0.23 drag 24',
      '1.5 0.24 0.30 hop 11',
      '8.0 0.40 0.30 hop 11',
      '1.5 0.24 0.40 swim 1',
      '8.0 0.80 0.40 swim 1',
      '1.5 0.24 0.50 swim 1',
      '8.0 1.20 0.50 swim 1',
    ]);
  });
});

describe('the clock in casts', () => {
  const prior = methodOf('cast')!.clockPriors.bass;
  const signs = { arrivedMs: 0, visitsMs: [], refusalsMs: [], bitesMs: [] };

  it('counts what is worth casting, and what time allows', () => {
    const clock = castClock(signs, prior, 0, 4, [0.2, 0.15, 0.1, 0.03]);
    expect(clock.castsLeft).toBe(3);
    expect(clock.untilMs).toBe(12 * minuteMs);
    expect(castClock(signs, prior, 0, 12, [0.2, 0.19, 0.18, 0.17]).castsLeft).toBeLessThan(4);
    expect(castClock(signs, prior, 0, 4, []).reason).toMatch(/has been shown/);
  });

  it('a bite keeps one there longer than the water to show', () => {
    const bitten = castClock({ ...signs, bitesMs: [20 * minuteMs] }, prior, 21 * minuteMs, 4, [0.01]);
    expect(bitten.castsLeft).toBeGreaterThan(2);
    expect(castClock(signs, prior, 300 * minuteMs, 4, [0.2]).castsLeft).toBe(0);
  });

  it('takes the pace from the casts made, else from how one is brought back', () => {
    expect(castMinutes(25, 10, 9.5 / 0.9)).toBeCloseTo(0.7 + (10 + (25 / 0.9) * 9.5) / 60, 6);
    expect(
      paceMin(
        [0, 4, 8, 13].map((m) => m * minuteMs),
        2,
      ),
    ).toBe(4);
    expect(paceMin([0], 2)).toBe(2);
  });
});

describe('rested lies', () => {
  const place = (id: string, leftMin: number, more: Partial<FishedPlace> = {}): FishedPlace => ({
    id,
    label: id,
    at: at(0, 0),
    leftMs: leftMin * minuteMs,
    fish: 1,
    bites: 1,
    casts: 8,
    tempC: 4,
    ...more,
  });
  const now = 120 * minuteMs;

  it('refill while they rest, those that gave fish more slowly', () => {
    const [soon, late] = [place('a', 110), place('a', 0)].map((p) => restored(p, now));
    expect(soon).toBeLessThan(late);
    expect(late).toBeGreaterThan(0.85);
    expect(restored(place('b', 60, { fish: 0, bites: 0 }), now)).toBeGreaterThan(restored(place('b', 60), now));
  });

  it('bring one back first when the water has gained a degree, then at dusk, then when they have rested', () => {
    const places = [place('1', 60), place('2', 90, { fish: 2, tempC: 5.5 })];
    expect(backTo(places, now, 5.2, null)).toMatchObject({ place: { id: '1' }, why: 'warmed' });
    expect(backToText(backTo(places, now, 5.2, null)!, imperial)).toMatch(/gained 2\.2 °F since/);
    expect(backTo(places, now, 4.5, now + 30 * minuteMs)).toMatchObject({ place: { id: '2' }, why: 'dusk' });
    expect(backTo([place('3', 10)], now, 4, null)).toMatchObject({ why: 'rested', restedMin: 110 });
    expect(backTo([place('4', 110)], now, 9, now)).toBeNull();
  });
});

it('reads a day of casts out of the ledger, and puts what was felt within five metres of where it was', () => {
  const [outing, stand, second] = [testId(), testId(), testId()];
  const place: LonLat = [-140, 47];
  const cast = testId();
  const felt = event(outing, 3, 'felt', { station: stand, what: 'hard', cast, bearingDeg: 342, outM: 19, by: 'time' });
  const events = [
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['smallmouth'], goal: 'numbers', method: 'cast' }),
    event(outing, 1, 'station-opened', { station: stand, kind: 'stand', label: '1', at: [place[0], place[1]] }),
    event(outing, 2, 'cast', { cast, station: stand, bearingDeg: 342, distanceM: 25 }),
    felt,
    event(outing, 4, 'reaction', { station: stand, reaction: 'missed', cast, outM: 17 }),
    event(outing, 5, 'fish-landed', { fish: testId(), station: stand, species: 'smallmouth', cast, outM: 17 }),
    event(outing, 6, 'temperature-measured', { station: stand, depthM: 0.3, tempC: 5.5 }),
    event(outing, 7, 'level-measured', { levelM: -3, by: 'gauge' }),
    event(outing, 8, 'rested', { station: stand }),
    event(outing, 9, 'station-opened', { station: second, kind: 'stand', label: '2', at: [-140.001, 47] }),
  ];
  const [day] = fold(events).outings;
  expect(castsOf(day)).toMatchObject([{ from: place, bearingDeg: 342, lengthM: 25 }]);
  expect(signsAt(day, day.stations[0]).map((s) => [s.kind, s.bearingDeg])).toEqual([
    ['cast', 342],
    ['hard', 342],
    ['missed', 342],
    ['landed', 342],
  ]);
  const [rock] = feltOn(fold(events), 'w');
  expect(distanceM(rock.at, placeAlong(place, 342, 19))).toBeLessThan(0.1);
  expect(day.levels).toMatchObject([{ levelM: -3, by: 'gauge' }]);
  expect(fishedPlaces(day)).toMatchObject([{ label: '1', fish: 1, bites: 1, casts: 1, tempC: 5.5 }]);
  const undone = fold([...events, event(outing, 10, 'undone', { target: felt.id })]);
  expect(feltOn(undone, 'w')).toEqual([]);
});

describe('a stand', () => {
  const plane = bedOf((_, y) => (y >= 0 ? y / 2 : NaN), 60, 1);
  const query: StandQuery = { at: at(0, 15), band: { fromM: 5, toM: 10 }, castM: 25, strikeM: 0.5, chance: 0.35, targets: [], base: 1, casts: [], count: 6 };

  it('a rock draws the next casts, and taking it back lets them go', () => {
    const rock = castTarget('hard', { x: 7, y: 22 }, 'rock');
    const first = (targets: StandQuery['targets']) => standCasts(plane, { ...query, targets }).casts[0].bearingDeg;
    const toRock = (Math.atan2(7, 7) * 180) / Math.PI;
    expect(Math.abs(first([rock]) - toRock)).toBeLessThanOrEqual(6);
    expect(Math.abs(first([]) - toRock)).toBeGreaterThan(10);
    expect(passedBy([rock], { x: 0, y: 15 }, toRock, 25, 1)).toMatchObject([{ target: { name: 'rock' }, outM: expect.closeTo(9.9, 1) }]);
    expect(passedBy([rock], { x: 0, y: 15 }, toRock + 180, 25, 1)).toEqual([]);
  });

  it('the section shows the bed, the way of the bait above it, and how far out it is by now', () => {
    const section = castSection(plane, query.at, 0, 25, query.band, { liftM: 0.2, takeM: 1, atM: null });
    expect(section.lengthM).toBeCloseTo(25, 0);
    expect(section.landsM).toBeCloseTo(20, 0);
    expect(section.bandM).toBeCloseTo(5, 0);
    for (const p of section.path) expect(p.depthM).toBeLessThanOrEqual((15 + p.outM) / 2 + 0.01);
    const held = castSection(plane, query.at, 0, 25, query.band, { liftM: 0, takeM: 1, atM: 6 });
    expect(Math.max(...held.path.map((p) => p.depthM))).toBeCloseTo(6, 6);
    expect([0, 10, 29, 1000].map((s) => baitOutM(25, s, 10, 1, 9.5))).toEqual([25, 25, 23, 2]);
  });

  it('says it in words: along the edge, through the band, by what it passes, and what is left', () => {
    const answer = standCasts(plane, query);
    const cast = castAlong(
      castSection(plane, query.at, answer.casts[0].bearingDeg, 25, query.band, { liftM: 0, takeM: 1, atM: null }),
      answer.casts[0].bearingDeg,
      answer,
      [],
      0.5,
    );
    const begin = afterRules.at(-1)!;
    expect(castWords(begin, cast, answer, [], imperial)).toMatchObject({
      headline: expect.stringMatching(/^Cast along the edge, (8\d|9\d|26\d|27\d)°$/),
      detail: expect.stringMatching(/of 82 ft lie in the band; straight across only \d+ ft\.$/),
    });
    const rock = { target: castTarget('hard', { x: 0, y: 0 }, 'rock'), outM: 14 };
    expect(castWords(begin, { ...cast, pass: 2 }, answer, [rock], metric).headline).toMatch(/^Cast by the rock, \d+°, again$/);
    // A lie and the boulder that makes it are one name at one distance, that of the boulder, as the picture has it.
    const pocket = { target: castTarget('lie', { x: 0, y: 10 }, 'boulder pocket'), outM: 10 };
    const boulder = { target: castTarget('hard', { x: 0, y: 12 }, 'boulder pocket'), outM: 12 };
    expect(castWords(begin, cast, answer, [pocket, boulder], metric).detail).toMatch(/It passes the boulder pocket 12 m out\.$/);
    expect(castWords(begin, cast, answer, [pocket], metric).detail).toMatch(/It passes the boulder pocket 10 m out\.$/);
    expect(castWords(begin, null, { ...answer, isReached: false }, [], metric).headline).toBe('Nothing to reach from here');
    expect(castWords(afterRules[0], cast, answer, [], metric).headline).toBe('Straight down first');
    expect(castWords(begin, cast, answer, [], metric, false).detail).toBe('25 m of water.');
    expect(standWords({ underM: 5, toward: null }, { fromM: 20, toM: 30 }, 25, false, metric).detail).toMatch(/let straight down/);
    expect(standWords(null, query.band, 25, true, metric).headline).toBe('Nowhere to reach it from');
    expect(standWords('seeking', query.band, 25, true, metric).headline).toBe('Working out where to stand');
    expect(bowText(0.1, metric)).toBeNull();
    expect(bowText(0.3, metric)).toMatch(/^Wind bows the line: .*Tip down/);
    expect(bowText(0.9, metric)).toMatch(/go closer/);
  });

  it('sends one on when all is shown here and fresh water lies near, never across the water on foot', () => {
    const casts = Array.from({ length: 30 }, (_, k) => ({ from: query.at, bearingDeg: 60 + (k % 6) * 12, lengthM: 25 }));
    const tired = { ...query, casts: [...casts, ...casts.map((c) => ({ ...c, bearingDeg: c.bearingDeg + 180 }))] };
    const next = nextStand(plane, [], tired, false, 100)!;
    expect(next.times).toBeGreaterThan(1);
    expect(next.walkM).toBeGreaterThan(3);
    const channel = bedOf((x, y) => (Math.abs(y) > 10 ? NaN : 3 - Math.abs(y) / 5), 60, 1);
    const shore = [at(-60, -10), at(60, -10), at(60, 10), at(-60, 10)];
    const stood = Array.from({ length: 240 }, (_, k) => ({ from: at(0, -10), bearingDeg: (270 + (k % 60) * 3) % 360, lengthM: 25 }));
    const onFoot = nextStand(channel, [shore], { ...query, at: at(0, -10), band: { fromM: 1, toM: 3 }, casts: stood }, true, 100)!;
    expect(frame.toMetres(onFoot.at)[1]).toBeCloseTo(-10, 1);
  });
});

describe('schools', () => {
  it('the wind takes a float along by a fiftieth of its speed, whatever was logged', () => {
    expect([0, 5, 500].map(floatDriftMs)).toEqual([0, 0.1, 0.6]);
  });

  it('its way follows from two sightings', () => {
    const way = schoolWay(
      [
        { ms: 0, at: at(0, 0) },
        { ms: 5 * minuteMs, at: at(30, 0) },
      ],
      10 * minuteMs,
    )!;
    expect(way.bearingDeg).toBeCloseTo(90, 1);
    expect(way.speedMs).toBeCloseTo(0.1, 3);
    expect(distanceM(way.ahead, at(60, 0))).toBeLessThan(0.1);
    expect(schoolWay([{ ms: 0, at: at(0, 0) }], 1)).toBeNull();
  });

  it('a fish goes back away from a tight school, and at once beside a frozen hole', () => {
    expect(releaseAdvice(true, true, -10).text).toMatch(/hole at once/);
    expect(releaseAdvice(false, true, 0).text).toMatch(/20 to 30 m away/);
    expect(releaseAdvice(false, false, -8).text).toMatch(/gills freeze/);
    expect(releaseAdvice(false, false, null).text).toMatch(/Back at once/);
  });
});
