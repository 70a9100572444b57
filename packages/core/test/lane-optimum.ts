import type { CastWater, Spot } from '../src/casting';

/** What a lane is asked for, and the square that it may run in: its middle and half its side, m. */
interface Asked {
  band: { fromM: number; toM: number };
  leastM: number;
  turnM: number;
  lengthM: number;
  middle: Spot;
  half: number;
}

const [cellM, headings, stepM, looks] = [2.5, 60, 8, 6];
const bends = [0, 0.5, -0.5, 1, -1];

/**
 * The greatest share in the band that any lane of a length reaches: every place 2.5 m apart with every heading 6° apart, valued backward from the
 * end of the lane. It keeps no list of the best ways, draws nothing, and shares nothing with the planner but the arcs it may run.
 */
export function bestShareInBand(water: CastWater, { band, leastM, turnM, lengthM, middle, half }: Asked): number {
  const side = Math.floor((2 * half) / cellM) + 1;
  const steps = Math.max(2, Math.round(lengthM / stepM));
  const long = lengthM / steps;
  const states = side * side * headings;
  const next = new Int32Array(states * bends.length).fill(-1);
  const gain = new Float32Array(states * bends.length);
  for (let h = 0; h < headings; h++) {
    const heading = (h / headings) * 2 * Math.PI;
    bends.forEach((bend, b) => {
      const offsets = chordsOf(heading, bend / turnM, long);
      const h2 = (((h + Math.round(((bend * long) / turnM / (2 * Math.PI)) * headings)) % headings) + headings) % headings;
      for (let i = 0; i < side; i++)
        for (let j = 0; j < side; j++) {
          const [x, y] = [middle.x + i * cellM - half, middle.y + j * cellM - half];
          let [clear, inside] = [0, 0];
          for (; clear < looks; clear++) {
            const depth = water.depth(x + offsets[clear][0], y + offsets[clear][1]);
            if (!(depth >= leastM)) break;
            if (depth >= band.fromM && depth <= band.toM) inside++;
          }
          if (clear < looks) continue;
          const [ex, ey] = offsets[looks - 1];
          const [i2, j2] = [i + Math.round(ex / cellM), j + Math.round(ey / cellM)];
          if (i2 < 0 || j2 < 0 || i2 >= side || j2 >= side) continue;
          const at = ((i * side + j) * headings + h) * bends.length + b;
          next[at] = (i2 * side + j2) * headings + h2;
          gain[at] = inside / looks;
        }
    });
  }
  let value = new Float32Array(states);
  for (let step = 0; step < steps; step++) {
    const before = value;
    value = new Float32Array(states).fill(-Infinity);
    for (let s = 0; s < states; s++) for (let a = s * bends.length; a < (s + 1) * bends.length; a++) if (next[a] >= 0) value[s] = Math.max(value[s], gain[a] + before[next[a]]);
  }
  return value.reduce((best, v) => Math.max(best, v), 0) / steps;
}

/** Places along an arc of a curvature (1/m, to the right), from a heading clockwise from north. */
const chordsOf = (heading: number, curvature: number, long: number): [number, number][] =>
  Array.from({ length: looks }, (_, k) => {
    const s = ((k + 1) / looks) * long;
    const chord = curvature === 0 ? s : (2 * Math.sin((curvature * s) / 2)) / curvature;
    const toward = heading + (curvature * s) / 2;
    return [chord * Math.sin(toward), chord * Math.cos(toward)];
  });
