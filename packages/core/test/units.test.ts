import {
  clockText,
  dayText,
  depthText,
  fishLengthText,
  iceNeededText,
  iceText,
  imperial,
  isoWithOffset,
  depthFine,
  liftText,
  metric,
  seededRandom,
  spanText,
  startOfDay,
  tempText,
  weightText,
  windText,
} from '../src/units';

test('figures read as the angler thinks', () => {
  expect(depthText(7.47, imperial)).toBe('24.5 ft');
  expect(depthText(7.47, metric)).toBe('7.5 m');
  expect(liftText(0.3, imperial)).toBe('12 in');
  expect([0.008, 0.012, 0.02, 0.024, 0].map((m) => liftText(m, imperial))).toEqual(['¼ in', '½ in', '¾ in', '1 in', '0 in']);
  expect(liftText(0.06, metric)).toBe('6 cm');
  expect([depthFine(7.5, imperial), depthFine(7.72, imperial), depthFine(7.5, metric), depthFine(7.724, metric)]).toEqual(['24.6 ft', '25.3 ft', '7.5 m', '7.72 m']);
  expect(iceText(0.28, imperial)).toBe('11 in');
  // Ice is never rounded up, what is asked of it never down.
  expect(iceText(0.112, imperial)).toBe('4 in');
  expect(iceText(0.0889, imperial)).toBe('3.5 in');
  expect(iceText(0.0989, metric)).toBe('9 cm');
  expect(iceNeededText(0.1, imperial)).toBe('4 in');
  expect(iceNeededText(0.101, metric)).toBe('11 cm');
  expect(tempText(-18, imperial)).toBe('0 °F');
  expect(tempText(-18, metric)).toBe('−18 °C');
  expect(fishLengthText(260, imperial)).toBe('10.25 in');
  expect(weightText(250, imperial)).toBe('9 oz');
  expect(weightText(1360, imperial)).toBe('3 lb');
  expect(weightText(1360, metric)).toBe('1.36 kg');
  expect(windText(5, metric)).toBe('18 km/h');
});

test('clock and day at the water', () => {
  const ms = Date.parse('2027-01-16T06:40:00-09:00');
  expect(clockText(ms, 'Etc/GMT+9')).toBe('06:40');
  expect(dayText(ms, 'Etc/GMT+9')).toBe('Sat 16 Jan');
  expect(isoWithOffset(ms, 'Etc/GMT+9')).toBe('2027-01-16T06:40:00.000-09:00');
  expect(Date.parse(isoWithOffset(ms, 'Etc/GMT-5'))).toBe(ms);
  expect(startOfDay(ms, 'Etc/GMT+9')).toBe(Date.parse('2027-01-16T00:00:00-09:00'));
  expect([spanText(20_000), spanText(5 * 60_000), spanText(3.4 * 3_600_000), spanText(66 * 3_600_000)]).toEqual(['now', '5 min', '3 h', '3 days']);
});

test('seeded numbers repeat and spread evenly', () => {
  const draw = (seed: number) => Array.from({ length: 4000 }, seededRandom(seed));
  expect(draw(1)).toEqual(draw(1));
  const mean = draw(2).reduce((a, b) => a + b) / 4000;
  expect(Math.abs(mean - 0.5)).toBeLessThan(0.02);
});
