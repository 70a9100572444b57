import fc from 'fast-check';
import { estimateWeight, gasExpansion, isDepthInjuryLikely, speciesOf, standardWeight, weighedSpecies } from '../src/fish';
import { stationPressure } from '../src/water';

test.each([
  ['black-crappie', 250, 253],
  ['lake-trout', 400, 583],
] as const)('%s of %d mm weighs %d g', (species, lengthMm, expected) => {
  expect(Math.abs(standardWeight(species, lengthMm) / expected - 1)).toBeLessThan(0.01);
});

test('every species grows heavier with length', () => {
  fc.assert(
    fc.property(fc.constantFrom(...weighedSpecies), fc.integer({ min: 280, max: 1400 }), fc.integer({ min: 1, max: 100 }), (species, mm, more) => {
      expect(standardWeight(species, mm + more)).toBeGreaterThan(standardWeight(species, mm));
    }),
  );
});

test('a fish shorter than its species has no weight, and says so', () => {
  expect(() => standardWeight('walleye', 100)).toThrow(/150 to 1500 mm, found 100/);
  expect(estimateWeight('walleye', 100)).toBeUndefined();
  expect(estimateWeight('walleye', 400)!.weightG).toBeCloseTo(standardWeight('walleye', 400) * 0.9, 6);
});

test.each([
  [7.6, 0, 1.74],
  [10, 0, 1.97],
  [10, 1500, 2.16],
])('gas from %d m at %d m elevation grows %d times', (depthM, elevationM, expected) => {
  expect(Math.abs(gasExpansion(depthM, stationPressure(1013.25, elevationM)) - expected)).toBeLessThanOrEqual(0.01);
});

test('pike vent their gas, crappie from 9 m are hurt', () => {
  expect(isDepthInjuryLikely(speciesOf('northern-pike'), 12)).toBe(false);
  expect(isDepthInjuryLikely(speciesOf('black-crappie'), 9)).toBe(true);
  expect(isDepthInjuryLikely(speciesOf('black-crappie'), 6)).toBe(false);
});
