import { bestStance, canStand, CastWater, planFrom, shoresOfToday, stances } from '../src/casting';
import { buildDepthMap, depthAt, LocalFrame, surveyedArea, type LonLat, type Sounding } from '../src/ground';
import { planLane } from '../src/troll';

/** A round lake of radius 200 m about an island of 60 m: 10 m deep half way, nothing at either shore. */
const [shoreM, islandM, deepM] = [200, 60, 10];
const depthOf = (r: number) => {
  const u = (r - islandM) / (shoreM - islandM);
  return Math.max(0, deepM * 4 * u * (1 - u));
};
function lakeAbout(lon: number, lat: number) {
  const frame = new LocalFrame(lon, lat);
  const circle = (r: number, corners: number): LonLat[] =>
    Array.from({ length: corners }, (_, k) => frame.toLonLat(r * Math.cos((2 * Math.PI * k) / corners), r * Math.sin((2 * Math.PI * k) / corners)));
  const soundings: Sounding[] = [];
  for (let x = -shoreM; x <= shoreM; x += 12)
    for (let y = -shoreM; y <= shoreM; y += 12) {
      const r = Math.hypot(x, y);
      if (r > islandM + 3 && r < shoreM - 3) soundings.push({ at: frame.toLonLat(x, y), depthM: depthOf(r) });
    }
  const area = surveyedArea(circle(shoreM, 72), soundings, [circle(islandM, 36)]);
  return { frame, area, map: buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands }) };
}
const lake = lakeAbout(25, 62);
const water = new CastWater(lake.map);
const radius = (at: LonLat) => Math.hypot(...lake.frame.toMetres(at));

test('an island is land: no depth on it, none at its shore, and its area is no water', () => {
  expect(depthAt(lake.map, [25, 62])).toBeNull();
  expect(depthAt(lake.map, lake.frame.toLonLat(islandM + 6, 0))!.depthM).toBeLessThan(2.2);
  expect(Math.abs(depthAt(lake.map, lake.frame.toLonLat(130, 0))!.depthM - depthOf(130))).toBeLessThan(0.3);
  expect(lake.map.areaM2 / (Math.PI * (shoreM ** 2 - islandM ** 2))).toBeCloseTo(1, 1);
  // One that lies elsewhere takes nothing away.
  const far = lake.frame.toLonLat(900, 0);
  const elsewhere = [far, lake.frame.toLonLat(950, 0), lake.frame.toLonLat(900, 50)];
  const soundings = [100, 120, 140].map((x) => ({ at: lake.frame.toLonLat(x, 0), depthM: 5 }));
  expect(buildDepthMap(lake.area.ring, soundings, { islands: [elsewhere] }).areaM2).toBe(buildDepthMap(lake.area.ring, soundings).areaM2);
});

test('a lane goes round it, and a cast does not cross it', () => {
  const lane = planLane(water, { band: { fromM: 4, toM: 7 }, baitM: 2.5, clearanceM: 0.5, turnM: 20, lengthM: 600, start: null });
  expect(Math.min(...lane.spots.map((s) => radius(water.place(s))))).toBeGreaterThan(islandM);
  // From its own shore every cast lands on the side one stands on.
  const shoresAt = shoresOfToday(water, lake.area);
  expect(shoresAt).toHaveLength(2);
  const from = water.spot(lake.frame.toLonLat(islandM, 0));
  const plan = planFrom(water, from, { band: { fromM: 2, toM: 10 }, castM: 60, strikeM: 0.5 }, 4);
  for (const cast of plan.casts) {
    const a = (cast.bearingDeg * Math.PI) / 180;
    for (let m = 4; m <= cast.lengthM; m += 2) expect(Math.hypot(islandM + m * Math.sin(a), m * Math.cos(a))).toBeGreaterThan(islandM - 4);
  }
});

test('one stands on either shore, and not in the middle of the island', () => {
  expect(canStand(water, lake.area, lake.frame.toLonLat(islandM - 1, 0))).toBe(true);
  expect(canStand(water, lake.area, lake.frame.toLonLat(0, 130))).toBe(true);
  expect(canStand(water, lake.area, [25, 62])).toBe(false);
  const setting = { band: { fromM: 3, toM: 6 }, castM: 25, strikeM: 0.5 };
  const best = bestStance(water, setting, 4, stances(water, shoresOfToday(water, lake.area), true), false)!;
  expect(Math.min(Math.abs(radius(water.place(best)) - shoreM), Math.abs(radius(water.place(best)) - islandM))).toBeLessThan(6);
});

test('a water across the date line is mapped like any other', () => {
  const { map, frame } = lakeAbout(179.9995, -17);
  expect(Math.abs(depthAt(map, frame.toLonLat(130, 0))!.depthM - depthOf(130))).toBeLessThan(0.3);
  expect(depthAt(map, frame.toLonLat(-130, 0))!.depthM).toBeGreaterThan(9);
  expect(map.deepest.at[0]).toBeGreaterThanOrEqual(-180);
  expect(map.deepest.at[0]).toBeLessThanOrEqual(180);
  expect(Math.hypot(...frame.toMetres(map.deepest.at)) / 130).toBeCloseTo(1, 0);
});
