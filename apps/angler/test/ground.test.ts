import { readFileSync } from 'node:fs';
import path from 'node:path';
import { outlineOf, parseWaterFile, soundingsOf, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { riverMarksOf } from '@burrow/contract/formats/water-marks';
import { depthAt } from '@burrow/core/ground';
import type { PlaceSetting } from '@burrow/core/holes';
import { metric } from '@burrow/core/units';
import { groundApi, type PlaceQuery, type SoundingFile } from '@/workers/ground.api';

const waterOf = (name: string) => parseWaterFile(readFileSync(path.resolve(__dirname, `../../../demo/${name}.geojson`), 'utf8'));
const lake = waterOf('tamber-lake');
const river = waterOf('ullen-river');
const build = (key: string, file: WaterFile, more: { at: [number, number]; depthM: number }[] = []) => groundApi.build(key, outlineOf(file), [...soundingsOf(file), ...more], 1, 0);
const setting: PlaceSetting = { group: 'panfish', stage: 'midwinter', look: { fromM: 7, toM: 12 }, phase: 'steady', inflows: [], cover: [], isPressed: false };
const query: PlaceQuery = { water: 'lake', setting, stays: [], drilled: [], thin: [], noDeeperM: null, units: metric };

describe('the ground worker', () => {
  test('answers for the water that is asked about, whichever was drawn last', () => {
    const drawn = build('lake', lake);
    build('river', river);
    const { holes } = groundApi.plan(query, { kind: 'free', count: 5, spacingM: 20, walkM: 1500, start: drawn.map.deepest.at });
    expect(holes).toHaveLength(5);
    for (const hole of holes) expect(depthAt(drawn.map, hole.at)!.depthM).toBeCloseTo(hole.depthM, 6);
    const { pools, lies } = groundApi.river('river', riverMarksOf(river));
    expect(pools[0].depthM).toBeGreaterThan(3.6);
    expect(lies[0].by).toBe('boulder pocket');
    expect(() => groundApi.plan({ ...query, water: 'pond' }, { kind: 'free', count: 5, spacingM: 20, walkM: 1500, start: [0, 0] })).toThrow(/expected a depth map/);
  });

  test('fish that are let go again are drilled for no deeper than they live through, kept ones as deep as they are', () => {
    const { map } = build('lake', lake);
    const wish = { kind: 'free', count: 6, spacingM: 15, walkM: 1500, start: map.deepest.at } as const;
    for (const noDeeperM of [7.7, null]) {
      const holes = groundApi.plan({ ...query, noDeeperM }, wish).holes;
      expect(holes.length).toBeGreaterThan(3);
      const deepest = Math.max(...holes.map((h) => h.depthM));
      if (noDeeperM === null) expect(deepest).toBeGreaterThan(8);
      else expect(deepest).toBeLessThan(noDeeperM + 0.3);
      const next = groundApi.next({ ...query, noDeeperM }, map.deepest.at, [])!;
      if (noDeeperM !== null) expect(next.depthM).toBeLessThan(noDeeperM + 0.3);
    }
  });

  test('a hole more changes the map at its place, and the next hole keeps off it', () => {
    const { map } = build('grown', lake);
    const at = map.deepest.at as [number, number];
    const grown = build('grown', lake, [{ at, depthM: map.deepest.depthM - 3 }]);
    expect(depthAt(grown.map, at)!.depthM).toBeCloseTo(map.deepest.depthM - 3, 0);
    expect(grown.map.soundings).toBe(soundingsOf(lake).length + 1);
    const next = groundApi.next({ ...query, water: 'grown', drilled: [{ at, worth: 1, hasGiven: false }] }, at, [])!;
    expect(next.walkM).toBeGreaterThanOrEqual(8);
    expect(next.reasons.length).toBeGreaterThan(0);
    // Refused at over and over, it is not gone back to.
    expect(groundApi.next({ ...query, water: 'grown', drilled: [{ at, worth: 0.1, hasGiven: false }] }, [at[0] + 0.0003, at[1]], [])!.isRevisit).toBe(false);
  });

  test('soundings are read from any format, with what could not be', () => {
    const { soundings, leftOut, withoutDepth } = groundApi.read('lake.csv', 'lon,lat,depth_m\n-140,47,3.5\n-140,470,3\n') as SoundingFile;
    expect(soundings).toEqual([{ at: [-140, 47], depthM: 3.5 }]);
    expect(leftOut).toEqual([{ where: 'line 3', why: expect.stringMatching(/lat: expected -90 to 90/) as string }]);
    expect(withoutDepth).toBe(0);
  });
});
