import fc from 'fast-check';
import { fishLengthForm, imperial, metric, steppedFigure, typedFigure, weightForm, writtenFigure } from '../src/units';

test.each([
  ['1.5', weightForm(imperial), 680.4],
  ['1,5', weightForm(imperial), 680.4],
  ['850', weightForm(metric), 850],
  ['12.', fishLengthForm(imperial), 304.8],
  ['.5', weightForm(imperial), 226.8],
  ['43,5', fishLengthForm(metric), 435],
])('"%s" is read in the own unit', (text, form, stored) => {
  expect(typedFigure(text, form)).toBeCloseTo(stored, 1);
});

test.each(['0', '-3', '1.2.3', '1e3', 'abc', '.', '400000', '１２'])('"%s" is no weight', (text) => {
  expect(typedFigure(text, weightForm(metric))).toBeUndefined();
});

test('an empty field says nothing', () => {
  expect(typedFigure('  ', weightForm(metric))).toBeNull();
  expect(writtenFigure(null, weightForm(metric))).toBe('');
});

const forms = [weightForm(imperial), weightForm(metric), fishLengthForm(imperial), fishLengthForm(metric)];

test('what stands in the field is read back as it was, to the digits shown', () => {
  fc.assert(
    fc.property(fc.constantFrom(...forms), fc.double({ min: 1, max: 2500, noNaN: true }), (form, value) => {
      const text = writtenFigure(value, form);
      const least = 10 ** -form.digits * form.per;
      if (value >= least) expect(Math.abs(typedFigure(text, form)! - value)).toBeLessThanOrEqual(least / 2 + 0.06);
    }),
  );
});

test('steps lie on the steps of the form, the first begins where it says, and none leaves its bounds', () => {
  fc.assert(
    fc.property(fc.constantFrom(...forms), fc.array(fc.constantFrom(1 as const, -1 as const), { minLength: 1, maxLength: 60 }), (form, taps) => {
      let value: number | null = null;
      for (const tap of taps) {
        const next = steppedFigure(value, form, tap);
        if (value === null) expect(next).toBeCloseTo(form.start * form.per, 9);
        else expect([form.step * form.per, 0]).toContainEqual(Math.round(1e6 * Math.abs(next - value)) / 1e6 === 0 ? 0 : form.step * form.per);
        expect(next).toBeGreaterThan(0);
        expect(next).toBeLessThanOrEqual(form.most);
        value = next;
      }
    }),
  );
});
