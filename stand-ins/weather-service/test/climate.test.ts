import { findFronts } from '@burrow/core/weather';
import { climateAt, mildnessAt, scriptedFronts } from '../src/climate';

const hour = 3_600_000;
const span = (from: string, to: string, leadFrom?: number) => {
  const rows = [];
  for (let ms = Date.parse(from); ms <= Date.parse(to); ms += hour) rows.push(climateAt(ms, leadFrom === undefined ? 0 : Math.max(0, (ms - leadFrom) / hour)));
  return rows;
};

test('the scripted fronts of the winter are found within three hours and named rightly', () => {
  const found = findFronts(span('2026-10-01T00:00-09:00', '2027-02-01T00:00-09:00'), 47);
  const hits = scriptedFronts.filter((s) => found.some((f) => f.kind === s.kind && Math.abs(f.atMs - s.atMs) <= 3 * hour));
  expect(hits.length / scriptedFronts.length).toBeGreaterThanOrEqual(0.9);
  expect(found.filter((f) => !scriptedFronts.some((s) => Math.abs(f.atMs - s.atMs) <= 6 * hour)).length).toBeLessThanOrEqual(1);
});

test('the frost hollow holds its cold and the lowland beyond it stays mild, under the same fronts', () => {
  expect(mildnessAt(-140, 47)).toBe(0);
  for (const [lon, lat] of [
    [-140.16, 47.09],
    [-139.82, 46.93],
    [-139.9, 46.86],
  ])
    expect(mildnessAt(lon, lat)).toBeGreaterThan(0.95);
  const mean = (mildness: number) => {
    const rows = Array.from({ length: 30 * 24 }, (_, h) => climateAt(Date.parse('2026-12-17T00:00-09:00') + h * hour, 0, mildness));
    return rows.reduce((sum, r) => sum + r.airC!, 0) / rows.length;
  };
  expect(mean(0)).toBeLessThan(-8);
  expect(mean(1)).toBeGreaterThan(0);
  expect(climateAt(Date.parse('2027-01-16T12:00-09:00'), 0, 1)).toMatchObject({ snowCm: 0 });
});

test('the same hour is always the same weather', () => {
  const ms = Date.parse('2027-01-16T12:00-09:00');
  expect(climateAt(ms)).toEqual(climateAt(ms));
});

test('values stay within what a station may report', () => {
  for (const row of span('2026-10-01T00:00-09:00', '2027-02-10T00:00-09:00')) {
    expect(row.airC).toBeGreaterThan(-45);
    expect(row.airC).toBeLessThan(22);
    expect(row.pressureHpa).toBeGreaterThan(985);
    expect(row.pressureHpa).toBeLessThan(1045);
    expect(row.cloud).toBeGreaterThanOrEqual(0);
    expect(row.cloud).toBeLessThanOrEqual(1);
    expect(row.windFromDeg).toBeGreaterThanOrEqual(0);
    expect(row.windFromDeg).toBeLessThanOrEqual(360);
    expect(row.windMs).toBeGreaterThan(0);
    expect(row.precipMm).toBeGreaterThanOrEqual(0);
  }
});

test('a forecast drifts from what comes, the more the further ahead, and brings the front late rather than never', () => {
  const now = Date.parse('2027-01-14T19:00-09:00');
  const forecast = span('2027-01-04T00:00-09:00', '2027-01-19T00:00-09:00', now);
  const real = span('2027-01-04T00:00-09:00', '2027-01-19T00:00-09:00');
  const errors = forecast.map((row, i) => ({ lead: (row.atMs - now) / hour, off: Math.abs(row.airC! - real[i].airC!) }));
  expect(errors.filter((e) => e.lead <= 0).every((e) => e.off === 0)).toBe(true);
  const front = findFronts(forecast, 47).find((f) => f.atMs > now)!;
  expect(front.atMs).toBeGreaterThanOrEqual(Date.parse('2027-01-16T17:00-09:00'));
  expect(front.atMs).toBeLessThan(Date.parse('2027-01-16T23:00-09:00'));
});
