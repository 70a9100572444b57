import { speciesOf } from '../src/fish';
import { answerOutlook, outlookWords } from '../src/outlook';
import type { WeatherHour } from '../src/weather';
import { speciesTable } from '../src/fish';
import { hourMs, imperial } from '../src/units';

const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
const dawn = Date.UTC(2027, 0, 16, 15);
const quiet = (cloud: number): WeatherHour[] =>
  Array.from({ length: 240 }, (_, i) => ({
    atMs: dawn - (120 - i) * hourMs,
    airC: -8 + 3 * Math.sin(i / 3.82),
    pressureHpa: 1020,
    windMs: 2,
    windFromDeg: 220,
    cloud,
    precipMm: 0,
    snowCm: 5,
  }));
/** The same days with a cold front at hour 132, twelve hours ahead. */
const frontComing = quiet(0.3).map((row, i) => {
  const since = i - 132;
  return {
    ...row,
    airC: row.airC! - (since > 0 ? 7 : 0),
    pressureHpa: 1020 - 9 * Math.exp(-((since / (since < 0 ? 13 : 6)) ** 2)),
    windFromDeg: since > 0 ? 320 : 200,
    windMs: 5,
    cloud: Math.abs(since) < 10 ? 0.95 : 0.2,
    precipMm: Math.abs(since) < 3 ? 1 : 0,
  };
});
const ask = (series: WeatherHour[], speciesId = 'black-crappie', nowMs = dawn) => answerOutlook({ speciesId, nowMs, place, series });

test('on steady days crappie feed at dawn and dusk, perch by day', () => {
  const crappie = ask(quiet(0.3)).windows;
  const { sun } = ask(quiet(0.3));
  for (const w of crappie) expect(sun.some((s) => Math.min(Math.abs(w.peakMs - s.sunriseMs), Math.abs(w.peakMs - s.sunsetMs)) < 2 * hourMs)).toBe(true);
  const perch = ask(quiet(0.3), 'yellow-perch').windows;
  expect(Math.max(...perch.map((w) => w.toMs - w.fromMs))).toBeGreaterThan(4 * hourMs);
});

test('ahead of a front feeding is higher than on a steady day, behind it lower', () => {
  const best = (series: WeatherHour[], fromH: number, toH: number) =>
    Math.max(
      ...ask(series)
        .activity.filter((a) => a.atMs >= dawn + fromH * hourMs && a.atMs <= dawn + toH * hourMs)
        .map((a) => a.value),
    );
  expect(best(frontComing, 0, 11)).toBeGreaterThan(1.2 * best(quiet(0.3), 0, 11));
  expect(best(frontComing, 20, 40)).toBeLessThan(0.7 * best(quiet(0.3), 20, 40));
});

test('the answer is a sentence with its reason, the front and the dark', () => {
  const outlook = ask(frontComing);
  const words = outlookWords(outlook, { speciesId: 'black-crappie', nowMs: dawn, place }, imperial);
  expect(outlook.nextFront?.kind).toBe('cold');
  expect(words.headline).toMatch(/^Be over them/);
  expect(words.why).toMatch(/cold front comes at 1[789]:[03]0, give or take/);
  expect(words.why).toMatch(/Dark at 17:\d\d/);
  expect(words.ice.headline).toBe('Ice not measured');
});

test('every species gets an answer, and windows never lie in the past', () => {
  for (const { id } of speciesTable) {
    const nowMs = dawn + 5 * hourMs;
    for (const w of ask(frontComing, id, nowMs).windows) {
      expect(w.toMs).toBeGreaterThan(nowMs);
      expect(w.reasons.map((r) => r.ruleId)).toHaveLength(2);
    }
  }
});

test('an unknown fish has an outlook by broad figures, and a series too short is refused', () => {
  expect(() => ask(quiet(0.3), 'coelacanth')).not.toThrow();
  expect(speciesOf('coelacanth')).toMatchObject({ short: 'Coelacanth', isAssumed: true });
  expect(() => ask(quiet(0.3).slice(0, 1))).toThrow(/at least 2 rows, found 1/);
});
