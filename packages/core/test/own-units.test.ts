import {
  agoText,
  counted,
  currentText,
  imperial,
  inOwnUnits,
  lineText,
  lureMassesG,
  lureText,
  metric,
  precipText,
  pressureStepText,
  tempStepText,
  unitsOfLocale,
} from '../src/units';
import { evidenceText } from '../src/weather';

test.each([
  ['en-US', imperial],
  ['en', imperial],
  ['en-GB', metric],
  ['de', metric],
  ['my-MM', imperial],
  ['es-AR', metric],
  ['not a tag', metric],
])('the units of %s are those of its country', (tag, units) => {
  expect(unitsOfLocale(tag)).toBe(units);
});

test('lures are offered and named as they are sold', () => {
  expect(lureMassesG(imperial).map((g) => lureText(g, imperial))).toEqual(['1/64 oz', '1/32 oz', '1/16 oz', '1/8 oz', '3/16 oz', '1/4 oz', '3/8 oz', '1/2 oz', '3/4 oz']);
  expect(
    lureMassesG(metric)
      .map((g) => lureText(g, metric))
      .slice(0, 3),
  ).toEqual(['0.5 g', '1 g', '1.5 g']);
  expect([lureText(3, imperial), lureText(1, imperial)]).toEqual(['0.11 oz', '0.035 oz']);
});

test('differences and small figures in either system', () => {
  expect([tempStepText(2, imperial), tempStepText(2, metric)]).toEqual(['3.6 °F', '2.0 °C']);
  expect([pressureStepText(3, imperial), pressureStepText(3, metric)]).toEqual(['0.09 inHg', '3.0 hPa']);
  expect([precipText(5, imperial), precipText(5, metric)]).toEqual(['0.20 in', '5.0 mm']);
  expect([currentText(0.15, imperial), currentText(0.15, metric)]).toEqual(['0.5 ft/s', '15 cm/s']);
  expect([lineText(0.15, imperial), lineText(0.15, metric)]).toEqual(['0.006 in', '0.15 mm']);
});

test('a sentence of fieldcraft is put into the angler’s units, and stays as it is in its own', () => {
  const text = 'Below 10 °C schools hang off the bottom. Tick it, then 10 to 15 cm up; at −5 °C 30 cm.';
  expect(inOwnUnits(text, metric)).toBe(text);
  expect(inOwnUnits(text, imperial)).toBe('Below 50 °F schools hang off the bottom. Tick it, then 4 to 6 in up; at 23 °F 12 in.');
});

test('a front’s signs in words', () => {
  expect(evidenceText({ sign: 'temperature step', amount: -3.5, unit: '°C' }, imperial)).toBe('−6.3 °F');
  expect(evidenceText({ sign: 'wind shift', amount: -80, unit: '°' }, metric)).toBe('80° against the clock');
  expect(evidenceText({ sign: 'pressure trough', amount: 4, unit: 'hPa' }, metric)).toBe('4.0 hPa');
  expect(evidenceText({ sign: 'cloud', amount: 0.84, unit: 'share' }, metric)).toBe('84 %');
});

test('numbers agree with their nouns, and how long ago is said in words', () => {
  expect([counted(1, 'hole'), counted(3, 'hole'), counted(2, 'fish', 'fish')]).toEqual(['1 hole', '3 holes', '2 fish']);
  expect([3_000, 47_000, 180_000, 7_200_000].map(agoText)).toEqual(['just now', '40 s ago', '3 min ago', '2 h ago']);
});
