import { findFronts, findPhases, phaseAtInstant, type WeatherHour } from '../src/weather';
import { hourMs } from '../src/units';

const start = Date.UTC(2027, 2, 1);
const days = (count: number, hour: (h: number) => Partial<WeatherHour>): WeatherHour[] =>
  Array.from({ length: count * 24 }, (_, h) => ({
    atMs: start + h * hourMs,
    airC: 2,
    pressureHpa: 1018,
    windMs: 3,
    windFromDeg: 210,
    cloud: 0.3,
    precipMm: 0,
    snowCm: 0,
    ...hour(h),
  }));
const names = (series: WeatherHour[]) => new Set(findPhases(series, findFronts(series, 47), start + 1000 * hourMs).map((p) => p.name));

test('cold rain on falling temperature is told from rain on a warming day', () => {
  const falling = days(4, (h) => ({ airC: 7 - h * 0.06, precipMm: h > 40 && h < 60 ? 1.2 : 0, cloud: 0.9 }));
  expect(names(falling)).toContain('cold rain');
  const rising = days(4, (h) => ({ airC: 1 + h * 0.05, precipMm: h > 40 && h < 60 ? 1.2 : 0, cloud: 0.9 }));
  expect(names(rising)).not.toContain('cold rain');
});

test('a spell that warms day by day is a warming trend, one warm afternoon is not', () => {
  expect(names(days(5, (h) => ({ airC: -6 + h * 0.1 })))).toContain('warming trend');
  expect(names(days(5, (h) => ({ airC: -6 + (h > 60 && h < 66 ? 6 : 0) })))).not.toContain('warming trend');
});

test('quiet days are steady throughout', () => {
  expect([...names(days(5, (h) => ({ airC: -4 + 3 * Math.sin((h % 24) / 3.82) })))]).toEqual(['steady']);
});

test('no phase flickers for less than four hours, but for a front’s passage', () => {
  const series = days(8, (h) => ({ airC: -6 + 0.06 * h + (h % 7 === 0 ? 2.5 : 0), precipMm: h % 9 === 0 ? 0.5 : 0 }));
  for (const p of findPhases(series, findFronts(series, 47), start).slice(1, -1)) {
    if (p.name !== 'passage') expect(p.toMs - p.fromMs).toBeGreaterThanOrEqual(4 * hourMs);
  }
});

test('every instant of the series has one phase, none beyond it', () => {
  const phases = findPhases(
    days(3, () => ({})),
    [],
    start,
  );
  expect(phaseAtInstant(phases, start + 5.5 * hourMs)?.name).toBe('steady');
  expect(phaseAtInstant(phases, start - 1)).toBeUndefined();
  expect(phaseAtInstant(phases, start + 72 * hourMs)).toBeUndefined();
});

test('a trough without a wind shift, and a lake breeze without a trough, are no fronts', () => {
  const trough = days(5, (h) => ({ pressureHpa: 1018 - 9 * Math.exp(-(((h - 60) / 8) ** 2)) }));
  expect(findFronts(trough, 47)).toEqual([]);
  const breeze = days(5, (h) => ({ windFromDeg: h % 24 > 11 && h % 24 < 18 ? 300 : 210, airC: h % 24 > 11 && h % 24 < 18 ? 0 : 3 }));
  expect(findFronts(breeze, 47)).toEqual([]);
});

test.each([
  ['six-hourly rows', days(8, () => ({})).filter((_, h) => h % 6 === 0), /air temperature \(known in \d+ of 100 hours\), pressure .*, wind/],
  ['25 rows', days(2, () => ({})).slice(0, 25), /^48 hours of weather, found 25$/],
  ['no temperature', days(6, () => ({ airC: null })), /^air temperature \(known in 0 of 100 hours\)$/],
  ['no wind', days(6, () => ({ windMs: null })), /^wind/],
] as const)('of %s there is not enough to say, and what is missing is named', (_, series, missing) => {
  const phases = findPhases(series, findFronts(series, 47), start + 1000 * hourMs);
  expect(phases.map((p) => [p.name, p.confidence])).toEqual([['not enough to say', 0]]);
  expect(phases[0].missing!.join(', ')).toMatch(missing);
});

test('a long gap is not named, the days around it are', () => {
  const phases = findPhases(
    days(9, () => ({})).filter((_, h) => h < 80 || h > 140),
    [],
    start + 1000 * hourMs,
  );
  expect(phases.map((p) => p.name)).toEqual(['steady', 'not enough to say', 'steady']);
});

test('a row with a wrong year is refused instead of filling the memory', () => {
  const series = [...days(3, () => ({})), { ...days(1, () => ({}))[0], atMs: Date.UTC(9999, 0, 1) }];
  expect(() => findFronts(series, 47)).toThrow(/spans two years at most, found 2027-03-01 to 9999-01-01/);
});
