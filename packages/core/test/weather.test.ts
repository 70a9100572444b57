import { findFronts, findPhases, hourlyGrid, sunDay, weatherAt, type WeatherHour } from '../src/weather';
import { hourMs, normal, seededRandom } from '../src/units';

const start = Date.UTC(2027, 0, 1);

/** Five quiet days: a day's rhythm of 8 °C, the air tide, a little noise. Shares nothing with the demo's climate. */
function steadySeries(seed: number, hours = 120): WeatherHour[] {
  const random = seededRandom(seed);
  return Array.from({ length: hours }, (_, i) => ({
    atMs: start + i * hourMs,
    airC: -9 + 4 * Math.sin(((i % 24) - 9) * (Math.PI / 12)) + 0.4 * normal(random),
    pressureHpa: 1022 + 0.4 * Math.sin((i * Math.PI) / 6) + 0.2 * normal(random) + 1.5 * Math.sin(i / 40),
    windMs: Math.max(0.2, 2.5 + 0.6 * normal(random)),
    windFromDeg: (220 + 15 * normal(random) + 360) % 360,
    cloud: Math.min(1, Math.max(0, 0.3 + 0.1 * normal(random))),
    precipMm: 0,
    snowCm: 10,
  }));
}

/** Puts a front of a kind into a quiet series. */
function withFront(series: WeatherHour[], at: number, kind: 'cold' | 'warm', stepC: number, troughHpa: number, mirrored = false): WeatherHour[] {
  return series.map((row, i) => {
    const since = i - at;
    const done = 1 / (1 + Math.exp(-since / 0.7));
    const veer = (mirrored ? -1 : 1) * 95 * done;
    const near = Math.exp(-((since / 6) ** 2));
    return {
      ...row,
      airC: row.airC! + (kind === 'cold' ? -stepC : stepC) * done,
      pressureHpa: row.pressureHpa! - troughHpa * Math.exp(-((since / (since < 0 ? 12 : 6)) ** 2)),
      windMs: row.windMs! + 4 * near,
      windFromDeg: (row.windFromDeg! + veer + 720) % 360,
      cloud: Math.max(row.cloud!, 0.95 * near),
      precipMm: near > 0.6 ? 1 : 0,
    };
  });
}

test('a steady series with a day’s rhythm has no fronts, whatever the noise', () => {
  for (let seed = 1; seed <= 20; seed++) expect(findFronts(steadySeries(seed), 47)).toEqual([]);
});

test.each(['cold', 'warm'] as const)('a %s front is found within three hours and named rightly', (kind) => {
  for (let seed = 1; seed <= 10; seed++) {
    const at = 50 + seed;
    const fronts = findFronts(withFront(steadySeries(seed), at, kind, 5, 6), 47);
    expect(fronts).toHaveLength(1);
    expect(fronts[0].kind).toBe(kind);
    expect(Math.abs(fronts[0].atMs - (start + at * hourMs))).toBeLessThanOrEqual(3 * hourMs);
    expect(fronts[0].evidence.map((e) => e.sign)).toEqual(expect.arrayContaining(['pressure trough', 'temperature step', 'wind shift']));
  }
});

test('in the southern hemisphere the wind turns the other way', () => {
  const mirrored = (kind: 'cold' | 'warm') => withFront(steadySeries(3), 60, kind, 6, 7, true);
  expect(findFronts(mirrored('cold'), -41)).toHaveLength(1);
  expect(findFronts(mirrored('warm'), -41)).toHaveLength(1);
  expect(findFronts(mirrored('warm'), 47)).toHaveLength(0);
});

test('phases cover every hour without gaps, and a front is approached, passed and cleared', () => {
  const series = withFront(steadySeries(5), 60, 'cold', 6, 8);
  const fronts = findFronts(series, 47);
  const phases = findPhases(series, fronts, start + 60 * hourMs);
  expect(phases[0].fromMs).toBe(start);
  for (let i = 1; i < phases.length; i++) expect(phases[i].fromMs).toBe(phases[i - 1].toMs);
  expect(phases.at(-1)!.toMs).toBe(start + 120 * hourMs);
  const names = phases.map((p) => p.name);
  expect(names).toEqual(expect.arrayContaining(['approach', 'passage', 'post-front clear']));
  expect(names.indexOf('approach')).toBeLessThan(names.indexOf('passage'));
});

test('confidence is less the further ahead', () => {
  const series = withFront(steadySeries(5), 60, 'cold', 6, 8);
  const ahead = findPhases(series, findFronts(series, 47), start + 30 * hourMs).filter((p) => p.fromMs > start + 30 * hourMs);
  for (let i = 1; i < ahead.length; i++) expect(ahead[i].confidence).toBeLessThanOrEqual(ahead[i - 1].confidence);
});

test('gaps of three hours are bridged and marked, longer ones stay', () => {
  const gap = (from: number, to: number) => steadySeries(1).filter((_, i) => i <= from || i >= to);
  const short = hourlyGrid(gap(10, 13));
  expect(Number.isNaN(short.airC[11])).toBe(false);
  expect(short.bridged[11]).toBe(1);
  const long = hourlyGrid(gap(10, 16));
  expect(Number.isNaN(long.airC[12])).toBe(true);
});

test('weather older than three hours is not the weather now', () => {
  const series = steadySeries(1, 5);
  expect(weatherAt(series, start + 4.5 * hourMs)).toBe(series[4]);
  expect(weatherAt(series, start + 8 * hourMs)).toBeUndefined();
});

test('the sun of a winter day rises, sets and leaves twilight at both ends', () => {
  const day = sunDay(Date.UTC(2027, 0, 16, 20), { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' });
  expect(day.dawnMs).toBeLessThan(day.sunriseMs);
  expect(day.sunriseMs).toBeLessThan(day.sunsetMs);
  expect(day.sunsetMs).toBeLessThan(day.duskMs);
  expect((day.sunsetMs - day.sunriseMs) / hourMs).toBeGreaterThan(8);
  expect((day.sunsetMs - day.sunriseMs) / hourMs).toBeLessThan(9.5);
});
