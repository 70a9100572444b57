import type { HourlyGrid } from './series';

/** What a phase wants to be named: two days of rows, and within half a day to both sides most hours of each column. Heuristic. */
export const coverageLimits = { leastH: 48, reachH: 12, leastShare: 0.6 } as const;

/** How well a stretch of weather is known. */
export interface Coverage {
  /** Share of hours known of the column that is known worst, 0–1. */
  share: number;
  /** What is missing, in words; empty where there is enough. */
  missing: string[];
}

const columns = [
  { words: 'air temperature', of: (grid: HourlyGrid) => grid.airC },
  { words: 'pressure', of: (grid: HourlyGrid) => grid.pressureHpa },
  { words: 'wind', of: (grid: HourlyGrid) => grid.windEast },
] as const;

/** For each hour of a series whether enough is known about it to name the weather, and what is missing. */
export function coverageOf(grid: HourlyGrid): (hour: number) => Coverage {
  if (grid.length < coverageLimits.leastH) {
    const missing = [`${coverageLimits.leastH} hours of weather, found ${grid.length}`];
    return () => ({ share: 0, missing });
  }
  const known = columns.map(({ words, of }) => {
    const values = of(grid);
    const before = new Uint32Array(grid.length + 1);
    for (let i = 0; i < grid.length; i++) before[i + 1] = before[i] + (Number.isNaN(values[i]) ? 0 : 1);
    return { words, before };
  });
  return (hour) => {
    const from = Math.max(0, hour - coverageLimits.reachH);
    const to = Math.min(grid.length, hour + coverageLimits.reachH + 1);
    const shares = known.map(({ words, before }) => ({ words, share: (before[to] - before[from]) / (to - from) }));
    const missing = shares.filter((s) => s.share < coverageLimits.leastShare).map((s) => `${s.words} (known in ${Math.round(s.share * 100)} of 100 hours)`);
    return { share: Math.min(...shares.map((s) => s.share)), missing };
  };
}
