import { outAlong } from '@burrow/core/casting';
import type { LonLat } from '@burrow/core/ground';
import { bandPath, bearingOfTouch, castFrame, depthFigures, placeChips, ringsPath, showsCast, type Chip } from '../src/features/cast/frame';
import { sectionFrame } from '../src/features/cast/section-frame';
import { metric } from '@burrow/core/units';
import { starPath } from '../src/features/cast/shapes';
import { groundApi } from '../src/workers/ground.api';

const metre = 1 / 111_195;
const at = (x: number, y: number): LonLat => [x * metre, y * metre];
/** A square pond whose bed falls to the north. */
const ring = [at(0, 0), at(120, 0), at(120, 120), at(0, 120)];
const soundings = Array.from({ length: 100 }, (_, k) => ({ at: at(6 + 12 * (k % 10), 6 + 12 * Math.floor(k / 10)), depthM: (6 + 12 * Math.floor(k / 10)) / 12 }));
const ground = groundApi.build('pond', ring, soundings, 1, 0);
const size = { width: 390, height: 300 };

it('every cast of the fan has room in the picture, and a touch at its end aims along it', () => {
  for (const bearings of [[0, 20, 340], [80, 100], [10, 130, 250], []]) {
    const frame = castFrame(ground, at(60, 30), 25, bearings, size);
    for (const deg of bearings) {
      const end = frame.spotPx(outAlong(frame.spot, deg, 25));
      expect(end.x).toBeGreaterThan(20);
      expect(end.y).toBeGreaterThan(20);
      expect(end.x).toBeLessThan(size.width - 20);
      expect(end.y).toBeLessThan(size.height - 20);
      const aimed = bearingOfTouch(frame, end.x, end.y);
      expect(Math.abs(((aimed - deg + 540) % 360) - 180)).toBeLessThan(0.01);
    }
    for (const deg of bearings) expect(showsCast(frame, deg, 25)).toBe(true);
    expect(frame.toPx(at(60, 30))).toEqual({ x: expect.closeTo(frame.at.x, 3), y: expect.closeTo(frame.at.y, 3) });
  }
});

it('a cast that points out of the picture is told from one that is in it', () => {
  const frame = castFrame(ground, at(60, 30), 25, [0, 20], size);
  expect(showsCast(frame, 10, 25)).toBe(true);
  expect(showsCast(frame, 180, 25)).toBe(false);
});

it('names stand beside one another, never over one another or the edge; those without room are left out', () => {
  const chips: Chip[] = Array.from({ length: 30 }, (_, k) => ({ id: String(k), text: `name ${k}`, tone: 'ink', x: 100 + (k % 6) * 14, y: 100 + Math.floor(k / 6) * 10 }));
  const placed = placeChips(chips, size.width, size.height, [{ left: 0, top: 0, width: 150, height: 66 }]);
  expect(placed[0].id).toBe('0');
  expect(placed.length).toBeGreaterThan(4);
  expect(placed.length).toBeLessThan(30);
  placed.forEach((a, i) => {
    expect(a.left >= 4 && a.top >= 4 && a.left + a.width <= size.width - 4 && a.top + 26 <= size.height - 4).toBe(true);
    for (const b of placed.slice(i + 1)) expect(a.left < b.left + b.width && b.left < a.left + a.width && a.top < b.top + 26 && b.top < a.top + 26).toBe(false);
  });
});

it('the bed is drawn with its band, its depths named where no other figure stands', () => {
  const frame = castFrame(ground, at(60, 30), 25, [0, 30], size);
  expect(ringsPath([ring], frame)).toMatch(/^M[\d.-]+ [\d.-]+Q/);
  expect(ringsPath([[at(5000, 5000), at(5010, 5000), at(5010, 5010)]], frame)).toBe('');
  expect(bandPath(ground, { fromM: 3, toM: 5 }, frame).fill.length).toBeGreaterThan(20);
  const figures = depthFigures(ground, castFrame(ground, at(60, 30), 60, [0, 30], size));
  expect(figures.length).toBeGreaterThan(1);
  figures.forEach((a, i) => figures.slice(i + 1).forEach((b) => expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(54)));
  expect(starPath(0, 0, { points: 4, outer: 10, inner: 4 }).match(/L/g)).toHaveLength(7);
});

it('a drawn-down level leaves the edge of the water as the first line, and a level that leaves none is refused', () => {
  const low = groundApi.build('pond', ring, soundings, 1, -3);
  expect(low.levelM).toBe(-3);
  expect(low.contours[0].depthM).toBeLessThan(0.05);
  expect(low.map.deepest.depthM).toBeCloseTo(ground.map.deepest.depthM - 3, 5);
  expect(low.hypsography.areasM2[0]).toBeLessThan(ground.hypsography.areasM2[0]);
  expect(() => groundApi.build('pond', ring, soundings, 1, -50)).toThrow('expected a level that leaves water');
});

it('a name of a place under the cast and the words of the fall never stand on each other', () => {
  const size = { width: 390, height: 180 };
  const over = (outM: number, depthM: number, castM = 25) => {
    const bed = Array.from({ length: castM + 1 }, (_, k) => ({ outM: k, depthM: k === outM ? depthM : 0.4 + k / 15 }));
    const section = { bed, path: [], lengthM: castM, landsM: 2 };
    const passed = [{ target: { kind: 'hard', name: 'reed edge' }, outM }];
    const advice = { cast: { section, dived: null, passed }, retrieve: { fallS: null, restS: 8, hardRestS: 8 } };
    const frame = sectionFrame({ settings: { band: { fromM: 0.5, toM: 2 }, query: { castM } }, advice, bait: { outM: 1 } } as never, size, metric);
    const [mark] = frame.marks;
    const wide = (text: string) => text.length * 8.2;
    const name = { left: mark.isLeft ? mark.nameX - wide(mark.name) : mark.nameX, right: mark.isLeft ? mark.nameX : mark.nameX + wide(mark.name), y: mark.nameY };
    const fall = { left: frame.fallAt.x - wide(frame.fall), right: frame.fallAt.x, y: frame.fallAt.y };
    return { name, meets: name.left < fall.right && fall.left < name.right && Math.abs(name.y - fall.y) < 18 };
  };
  for (let outM = 1; outM < 25; outM++) for (const depthM of [0.2, 0.5, 0.9, 1.4, 2]) expect(over(outM, depthM).meets).toBe(false);
  // Where there is room it stands over its place, in the water.
  expect(over(3, 1.6).name.y).toBeLessThan(180 / 2 + 40);
});
