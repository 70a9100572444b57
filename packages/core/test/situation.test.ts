import fc from 'fast-check';
import { answerOutlook, columnAsMeasured, fishDepth, readingWeight, seasonStage, thermometerWords, type OutlookInput } from '../src/outlook';
import type { ColumnAnswer } from '../src/column';
import { fold, type EventBodies, type EventKind, type LedgerEvent, type LedgerState } from '../src/ledger';
import { answersOf, situationAt, temperatureAt, usualProfile, usualStage, usualWaterC, type SituationSetting } from '../src/situation';
import { freshDensity, valueAt } from '../src/water';
import { visitsOf } from '../src/visits';
import type { ColumnProfile } from '../src/winter';
import type { WeatherHour } from '../src/weather';
import { dayMs, hourMs, metric } from '../src/units';
import { baseMs, event, testId } from './events';

const nowMs = baseMs + 6 * hourMs;
const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };

const depthM = Array.from({ length: 41 }, (_, k) => k * 0.5);
const profile = (tempC: (z: number) => number, atMs = nowMs, iceClearM = 0): ColumnProfile => ({
  atMs,
  depthM,
  tempC: depthM.map(tempC),
  oxygenMgL: depthM.map(() => 11),
  light: depthM.map(() => 0),
  iceClearM,
  iceWhiteM: 0,
  snowM: 0,
  slushM: 0,
  thawDegreeH: 0,
  hoursAbove: 0,
});
const columnOf = (tempC: (z: number) => number): ColumnAnswer => ({
  now: profile(tempC),
  spreadC: depthM.map(() => 0.3),
  ahead: [profile(tempC)],
  dayAgo: profile(tempC, nowMs - dayMs),
  freezeUpMs: null,
  iceOutMs: null,
  fit: null,
  deepestM: 20,
});

describe('a thermometer over the model', () => {
  test('rules its own layer wholly for half a day, less from then on, and not at all after two', () => {
    const column = columnOf(() => 8);
    const surfaceAfter = (hours: number) => columnAsMeasured(column, [{ atMs: nowMs - hours * hourMs, depthM: 0.3, tempC: 12 }], nowMs).now.tempC[0];
    expect([0, 12, 30, 48].map(surfaceAfter)).toEqual([12, 12, 10, 8]);
    expect(readingWeight(nowMs - 30 * hourMs, nowMs)).toBeCloseTo(0.5, 9);
  });

  test('tells less of water beyond its layer the further it lies', () => {
    const layered = columnOf((z) => (z < 6 ? 12 : 6));
    const { tempC } = columnAsMeasured(layered, [{ atMs: nowMs, depthM: 1, tempC: 14 }], nowMs).now;
    const at = (z: number) => tempC[depthM.indexOf(z)];
    expect(at(1)).toBeCloseTo(14, 9);
    expect(at(5.5)).toBeCloseTo(14, 9);
    expect(at(8)).toBeGreaterThan(6.2);
    expect(at(8)).toBeGreaterThan(at(10));
    expect(at(20)).toBeCloseTo(6, 1);
  });

  test('whatever is read, the reading stands at its depth and nothing heavier lies over lighter water beside what the model had so', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.integer({ min: 0, max: 40 }),
        fc.double({ min: 0.2, max: 25, noNaN: true }),
        (topC, dropC, at, readC) => {
          const column = columnOf((z) => Math.max(4, topC - (dropC * z) / 20));
          const { tempC } = columnAsMeasured(column, [{ atMs: nowMs, depthM: depthM[at], tempC: readC }], nowMs).now;
          expect(tempC[at]).toBeCloseTo(readC, 6);
          for (let k = 1; k < tempC.length; k++) expect(freshDensity(tempC[k])).toBeGreaterThanOrEqual(freshDensity(tempC[k - 1]) - 1e-9);
        },
      ),
    );
  });

  test('no reading changes nothing, and a second one at another depth leaves the first', () => {
    const column = columnOf((z) => (z < 6 ? 12 : 6));
    expect(columnAsMeasured(column, [], nowMs)).toBe(column);
    const both = [
      { atMs: nowMs - hourMs, depthM: 15, tempC: 7 },
      { atMs: nowMs, depthM: 1, tempC: 13 },
    ];
    const { now } = columnAsMeasured(column, both, nowMs);
    expect(valueAt(now, 'tempC', 1)).toBeCloseTo(13, 6);
    expect(valueAt(now, 'tempC', 15)).toBeCloseTo(7, 1);
  });

  test('four degrees off the model move stage and band', () => {
    const column = columnOf(() => 8);
    const warmed = columnAsMeasured(column, [{ atMs: nowMs, depthM: 0.3, tempC: 12 }], nowMs);
    expect([column, warmed].map((c) => seasonStage(c, 9))).toEqual(['open cold water', 'autumn cooling']);
    const look = (c: ColumnAnswer) => fishDepth('smallmouth', c.now, { deepestM: 20, footM: null }, seasonStage(c, 9)).look!;
    expect(look(warmed).fromM).toBeLessThan(look(column).fromM - 5);
  });
});

describe('what a thermometer changed is said', () => {
  const series: WeatherHour[] = Array.from({ length: 360 }, (_, h) => ({
    atMs: nowMs + (h - 240) * hourMs,
    airC: 4,
    pressureHpa: 1020,
    windMs: 3,
    windFromDeg: 200,
    cloud: 0.3,
    precipMm: 0,
    snowCm: 0,
  }));
  const said = (tempC: number, ageH = 0) => {
    const input: OutlookInput = { speciesId: 'smallmouth', nowMs, place, series, column: columnOf(() => 8), readings: [{ atMs: nowMs - ageH * hourMs, depthM: 0.3, tempC }] };
    return thermometerWords(input, answerOutlook(input), metric);
  };
  test('from what to what: temperature, stage and band', () =>
    expect(said(12)).toMatch(
      /^Your thermometer, \d\d:\d\d: 12 °C at 0\.3 m, where the model had 8 °C\. That makes it autumn cooling, not open cold water\. Smallmouth: [\d.]+ to [\d.]+ m instead of [\d.]+ to [\d.]+ m\.$/,
    ));
  test('nothing of a reading that the model had', () => expect(said(8.1)).toBeNull());
  test('the outlook gives the band that the words name', () => {
    const input: OutlookInput = { speciesId: 'smallmouth', nowMs, place, series, column: columnOf(() => 8), readings: [{ atMs: nowMs, depthM: 0.3, tempC: 12 }] };
    const { depth } = answerOutlook(input);
    const s = situationAt(setting({ outlook: answerOutlook(input), species: 'smallmouth', readings: input.readings }));
    expect(s.band?.value).toEqual(depth!.look);
    expect(s.stage.value).toBe(depth!.stage);
  });
});

describe('the usual figure of a date', () => {
  test('is the same half a year apart on both sides of the equator', () => {
    for (let day = 0; day < 365; day += 5) {
      const north = usualWaterC(Date.UTC(2027, 0, 1 + day), 47);
      const south = usualWaterC(Date.UTC(2027, 0, 1 + day) + 182.6 * dayMs, -47);
      expect(Math.abs(north - south)).toBeLessThan(0.3);
    }
  });
  test.each([
    ['a northern lake in January', 0, 60, 1, 1],
    ['one of the middle latitudes in August', 7, 47, 17, 22],
    ['a southern lake in July', 6, -45, 1, 4],
    ['a southern lake in January', 0, -45, 17, 22],
    ['near the tropics in January', 0, 30, 6, 10],
  ])('%s', (_, month, lat, least, most) => {
    const c = usualWaterC(Date.UTC(2027, month, 28), lat);
    expect(c).toBeGreaterThanOrEqual(least);
    expect(c).toBeLessThanOrEqual(most);
  });

  test('lies over water of 4 °C where it is colder and stands, and is one in a current', () => {
    expect(usualProfile(1, 10, true).tempC.every((t) => t === 1)).toBe(true);
    const still = usualProfile(1, 10, false);
    expect(still.tempC[0]).toBe(1);
    expect(still.tempC.at(-1)!).toBeGreaterThan(3.9);
  });

  test.each([
    [12, 'open', '2026-10-10', 47, 'autumn cooling'],
    [5, 'open', '2026-12-10', 47, 'open cold water'],
    [0, 'ice', '2026-12-01', 47, 'first ice'],
    [0, 'ice', '2027-01-20', 47, 'midwinter'],
    [0, 'ice', '2027-03-20', 47, 'late ice'],
    [11, 'open', '2027-04-10', 47, 'pre-spawn'],
    [5.4, 'open', '2027-04-14', 47, 'just after ice-out'],
    [11, 'open', '2027-10-10', -42, 'pre-spawn'],
    [12, 'open', '2027-04-10', -42, 'autumn cooling'],
    [0, 'ice', '2027-07-20', -45, 'midwinter'],
  ] as const)('%d °C, %s, %s at %d° is %s', (tempC, surface, day, lat, stage) => expect(usualStage(tempC, surface, Date.parse(`${day}T12:00Z`), { ...place, lat })).toBe(stage));
});

/** A log of one outing, hours after its start. */
function logged(...entries: [number, EventKind, object][]): LedgerState {
  const outing = testId();
  const start = event(outing, 0, 'outing-started', { water: 'lake', waterName: 'Lake', species: ['walleye'], goal: 'supper', method: 'ice' });
  return fold([start, ...entries.map(([h, kind, body]) => event(outing, h * 3600, kind, body as EventBodies[typeof kind]) as LedgerEvent)]);
}
const setting = (more: Partial<SituationSetting> = {}): SituationSetting => ({
  state: fold([]),
  nowMs,
  outlook: null,
  water: { id: 'lake', place, isMoving: false, secchiM: 3, isSecchiMeasured: false, deepestM: 20 },
  species: 'yellow-perch',
  method: null,
  goal: null,
  bait: null,
  ownBand: null,
  ...more,
});
const station = testId();

describe('the situation', () => {
  test('of which nothing is known is assumed, and says so of every value', () => {
    const s = situationAt(setting());
    for (const known of [s.goal, s.surface, s.stage, s.band, s.temperature, s.clarity, s.level, s.flow]) expect(known).toMatchObject({ by: 'assumed', atMs: null });
    expect([s.wind, s.cloud, s.phase, s.ice, s.onLine]).toEqual([null, null, null, null, null]);
    expect(s.species.value).toBe('yellow-perch');
  });

  test('what was measured here goes before what is assumed, with its hour', () => {
    const state = logged(
      [1, 'temperature-measured', { station, depthM: 1, tempC: 7.5 }],
      [2, 'clarity-measured', { secchiM: 1.1 }],
      [2, 'level-measured', { levelM: -1.5, by: 'gauge' }],
      [3, 'ice-measured', { clearM: 0.2, whiteM: 0.05 }],
      [4, 'flow-timed', { station, alongM: 4, seconds: 35 }],
    );
    const s = situationAt(setting({ state }));
    expect(temperatureAt(s, 1)).toEqual({ value: 7.5, by: 'measured', atMs: baseMs + hourMs });
    expect(s.clarity).toEqual({ value: 1.1, by: 'measured', atMs: baseMs + 2 * hourMs });
    expect(s.level).toMatchObject({ value: -1.5, by: 'measured' });
    expect(s.ice).toEqual({ value: 0.25, by: 'measured', atMs: baseMs + 3 * hourMs });
    expect(s.surface).toMatchObject({ value: 'ice', by: 'measured' });
    expect(s.flow).toEqual({ value: expect.closeTo(0.1, 9) as number, by: 'measured', atMs: baseMs + 4 * hourMs });
  });

  test('two days after a reading the usual figure stands again', () => {
    const state = logged([1, 'temperature-measured', { station, depthM: 1, tempC: 9 }], [2, 'outing-ended', {}]);
    const later = situationAt(setting({ state, nowMs: baseMs + 50 * hourMs }));
    expect(temperatureAt(later, 1)).toEqual(temperatureAt(situationAt(setting({ nowMs: baseMs + 50 * hourMs })), 1));
    const between = temperatureAt(situationAt(setting({ state, nowMs: baseMs + 31 * hourMs })), 1).value;
    expect(between).toBeGreaterThan(temperatureAt(later, 1).value);
    expect(between).toBeLessThan(9);
  });

  test('an outing under way on this water says fish and way, one elsewhere does not', () => {
    const state = logged();
    expect(situationAt(setting({ state }))).toMatchObject({ method: 'ice', species: { value: 'walleye', by: 'logged' } });
    const elsewhere = { ...setting().water, id: 'pond' };
    expect(situationAt(setting({ state, water: elsewhere, method: 'cast' }))).toMatchObject({ method: 'cast', species: { value: 'yellow-perch' } });
  });

  test('readings of another water tell nothing of this one', () => {
    const state = logged([1, 'temperature-measured', { station, depthM: 1, tempC: 9 }]);
    expect(situationAt(setting({ state, water: { ...setting().water, id: 'pond' } })).temperature.by).toBe('assumed');
  });

  test('what hangs on the line is what the log has in the water, else what was chosen', () => {
    const line = testId();
    const down: [number, EventKind, object] = [1, 'line-down', { line, station, rod: 'r', presentation: 'Spoon' }];
    const opened: [number, EventKind, object] = [0.5, 'station-opened', { station, kind: 'hole', label: '1', at: [-140, 47] }];
    expect(situationAt(setting({ state: logged(opened, down), bait: 'Jig' })).onLine).toEqual({ value: 'Spoon', by: 'logged', atMs: baseMs + hourMs });
    expect(situationAt(setting({ state: logged(opened, down, [2, 'line-up', { line }]), bait: 'Jig' })).onLine).toMatchObject({ value: 'Jig', atMs: null });
  });

  test('a band of one’s own goes before all others; a river is looked over whole; without a depth there is none', () => {
    expect(situationAt(setting({ ownBand: { fromM: 2, toM: 3 } })).band).toEqual({ value: { fromM: 2, toM: 3 }, by: 'logged', atMs: null });
    expect(situationAt(setting({ water: { ...setting().water, isMoving: true, deepestM: 3 } })).band).toMatchObject({ value: { fromM: 0.4, toM: 3 }, by: 'assumed' });
    expect(situationAt(setting({ water: { ...setting().water, deepestM: null } })).band).toBeNull();
  });

  test('the band of a water without weather lies in the depths that the fish uses, in either hemisphere, at any date', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('black-crappie', 'walleye', 'lake-trout', 'roach', 'smallmouth'),
        fc.integer({ min: 0, max: 364 }),
        fc.constantFrom(60, 45, 33, -38, -45),
        fc.double({ min: 2, max: 60, noNaN: true }),
        (species, day, lat, deepestM) => {
          const { band } = situationAt(setting({ species, nowMs: Date.UTC(2027, 0, 1) + day * dayMs, water: { ...setting().water, place: { ...place, lat }, deepestM } }));
          // Where all of it is too warm for a fish of cold water there is none, and only there.
          if (band === null) return expect(species).toBe('lake-trout');
          expect(band.value.fromM).toBeGreaterThanOrEqual(0);
          expect(band.value.toM).toBeLessThanOrEqual(deepestM + 1e-9);
          expect(band.value.toM).toBeGreaterThan(band.value.fromM);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('answers by bait and depth', () => {
  test('what came to a bait is counted to it, at the depth where it came', () => {
    const [spoon, jig] = [testId(), testId()];
    const state = logged(
      [0, 'station-opened', { station, kind: 'hole', label: '1', at: [-140, 47] }],
      [0.1, 'line-down', { line: spoon, station, rod: 'r', presentation: 'Spoon', depthM: 5 }],
      [0.2, 'reaction', { station, reaction: 'looked', line: spoon }],
      [0.5, 'reaction', { station, reaction: 'bite', line: spoon }],
      [0.52, 'fish-landed', { fish: testId(), station, species: 'walleye', line: spoon }],
      [1.1, 'line-up', { line: spoon }],
      [1.1, 'line-down', { line: jig, station, rod: 'r', presentation: 'Jig', depthM: 9 }],
      [1.6, 'reaction', { station, reaction: 'missed', line: jig }],
      [2.1, 'line-up', { line: jig }],
      [2.2, 'outing-ended', {}],
    );
    const rows = answersOf(visitsOf(state.outings[0], nowMs));
    expect(rows).toEqual([
      { bait: 'Spoon', depthM: 5, minutes: expect.closeTo(60, 6) as number, casts: 0, looks: 1, bites: 1, fish: 1 },
      { bait: 'Jig', depthM: 9, minutes: expect.closeTo(60, 6) as number, casts: 0, looks: 0, bites: 1, fish: 0 },
    ]);
    expect(situationAt(setting({ state })).answers).toMatchObject({ today: { value: [] }, lately: { value: rows } });
  });
});
