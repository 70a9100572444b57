import { hourMs, normal, seededRandom, type Random } from '../src/units';
import { findFronts, findPhases, type FrontKind, type WeatherHour } from '../src/weather';

const startMs = Date.UTC(2027, 1, 1);
const hours = 144;

interface Scripted {
  kind: FrontKind;
  at: number;
  stepC: number;
  troughHpa: number;
  /** Hours over which the new air comes in. */
  onsetH: number;
  /** Whether the wind turns against the clock, as a low passes on the other side. */
  backs?: boolean;
}

const between = (random: Random, low: number, high: number) => low + (high - low) * random();

/** Six days: rhythm of the day, air tide, slow swings of the glass, noise, gaps and decoys; perhaps one front. */
function series(seed: number, front: Scripted | null): WeatherHour[] {
  const random = seededRandom(7000 + seed);
  const swing = between(random, 2, 5);
  const mean = between(random, -12, 2);
  const quarter = between(random, 150, 230);
  const wave = between(random, 0, 6);
  // Decoys keep clear of the front, so that what is found can be told apart.
  const clear = (from: number, to: number) => {
    for (;;) {
      const at = between(random, from, to);
      if (!front || Math.abs(at - front.at) > 22) return at;
    }
  };
  const cloudBreak = clear(20, hours - 20);
  const trough = { at: clear(20, hours - 20), hpa: between(random, 2, 4) };
  const breezeDay = Math.floor(between(random, 1, 5));
  const rows = Array.from({ length: hours }, (_, h): WeatherHour => {
    const hourOfDay = h % 24;
    let air = mean + swing * Math.cos(((hourOfDay - 15) * Math.PI) / 12) + 0.35 * normal(random);
    let glass = 1018 + 0.4 * Math.cos(((hourOfDay - 10) * Math.PI) / 6) + 2.5 * Math.sin(h / 29 + wave) + 0.15 * normal(random);
    let cloud = 0.45 + 0.2 * Math.sin(h / 17 + wave) + 0.08 * normal(random);
    let from = quarter + 12 * Math.sin(h / 19) + 8 * normal(random);
    let wind = 2.5 + 0.6 * normal(random);
    let rain = 0;
    cloud -= 0.4 * Math.exp(-(((h - cloudBreak) / 3) ** 2));
    glass -= trough.hpa * Math.exp(-(((h - trough.at) / 9) ** 2));
    if (Math.floor(h / 24) === breezeDay && hourOfDay >= 12 && hourOfDay <= 17 && (!front || Math.abs(h - front.at) > 18)) from += 110;
    if (front) {
      const since = h - front.at;
      const done = 1 / (1 + Math.exp((-4.4 * since) / front.onsetH));
      air += (front.kind === 'warm' ? 1 : -1) * front.stepC * done;
      glass -= front.troughHpa * Math.exp(-((since / (since < 0 ? 13 : 7)) ** 2));
      from += (front.backs ? -1 : 1) * (front.kind === 'cold' ? between(random, 85, 95) : between(random, 65, 75)) * done;
      const deck = Math.exp(-(((since + 2) / 6) ** 2));
      cloud += (0.95 - cloud) * deck;
      wind += 4 * Math.exp(-((since / 7) ** 2));
      rain = deck > 0.6 ? 1.2 * deck : 0;
    }
    return {
      atMs: startMs + h * hourMs,
      airC: air,
      pressureHpa: glass,
      windMs: Math.max(0.2, wind),
      windFromDeg: ((from % 360) + 360) % 360,
      cloud: Math.min(1, Math.max(0, cloud)),
      precipMm: rain,
      snowCm: 10,
    };
  });
  // Two short gaps, and a column that fails for an hour here and there.
  const gapAt = Math.floor(between(random, 12, hours - 12));
  return rows.filter((_, h) => h <= gapAt || h > gapAt + 2).map((row) => (random() < 0.03 ? { ...row, airC: null } : random() < 0.03 ? { ...row, pressureHpa: null } : row));
}

const scripted = (seed: number, kind: 'cold' | 'warm'): Scripted => {
  const random = seededRandom(900 + seed);
  return { kind, at: Math.round(between(random, 40, 104)), stepC: between(random, 3, 12), troughHpa: between(random, 3, 15), onsetH: between(random, 1, 12) };
};

const trials = [
  ...Array.from({ length: 20 }, (_, i) => ({ seed: i, front: scripted(i, 'cold') })),
  ...Array.from({ length: 20 }, (_, i) => ({ seed: 20 + i, front: scripted(20 + i, 'warm') })),
  ...Array.from({ length: 20 }, (_, i) => ({ seed: 40 + i, front: null })),
];

test('sixty series: fronts found within three hours and named rightly, hardly any that are none', () => {
  let found = 0;
  let right = 0;
  let falseWithout = 0;
  let falseInAll = 0;
  for (const { seed, front } of trials) {
    const fronts = findFronts(series(seed, front), 47);
    const hit = front && fronts.find((f) => Math.abs(f.atMs - (startMs + front.at * hourMs)) <= 3 * hourMs);
    if (hit) found++;
    if (hit && hit.kind === front.kind) right++;
    const others = fronts.filter((f) => f !== hit).length;
    if (!front) falseWithout += others;
    falseInAll += others;
  }
  expect(found).toBeGreaterThanOrEqual(36);
  expect(right / found).toBeGreaterThanOrEqual(0.9);
  expect(falseWithout).toBeLessThanOrEqual(1);
  expect(falseInAll).toBeLessThanOrEqual(3);
});

test('the same in the southern hemisphere, mirrored', () => {
  let found = 0;
  for (const { seed, front } of trials.slice(0, 10)) {
    const mirrored = series(seed, front).map((row) => ({ ...row, windFromDeg: row.windFromDeg === null ? null : (360 - row.windFromDeg) % 360 }));
    if (findFronts(mirrored, -44).some((f) => f.kind === 'cold' && Math.abs(f.atMs - (startMs + front!.at * hourMs)) <= 3 * hourMs)) found++;
  }
  expect(found).toBeGreaterThanOrEqual(9);
});

test('an occluded front, wind and glass and rain without a new air, is told from both', () => {
  let right = 0;
  for (let seed = 1; seed <= 10; seed++) {
    const front: Scripted = { kind: 'occluded', at: 50 + 4 * seed, stepC: 0.3, troughHpa: 5 + 0.6 * seed, onsetH: 4 };
    const near = findFronts(series(60 + seed, front), 47).find((f) => Math.abs(f.atMs - (startMs + front.at * hourMs)) <= 3 * hourMs);
    if (near?.kind === 'occluded') right++;
  }
  expect(right).toBeGreaterThanOrEqual(9);
});

test('cold air that comes with a backing wind, as a low passes on the other side, is found and called cold; warm air so is none', () => {
  let cold = 0;
  let warm = 0;
  for (let seed = 0; seed < 20; seed++) {
    const near = (kind: 'cold' | 'warm') => {
      const front = { ...scripted(120 + seed, kind), stepC: 5 + 0.3 * seed, backs: true };
      return findFronts(series(140 + seed, front), 47).filter((f) => Math.abs(f.atMs - (startMs + front.at * hourMs)) <= 4 * hourMs);
    };
    if (near('cold').some((f) => f.kind === 'cold' && f.evidence.some((e) => e.sign === 'wind shift' && e.amount < 0))) cold++;
    warm += near('warm').length;
  }
  expect(cold).toBeGreaterThanOrEqual(16);
  expect(warm).toBeLessThanOrEqual(4);
});

test('behind such a change the phases are those behind a front', () => {
  const front: Scripted = { kind: 'cold', at: 60, stepC: 8, troughHpa: 9, onsetH: 4, backs: true };
  const rows = series(171, front);
  const names = new Set(
    findPhases(rows, findFronts(rows, 47), rows.at(-1)!.atMs)
      .filter((p) => p.fromMs > startMs + 64 * hourMs && p.toMs < startMs + 100 * hourMs)
      .map((p) => p.name),
  );
  expect([...names].some((n) => n === 'post-front clear' || n === 'settling')).toBe(true);
});
