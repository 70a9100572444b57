import fc from 'fast-check';
import { mergedWater } from '../src/formats/water-merge';
import { withMark, withoutMark, withOutline } from '../src/formats/water-marks';
import type { WaterFile } from '../src/formats/water-geojson';

const shore: [number, number][] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 0],
];
const plain: WaterFile = {
  type: 'FeatureCollection',
  water: { name: 'Pond', kind: 'lake', timezone: 'UTC', elevation_m: 100, secchi_m: 2 },
  features: [
    { type: 'Feature', geometry: { type: 'Polygon', coordinates: [shore] }, properties: { role: 'outline' } },
    { type: 'Feature', geometry: { type: 'Point', coordinates: [0.5, 0.2] }, properties: { role: 'sounding', depth_m: 3 } },
  ],
};
const spot = (name: string, at: [number, number] = [0.6, 0.2]) => ({ role: 'spot' as const, at, name, id: name });
const names = (file: WaterFile) => file.features.map((f) => (f.properties as { name?: string }).name ?? f.properties.role);
const marked = (file: WaterFile, ...marks: string[]) => marks.reduce((f, m) => withMark(f, spot(m)), file);

test('what both phones marked is there, and what either took away is gone', () => {
  const base = marked(plain, 'old', 'gone');
  const mine = marked(withoutMark(base, 3), 'mine');
  const theirs = marked(base, 'theirs');
  expect(names(mergedWater(base, mine, theirs))).toEqual(['outline', 'sounding', 'old', 'theirs', 'mine']);
  expect(names(mergedWater(base, theirs, mine))).toEqual(['outline', 'sounding', 'old', 'mine', 'theirs']);
});

test('a mark that one phone moved and the other took away stays', () => {
  const base = marked(plain, 'reef');
  const moved = {
    ...base,
    features: base.features.map((f, i) => (i === 2 ? { ...f, geometry: { type: 'Point' as const, coordinates: [0.7, 0.3] as [number, number] } } : f)),
  } as WaterFile;
  const without = withoutMark(base, 2);
  expect(names(mergedWater(base, moved, without))).toContain('reef');
  expect(names(mergedWater(base, without, moved))).toContain('reef');
});

test('a shore and a figure changed on one side only stand, and without a base nothing is lost', () => {
  const ring: [number, number][] = [...shore.slice(0, 3), [0, 1]];
  const mine = withOutline(plain, ring);
  const theirs = { ...marked(plain, 'theirs'), water: { ...plain.water, secchi_m: 3.5 } };
  const joined = mergedWater(plain, mine, theirs);
  expect(joined.features[0]).toEqual(mine.features[0]);
  expect(joined.water.secchi_m).toBe(3.5);
  expect(names(joined)).toEqual(['outline', 'sounding', 'theirs']);
  expect(names(mergedWater(null, marked(plain, 'mine'), theirs))).toEqual(['outline', 'sounding', 'theirs', 'mine']);
});

test('joining the same change twice changes nothing, and an unchanged side gives the other', () => {
  const subsets = fc.subarray(['a', 'b', 'c', 'd', 'e', 'f']);
  fc.assert(
    fc.property(subsets, subsets, subsets, (old, left, right) => {
      const [base, mine, theirs] = [old, left, right].map((list) => marked(plain, ...list));
      const joined = mergedWater(base, mine, theirs);
      expect(mergedWater(base, joined, joined)).toEqual(joined);
      expect(new Set(names(mergedWater(base, base, theirs)))).toEqual(new Set(names(theirs)));
      expect(new Set(names(mergedWater(base, mine, base)))).toEqual(new Set(names(mine)));
      // By each mark alone: there when either side added it, or when neither took it away.
      for (const mark of ['a', 'b', 'c', 'd', 'e', 'f']) {
        const wanted = old.includes(mark) ? left.includes(mark) && right.includes(mark) : left.includes(mark) || right.includes(mark);
        expect(names(joined).filter((n) => n === mark)).toHaveLength(wanted ? 1 : 0);
      }
    }),
  );
});
