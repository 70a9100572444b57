import type { CastWater, Spot } from '../src/casting';
import { deepNear, planLane, spotAlong, startWithinM, tightestTurn } from '../src/troll';
import { seededRandom } from '../src/units';
import { bestShareInBand } from './lane-optimum';
import { soundedBed } from './sounded-bed';

const depthsAlong = (water: CastWater, spots: readonly Spot[], length: number) =>
  Array.from({ length: Math.floor(length / 0.5) }, (_, k) => spotAlong(spots, k * 0.5)).map((s) => water.depth(s.x, s.y));

describe('lane', () => {
  const cone = soundedBed((x, y) => 20 * (1 - Math.hypot(x, y) / 150), 150, 7, 60);

  test('over a cone it is a circle that holds the depth, clear of the bed and no tighter than asked', () => {
    const { water, frame } = cone;
    const start = water.spot(frame.toLonLat(90, 0));
    const lane = planLane(water, { band: { fromM: 7, toM: 9 }, baitM: 4, clearanceM: 1, turnM: 20, lengthM: 500, start });
    expect(lane.inBandShare).toBeGreaterThanOrEqual(0.95);
    expect(lane.leastClearanceM).toBeGreaterThanOrEqual(1);
    expect(lane.tightestTurnM).toBeGreaterThanOrEqual(20);
    expect(Math.abs(lane.lengthM - 500) / 500).toBeLessThan(0.1);
    expect(Math.hypot(lane.spots[0].x - start.x, lane.spots[0].y - start.y)).toBeLessThanOrEqual(startWithinM);
    expect(Math.min(...depthsAlong(water, lane.spots, lane.lengthM))).toBeGreaterThanOrEqual(5);
    const radii = lane.spots.map((s) => Math.hypot(s.x - cone.water.spot(frame.toLonLat(0, 0)).x, s.y - cone.water.spot(frame.toLonLat(0, 0)).y));
    expect(Math.max(...radii) - Math.min(...radii)).toBeLessThan(20);
  });

  test('along a straight edge it runs along the contour', () => {
    const { water } = soundedBed((x, y) => 6 + (y + 90) / 15, 90);
    const lane = planLane(water, { band: { fromM: 9, toM: 10 }, baitM: 5, clearanceM: 1, turnM: 15, lengthM: 140, start: null });
    expect(lane.inBandShare).toBeGreaterThanOrEqual(0.99);
    expect(lane.turns).toEqual([]);
  });

  /** A shore of another making, the middle of it, and what is left of its random numbers. */
  const shoreOf = (seed: number) => {
    const random = seededRandom(500 + seed);
    const bumps = Array.from({ length: 6 }, () => ({ x: 240 * (random() - 0.5), y: 240 * (random() - 0.5), r: 25 + 40 * random(), h: 8 * (random() - 0.35) }));
    const { water, frame } = soundedBed((x, y) => 9 + 0.03 * x + bumps.reduce((s, b) => s + b.h * Math.exp(-((x - b.x) ** 2 + (y - b.y) ** 2) / b.r ** 2), 0), 130, 8);
    return { water, middle: water.spot(frame.toLonLat(0, 0)), random };
  };

  test('twenty shores of another making: clearance never broken, turns kept', () => {
    for (let seed = 0; seed < 20; seed++) {
      const { water, random } = shoreOf(seed);
      const query = { band: { fromM: 7, toM: 9.5 }, baitM: 4 + 2 * random(), clearanceM: 0.8, turnM: 12 + 10 * random(), lengthM: 260, start: null };
      const lane = planLane(water, query, 600);
      expect(lane.leastClearanceM).toBeGreaterThanOrEqual(query.clearanceM);
      expect(Math.min(...depthsAlong(water, lane.spots, lane.lengthM))).toBeGreaterThanOrEqual(query.baitM + query.clearanceM - 1e-6);
      expect(lane.tightestTurnM).toBeGreaterThanOrEqual(query.turnM);
      expect(tightestTurn(lane.spots, query.turnM)).toBeCloseTo(lane.tightestTurnM, 6);
    }
  });

  test('five of them, a narrow band and wide turns: near the best that a fine programme of its own finds', () => {
    for (let seed = 0; seed < 5; seed++) {
      const { water, middle } = shoreOf(seed);
      const query = { band: { fromM: 7.8, toM: 8 }, baitM: 5, clearanceM: 0.8, turnM: 30, lengthM: 260, start: null };
      const best = bestShareInBand(water, { ...query, leastM: query.baitM + query.clearanceM, middle, half: 130 });
      expect(best).toBeGreaterThan(0.8);
      expect(planLane(water, query).inBandShare).toBeGreaterThanOrEqual(0.8 * best);
    }
  });

  test('where no bait clears the bed, and where there is no room, it says so', () => {
    const { water, frame } = cone;
    expect(() => planLane(water, { band: { fromM: 1, toM: 2 }, baitM: 25, clearanceM: 1, turnM: 15, lengthM: 100, start: null })).toThrow(/expected water of 26\.1 m/);
    expect(() => planLane(water, { band: { fromM: 1, toM: 2 }, baitM: 10, clearanceM: 1, turnM: 15, lengthM: 100, start: water.spot(frame.toLonLat(130, 0)) })).toThrow(
      /within 30 m of the start/,
    );
    expect(() => planLane(water, { band: { fromM: 1, toM: 2 }, baitM: 18, clearanceM: 0.5, turnM: 40, lengthM: 300, start: null })).toThrow(/expected room for a lane of 300 m/);
    const deep = deepNear(water, water.spot(frame.toLonLat(130, 0)), 8, 200)!;
    expect(water.depth(deep.x, deep.y)).toBeGreaterThanOrEqual(8);
    expect(deepNear(water, water.spot(frame.toLonLat(130, 0)), 30, 200)).toBeNull();
  });
});
