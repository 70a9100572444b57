/** One benchmark's answer: a ratio to a named baseline. */
export interface Figure {
  what: string;
  ratio: number;
  baseline: string;
  goal: string;
  met: boolean;
  detail: string;
}

/** Milliseconds of the fastest of some runs: what the code costs when nothing else disturbs it. */
export function fastest(runs: number, work: () => void): number {
  let best = Infinity;
  for (let i = 0; i < runs; i++) {
    const began = performance.now();
    work();
    best = Math.min(best, performance.now() - began);
  }
  return best;
}

/** The same of several pieces of work taken in turns, so that a slow spell of the machine falls on all of them. */
export function fastestInTurns(rounds: number, ...works: (() => void)[]): number[] {
  const best = works.map(() => Infinity);
  for (let r = 0; r < rounds; r++) works.forEach((work, k) => (best[k] = Math.min(best[k], fastest(1, work))));
  return best;
}
