import { stepsOn } from '../src/methods';
import { alertsFor, answerOutlook, dayPlan, fishDepth, outlookWords, skinRisk, startingPlan, surfaceOf, withoutWeather, type Surface } from '../src/outlook';
import { offeredSpecies, speciesTable } from '../src/fish';
import { areDepthsDoubtful, soundingsIn, LocalFrame } from '../src/ground';
import type { ColumnAnswer } from '../src/column';
import { dayMs, hourMs, imperial, metric } from '../src/units';
import type { WeatherHour } from '../src/weather';

const nowMs = Date.UTC(2027, 0, 16, 15, 40);
const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
const frost: WeatherHour[] = Array.from({ length: 360 }, (_, h) => ({
  atMs: nowMs + (h - 240) * hourMs,
  airC: -18,
  pressureHpa: 1020,
  windMs: 3,
  windFromDeg: 200,
  cloud: 0.3,
  precipMm: 0,
  snowCm: 5,
}));

/** A column of some depth, with or without ice, breathable throughout. */
function column(deepestM: number, iceM: number): ColumnAnswer {
  const depthM = Array.from({ length: Math.floor(deepestM / 0.25) }, (_, i) => 0.2 + 0.25 * i);
  const now = {
    atMs: nowMs,
    iceClearM: iceM,
    iceWhiteM: 0,
    snowM: 0,
    slushM: 0,
    thawDegreeH: 0,
    hoursAbove: 0,
    depthM,
    tempC: depthM.map((z) => (iceM > 0 ? Math.min(4, z / 3) : 4)),
    oxygenMgL: depthM.map(() => 11),
    light: depthM.map((z) => Math.exp(-z)),
  };
  return { now, ahead: [now], dayAgo: null, spreadC: depthM.map(() => 0.1), freezeUpMs: iceM > 0 ? nowMs - 50 * dayMs : null, iceOutMs: null, fit: null, deepestM };
}

const day = (speciesId: string, over: Partial<Parameters<typeof answerOutlook>[0]>) => {
  const input = { speciesId, nowMs, place, series: frost, ...over };
  const outlook = answerOutlook(input);
  const sun = outlook.sun.find((s) => s.duskMs > nowMs)!;
  const plan = dayPlan(outlook.windows, sun, outlook.depth, { ...startingPlan, steps: stepsOn(outlook.surface) }, nowMs, imperial);
  return { outlook, words: outlookWords(outlook, input, imperial), plan: plan.map((i) => `${i.what}. ${i.why}`).join('\n') };
};

test('only lake ice gets a walk: not moving water, not water modelled open, and of the unknown one finds out first', () => {
  const walk = /testing the ice|Drill \d|Off the ice/;
  const river = day('largemouth', { isMoving: true });
  expect(river.outlook.surface).toBe('moving');
  expect(river.plan).not.toMatch(walk);
  expect(river.words.ice.headline).toBe('Moving water: keep off any ice on it');
  expect(`${river.words.ice.headline} ${river.words.ice.detail}`).not.toMatch(/above the common guidance|Measure before/i);
  // Even where somebody measured ice on it.
  expect(day('largemouth', { isMoving: true, lastIce: { clearM: 0.4, whiteM: 0, atMs: nowMs } }).plan).not.toMatch(walk);
  const afloat = day('walleye', { column: column(13, 0) }).plan;
  expect(afloat).not.toMatch(walk);
  expect(afloat).toMatch(/^Put out, flotation on[^]*Pass over the break with the sounder on[^]*Back on land/);
  const unknown = day('walleye', {});
  expect(unknown.plan).not.toMatch(walk);
  expect(unknown.plan).toMatch(/See first: ice or open water\?/);
  expect(day('walleye', { column: column(13, 0.3) }).plan).toMatch(/Walk out, testing the ice[^]*Drill 6 holes[^]*Off the ice/);
});

test.each<[Surface, boolean, number | null, number | undefined]>([
  ['moving', true, 0.3, nowMs],
  ['ice', false, 0.3, undefined],
  ['open', false, 0, undefined],
  ['ice', false, 0, nowMs - 2 * dayMs],
  ['open', false, 0, nowMs - 6 * dayMs],
  ['unknown', false, null, nowMs - 6 * dayMs],
  ['unknown', false, null, undefined],
])('a surface is %s when moving %s, modelled ice %s m, measured at %s', (surface, isMoving, iceM, lastMs) => {
  expect(surfaceOf(isMoving, iceM === null ? null : column(13, iceM), { iceMs: lastMs }, nowMs)).toBe(surface);
});

test('no species is looked for deeper than it is known to go, however deep the water', () => {
  for (const iceM of [0, 0.3]) {
    for (const stage of ['autumn cooling', 'open cold water', 'first ice', 'midwinter', 'late ice', 'just after ice-out', 'pre-spawn'] as const) {
      for (const { id, usedDepthM } of speciesTable) {
        const { look } = fishDepth(id, column(95, iceM).now, { deepestM: 95, footM: null }, stage);
        if (look) expect([id, stage, look.toM <= usedDepthM[1] + 0.1]).toEqual([id, stage, true]);
      }
    }
  }
});

test('where the depth to fish is deeper than the fish survives, the sentence, the column and the plan say so', () => {
  const deep = day('black-crappie', { column: column(31, 0.3) });
  expect(deep.outlook.depth!.look!.toM).toBeLessThanOrEqual(12.1);
  expect(deep.words.why).toMatch(/From deeper than 24\.5 ft they are often hurt on the way up and do not live when released/);
  expect(deep.plan).toMatch(/Fish from deeper than 24\.5 ft seldom live when released/);
  expect(day('lake-trout', { column: column(31, 0.3) }).words.why).not.toMatch(/hurt/);
  expect(day('black-crappie', { column: column(7, 0.3) }).words.why).not.toMatch(/hurt/);
});

test('a water offers its own fish, the last fished first; without a list those of its kind and of the log', () => {
  const ids = (over: Partial<Parameters<typeof offeredSpecies>[0]>) => offeredSpecies({ kind: 'lake', fished: [], ...over }).map((s) => s.id);
  const listed = ['roach', 'european-perch', 'walleye'];
  expect(ids({ listed })).toEqual(listed);
  expect(
    ids({
      listed,
      fished: [
        { species: 'walleye', ms: 5 },
        { species: 'european-perch', ms: 3 },
      ],
    }),
  ).toEqual(['walleye', 'european-perch', 'roach']);
  expect(ids({ listed, fished: [{ species: 'burbot', ms: 5 }] })[0]).toBe('burbot');
  expect(ids({ kind: 'river' })).not.toContain('black-crappie');
  expect(ids({ kind: 'river' })).toContain('smallmouth');
  expect(ids({})).toHaveLength(speciesTable.length);
  expect(ids({ listed: ['kraken'] })).toHaveLength(speciesTable.length);
});

test('depths that do not fit the water they lie in are doubted; those of deep, steep or large waters are not', () => {
  const frame = new LocalFrame(-140, 47);
  const water = (lengthM: number, deepest: number) =>
    Array.from({ length: 30 }, (_, i) => ({ at: frame.toLonLat((i / 29) * lengthM, (i % 3) * 10), depthM: deepest * Math.sin((Math.PI * i) / 29) }));
  expect(areDepthsDoubtful(water(400, 6.4))).toBe(false);
  expect(areDepthsDoubtful(water(400, 640))).toBe(true);
  expect(areDepthsDoubtful(water(200, 60))).toBe(false);
  expect(areDepthsDoubtful(water(8000, 90))).toBe(false);
  expect(areDepthsDoubtful(water(8000, 900))).toBe(true);
  expect(areDepthsDoubtful([])).toBe(false);
  expect(soundingsIn(water(400, 640), 'cm').map((s) => s.depthM)[10]).toBeCloseTo(water(400, 6.4)[10].depthM, 6);
  expect(soundingsIn([{ at: [0, 0], depthM: 10 }], 'ft')[0].depthM).toBeCloseTo(3.048, 6);
});

test('without any weather what was measured and the light are told, and old ice is not vouched for', () => {
  const say = (over: object) => withoutWeather({ place, nowMs, isMoving: false, load: 'foot', ...over }, metric);
  expect(say({})).toMatchObject({ headline: 'No weather yet', ice: { headline: 'Ice not measured' } });
  expect(say({ lastIce: { clearM: 0.3, whiteM: 0, atMs: nowMs - 3 * dayMs } }).ice.detail).toMatch(/Whether it has thawed since is not known/);
  expect(say({ isMoving: true }).ice.headline).toMatch(/^Moving water/);
  expect(say({}).light).toMatch(/^Light from \d\d:\d\d, sunrise \d\d:\d\d/);
});

test('a thermometer that read the water too warm for ice near the surface denies the ice of a model, but not ice that was measured since', () => {
  const read = (tempC: number, depthM = 0.3) => day('walleye', { column: column(13, 0.2), readings: [{ atMs: nowMs - hourMs, depthM, tempC }] }).outlook;
  expect(read(9).surface).toBe('open');
  expect(read(9).column).toBeNull();
  expect(read(3).surface).toBe('ice');
  // Deep water under ice may be warm.
  expect(read(9, 4).surface).toBe('ice');
  const measured = day('walleye', { column: column(13, 0.2), readings: [{ atMs: nowMs - hourMs, depthM: 0.3, tempC: 9 }], lastIce: { clearM: 0.2, whiteM: 0, atMs: nowMs } });
  expect(measured.outlook.surface).toBe('ice');
});

test('the sentence of the outlook names the depths of now, as all other screens do, and says how the weather of the window moves them', () => {
  for (const id of ['walleye', 'black-crappie', 'smallmouth']) {
    const { outlook, words } = day(id, { column: column(13, 0) });
    const { look } = outlook.depth!;
    const told = /, ([\d.]+) to ([\d.]+) ft down/.exec(words.why)!;
    expect([Number(told[1]), Number(told[2])].map((ft) => ft * 0.3048)).toEqual([expect.closeTo(look!.fromM, 0), expect.closeTo(look!.toM, 0)]);
  }
});

test('job 18: two nights of frost likely skin a small pond that is cold, not one that is warm, in wind, or that flows; an open water is named', () => {
  const nights = (airC: number, windMs = 2): WeatherHour[] =>
    Array.from({ length: 120 }, (_, h) => ({ ...frost[0], atMs: nowMs + (h - 24) * hourMs, airC: (h % 24) % 24 < 12 ? 3 : airC, windMs, snowCm: 0 }));
  const risk = (tempC: number, series: readonly WeatherHour[]) => skinRisk('open', null, [{ atMs: nowMs - hourMs, depthM: 0.3, tempC }], series, nowMs);
  expect(risk(3.4, nights(-6))).toMatchObject({ by: 'foretold' });
  expect(risk(3.4, nights(-6))!.byMs - nowMs).toBeLessThan(2 * dayMs);
  expect(risk(3.4, nights(-1))).toBeNull();
  expect(risk(8, nights(-6))).toBeNull();
  expect(risk(3.4, nights(-6, 9))).toBeNull();
  for (const surface of ['ice', 'skin', 'moving'] as const) expect(skinRisk(surface, column(3, 0), [], nights(-12), nowMs)).toBeNull();
  const freezing = { ...column(3, 0), ahead: [column(3, 0).now, { ...column(3, 0.01).now, atMs: nowMs + dayMs }] };
  const skin = skinRisk('open', freezing, [], nights(-6), nowMs)!;
  expect(skin).toMatchObject({ by: 'modelled', byMs: nowMs + dayMs });
  const [alert] = alertsFor(null, { depth: null, nextFront: undefined, storm: null, skin }, 'largemouth', nowMs, 'UTC', metric, ['Ullen River']);
  expect(alert).toMatchObject({ id: 'skin', isCaution: true });
  expect(alert.text).toMatch(/^Likely skinned over by .*neither to stand on nor to cast through\. Moving water stays open longer: Ullen River\.$/);
});

test('a rise that a thermometer read moves the depths of the outlook, and the column says why', () => {
  const readings = [9, 1].map((h, k) => ({ atMs: nowMs - h * hourMs, depthM: 0.3, tempC: 5.4 + 2.2 * k }));
  const { depth } = day('largemouth', { column: column(13, 0), readings }).outlook;
  expect(depth).toMatchObject({ look: { fromM: 0.5, toM: 2.5 }, risenC: expect.closeTo(2.2, 6) as number });
  expect(day('largemouth', { column: column(13, 0), readings: readings.slice(1) }).outlook.depth!.risenC).toBeNull();
});
