import { DepthSurvey, LocalFrame, type LonLat, type Sounding } from '@burrow/core/ground';
import { seededRandom } from '@burrow/core/units';
import { featureCollection, point } from '@turf/helpers';
import { interpolate } from '@turf/interpolate';
import Flatbush from 'flatbush';
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

/** The baseline: weights of one over the squared distance to the twelve nearest, found by the same spatial index. */
function inverseDistance(known: readonly Placed[]): (x: number, y: number) => number {
  const index = new Flatbush(known.length);
  for (const { x, y } of known) index.add(x, y);
  index.finish();
  return (x, y) => {
    let [sum, weights] = [0, 0];
    for (const i of index.neighbors(x, y, 12)) {
      const weight = 1 / Math.max(1e-9, (known[i].x - x) ** 2 + (known[i].y - y) ** 2);
      sum += weight * known[i].depthM;
      weights += weight;
    }
    return sum / weights;
  };
}

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
    () => void gridOf(256, inverseDistance(known)),
  );
  const survey = build(254);
  const extra = sampled(40, 5);
  const [addMs] = fastestInTurns(extra.length, () => survey.add(extra.pop()!));

  const fitted = build(254);
  const { map } = fitted;
  const nearest = (x: number, y: number) => map.depthM[Math.round((y - map.y0) / map.cellM) * map.nx + Math.round((x - map.x0) / map.cellM)];
  const cellOf = (v: number, v0: number) => v0 + Math.round((v - v0) / map.cellM) * map.cellM;
  const weighted = inverseDistance(known);
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
