import fc from 'fast-check';
import { tackleFamilies, type TacklePiece } from '@burrow/core/tackle';
import { parseTackleCsv, tackleCsv } from '../src/formats';

const header = 'piece,family,mass_g,size_mm,colour,hooks,points,rattle,suspends';

test('a box is read with blanks as not known', () => {
  expect(parseTackleCsv(`${header}\nClear tube,tube,3.5,63,clear,1,1,no,\n"Spoon, small",spoon,,,,,,,`)).toEqual([
    { piece: 'Clear tube', family: 'tube', massG: 3.5, sizeMm: 63, colour: 'clear', hooks: 1, points: 1, rattle: false, suspends: null },
    { piece: 'Spoon, small', family: 'spoon', massG: null, sizeMm: null, colour: null, hooks: null, points: null, rattle: null, suspends: null },
  ]);
  expect(parseTackleCsv('piece,family\nA,blade')).toHaveLength(1);
});

test.each([
  [`${header}\nA,tube,-2,,,,,,`, /line 2: mass_g: expected 0\.05 to 500, found -2/],
  [`${header}\nA,tube\nB,rubber-duck`, /line 3: family: expected one of micro-jig, .*found "rubber-duck"/],
  [`${header}\n,tube`, /line 2: piece: expected a name, found nothing/],
  [`${header}\nA,tube\nA,spoon`, /line 3: piece: expected a name that no other piece has, found "A" of line 2/],
  [`${header}\nA,tube,,,,,,maybe,`, /line 2: rattle: expected yes, no or nothing, found "maybe"/],
  [`${header}\nA,tube,,,,1.5,,,`, /line 2: hooks: expected a whole number/],
  ['piece\nA', /line 1: expected the columns piece,family, missing family/],
])('what is wrong is named with its line (%#)', (text, message) => {
  expect(() => parseTackleCsv(text)).toThrow(message);
});

test('what is written is read as it was', () => {
  const piece = fc.record<TacklePiece>({
    piece: fc.string({ minLength: 1, maxLength: 20 }).map((s) => `p${s.replace(/[\r\n]/g, ' ').trim()}`),
    family: fc.constantFrom(...tackleFamilies.map((f) => f.id)),
    massG: fc.option(fc.integer({ min: 1, max: 500 })),
    sizeMm: fc.option(fc.integer({ min: 1, max: 500 })),
    colour: fc.option(fc.constantFrom('clear', 'black, blue', 'a "loud" one')),
    hooks: fc.option(fc.integer({ min: 0, max: 3 })),
    points: fc.option(fc.integer({ min: 0, max: 9 })),
    rattle: fc.option(fc.boolean()),
    suspends: fc.option(fc.boolean()),
  });
  fc.assert(
    fc.property(fc.uniqueArray(piece, { selector: (p) => p.piece, maxLength: 8 }), (box) => {
      expect(parseTackleCsv(tackleCsv(box))).toEqual(box);
    }),
    { numRuns: 60 },
  );
});
