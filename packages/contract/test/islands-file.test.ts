import { islandsOf, middleOfWater, parseWaterFile, shoreOf } from '../src/formats';
import { withOutline } from '../src/formats/water-marks';

type Ring = [number, number][];
const ring: Ring = [[10, 50], [10.01, 50], [10.01, 50.01], [10, 50.01], [10, 50]]; // prettier-ignore
const island: Ring = [[10.004, 50.004], [10.006, 50.004], [10.006, 50.006], [10.004, 50.004]]; // prettier-ignore
const file = (...rings: Ring[]) =>
  parseWaterFile(
    JSON.stringify({
      type: 'FeatureCollection',
      water: { name: 'Two Shores', kind: 'lake', timezone: 'UTC', elevation_m: 10, secchi_m: 2 },
      features: [{ type: 'Feature', properties: { role: 'outline' }, geometry: { type: 'Polygon', coordinates: rings } }],
    }),
  );

test('the further rings of an outline are islands, and stay when the shore is drawn anew', () => {
  const water = file(ring, island);
  expect([shoreOf(water), islandsOf(water)]).toEqual([ring, [island]]);
  expect(islandsOf(file(ring))).toEqual([]);
  const drawn = withOutline(water, [[10, 50], [10.02, 50], [10.02, 50.02]]); // prettier-ignore
  expect(shoreOf(drawn)).toEqual([[10, 50], [10.02, 50], [10.02, 50.02], [10, 50]]); // prettier-ignore
  expect(islandsOf(drawn)).toEqual([island]);
  expect(islandsOf(withOutline(water, ring, []))).toEqual([]);
  expect(islandsOf(withOutline(file(ring), ring, [island.slice(0, 3)]))).toEqual([island]);
});

test('the middle of a water across the date line lies on it', () => {
  const across: Ring = [[179.99, -17], [-179.99, -17], [-179.99, -16.98], [179.99, -16.98], [179.99, -17]]; // prettier-ignore
  const [lon, lat] = middleOfWater(file(across));
  expect(Math.abs(Math.abs(lon) - 180)).toBeLessThan(1e-6);
  expect(lat).toBeCloseTo(-16.99, 6);
});
