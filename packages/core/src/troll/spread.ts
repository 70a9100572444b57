import { requireWithin } from '../units';

/** A depth that was fished: minutes of bait at it, and the bites it gave; none count too. */
export interface FishedDepth {
  depthM: number;
  bites: number;
  minutes: number;
}

export interface SpreadQuery {
  band: { fromM: number; toM: number };
  rods: number;
  baitsPerRod: number;
  fished: readonly FishedDepth[];
}

/** Depths looked at, m apart; how near a bait must run to be met, m; bites a minute where they are, and elsewhere. Heuristic. */
export const spreadModel = { cellM: 0.25, reachM: 0.6, ratesPerMin: [0.02, 0.06, 0.18], strayPerMin: 0.003 } as const;

/** So many bites name a depth, and hold the lines this near to it, m. */
const [namedBy, heldM] = [2, 0.3];

/** Baits of one line hang apart by this at least, m; the line that explores keeps this far from where they bit. */
const [apartM, clearOfM] = [0.8, 0.75];

/** Chance of each depth of the band to be where they are, by what was fished: even before, Poisson bites after; its cells, m. */
export function depthBelief(band: { fromM: number; toM: number }, fished: readonly FishedDepth[]): { depthM: number; chance: number }[] {
  const { cellM, reachM, ratesPerMin, strayPerMin } = spreadModel;
  const n = Math.max(2, Math.round((band.toM - band.fromM) / cellM) + 1);
  const cells = Array.from({ length: n }, (_, k) => band.fromM + ((band.toM - band.fromM) * k) / (n - 1));
  const logs = cells.map((z) => {
    // The rate is not known: each is as likely as the next.
    const each = ratesPerMin.map((rate) =>
      fished.reduce((sum, f) => {
        const mean = f.minutes * (strayPerMin + rate * Math.exp(-(((f.depthM - z) / reachM) ** 2)));
        return sum + f.bites * Math.log(Math.max(1e-9, mean)) - mean;
      }, 0),
    );
    const most = Math.max(...each);
    return most + Math.log(each.reduce((s, l) => s + Math.exp(l - most), 0));
  });
  const most = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - most));
  const total = weights.reduce((s, w) => s + w, 0);
  return cells.map((depthM, k) => ({ depthM, chance: weights[k] / total }));
}

/** The depth under which a share of the belief lies. */
function quantile(belief: readonly { depthM: number; chance: number }[], share: number): number {
  let sum = 0;
  for (let k = 0; k < belief.length; k++) {
    const next = sum + belief[k].chance;
    if (next >= share) {
      const within = belief[k].chance > 0 ? (share - sum) / belief[k].chance : 0;
      const step = k + 1 < belief.length ? belief[k + 1].depthM - belief[k].depthM : 0;
      return belief[k].depthM + step * (within - 0.5);
    }
    sum = next;
  }
  return belief[belief.length - 1].depthM;
}

/** Where it bit most, m: the depth with most bites, ties by less time, and what lies beside it; null without a bite. */
function biteDepth(fished: readonly FishedDepth[]): number | null {
  const bitten = fished.filter((f) => f.bites > 0);
  if (bitten.length === 0) return null;
  const about = (m: number) => bitten.filter((f) => Math.abs(f.depthM - m) <= spreadModel.reachM);
  const sum = (list: readonly FishedDepth[], of: (f: FishedDepth) => number) => list.reduce((s, f) => s + of(f), 0);
  const best = bitten.reduce((a, b) => {
    const [x, y] = [sum(about(a.depthM), (f) => f.bites), sum(about(b.depthM), (f) => f.bites)];
    return y > x || (y === x && b.minutes < a.minutes) ? b : a;
  });
  const near = about(best.depthM);
  return sum(near, (f) => f.bites * f.depthM) / sum(near, (f) => f.bites);
}

/**
 * Depths for the baits of each line, m: spread evenly over what is believed, so that at first the band is covered and later most lines run where
 * they bit; once something bit, one line of two or more always runs where nobody has fished. Rods 1 to 12, baits 1 to 3 a line. RangeError outside.
 */
export function spreadDepths({ band, rods, baitsPerRod, fished }: SpreadQuery): number[][] {
  requireWithin(rods, 1, 12, 'rods', 'lines');
  requireWithin(baitsPerRod, 1, 3, 'baits', 'a line');
  if (!(band.fromM >= 0 && band.toM > band.fromM)) throw new RangeError(`expected two depths, the lesser first, found ${band.fromM} to ${band.toM} m`);
  const belief = depthBelief(band, fished);
  const bites = fished.reduce((s, f) => s + f.bites, 0);
  const explores = bites > 0 && rods > 1;
  const hot = biteDepth(fished) ?? belief.reduce((a, b) => (b.chance > a.chance ? b : a)).depthM;
  const isNamed = fished.filter((f) => Math.abs(f.depthM - hot) <= spreadModel.reachM).reduce((s, f) => s + f.bites, 0) >= namedBy;
  const following = explores ? rods - 1 : rods;
  const clamped = (m: number) => Math.min(band.toM, Math.max(band.fromM, m));
  const shares = (k: number, of: number) => (k + 0.5) / of;
  const lines: number[][] = Array.from({ length: following }, (_, r) => {
    const drawn = quantile(belief, shares(r, following));
    // Bites enough to name a depth hold the lines by it, whatever the tails of the belief say.
    const at = clamped(isNamed ? Math.min(hot + heldM, Math.max(hot - heldM, drawn)) : drawn);
    return baitsOf(at, r, following);
  });
  if (explores) {
    const lone: number[] = [];
    for (let k = 0; k < baitsPerRod; k++)
      lone.push(
        unfished(belief.map((b) => b.depthM).filter((z) => Math.abs(z - hot) > clearOfM && lone.every((l) => Math.abs(l - z) >= apartM))) ??
          clamped(hot + (k + 1) * (hot - band.fromM > band.toM - hot ? -1.5 : 1.5)),
      );
    lines.push(lone.sort((a, b) => b - a));
  }
  return lines.map((line) => line.map((m) => Math.round(100 * m) / 100));

  /** Baits of one line about a depth: of several the others cover what lies beside it, apart enough to hang free. */
  function baitsOf(at: number, r: number, of: number): number[] {
    if (baitsPerRod === 1) return [at];
    if (bites === 0) {
      // All baits together cover the band evenly: a line takes every `of`-th place, so that its baits hang far apart.
      return Array.from({ length: baitsPerRod }, (_, k) => clamped(quantile(belief, shares(r + k * of, of * baitsPerRod)))).sort((a, b) => b - a);
    }
    const up = (k: number) => clamped(at - k * apartM);
    return Array.from({ length: baitsPerRod }, (_, k) => (k === 0 ? at : up(k) === at ? clamped(at + k * apartM) : up(k))).sort((a, b) => b - a);
  }

  /** Of some depths the one that was fished least, the deeper chance first among equals. */
  function unfished(candidates: readonly number[]): number | null {
    if (candidates.length === 0) return null;
    const minutes = (z: number) => fished.reduce((s, f) => s + f.minutes * Math.exp(-(((f.depthM - z) / spreadModel.reachM) ** 2)), 0);
    const scored = candidates.map((z) => ({ z, minutes: minutes(z) }));
    const least = Math.min(...scored.map((s) => s.minutes));
    // The middle of the widest stretch that nobody has fished: its edges were.
    const free = scored.filter((s) => s.minutes <= least + 0.5);
    let best: number[] = [];
    let run: number[] = [];
    for (const { z } of free) {
      if (run.length > 0 && z - run[run.length - 1] > 1.6 * spreadModel.cellM) run = [];
      run.push(z);
      if (run.length > best.length) best = [...run];
    }
    return best[Math.floor(best.length / 2)];
  }
}
