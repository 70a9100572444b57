import { answerOutlook, outlookWords, sourceWords } from '../src/outlook';
import { farText, hourMs, imperial, metric } from '../src/units';
import { joinedSeries, type WeatherHour } from '../src/weather';

const now = Date.UTC(2027, 0, 16, 15, 40);
const row = (atMs: number, airC = -8): WeatherHour => ({ atMs, airC, pressureHpa: 1020, windMs: 2, windFromDeg: 200, cloud: 0.4, precipMm: 0, snowCm: 5 });
const hours = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => row(now + (from + i) * hourMs));

describe('a service’s hours joined with one’s own', () => {
  test('one’s own stand for the hours about them, all else stays, in order', () => {
    const own = [row(now + 0.3 * hourMs, 1), row(now + 1.2 * hourMs, 2)];
    const joined = joinedSeries(hours(-2, 3), own);
    expect(joined.map((r) => [(r.atMs - now) / hourMs, r.airC])).toEqual([
      [-2, -8],
      [-1, -8],
      [expect.closeTo(0.3), 1],
      [expect.closeTo(1.2), 2],
      [2, -8],
      [3, -8],
    ]);
  });

  test('nothing of one’s own changes nothing, and one’s own alone stand', () => {
    expect(joinedSeries(hours(0, 3), [])).toEqual(hours(0, 3));
    expect(joinedSeries([], hours(0, 3))).toEqual(hours(0, 3));
    expect(joinedSeries(hours(0, 3), hours(0, 3))).toEqual(hours(0, 3));
  });
});

test('weather is told by whose it is, how far off, how old, and what was brought to it', () => {
  const service = { station: 'a.example', simulated: false, observedMs: now - 40 * 60_000, awayM: 12_000 };
  expect(sourceWords(service, now, false, metric)).toBe('a.example, 12 km away: read 40 min ago.');
  expect(sourceWords({ ...service, awayM: 900, simulated: true }, now, true, metric)).toBe('a.example, simulated: read 40 min ago, no fresher without signal.');
  expect(sourceWords({ ...service, brought: 'field.csv' }, now, false, imperial)).toBe('a.example, 7.5 mi away: read 40 min ago. With what you brought: field.csv.');
  expect(sourceWords({ station: 'field.csv', brought: 'field.csv', simulated: false, observedMs: now }, now, false, metric)).toBe('field.csv: brought by you, last row of now.');
});

test('a long way is told in miles or kilometres, exact where it is short', () => {
  expect([farText(1609.344, imperial), farText(160_934, imperial), farText(2500, metric), farText(43_210, metric)]).toEqual(['1 mi', '100 mi', '2.5 km', '43 km']);
});

test('weather that ends is no forecast of nothing: the hours after it are said to be unknown', () => {
  const input = { speciesId: 'black-crappie', nowMs: now, place: { lon: -140, lat: 47, timeZone: 'UTC' } };
  const wordsTo = (lastH: number) => {
    const full = { ...input, series: hours(-240, lastH) };
    return outlookWords(answerOutlook(full), full, metric);
  };
  expect(wordsTo(0)).toMatchObject({
    headline: 'No forecast to judge hours by',
    why: expect.stringMatching(/^The weather known here ends at 15:40: hours after it are not judged, nor is wind or snow foreseen/),
  });
  expect(wordsTo(12).headline + wordsTo(12).why).toMatch(/ends at 03:40/);
  expect(wordsTo(72).headline + wordsTo(72).why).not.toMatch(/not judged/);
});
