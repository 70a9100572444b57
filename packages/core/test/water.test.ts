import { depthOfLight, depthCorrectedForSound, oxygenSaturation, soundSpeed, stationPressure, waterDensity } from '../src/water';

test.each([
  [0, 999.843],
  [2, 999.943],
  [3.983, 999.975],
  [10, 999.703],
  [20, 998.207],
])('density at %d °C is %d kg/m³', (tempC, expected) => {
  expect(Math.abs(waterDensity(tempC) - expected)).toBeLessThanOrEqual(0.001);
});

test('water is densest near 4 °C', () => {
  const temps = Array.from({ length: 401 }, (_, i) => i / 10);
  const densest = temps.reduce((a, b) => (waterDensity(b) > waterDensity(a) ? b : a));
  expect(densest).toBe(4);
});

test.each([
  [0, 1402.39],
  [2, 1412.23],
  [4, 1421.63],
  [10, 1447.29],
])('sound at %d °C runs at %d m/s', (tempC, expected) => {
  expect(Math.abs(soundSpeed(tempC) - expected)).toBeLessThanOrEqual(0.05);
});

test('a sounder set to 1463 m/s reads winter water 3 to 7 % too deep', () => {
  for (const tempC of [0, 2, 4]) {
    const shown = 10 / depthCorrectedForSound(1, 1463, soundSpeed(tempC));
    expect(shown).toBeGreaterThan(10.28);
    expect(shown).toBeLessThan(10.7);
  }
});

test.each([
  [0, 14.62],
  [4, 13.11],
  [10, 11.29],
  [20, 9.09],
])('oxygen at %d °C saturates at %d mg/L', (tempC, expected) => {
  expect(Math.abs(oxygenSaturation(tempC) - expected)).toBeLessThanOrEqual(0.01);
});

test('altitude takes oxygen: 300 m −3.5 %, 1500 m −17 %', () => {
  const share = (elevationM: number) => oxygenSaturation(4, stationPressure(1013.25, elevationM)) / oxygenSaturation(4);
  expect(share(300)).toBeCloseTo(0.965, 2);
  expect(share(1500)).toBeCloseTo(0.835, 2);
});

test('one per cent of the light is left at 8.13 m with a Secchi depth of 3 m', () => {
  expect(depthOfLight(3, 0.01)).toBeCloseTo(8.13, 2);
});

test.each([
  [() => waterDensity(41)],
  [() => waterDensity(NaN)],
  [() => soundSpeed(-1)],
  [() => oxygenSaturation(4, 200)],
  [() => depthOfLight(0, 0.1)],
  [() => depthOfLight(3, 2)],
])('refuses what lies outside its range', (call) => {
  expect(call).toThrow(RangeError);
});
