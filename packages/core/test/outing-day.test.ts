import { fold, importDevice, asItStands } from '../src/ledger';
import { outingDay, outingDayWords, triedInVain } from '../src/season';
import { contourLines, DepthSurvey, innerLines, LocalFrame, soundingsAgainst, surveyedArea, type LonLat } from '../src/ground';
import { imperial, metric, minuteMs } from '../src/units';
import { baseMs, event, shortOuting, testId } from './events';

test('a day is drawn from its log: stays with their bed, lines at their depths, what came and how high', () => {
  const { events } = shortOuting();
  const [outing] = fold(events).outings;
  const day = outingDay(outing, baseMs + 99 * minuteMs);
  expect(day.stays).toEqual([{ station: outing.stations[0].id, label: '1', fromMs: baseMs + 60_000, toMs: outing.endedMs, depthM: 7.5 }]);
  expect(day.lines.map((l) => [l.depthM, (l.toMs - l.fromMs) / minuteMs])).toEqual([
    [6.5, 5],
    [5.5, 25],
  ]);
  expect(day.catches).toEqual([expect.objectContaining({ depthM: 5.5, isFish: true, isBest: true })]);
  expect([day.shallowestM, day.deepestM, day.lineHours]).toEqual([5.5, 7.5, 0.5]);
  const words = outingDayWords(day, outing, 'Hole', imperial);
  expect(words.made).toBe('1 hole, 0.5 h of line, 1 bite, 1 fish');
  expect(words.headline).toBe('1 fish, 6 ft up');
  expect(words.detail).toMatch(/^2\.4 an hour 6 ft up\. One outing/);
});

test('an outing without a bite, without a depth, or still under way is told as such', () => {
  const { events, outing: id, hole } = shortOuting();
  const start = events[0];
  const bare = fold([start]).outings[0];
  expect(outingDayWords(outingDay(bare, baseMs), bare, 'Hole', metric)).toEqual({ made: '0 holes, 0 bites, 0 fish', headline: 'No bite', detail: 'No line was logged.' });
  expect(outingDay(bare, baseMs + 30 * minuteMs)).toMatchObject({ deepestM: null, toMs: baseMs + 30 * minuteMs, stays: [] });
  const spoon = [event(id, 2100, 'line-down', { line: testId(), station: hole, rod: 'rod 2', presentation: 'Spoon', depthM: 6 })];
  const open = fold([...events.filter((e) => e.kind !== 'outing-ended'), ...spoon]).outings[0];
  expect(triedInVain(open, baseMs + 2100_000 + 70 * minuteMs)).toEqual(['Spoon: 70 min at 1, no bite.']);
  const ended = fold([...events.filter((e) => e.kind !== 'outing-ended'), ...spoon, event(id, 2100 + 24 * 60, 'outing-ended', {})]).outings[0];
  expect(triedInVain(ended, 0)).toEqual(['Spoon: 24 min at 1, no bite. Too little to tell.']);
});

test('another’s outing stays marked with the file it came in', () => {
  const { events } = shortOuting();
  const brought = events.map((e) => ({ ...e, device: importDevice('friend.ndjson') }));
  expect(fold(brought).outings[0].broughtFrom).toBe('friend.ndjson');
  expect(fold(events).outings[0]).not.toHaveProperty('broughtFrom');
  expect(importDevice('x'.repeat(300))).toHaveLength(120);
});

test('an entry stands as it was corrected last, and not once it was taken back', () => {
  const { events, outing } = shortOuting();
  const fish = events.find((e) => e.kind === 'fish-landed')!;
  const longer = event(outing, 3000, 'amended', { target: fish.id, body: { lengthMm: 300 } });
  expect(asItStands([...events, longer], fish.id)!.body).toMatchObject({ lengthMm: 300, weightG: 228 });
  expect(asItStands([...events, longer, event(outing, 3100, 'undone', { target: fish.id })], fish.id)).toBeUndefined();
  expect(asItStands(events, testId())).toBeUndefined();
});

describe('a map without a shore', () => {
  const frame = new LocalFrame(-140, 47);
  const at = (x: number, y: number): LonLat => frame.toLonLat(x, y);
  const soundings = Array.from({ length: 121 }, (_, k) => ({ at: at(10 * (k % 11), 10 * Math.floor(k / 11)), depthM: 4 + 0.05 * 10 * (k % 11) }));
  const { ring, isShore } = surveyedArea(null, soundings);
  const { map } = new DepthSurvey(ring, soundings, { shore: isShore });

  test('its depth lines run across it and not along its edge', () => {
    const lines = innerLines(map, contourLines(map, [5, 6, 7]));
    expect(new Set(lines.map((l) => l.depthM))).toEqual(new Set([5, 6, 7]));
    for (const { depthM, line } of lines) {
      const across = line.map((p) => frame.toMetres(p)[0]);
      // A plane that falls by one in twenty: each line stands at its own easting.
      expect(Math.max(...across.map((x) => Math.abs(x - (depthM - 4) / 0.05)))).toBeLessThan(8);
    }
  });

  test('soundings to be added tell by it which unit they are in', () => {
    const inFeet = [15, 35, 55, 75].map((x) => ({ at: at(x, 50), depthM: (4 + 0.05 * x) / 0.3048 }));
    const fits = soundingsAgainst(map, inFeet);
    expect(fits[0]).toMatchObject({ unit: 'ft', onMap: 4 });
    expect(fits[0].offM!).toBeLessThan(0.3);
    expect(fits.find((f) => f.unit === 'm')!.offM!).toBeGreaterThan(5);
    expect(soundingsAgainst(map, [{ at: at(5000, 0), depthM: 3 }]).every((f) => f.offM === null && f.onMap === 0)).toBe(true);
  });
});
