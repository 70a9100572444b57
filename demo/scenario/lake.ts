import type { WaterFile } from '@burrow/contract/formats';
import { bell, Chart, type Metres } from './chart';

const areaM2 = 610_000;

const shape = (theta: number) =>
  1 + 0.16 * Math.cos(2 * (theta - 1.9)) + 0.1 * Math.cos(3 * (theta - 0.4)) + 0.05 * Math.cos(5 * (theta - 1)) - 0.22 * Math.exp(-(((theta - 3.6) / 0.35) ** 2));

const turns = Array.from({ length: 96 }, (_, i) => (i / 96) * 2 * Math.PI);
const unitArea = (() => {
  let twice = 0;
  for (let i = 0; i < turns.length; i++) {
    const [a, b] = [turns[i], turns[(i + 1) % turns.length]];
    twice += shape(a) * shape(b) * Math.sin(b - a);
  }
  return Math.abs(twice) / 2;
})();
const size = Math.sqrt(areaM2 / unitArea);

const shore = turns.map((t): Metres => [size * shape(t) * Math.cos(t), size * shape(t) * Math.sin(t)]);
const chart = new Chart(-140, 47, shore);

/** The main basin: long slopes on three sides, a steep break down to it on the eastern one. */
function mainBasin(x: number, y: number): number {
  const across = x < 150 ? ((x - 150) / 150) ** 2 : ((x - 150) / 140) ** 6;
  return Math.exp(-across - ((y + 60) / 200) ** 2);
}

/** A tongue of ground that runs out from the southern shore to the edge of the basin. */
const southernPoint = (x: number, y: number) => Math.exp(-(((x - 10) / 46) ** 2)) / (1 + Math.exp((y + 165) / 16));

/** The bed of the lake, m deep: a main basin under a steep eastern break, a lesser one in the west, a saddle and a hump between, a point in the south. */
export function bedDepth(x: number, y: number): number {
  const u = chart.distanceToShore(x, y);
  const east = 1 / (1 + Math.exp(-x / 70));
  const shelf = 1 - Math.exp(-((u / (95 - 62 * east)) ** 1.6));
  const deep = 3.6 + 9.8 * mainBasin(x, y) + 4.9 * bell(x, y, -210, 120, 130, 110) - 5.2 * bell(x, y, 20, 130, 55, 50) - 1.8 * bell(x, y, -260, -160, 120, 90);
  return Math.max(0, shelf * (deep - 3.2 * southernPoint(x, y)));
}

/** The water file: outline, soundings on wandering lines with a little error, inflow, weeds. */
export function tamberLake(): WaterFile {
  const creek = shore[Math.round((3.6 / (2 * Math.PI)) * 96)];
  /** A stretch of shore between two shares of the way round, counted from the east against the clock. */
  const bank = (from: number, to: number, height_m: number, steepness: 'sloping' | 'steep') =>
    chart.line(shore.slice(Math.round(from * 96), Math.round(to * 96)), { role: 'bank', height_m, steepness });
  return {
    type: 'FeatureCollection',
    water: {
      name: 'Tamber Lake',
      kind: 'lake',
      timezone: 'Etc/GMT+9',
      elevation_m: 312,
      secchi_m: 3.2,
      species: ['yellow-perch', 'black-crappie', 'bluegill', 'northern-pike', 'walleye'],
      rules: {
        fish: [
          { species: 'black-crappie', bag: 10, possession: 20 },
          { species: 'walleye', bag: 2, leastMm: 380 },
          { species: 'northern-pike', bag: 3, leastMm: 610 },
        ],
        lines: 3,
        text: 'Tip-ups in sight. No live bait fish brought in.',
        source: 'nobody: this water and its rules are made up for the demo',
        seenOn: '2026-12-01',
      },
    },
    features: [
      chart.outline(),
      chart.point(creek, { role: 'inflow', name: 'creek' }),
      chart.point([-325, -5], { role: 'cover', kind: 'weeds', name: 'weedy bay' }),
      bank(0.62, 0.85, 16, 'steep'),
      bank(0.9, 0.99, 7, 'sloping'),
      ...chart.soundings(bedDepth, { seed: 61, count: 452, apartM: 18, edgeM: 6, spanM: [2.6 * size, 2.6 * size] }),
    ],
  };
}

/** Longitude and latitude of a place on the lake, and its depth. */
export const placeOnLake = (x: number, y: number) => ({ at: chart.frame.toLonLat(x, y) as [number, number], depthM: bedDepth(x, y) });
