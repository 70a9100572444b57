import fc from 'fast-check';
import type { Spot } from '../src/casting';
import {
  baitDepths,
  depthBelief,
  dragOfTouch,
  driftLane,
  lineOut,
  mostLineM,
  placeOnLane,
  reversed,
  speedInTurn,
  spreadDepths,
  trolledLine,
  turnAhead,
  windDrift,
  type TrolledRig,
} from '../src/troll';
import { soundedBed } from './sounded-bed';

const lead = (massG: number, lineMm: number): TrolledRig => ({ lure: { massG, material: 'lead', shape: 'sphere' }, lineMm });

describe('line', () => {
  // Reference: the curve followed with friction along the line, C_t 0.012.
  test.each([
    [28, 0.25, 20, 0.5, 11.95],
    [10, 0.25, 30, 0.7, 4.91],
    [60, 0.4, 30, 1.1, 6.44],
  ])('%i g on %f mm, %i m out at %f m/s runs at %f m', (massG, lineMm, outM, speedMs, depthM) => {
    expect(trolledLine(lead(massG, lineMm), outM, speedMs).depthM).toBeCloseTo(depthM, 2);
  });

  test('line out and depth invert each other within 1 %', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 200, noNaN: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        fc.double({ min: 1, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 2.5, noNaN: true }),
        (massG, lineMm, outM, speedMs) => {
          const rig = lead(massG, lineMm);
          const { depthM } = trolledLine(rig, outM, speedMs);
          if (depthM < 0.1) return;
          const back = lineOut(rig, depthM, speedMs);
          expect(Math.abs(back - outM) / outM).toBeLessThan(0.01);
          expect(Math.abs(trolledLine(rig, Math.max(0.1, back), speedMs).depthM - depthM) / depthM).toBeLessThan(0.01);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('one touch of the bed tells the drag: any drag comes back as the depth it ran at, a bare weight as none, and what no weight can do is refused', () => {
    for (const massG of [7, 28, 110])
      for (const speedMs of [0.4, 0.9, 1.6])
        for (const dragAreaM2 of [2e-4, 1e-3, 4e-3]) {
          const rig = lead(massG, 0.28);
          const touchM = trolledLine({ ...rig, dragAreaM2 }, 40, speedMs).depthM;
          const bareM = trolledLine(rig, 40, speedMs).depthM;
          // A drag that pulls a light bait's line straight can run as deep as none.
          if (touchM > 0.97 * bareM) continue;
          const drag = dragOfTouch(rig, 40, touchM, speedMs);
          expect(trolledLine({ ...rig, dragAreaM2: drag }, 40, speedMs).depthM).toBeCloseTo(touchM, 4);
        }
    const bareM = trolledLine(lead(28, 0.25), 20, 0.5).depthM;
    expect(dragOfTouch(lead(28, 0.25), 20, bareM, 0.5)).toBe(0);
    expect(() => dragOfTouch(lead(28, 0.25), 20, bareM * 1.2, 0.5)).toThrow(/no deeper than the 11.9 m that the bare weight runs at/);
    expect(() => dragOfTouch(lead(28, 0.25), 20, 5, 0)).toThrow(RangeError);
  });

  test('it hangs straight down at rest, deeper the heavier, shallower the faster, thicker and the more it drags', () => {
    expect(trolledLine(lead(10, 0.3), 25, 0).depthM).toBeCloseTo(25, 6);
    const at = (massG: number, lineMm: number, speed: number, dragAreaM2 = 0) => trolledLine({ ...lead(massG, lineMm), dragAreaM2 }, 30, speed).depthM;
    expect(at(30, 0.3, 1)).toBeGreaterThan(at(20, 0.3, 1));
    expect(at(20, 0.3, 1.2)).toBeLessThan(at(20, 0.3, 1));
    expect(at(20, 0.4, 1)).toBeLessThan(at(20, 0.3, 1));
    // What drags pulls the bait back; a long light line it also pulls straight, so this is asked of a short one.
    const short = (dragAreaM2: number) => trolledLine({ ...lead(60, 0.2), dragAreaM2 }, 5, 1).depthM;
    expect(short(0.001)).toBeLessThan(short(0));
    expect(trolledLine(lead(500, 0.1), 20, 0.2).depthM).toBeGreaterThan(19.9);
  });

  test('past 200 m of line it says so, and what would help', () => {
    expect(() => lineOut(lead(1, 0.4), 30, 2)).toThrow(/expected a depth that 200 m of line reaches, found 30 m: .* runs at \d/);
    expect(() => trolledLine(lead(10, 0.3), mostLineM + 1, 1)).toThrow(RangeError);
  });

  test('a second bait runs shallower by less than the line between them', () => {
    const [end, second] = baitDepths(lead(20, 0.3), 25, 0.9, 3);
    expect(second).toBeLessThan(end);
    expect(end - second).toBeLessThanOrEqual(3);
    expect(baitDepths(lead(20, 0.3), 25, 0.9, null)).toHaveLength(1);
  });

  test('in a turn of radius R a line at b runs at v(1 ± b/R), the outer one faster and shallower', () => {
    expect(speedInTurn(1, 3, 15, 'outside')).toBeCloseTo(1.2, 12);
    expect(speedInTurn(1, 3, 15, 'inside')).toBeCloseTo(0.8, 12);
    expect(() => speedInTurn(1, 16, 15, 'inside')).toThrow(/expected a turn wider than the rods/);
  });
});

describe('steering', () => {
  const spots: Spot[] = Array.from({ length: 101 }, (_, k) => ({ x: k, y: 0 }));

  test('how far along and beside a lane one is, and to which side', () => {
    expect(placeOnLane(spots, { x: 40.5, y: 6 }, null)).toMatchObject({ alongM: 40.5, offM: 6, side: 'left', bearingDeg: 90 });
    expect(placeOnLane(spots, { x: 10, y: -3 }, null)).toMatchObject({ alongM: 10, offM: 3, side: 'right' });
  });

  test('where a lane passes a place twice, one stays on the leg one is on', () => {
    const back = [...spots, ...spots.map((s) => ({ x: 100 - s.x, y: 2 }))];
    expect(placeOnLane(back, { x: 50, y: 1 }, 45).alongM).toBeLessThan(60);
    expect(placeOnLane(back, { x: 50, y: 1 }, 150).alongM).toBeGreaterThan(140);
  });

  test('run the other way a right turn is a left one, as far from the other end', () => {
    const lane = { spots, lengthM: 100, inBandShare: 1, leastClearanceM: 1, tightestTurnM: 20, turns: [{ fromM: 20, toM: 30, side: 'right' as const, byDeg: 40 }] };
    expect(reversed(lane).turns).toEqual([{ fromM: 70, toM: 80, side: 'left', byDeg: 40 }]);
    expect(reversed(reversed(lane))).toEqual(lane);
    expect(turnAhead(lane.turns, 10)?.fromM).toBe(20);
    expect(turnAhead(lane.turns, 31)).toBeNull();
  });

  test('a drift goes downwind, faster in more wind, and ends before the bait drags', () => {
    expect(windDrift(5, 250, 'boat')).toMatchObject({ towardDeg: 70 });
    expect(windDrift(8, 0, 'kayak').speedMs).toBeGreaterThan(windDrift(4, 0, 'kayak').speedMs);
    expect(windDrift(8, 0, 'with-sock').speedMs).toBeLessThan(windDrift(8, 0, 'boat').speedMs);
    const { water, frame } = soundedBed((x) => 8 - x / 20, 100);
    const drift = driftLane(water, water.spot(frame.toLonLat(-80, 0)), { windMs: 5, fromDeg: 270 }, 'boat', { fromM: 6, toM: 12 }, 4, 5, 400)!;
    expect(drift.leastClearanceM).toBeGreaterThanOrEqual(1);
    expect(drift.lengthM).toBeGreaterThan(100);
    expect(drift.lengthM).toBeLessThan(150);
    expect(driftLane(water, water.spot(frame.toLonLat(-80, 0)), { windMs: 0, fromDeg: 270 }, 'boat', { fromM: 6, toM: 12 }, 4, 5, 400)).toBeNull();
  });
});

describe('spread', () => {
  const band = { fromM: 2, toM: 10 };

  test('without bites it is even, however many lines and baits', () => {
    for (let rods = 1; rods <= 6; rods++)
      for (const baitsPerRod of [1, 2]) {
        const depths = spreadDepths({ band, rods, baitsPerRod, fished: [] })
          .flat()
          .sort((a, b) => a - b);
        const gap = 8 / (rods * baitsPerRod);
        depths.forEach((d, k) => expect(Math.abs(d - (2 + (k + 0.5) * gap))).toBeLessThan(0.2));
      }
  });

  test('after three bites at one depth most lines have a bait within half a metre, and one line none', () => {
    for (const hot of [2.5, 4, 6.25, 8, 9.75])
      for (const rods of [3, 4, 6])
        for (const baitsPerRod of [1, 2]) {
          const fished = [3, 5, 7, 9].map((depthM) => ({ depthM, bites: 0, minutes: 30 })).concat({ depthM: hot, bites: 3, minutes: 30 });
          const lines = spreadDepths({ band, rods, baitsPerRod, fished });
          const near = lines.filter((l) => l.some((m) => Math.abs(m - hot) <= 0.5 + 1e-9)).length;
          expect(lines).toHaveLength(rods);
          expect(lines.every((l) => l.length === baitsPerRod)).toBe(true);
          expect(near).toBeGreaterThan(rods / 2);
          expect(lines.filter((l) => l.every((m) => Math.abs(m - hot) > 0.5)).length).toBeGreaterThanOrEqual(1);
          for (const m of lines.flat()) expect(m).toBeGreaterThanOrEqual(0);
        }
  });

  test('belief is a chance: it sums to one, rises where it bit, and falls where nothing did for long', () => {
    const before = depthBelief(band, []);
    expect(before.reduce((s, b) => s + b.chance, 0)).toBeCloseTo(1, 9);
    const after = depthBelief(band, [{ depthM: 4, bites: 0, minutes: 240 }]);
    const at = (belief: typeof before, m: number) => belief.find((b) => Math.abs(b.depthM - m) < 0.13)!.chance;
    expect(at(after, 4)).toBeLessThan(at(before, 4));
    expect(at(after, 8)).toBeGreaterThan(at(before, 8));
  });

  test('asked for what cannot be it says what was expected', () => {
    expect(() => spreadDepths({ band: { fromM: 5, toM: 5 }, rods: 2, baitsPerRod: 1, fished: [] })).toThrow(/the lesser first/);
    expect(() => spreadDepths({ band, rods: 0, baitsPerRod: 1, fished: [] })).toThrow(RangeError);
  });
});
