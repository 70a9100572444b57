/** A swim's waits: what its next one may be. */
const [unusualChance, clumped] = [0.1, 1.3];
/** The tempered waits are stretched by this much again, so that clumps are not taken for the end of a swim. */
const widening = 1.07;
/** Before a swim has shown its own intervals: half of one so long counts as seen, min. Heuristic. */
const [priorIntervals, priorIntervalMin] = [0.5, 6];

/** Intervals between bites in time order, min; the first from when it was begun to be fished. */
export function intervalsOf(fromMs: number, bitesMs: readonly number[]): number[] {
  const ordered = [...bitesMs].sort((a, b) => a - b);
  return ordered.map((ms, k) => (ms - (k === 0 ? fromMs : ordered[k - 1])) / 60_000);
}

/**
 * Wait after which no bite is unusual in a swim, min: the time that only a tenth of its waits pass, by the Lomax predictive of its own
 * intervals, what was seen counted for less by 1.3 because bites clump. Infinity before there are two intervals.
 */
export function unusualWaitMin(intervalsMin: readonly number[]): number {
  if (intervalsMin.length < 2) return Infinity;
  const shape = (priorIntervals + intervalsMin.length) / clumped;
  const scale = (widening / clumped) * (priorIntervals * priorIntervalMin + intervalsMin.reduce((sum, t) => sum + t, 0));
  return scale * (unusualChance ** (-1 / shape) - 1);
}

/** Mean interval so far, min; null before the first. */
export const meanIntervalMin = (intervalsMin: readonly number[]): number | null =>
  intervalsMin.length === 0 ? null : intervalsMin.reduce((s, t) => s + t, 0) / intervalsMin.length;
