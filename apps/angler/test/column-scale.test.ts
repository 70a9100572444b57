import type { ColumnAnswer } from '@burrow/core/column';
import { imperial, metric } from '@burrow/core/units';
import { valueAt } from '@burrow/core/water';
import { columnScale } from '@/features/outlook/column/scale';

const depthM = Array.from({ length: 54 }, (_, i) => 0.3 + 0.24 * i);
const now = {
  atMs: 0,
  iceClearM: 0.3,
  iceWhiteM: 0,
  snowM: 0,
  slushM: 0,
  thawDegreeH: 0,
  hoursAbove: 0,
  depthM,
  tempC: depthM.map((z) => Math.min(4, z / 2)),
  oxygenMgL: depthM.map((z) => 12 - 0.7 * z),
  light: depthM.map((z) => 0.02 * Math.exp(-z / 2)),
};
const answer = { now, ahead: [now], dayAgo: null, spreadC: depthM.map(() => 0.1), freezeUpMs: 0, iceOutMs: null, fit: null, deepestM: 13.2 } as ColumnAnswer;
const scale = (units = imperial, casts: { atMs: number; kind: 'tempC'; depthM: number; value: number }[] = []) =>
  columnScale({ width: 358, height: 320, deepestM: 13.2, answer, casts, units, label: 'crappie' });

test('deeper is lower, warmer and richer is further right, and all stays inside', () => {
  const { x, y, left, right, top, base } = scale();
  expect([y(0), y(13.2)]).toEqual([top, base]);
  for (const of of [x.temp, x.light] as const) expect(of(0.5)).toBeGreaterThan(of(0));
  expect(x.oxygen(10)).toBeGreaterThan(x.oxygen(5));
  for (let i = 0; i < depthM.length; i++) {
    for (const px of [x.temp(now.tempC[i]), x.oxygen(now.oxygenMgL[i]), x.light(now.light[i])]) {
      expect(px).toBeGreaterThanOrEqual(left);
      expect(px).toBeLessThanOrEqual(right);
    }
  }
  // Darkness has its place at the edge, not outside.
  expect(x.light(0)).toBeGreaterThanOrEqual(left);
});

test('ticks are round in the angler’s units and few', () => {
  expect(scale().ticks.map((m) => Math.round(m / 0.3048))).toEqual([8, 16, 24, 32, 40]);
  expect(scale(metric).ticks).toEqual([4, 8]);
  expect(scale().tempTicks.map((t) => t.text)).toEqual(['32', '34', '36', '38', '40']);
  expect(scale(metric).tempTicks.map((t) => t.text)).toEqual(['0', '1', '2', '3', '4', '5']);
});

test.each([
  [2, 5],
  [5, 9],
  [9, 12.5],
])('the band’s label stands clear of every line and point where there is room: %d to %d m', (fromM, toM) => {
  const casts = [3, 4.5, 6, 7.5, 9, 10.5].map((z) => ({ atMs: 0, kind: 'tempC' as const, depthM: z, value: Math.min(4, z / 2) }));
  const { chipAt, x, y } = scale(imperial, casts);
  const chip = chipAt({ fromM, toM });
  const middle = chip.top + 10 - 28;
  expect(middle).toBeGreaterThanOrEqual(y(fromM));
  expect(middle).toBeLessThanOrEqual(y(toM));
  const z = ((middle - y(0)) / (y(13.2) - y(0))) * 13.2;
  const at = [x.temp(valueAt(now, 'tempC', z)), x.oxygen(valueAt(now, 'oxygenMgL', z)), x.light(valueAt(now, 'light', z))];
  for (const px of at) expect(px < chip.left || px > chip.left + chip.width).toBe(true);
});
