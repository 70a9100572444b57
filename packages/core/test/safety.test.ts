import { bearingKg, feelsLike, feltAir, frostbiteTime, judgeIce, windChill, thinnest } from '../src/safety';
import { stefanThickness } from '../src/winter';
import { iceWords } from '../src/outlook';
import { imperial } from '../src/units';

test.each([
  [-10, 20, -17.9],
  [-20, 30, -32.6],
  [-30, 50, -49.0],
])('%d °C at %d km/h feels like %d', (tempC, windKmh, expected) => {
  expect(Math.abs(windChill(tempC, windKmh) - expected)).toBeLessThanOrEqual(0.05);
});

test.each([
  [-25, 40, 8.9],
  [-30, 30, 6.9],
  [-20, 60, 10.8],
])('at %d °C and %d km/h skin freezes in %d min', (tempC, windKmh, expected) => {
  const time = frostbiteTime(tempC, windKmh);
  expect(time.by).toBe('formula');
  expect(Math.abs((time as { minutes: number }).minutes - expected)).toBeLessThanOrEqual(0.1);
});

test.each([
  [-35, 15, '2 to 5'],
  [-5, 40, 'over 30'],
  [-55, 30, 'under 2'],
  [-20, 90, '10 to 30'],
  [-40, 10, '2 to 5'],
  [-26, 5, '10 to 30'],
  [-72, 50, 'under 2'],
])('outside the formula, at %d °C and %d km/h, the public band is given: %s min', (tempC, windKmh, text) => {
  expect(frostbiteTime(tempC, windKmh)).toEqual({ by: 'band', text });
});

test('frostbite time is never longer than the public band of the wind chill', () => {
  const longest: Record<string, number> = { 'over 30': Infinity, '10 to 30': 30, '5 to 10': 10, '2 to 5': 5, 'under 2': 2 };
  for (let tempC = -15; tempC >= -60; tempC -= 0.5) {
    for (let windKmh = 0; windKmh <= 100; windKmh += 2.5) {
      const index = windKmh < 4.8 ? tempC : windChill(tempC, windKmh);
      const most = index > -28 ? Infinity : index > -40 ? 30 : index > -48 ? 10 : index > -55 ? 5 : 2;
      const time = frostbiteTime(tempC, windKmh);
      const shown = time.by === 'formula' ? time.minutes : longest[time.text];
      expect({ tempC, windKmh, isWithin: shown <= most }).toEqual({ tempC, windKmh, isWithin: true });
    }
  }
  expect(() => frostbiteTime(-95, 10)).toThrow(RangeError);
});

test('calm or mild air feels like itself', () => {
  expect(feelsLike(-10, 2)).toBe(-10);
  expect(feelsLike(15, 40)).toBe(15);
});

test('an unknown wind is not calm, and an unknown temperature is not nought', () => {
  expect(feltAir({ airC: -20, windMs: 10 })).toBeCloseTo(feelsLike(-20, 36), 9);
  expect(feltAir({ airC: -20, windMs: null })).toBeNull();
  expect(feltAir({ airC: null, windMs: 10 })).toBeNull();
});

test.each([
  [100, 0.355],
  [400, 0.711],
])('%d freezing degree-days grow %d m of bare ice', (fdd, expected) => {
  expect(Math.abs(stefanThickness(fdd) / expected - 1)).toBeLessThan(0.01);
});

test('bearing counts white ice half', () => {
  expect(bearingKg(0.1, 0)).toBeCloseTo(350, 6);
  expect(bearingKg(0.05, 0.1)).toBeCloseTo(350, 6);
  expect(() => bearingKg(-0.1, 0)).toThrow(RangeError);
});

test('ice is never called safe, whatever was measured', () => {
  const ices = [undefined, ...[0, 0.05, 0.1, 0.3, 1.5].map((clearM) => ({ clearM, whiteM: 0.04, atMs: 0 }))];
  for (const ice of ices) {
    const { headline, detail } = iceWords(judgeIce(ice, 'foot', 3 * 86_400_000), imperial);
    expect(`${headline} ${detail}`.replace('No ice is safe ice', '')).not.toMatch(/\b(is safe|ok|go ahead|enough ice for)\b/i);
    expect(detail).toMatch(/No ice is safe ice/);
  }
});

test('thin ice is not enough, and 9 cm clear with 4 cm white counts as 11', () => {
  expect(judgeIce({ clearM: 0.07, whiteM: 0.04, atMs: 0 }, 'foot', 0).kind).toBe('not-enough');
  expect(judgeIce({ clearM: 0.09, whiteM: 0.04, atMs: 0 }, 'foot', 0)).toMatchObject({ kind: 'above-guidance', countsM: 0.11 });
  expect(judgeIce({ clearM: 0.2, whiteM: 0, atMs: 0 }, 'car', 0).kind).toBe('not-enough');
  expect(judgeIce(undefined, 'foot', 0).kind).toBe('not-measured');
});

test('the thinnest ice counts, white by half; machines ask for more; a day of thaw voids it', () => {
  const now = Date.UTC(2027, 0, 16);
  const at = (clearM: number, whiteM: number) => ({ clearM, whiteM, atMs: now - 3_600_000 });
  expect(thinnest([at(0.2, 0), at(0.1, 0.1), at(0.3, 0)])).toEqual(at(0.1, 0.1));
  expect(thinnest([])).toBeUndefined();
  expect(judgeIce(at(0.2, 0), 'foot', now).kind).toBe('above-guidance');
  expect(judgeIce(at(0.2, 0), 'car', now)).toMatchObject({ kind: 'not-enough', bearsKg: null });
  expect(judgeIce(at(0.2, 0), 'foot', now, 24)).toMatchObject({ kind: 'thawed', hoursAbove: 24 });
  expect(judgeIce(at(0.2, 0), 'foot', now, 23).kind).toBe('above-guidance');
  // Gold's lower bound, 3.5 kg/cm²; half for loads that stand.
  expect(judgeIce(at(0.4, 0), 'snowmobile', now)).toMatchObject({ bearsKg: 5600 });
  expect(judgeIce(at(0.4, 0), 'truck', now)).toMatchObject({ bearsKg: 2800 });
});
