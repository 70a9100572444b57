import { fold, type LedgerEvent } from '../src/ledger';
import { feedingActivity } from '../src/outlook';
import { calibrationLimits, calibrationOf, dayPart, outlookAgainstLog, stretchesOf, type ForetoldStretch } from '../src/season';
import { gammaDraw, normal, seededRandom, type Random } from '../src/units';
import { findFronts, findPhases, type WeatherHour } from '../src/weather';
import { baseMs, event, testId } from './events';

/** Days with an activity that goes up and down by the hour; bites follow it, or nothing at all. */
function days(random: Random, follows: boolean, count = 40): ForetoldStretch[] {
  return Array.from({ length: count }, (_, day) => {
    const luck = Math.exp(0.4 * normal(random));
    return Array.from({ length: 8 }, (__, hour): ForetoldStretch => {
      const activity = 0.25 + 1.1 * Math.exp(-(((hour - 2 - 2 * random()) / 2) ** 2));
      const mean = 2.2 * luck * (follows ? activity : 0.6) * gammaDraw(2, random) * 0.5;
      let bites = 0;
      for (let p = random(); p > Math.exp(-mean); p *= random()) bites++;
      return { outing: `${day}`, hours: 1, activity, isLowSun: hour < 1 || hour > 6, bites };
    });
  }).flat();
}

test('what was made from the outlook has skill, and most of its bins lie on the line', () => {
  let onLine = 0;
  for (let seed = 0; seed < 10; seed++) {
    const c = calibrationOf(days(seededRandom(50 + seed), true), 40);
    expect(c.isClaimed).toBe(true);
    expect(c.skill!.constant.value).toBeGreaterThan(0);
    expect(c.bins).toHaveLength(5);
    for (const b of c.bins) if (b.low <= b.foretold && b.foretold <= b.high) onLine++;
  }
  expect(onLine / 10).toBeGreaterThanOrEqual(4);
});

test('of bites without a rhythm nothing is claimed', () => {
  const claimed = Array.from({ length: 40 }, (_, seed) => calibrationOf(days(seededRandom(100 + seed), false), 40)).filter((c) => c.isClaimed);
  expect(claimed.length).toBeLessThanOrEqual(2);
});

test('of too few outings nothing is said', () => {
  expect(calibrationOf(days(seededRandom(1), true, calibrationLimits.outings - 1), 24)).toEqual({ outings: 24, visits: 24, skill: null, bins: [], isClaimed: false });
  expect(calibrationOf([], 0).outings).toBe(0);
});

test('the parts of the day go by the sun of the place, on either side of the date line as well', () => {
  // Around the equinox at the equator the sun rises about six by the sun's own clock.
  const at = (hour: number, lon: number) => dayPart(Date.UTC(2027, 2, 21, 0) + (hour - lon / 15) * 3_600_000, [lon, 0]);
  for (const lon of [-179, -140, 0, 25, 179]) expect([6, 12, 18, 0].map((hour) => at(hour, lon))).toEqual(['dawn', 'day', 'dusk', 'night']);
  expect(dayPart(Date.UTC(2026, 11, 21, 12), [20, 80])).toBeNull();
});

test('stretches are cut at each hour, and every bite is on one of them', () => {
  const [outing, hole, line] = [testId(), testId(), testId()];
  const events: LedgerEvent[] = [
    event(outing, 0, 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }),
    event(outing, 1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
    event(outing, 2, 'depth-sounded', { station: hole, depthM: 8, source: 'flasher' }),
    event(outing, 60, 'line-down', { line, station: hole, rod: 'rod 1', presentation: 'spoon', depthM: 7.6 }),
    event(outing, 300, 'temperature-measured', { station: hole, depthM: 7, tempC: 3.5 }),
    event(outing, 4000, 'reaction', { station: hole, line, reaction: 'bite', depthM: 7.6 }),
    event(outing, 9060, 'line-up', { line }),
    event(outing, 9100, 'fish-landed', { fish: testId(), station: hole, line, species: 'walleye' }),
    event(outing, 9200, 'outing-ended', {}),
  ];
  const stretches = stretchesOf(fold(events), 'ice', baseMs + 86_400_000, [], 47);
  expect(stretches.reduce((sum, s) => sum + s.minutes, 0)).toBeCloseTo(150, 6);
  expect(stretches.reduce((sum, s) => sum + s.bites, 0)).toBe(2);
  expect(stretches.every((s) => s.minutes <= 60 && s.depthM === 8 && s.height === 'low' && s.presentation === 'spoon')).toBe(true);
  expect(stretches.at(-1)).toMatchObject({ waterC: 3.5, place: 'hole 1, Sat 16 Jan', phase: null, cloud: null });
});

test('a log whose bites were drawn from the outlook of its own weather bears the outlook out', () => {
  const place = { lon: -140, lat: 47, timeZone: 'UTC' };
  const series = Array.from({ length: 60 * 24 }, (_, h): WeatherHour => ({
    atMs: Date.UTC(2026, 11, 1) + h * 3_600_000,
    airC: -6 + 4 * Math.sin(h / 37) + 2 * Math.cos(((h - 22) * Math.PI) / 12),
    pressureHpa: 1015 + 9 * Math.sin(h / 31),
    windMs: 4,
    windFromDeg: (200 + 80 * Math.sin(h / 31)) % 360,
    cloud: 0.5 + 0.45 * Math.sin(h / 23),
    precipMm: 0,
    snowCm: null,
  }));
  const phases = findPhases(series, findFronts(series, place.lat), Infinity);
  const random = seededRandom(77);
  const events: LedgerEvent[] = [];
  for (let day = 0; day < 40; day++) {
    const [outing, hole, line] = [testId(), testId(), testId()];
    const startMs = Date.UTC(2026, 11, 8 + day, 14);
    const at = (s: number) => (startMs - baseMs) / 1000 + s;
    events.push(
      event(outing, at(0), 'outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method: 'ice' }),
      event(outing, at(1), 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] }),
      event(outing, at(2), 'line-down', { line, station: hole, rod: 'rod 1', presentation: 'spoon' }),
    );
    for (const { atMs, value } of feedingActivity('walleye', { fromMs: startMs, toMs: startMs + 12 * 3_600_000 }, phases, series, place))
      if (random() < 0.5 * value) events.push(event(outing, (atMs - baseMs) / 1000 + 300, 'reaction', { station: hole, line, reaction: 'bite' }));
    events.push(event(outing, at(12.4 * 3600), 'outing-ended', {}));
  }
  const c = outlookAgainstLog(fold(events), 'w', place, series, 12, Date.UTC(2027, 3, 1));
  expect(c).toMatchObject({ outings: 40, visits: 40, isClaimed: true });
  expect(c.bins.filter((b) => b.low <= b.foretold && b.foretold <= b.high).length).toBeGreaterThanOrEqual(4);
  expect(outlookAgainstLog(fold(events), 'another', place, series, 12, Date.UTC(2027, 3, 1)).skill).toBeNull();
});
