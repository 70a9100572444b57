import { fieldcraftRules } from '../src/fieldcraft';
import { fold, type LedgerEvent } from '../src/ledger';
import { bearingWords, columnTable, columnWords, fishDepth, iceWords, recentCasts, winterIceRows, winterWords } from '../src/outlook';
import { dayMs, imperial, metric, pressureText } from '../src/units';
import type { ColumnAnswer } from '../src/column';
import type { Measurement, WinterFit } from '../src/winter';
import { testId } from './events';
import { usualMethod } from '../src/methods';

const now = Date.UTC(2027, 0, 16, 15, 40);
const zone = 'Etc/GMT+9';

function answer(tempC: (z: number) => number, fit: WinterFit | null = null): ColumnAnswer {
  const depthM = Array.from({ length: 53 }, (_, i) => 0.3 + 0.25 * i);
  const profile = {
    atMs: now,
    iceClearM: 0.3,
    iceWhiteM: 0.05,
    snowM: 0.05,
    slushM: 0,
    thawDegreeH: 0,
    hoursAbove: 0,
    depthM,
    tempC: depthM.map(tempC),
    oxygenMgL: depthM.map((z) => (z > 10 ? 1 : 11)),
    light: depthM.map((z) => 0.02 * Math.exp(-z)),
  };
  return { now: profile, ahead: [profile], dayAgo: null, spreadC: depthM.map(() => 0.1), freezeUpMs: now - 50 * dayMs, iceOutMs: null, fit, deepestM: 13.4 };
}
const words = (a: ColumnAnswer, units = imperial) => columnWords(a, fishDepth('black-crappie', a.now, { deepestM: a.deepestM, footM: null }, 'midwinter'), 'Crappie', units);

test('the column’s title says where the warmth is and how deep one can breathe', () => {
  expect(words(answer((z) => Math.min(4, z / 2))).title).toBe('Warmest at the bottom, breathable to 33 ft');
  expect(words(answer((z) => 8 - z / 4)).title).toMatch(/^Warmest at the top/);
  expect(words(answer(() => 4)).title).toMatch(/^One temperature all the way down/);
  expect(
    words(
      answer((z) => Math.min(4, z / 2)),
      metric,
    ).title,
  ).toBe('Warmest at the bottom, breathable to 10 m');
});

test('it says how it was come by: modelled, or corrected by so many readings', () => {
  expect(words(answer(() => 4)).source).toMatch(/nothing measured yet/);
  const residual = (kind: Measurement['kind']) => ({ atMs: now, kind, value: 1, modelled: 1 });
  const fit: WinterFit = {
    parameters: { windMixing: 1, sediment: 1, snowShare: 0.5 },
    spread: { windMixing: 0.1, sediment: 0.1, snowShare: 0.1 },
    residuals: [residual('tempC'), residual('tempC'), residual('iceClearM')],
    tempRms: { before: 0.5, after: 0.1 },
    runs: 20,
  };
  expect(words(answer(() => 4, fit)).source).toBe('Modelled, corrected by your 2 thermometer readings and 1 ice reading, 0.2 °F off them instead of 0.9 °F.');
  expect(
    words(
      answer(() => 4, fit),
      metric,
    ).source,
  ).toMatch(/0\.1 °C off them instead of 0\.5 °C/);
});

test('the same in figures, by feet or metres', () => {
  const rows = columnTable(
    answer((z) => Math.min(4, z / 2)),
    imperial,
  );
  expect(rows[0]).toEqual({ depth: '4 ft', temp: '33.1 °F', oxygen: '11.0 mg/L', light: '0.6 %' });
  expect(rows.at(-1)).toMatchObject({ depth: '40 ft', oxygen: '1.0 mg/L', light: 'dark' });
  expect(
    columnTable(
      answer(() => 4),
      metric,
    ),
  ).toHaveLength(13);
});

const days = (thickM: (back: number) => number) => Array.from({ length: 60 }, (_, i) => ({ atMs: now - (54 - i) * dayMs, iceClearM: thickM(54 - i), iceWhiteM: 0 }));
const told = (more: Partial<Parameters<typeof winterWords>[0]>) => ({
  nowMs: now,
  days: days((back) => Math.max(0, 0.3 - back * 0.006)),
  freezeUpMs: now - 50 * dayMs,
  iceOutMs: null,
  measured: [],
  ...more,
});

test('the winter’s ice in a sentence: frozen since, gained, to come; open, gone', () => {
  expect(winterWords(told({}), zone, imperial)).toEqual({
    title: 'Froze over about Fri 27 Nov',
    detail: 'Grown 1.5 in in the last week; to the end of the forecast it should gain 1 in.',
  });
  expect(winterWords(told({ days: days((back) => 0.3 + back * 0.006) }), zone, imperial).detail).toMatch(/^Lost 1\.5 in in the last week; .* lose 1 in\.$/);
  expect(winterWords(told({ days: days(() => 0.3) }), zone, metric).detail).toMatch(/should hardly change\.$/);
  expect(winterWords(told({ freezeUpMs: null }), zone, imperial)).toEqual({ title: 'Open water since autumn', detail: 'No ice to the end of the forecast.' });
  expect(winterWords(told({ freezeUpMs: now + 2 * dayMs }), zone, imperial).detail).toBe('First lasting ice comes about Mon 18 Jan.');
  expect(winterWords(told({ iceOutMs: now - dayMs }), zone, imperial).title).toBe('Ice out about Fri 15 Jan');
});

test('a row a week since it froze, with the thinnest measured of the week', () => {
  const measured = [
    { atMs: now - 2 * dayMs, clearM: 0.28, whiteM: 0.02 },
    { atMs: now - 2 * dayMs, clearM: 0.25, whiteM: 0 },
  ];
  const rows = winterIceRows(told({ measured }), zone, imperial);
  expect(rows.length).toBeGreaterThanOrEqual(7);
  expect(rows.filter((r) => r.measured !== null).map((r) => r.measured)).toEqual(['9.5 in']);
  for (let i = 1; i < rows.length; i++) expect(rows[i].figure).toBeGreaterThanOrEqual(rows[i - 1].figure);
});

const finding = (kind: 'above-guidance' | 'not-enough') => ({ kind, countsM: 0.3, leastM: 0.18, ageMs: dayMs, bearsKg: kind === 'above-guidance' ? 3150 : null });

test('no words for ice say that it is safe, whoever goes', () => {
  const texts = [
    iceWords({ kind: 'not-measured' }, imperial),
    iceWords(finding('above-guidance'), imperial, 'snowmobile', 0.03),
    iceWords(finding('not-enough'), imperial, 'truck', -0.05),
    iceWords({ kind: 'thawed', countsM: 0.3, leastM: 0.1, ageMs: dayMs, hoursAbove: 30 }, imperial),
  ].map((w) => `${w.headline} ${w.detail}`);
  for (const text of texts) {
    expect(text).toMatch(/No ice is safe ice/);
    expect(text).toMatch(/local authorities/);
    expect(text).not.toMatch(/\b(is|are|it's) safe\b(?! ice)|\bOK\b|go ahead/i);
  }
  expect(texts[1]).toMatch(/a snowmobile there \(7\.5 in\).*grow some 1 in since, which replaces no measurement/);
  expect(texts[2]).toMatch(/The model has less ice than was measured, by 1\.5 in: measure anew/);
  expect(texts[3]).toMatch(/30 h above freezing on end/);
});

test('bearing is said for machines above the guidance alone, never for walkers', () => {
  expect(bearingWords(finding('above-guidance'), 'foot', imperial)).toBeNull();
  expect(bearingWords(finding('not-enough'), 'car', imperial)).toBeNull();
  expect(bearingWords(finding('above-guidance'), 'snowmobile', metric)).toMatch(/bore 3150 kg in all, moving and spread out/);
});

test('every rule of fieldcraft can be read: an id of its own, what it looks at, what follows, why', () => {
  const rules = fieldcraftRules();
  expect(new Set(rules.map((r) => r.id)).size).toBe(rules.length);
  expect(new Set(rules.map((r) => r.section))).toEqual(new Set(['weather', 'light', 'clock', 'season', 'places', 'at the hole', 'casting', 'at the peg']));
  for (const rule of rules) {
    for (const text of [rule.condition, rule.effect, rule.reason]) {
      expect(text.length).toBeGreaterThan(3);
      expect(text).not.toMatch(/[{}]|undefined|NaN/);
    }
    expect(rule.strength).toBeGreaterThan(0);
    expect(rule.strength).toBeLessThanOrEqual(1);
  }
  expect(rules.filter((r) => r.viewpoint).map((r) => r.viewpoint!.question)).toEqual(expect.arrayContaining(['pressure-or-light', 'early-or-warmed']));
});

test('weather that one has seen is kept beside the outings, in order, and can be taken back', () => {
  const event = (kind: string, ms: number, body: object): LedgerEvent =>
    ({ id: testId(), outing: testId(), angler: 'a', device: 'd', at: new Date(ms).toISOString(), kind, v: 2, body }) as unknown as LedgerEvent;
  const later = event('weather-seen', now, { pressureHpa: 1009 });
  const sooner = event('weather-seen', now - dayMs, { cloud: 1 });
  expect(fold([later, sooner])).toEqual({
    outings: [],
    weather: [
      { ms: now - dayMs, cloud: 1 },
      { ms: now, pressureHpa: 1009 },
    ],
    drills: [],
  });
  expect(fold([later, sooner, event('undone', now, { target: later.id })]).weather).toHaveLength(1);
  const started = event('outing-started', now, {
    water: 'w',
    waterName: 'W',
    species: ['walleye'],
    goal: 'numbers',
    method: usualMethod.id,
    plan: [
      { at: new Date(now + dayMs).toISOString(), what: 'Off the ice' },
      { at: new Date(now).toISOString(), what: 'Walk out' },
    ],
  });
  expect(fold([started]).outings[0].plan.map((p) => p.what)).toEqual(['Walk out', 'Off the ice']);
});

test('only thermometer drops of the last days are drawn over the model', () => {
  const drop = (back: number, kind: Measurement['kind'] = 'tempC'): Measurement => ({ atMs: now - back * dayMs, kind, depthM: 3, value: 2 });
  expect(recentCasts([drop(1), drop(3.9), drop(5), drop(-1), drop(1, 'iceClearM')], now)).toHaveLength(2);
});

test('the glass is read as its owner reads it', () => {
  expect(pressureText(1013.25, imperial)).toBe('29.92 inHg');
  expect(pressureText(1013.25, metric)).toBe('1013 hPa');
});
