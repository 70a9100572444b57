import { seededRandom } from '../units';

/** A place in metres. */
export interface Spot {
  x: number;
  y: number;
}

export interface TourOptions {
  /** Whether it ends where it began. */
  isClosed?: boolean;
  /** Index of the place it starts from. */
  start?: number;
  seed?: number;
  /** Kicks per place of the iterated local search. */
  kicks?: number;
}

const listed = 10;

/**
 * A short walk over all places: nearest neighbour, then 2-opt and Or-opt moves, then the same after small kicks again and again
 * (iterated local search; Johnson & McGeoch 1997). Returns the order and its length, m.
 * RangeError for a start that is none of the places.
 */
export function shortTour(spots: readonly Spot[], options: TourOptions = {}): { order: number[]; lengthM: number } {
  const { isClosed = false, start, seed = 1, kicks = 12 } = options;
  const n = spots.length;
  if (start !== undefined && !(Number.isInteger(start) && start >= 0 && start < n)) throw new RangeError(`expected a start of 0 to ${n - 1}, found ${start}`);
  if (n <= 2) {
    const order = spots.map((_, i) => (start === 1 ? n - 1 - i : i));
    return { order, lengthM: lengthOf(spots, order, isClosed) };
  }
  // An open walk is a round over one place more that is next to all; a fixed start is bound to it.
  const size = isClosed ? n : n + 1;
  const dist = new Float64Array(size * size);
  let span = 0;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      dist[i * size + j] = Math.hypot(spots[i].x - spots[j].x, spots[i].y - spots[j].y);
      span = Math.max(span, dist[i * size + j]);
    }
  }
  if (!isClosed && start !== undefined) dist[start * size + n] = dist[n * size + start] = -10 * span;
  const search = new TourSearch(dist, size);
  search.run(seededRandom(seed), kicks * size);
  return read(search.tour, spots, { isClosed, start });
}

/** Length of a walk in the given order, m. */
export function lengthOf(spots: readonly Spot[], order: readonly number[], isClosed = false): number {
  let sum = 0;
  for (let k = isClosed ? 0 : 1; k < order.length; k++) {
    const [a, b] = [spots[order[(k + order.length - 1) % order.length]], spots[order[k]]];
    sum += Math.hypot(a.x - b.x, a.y - b.y);
  }
  return sum;
}

function read(tour: Int32Array, spots: readonly Spot[], { isClosed, start }: { isClosed: boolean; start?: number }) {
  const from = tour.indexOf(isClosed ? (start ?? 0) : spots.length);
  const order = Array.from({ length: spots.length }, (_, k) => tour[(from + k + (isClosed ? 0 : 1)) % tour.length]);
  if (!isClosed && start !== undefined && order[0] !== start) order.reverse();
  return { order, lengthM: lengthOf(spots, order, isClosed) };
}

/** Local search over a round, with lists of neighbours and a queue of places whose surroundings have changed. */
class TourSearch {
  readonly tour: Int32Array;
  private readonly at: Int32Array;
  private readonly near: Int32Array[];
  private readonly queue: number[] = [];
  private readonly isQueued: Uint8Array;

  constructor(
    private readonly dist: Float64Array,
    private readonly n: number,
  ) {
    this.tour = new Int32Array(n);
    this.at = new Int32Array(n);
    this.isQueued = new Uint8Array(n);
    this.near = Array.from({ length: n }, (_, i) =>
      Int32Array.from(
        Array.from({ length: n }, (_, j) => j)
          .filter((j) => j !== i)
          .sort((a, b) => dist[i * n + a] - dist[i * n + b])
          .slice(0, listed),
      ),
    );
    this.nearestNeighbour();
  }

  run(random: () => number, kicks: number): void {
    for (let i = 0; i < this.n; i++) this.push(i);
    this.settle();
    if (this.n < 8) kicks = Math.min(kicks, 60);
    let best = this.length();
    const kept = this.tour.slice();
    for (let k = 0; k < kicks; k++) {
      this.kick(random);
      this.settle();
      const now = this.length();
      if (now < best - 1e-9) {
        best = now;
        kept.set(this.tour);
      } else this.restore(kept);
    }
  }

  private d(a: number, b: number): number {
    return this.dist[a * this.n + b];
  }

  private next(city: number): number {
    const p = this.at[city] + 1;
    return this.tour[p === this.n ? 0 : p];
  }

  private prev(city: number): number {
    const p = this.at[city];
    return this.tour[p === 0 ? this.n - 1 : p - 1];
  }

  private push(city: number): void {
    if (this.isQueued[city] === 1) return;
    this.isQueued[city] = 1;
    this.queue.push(city);
  }

  private nearestNeighbour(): void {
    const { n, tour, at } = this;
    const used = new Uint8Array(n);
    for (let k = 0, city = 0; k < n; k++) {
      tour[k] = city;
      at[city] = k;
      used[city] = 1;
      let best = -1;
      for (let j = 0; j < n; j++) if (used[j] === 0 && (best < 0 || this.d(city, j) < this.d(city, best))) best = j;
      city = best;
    }
  }

  private length(): number {
    let sum = 0;
    for (let k = 0; k < this.n; k++) sum += this.d(this.tour[k], this.tour[k + 1 === this.n ? 0 : k + 1]);
    return sum;
  }

  private restore(kept: Int32Array): void {
    this.tour.set(kept);
    for (let k = 0; k < this.n; k++) this.at[kept[k]] = k;
  }

  private settle(): void {
    while (this.queue.length > 0) {
      const city = this.queue.pop()!;
      this.isQueued[city] = 0;
      while (this.twoOpt(city) || this.orOpt(city)) this.push(city);
    }
  }

  /** Replaces two steps of the walk by two shorter ones, turning what lies between round. */
  private twoOpt(a: number): boolean {
    for (const forward of [true, false]) {
      const b = forward ? this.next(a) : this.prev(a);
      const ab = this.d(a, b);
      for (const c of this.near[a]) {
        const ac = this.d(a, c);
        if (ac >= ab) break;
        const e = forward ? this.next(c) : this.prev(c);
        if (c === b || e === a) continue;
        if (ac + this.d(b, e) < ab + this.d(c, e) - 1e-9) {
          if (forward) this.reverse(b, c);
          else this.reverse(c, b);
          for (const city of [a, b, c, e]) this.push(city);
          return true;
        }
      }
    }
    return false;
  }

  /** Turns the stretch from `from` to `to`, inclusive, round; the shorter side of the round is turned. */
  private reverse(from: number, to: number): void {
    const { n, tour, at } = this;
    let [i, j] = [at[from], at[to]];
    let inside = (j - i + n) % n;
    if (2 * inside > n) {
      [i, j] = [(j + 1) % n, (i - 1 + n) % n];
      inside = (j - i + n) % n;
    }
    for (let k = (inside + 1) >> 1; k > 0; k--) {
      const [a, b] = [tour[i], tour[j]];
      tour[i] = b;
      at[b] = i;
      tour[j] = a;
      at[a] = j;
      i = i + 1 === n ? 0 : i + 1;
      j = j === 0 ? n - 1 : j - 1;
    }
  }

  /** Moves a stretch of one to three places that begins or ends at `a` next to a near place, either way round. */
  private orOpt(a: number): boolean {
    for (let count = 1; count <= Math.min(3, this.n - 3); count++) {
      for (const forward of [true, false]) {
        let end = a;
        for (let k = 1; k < count; k++) end = forward ? this.next(end) : this.prev(end);
        // The stretch runs from `a` away to `end`; `before` and `after` are left to each other.
        const before = forward ? this.prev(a) : this.next(a);
        const after = forward ? this.next(end) : this.prev(end);
        if (before === after) continue;
        const saved = this.d(before, a) + this.d(end, after) - this.d(before, after);
        if (saved <= 1e-9) continue;
        for (const c of this.near[a]) {
          const ca = this.d(c, a);
          if (ca >= saved) break;
          if (this.isWithin(c, a, count, forward)) continue;
          for (const e of [this.next(c), this.prev(c)]) {
            if (this.isWithin(e, a, count, forward)) continue;
            if (ca + this.d(end, e) - this.d(c, e) < saved - 1e-9) {
              this.relocate(a, count, forward, c, e);
              for (const city of [before, after, a, end, c, e]) this.push(city);
              return true;
            }
          }
        }
      }
    }
    return false;
  }

  private isWithin(city: number, a: number, count: number, forward: boolean): boolean {
    const way = forward ? this.at[city] - this.at[a] : this.at[a] - this.at[city];
    return (way + this.n) % this.n < count;
  }

  private relocate(a: number, count: number, forward: boolean, c: number, e: number): void {
    const stretch: number[] = [];
    for (let k = 0, city = a; k < count; k++) {
      stretch.push(city);
      city = forward ? this.next(city) : this.prev(city);
    }
    const isMoved = new Set(stretch);
    const rest = Array.from(this.tour).filter((city) => !isMoved.has(city));
    const [i, j] = [rest.indexOf(c), rest.indexOf(e)];
    // Between c and e, with `a` beside c.
    const isAfter = (i + 1) % rest.length === j;
    rest.splice(isAfter ? i + 1 : i, 0, ...(isAfter ? stretch : [...stretch].reverse()));
    this.restore(Int32Array.from(rest));
  }

  /** Swaps two neighbouring stretches of up to twelve places: a double bridge that stays in one part of the walk. */
  private kick(random: () => number): void {
    const { n, tour } = this;
    const most = Math.max(1, Math.min(12, Math.floor((n - 2) / 2)));
    const [b, c] = [1 + Math.floor(random() * most), 1 + Math.floor(random() * most)];
    const start = Math.floor(random() * n);
    const part = Array.from({ length: b + c }, (_, k) => tour[(start + k) % n]);
    const swapped = [...part.slice(b), ...part.slice(0, b)];
    swapped.forEach((city, k) => {
      tour[(start + k) % n] = city;
      this.at[city] = (start + k) % n;
    });
    for (const city of [tour[(start - 1 + n) % n], part[0], part[b - 1], part[b], part[b + c - 1], tour[(start + b + c) % n]]) this.push(city);
  }
}
