import { normal, seededRandom, type Random } from '../src/units';

/** Waters with hidden fish for trying out where to drill. Knows nothing of how holes are planned. */
export interface MadeUpLake {
  sizeM: number;
  cellM: number;
  cells: number;
  /** What the structure one can see promises, as a logarithm, cell by cell. */
  promised: Float32Array;
  outings: School[][];
}

interface School {
  kind: 'tied' | 'patchy' | 'roaming';
  x: number;
  y: number;
  /** Way a roaming one takes, m/min. */
  vx: number;
  vy: number;
  reachM: number;
  /** Fish that come by in an hour at its middle while it is about and whole. */
  perHour: number;
  fish: number;
  /** Minutes at which it comes and goes, by turns, beginning with coming. */
  turns: number[];
}

/** Smooth bumps and hollows of unit variance. */
function bumps(random: Random, cells: number, cellM: number, lengthM: number): Float32Array {
  const waves = Array.from({ length: 24 }, () => ({ k: (2 * Math.PI * (0.5 + random())) / lengthM, a: 2 * Math.PI * random(), p: 2 * Math.PI * random() }));
  return Float32Array.from({ length: cells * cells }, (_, c) => {
    const [x, y] = [(c % cells) * cellM, Math.floor(c / cells) * cellM];
    return waves.reduce((sum, w) => sum + Math.sin(w.k * (x * Math.cos(w.a) + y * Math.sin(w.a)) + w.p), 0) / Math.sqrt(12);
  });
}

export const outingMin = 300;

/** A lake by its seed. `promise` is how much of the truth the visible structure tells: 0.5 half right, −0.5 wrong. */
export function madeUpLake(seed: number, promise: number): MadeUpLake {
  const random = seededRandom(seed);
  const [cells, cellM] = [40, 10];
  const promised = bumps(random, cells, cellM, 150);
  const hidden = bumps(random, cells, cellM, 150);
  const truth = promised.map((p, c) => 1.3 * (promise * p + Math.sqrt(1 - promise * promise) * hidden[c]));
  const place = (pull: number) => draw(random, truth, pull, cells, cellM);
  const homes = Array.from({ length: 5 }, () => place(1.6));
  const outings = Array.from({ length: 5 }, () => [
    ...homes.map(([x, y]) => school(random, 'tied', x + 9 * normal(random), y + 9 * normal(random))),
    ...Array.from({ length: 4 }, () => school(random, 'patchy', ...place(0.8))),
    ...Array.from({ length: 3 }, () => school(random, 'roaming', ...place(0.4))),
  ]);
  return { sizeM: cells * cellM, cellM, cells, promised, outings };
}

function draw(random: Random, truth: Float32Array, pull: number, cells: number, cellM: number): [number, number] {
  const weights = truth.map((t) => Math.exp(pull * t));
  let left = random() * weights.reduce((a, b) => a + b, 0);
  let c = 0;
  while (c < weights.length - 1 && (left -= weights[c]) > 0) c++;
  return [(c % cells) * cellM, Math.floor(c / cells) * cellM];
}

function school(random: Random, kind: School['kind'], x: number, y: number): School {
  const turns: number[] = [];
  // It may be about already; then it goes and comes back.
  for (let at = -60 * random(), isIn = true; at < outingMin; isIn = !isIn) {
    turns.push(at);
    at += -Math.log(1 - random()) * (isIn ? 70 : 40);
  }
  const pace = kind === 'roaming' ? 1.2 : 0;
  const angle = 2 * Math.PI * random();
  return {
    kind,
    x,
    y,
    vx: pace * Math.cos(angle),
    vy: pace * Math.sin(angle),
    reachM: 12 + 8 * random(),
    perHour: 10 + 14 * random(),
    fish: 12 + Math.floor(30 * random()),
    turns,
  };
}

/** An outing under way: what comes by where one looks. */
export class HiddenFish {
  private readonly left: number[];

  constructor(
    private readonly lake: MadeUpLake,
    private readonly schools: readonly School[],
    private readonly random: Random,
  ) {
    this.left = schools.map((s) => s.fish);
  }

  /** Different fish met at a place within a minute. */
  minuteAt(x: number, y: number, min: number): number {
    let met = 0;
    this.schools.forEach((s, k) => {
      if (this.left[k] === 0) return;
      const size = this.lake.sizeM;
      // It turns back at the shore.
      const wrap = (v: number) => Math.abs((((v % (2 * size)) + 2 * size) % (2 * size)) - size);
      const [sx, sy] = s.kind === 'roaming' ? [wrap(s.x + s.vx * min + size), wrap(s.y + s.vy * min + size)] : [s.x, s.y];
      const square = ((sx - x) ** 2 + (sy - y) ** 2) / s.reachM ** 2;
      if (square > 9 || s.turns.filter((t) => t <= min).length % 2 === 0) return;
      const rate = (s.perHour / 60) * Math.exp(-square / 2) * (this.left[k] / s.fish);
      if (this.random() < rate) {
        met++;
        this.left[k]--;
      }
    });
    return met;
  }
}
