import { DepthSurvey, inverseDistance, LocalFrame, type LonLat, type Sounding } from '@burrow/core/ground';
import { seededRandom } from '@burrow/core/units';
import { featureCollection, point } from '@turf/helpers';
import { interpolate } from '@turf/interpolate';
import { fastestInTurns, type Figure } from './figure';

const frame = new LocalFrame(-140, 47);
const half = 400;
const outline: LonLat[] = [
  [-half, -half],
  [half, -half],
  [half, half],
  [-half, half],
].map(([x, y]) => frame.toLonLat(x, y));
const bed = (x: number, y: number) => 8 - (x * x + y * y) / 60_000 + 2.2 * Math.sin(x / 95) * Math.cos(y / 110) + 0.8 * Math.sin((x - 2 * y) / 60);

interface Placed extends Sounding {
  x: number;
  y: number;
}

function sampled(count: number, seed: number): Placed[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => {
    const [x, y] = [(random() - 0.5) * 2 * half, (random() - 0.5) * 2 * half];
    return { x, y, at: frame.toLonLat(x, y), depthM: bed(x, y) + 0.1 * (random() - 0.5) };
  });
}

/** The baseline, with the same spatial index. */
const weighting = (known: readonly Placed[]) => inverseDistance(known.map((s) => [s.x, s.y, s.depthM] as const));

function gridOf(cells: number, at: (x: number, y: number) => number): Float32Array {
  const grid = new Float32Array(cells * cells);
  for (let c = 0; c < grid.length; c++) grid[c] = at(((c % cells) / (cells - 1) - 0.5) * 2 * half, (Math.floor(c / cells) / (cells - 1) - 0.5) * 2 * half);
  return grid;
}

const rmsOf = (errors: number[]) => Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length);

/** The depth map against simpler and against heavier ways to one. */
export function ground(): Figure[] {
  const known = sampled(2000, 3);
  const held = sampled(400, 4).filter(({ x, y }) => Math.abs(x) < 380 && Math.abs(y) < 380);
  const build = (cells: number) => new DepthSurvey(outline, known, { cells, shore: false });
  const [mapMs, weightedMs] = fastestInTurns(
    7,
    () => void build(254),
    () => void gridOf(256, weighting(known)),
  );
  const survey = build(254);
  const extra = sampled(40, 5);
  const [addMs] = fastestInTurns(extra.length, () => survey.add(extra.pop()!));

  const fitted = build(254);
  const { map } = fitted;
  const nearest = (x: number, y: number) => map.depthM[Math.round((y - map.y0) / map.cellM) * map.nx + Math.round((x - map.x0) / map.cellM)];
  const cellOf = (v: number, v0: number) => v0 + Math.round((v - v0) / map.cellM) * map.cellM;
  const weighted = weighting(known);
  // Both are asked at the middle of the cell that a held-out place falls in.
  const places = held.map(({ x, y }) => [cellOf(x, map.x0), cellOf(y, map.y0)] as const);
  const error = rmsOf(places.map(([x, y]) => nearest(x, y) - bed(x, y)));
  const weightedError = rmsOf(places.map(([x, y]) => weighted(x, y) - bed(x, y)));

  const points = featureCollection(known.map((s) => point([...s.at], { depth: s.depthM })));
  const [smallMs, turfMs] = fastestInTurns(
    1,
    () => void build(30),
    () => void interpolate(points, (2 * half) / 32, { gridType: 'point', property: 'depth', units: 'meters', weight: 2 }),
  );

  const figure = (what: string, ratio: number, baseline: string, limit: number, detail: string): Figure => ({
    what,
    ratio,
    baseline,
    goal: `≤ ${limit.toPrecision(2)}×`,
    met: ratio <= limit,
    detail,
  });
  const ms = (a: number, b: number) => `${a.toFixed(1)} ms against ${b.toFixed(1)} ms`;
  return [
    figure(
      'depth map and its spread from 2000 soundings on 256×256',
      mapMs / weightedMs,
      'inverse-distance weighting of 12 neighbours with the same index',
      4,
      ms(mapMs, weightedMs),
    ),
    figure('its error at held-out places', error / weightedError, 'the same weighting', 0.7, `${error.toFixed(3)} m against ${weightedError.toFixed(3)} m`),
    figure('the same map on 32×32', smallMs / turfMs, '@turf/interpolate', 1, ms(smallMs, turfMs)),
    figure('one more hole on the 256×256 map', addMs / mapMs, 'building it anew', 1 / 20, ms(addMs, mapMs)),
  ];
}
