import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile';

/** A stretch of line with the activity that was foretold for it and the bites that came. */
export interface ForetoldStretch {
  outing: string;
  hours: number;
  /** As the Outlook has it, without unit. */
  activity: number;
  /** Whether the sun was low. */
  isLowSun: boolean;
  bites: number;
}

/** How much better the Outlook foretold than something simpler: 0 no better, 1 without fault. */
export interface Skill {
  value: number;
  low: number;
  high: number;
}

export interface CalibrationBin {
  /** Bites an hour. */
  foretold: number;
  came: number;
  low: number;
  high: number;
  hours: number;
}

export interface Calibration {
  outings: number;
  visits: number;
  /** Against the same all day, and against low sun and the rest; null while there are too few outings. */
  skill: { constant: Skill; dawnDusk: Skill } | null;
  /** Five parts of the hours by what was foretold, the least first. */
  bins: CalibrationBin[];
  /** Whether it is sure that the Outlook told more than the same all day. */
  isClaimed: boolean;
}

/** Outings wanted before anything is said, and parts of the foretold hours. Source: prototypes. */
export const calibrationLimits = { outings: 25, bins: 5, tail: 0.95 } as const;

/**
 * Was the Outlook right? Each outing is foretold from all the others: bites in proportion to the activity, against the same rate throughout and against one at
 * low sun and one for the rest, by Poisson deviance.
 * @param visits stays that the stretches are of
 */
export function calibrationOf(stretches: readonly ForetoldStretch[], visits: number): Calibration {
  const days = [...new Set(stretches.map((s) => s.outing))].map((id) => stretches.filter((s) => s.outing === id));
  const nothing = { outings: days.length, visits, skill: null, bins: [], isClaimed: false };
  if (days.length < calibrationLimits.outings || stretches.every((s) => s.bites === 0)) return nothing;
  const foretell = {
    activity: (s: ForetoldStretch) => [s.activity],
    constant: () => [1],
    dawnDusk: (s: ForetoldStretch) => (s.isLowSun ? [1, 0] : [0, 1]),
  };
  const deviances = (kinds: (s: ForetoldStretch) => number[]) => {
    const all = totals(stretches, kinds);
    return days.map((day) => {
      const own = totals(day, kinds);
      // What is left of all without this day.
      const rates = all.map((t, k) => (t.bites - own[k].bites + 0.5) / Math.max(1e-6, t.effort - own[k].effort + 0.5));
      return day.reduce((sum, s) => sum + deviance(s.bites, Math.max(1e-6, s.hours * kinds(s).reduce((m, x, k) => m + x * rates[k], 0))), 0);
    });
  };
  const model = deviances(foretell.activity);
  const constant = skillOf(model, deviances(foretell.constant));
  const dawnDusk = skillOf(model, deviances(foretell.dawnDusk));
  return { ...nothing, skill: { constant, dawnDusk }, bins: binsOf(stretches), isClaimed: constant.low > 0 };
}

const totals = (stretches: readonly ForetoldStretch[], kinds: (s: ForetoldStretch) => number[]) => {
  const count = kinds(stretches[0]).length;
  return Array.from({ length: count }, (_, k) => {
    const of = stretches.filter((s) => count === 1 || kinds(s)[k] > 0);
    return { bites: of.reduce((sum, s) => sum + s.bites, 0), effort: of.reduce((sum, s) => sum + s.hours * kinds(s)[k], 0) };
  });
};

/** Poisson deviance of a count. */
const deviance = (count: number, mean: number) => 2 * ((count > 0 ? count * Math.log(count / mean) : 0) - (count - mean));

/** One less the share of the reference's deviance, with the 90 % interval of the mean difference per outing. */
function skillOf(model: readonly number[], reference: readonly number[]): Skill {
  const n = model.length;
  const differences = model.map((d, k) => reference[k] - d);
  const mean = differences.reduce((sum, d) => sum + d, 0) / n;
  const spread = Math.sqrt(differences.reduce((sum, d) => sum + (d - mean) ** 2, 0) / (n - 1) / n) * tQuantile(calibrationLimits.tail, n - 1);
  const per = reference.reduce((sum, d) => sum + d, 0) / n || 1;
  return { value: mean / per, low: (mean - spread) / per, high: (mean + spread) / per };
}

/** Hours in five parts by what was foretold, with what came: its band widened by how much days differ (quasi-Poisson). */
function binsOf(stretches: readonly ForetoldStretch[]): CalibrationBin[] {
  const ordered = [...stretches].sort((a, b) => a.activity - b.activity);
  const hours = ordered.reduce((sum, s) => sum + s.hours, 0);
  const rate =
    ordered.reduce((sum, s) => sum + s.bites, 0) /
    Math.max(
      1e-6,
      ordered.reduce((sum, s) => sum + s.hours * s.activity, 0),
    );
  const bins: ForetoldStretch[][] = Array.from({ length: calibrationLimits.bins }, () => []);
  let before = 0;
  for (const s of ordered) {
    bins[Math.min(calibrationLimits.bins - 1, Math.floor((calibrationLimits.bins * (before + s.hours / 2)) / hours))].push(s);
    before += s.hours;
  }
  const filled = bins.filter((b) => b.length > 0);
  const cells = filled.flatMap((bin) => {
    const came = sum(bin, (s) => s.bites) / sum(bin, (s) => s.hours);
    return [...new Set(bin.map((s) => s.outing))].map((id) => {
      const own = bin.filter((s) => s.outing === id);
      return { bites: sum(own, (s) => s.bites), mean: Math.max(1e-6, came * sum(own, (s) => s.hours)) };
    });
  });
  const spread = Math.max(1, cells.reduce((total, c) => total + (c.bites - c.mean) ** 2 / c.mean, 0) / Math.max(1, cells.length - filled.length));
  return filled.map((bin) => {
    const [bites, time] = [sum(bin, (s) => s.bites), sum(bin, (s) => s.hours)];
    const shape = bites / spread + 0.5;
    const per = time / spread;
    return {
      foretold: (rate * sum(bin, (s) => s.hours * s.activity)) / time,
      came: bites / time,
      low: Math.min(bites / time, gammaQuantile(0.05, shape, per)),
      high: Math.max(bites / time, gammaQuantile(0.95, shape, per)),
      hours: time,
    };
  });
}

/** Quantile of Student's t above one half, by the beta distribution of its square. */
function tQuantile(p: number, freedom: number): number {
  const x = betaQuantile(2 * (1 - p), freedom / 2, 0.5);
  return Math.sqrt(freedom * (1 / x - 1));
}

const sum = <T>(list: readonly T[], of: (item: T) => number): number => list.reduce((total, item) => total + of(item), 0);
