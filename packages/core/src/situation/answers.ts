import type { Visit } from '../visits';

/** What fish have answered to one bait at one depth. */
export interface BaitAnswers {
  /** Null where nobody said what was tied on. */
  bait: string | null;
  /** The middle of a stretch of two metres; null where no depth is known. */
  depthM: number | null;
  minutes: number;
  casts: number;
  looks: number;
  bites: number;
  fish: number;
}

/** Depths are put together by stretches of so much, m. Convention. */
const stretchM = 2;

/** Answers by bait and depth over visits, the most answered first. */
export function answersOf(visits: readonly Visit[]): BaitAnswers[] {
  const rows = new Map<string, BaitAnswers>();
  const rowOf = (bait: string | null, depthM: number | null): BaitAnswers => {
    const middleM = depthM === null ? null : (Math.floor(depthM / stretchM) + 0.5) * stretchM;
    const key = JSON.stringify([bait, middleM]);
    const row = rows.get(key) ?? { bait, depthM: middleM, minutes: 0, casts: 0, looks: 0, bites: 0, fish: 0 };
    rows.set(key, row);
    return row;
  };
  for (const { lines, casts, takes, toMs, minutes } of visits) {
    const lineOf = new Map(lines.map((l) => [l.id, l]));
    const depthOf = (line: Visit['lines'][number]) => line.depths.at(-1)?.depthM ?? null;
    // Minutes of a visit are shared by the time each line was down; a line still down has no end of its own.
    const spans = lines.map((l) => Math.max(1, (l.upMs ?? toMs ?? l.downMs) - l.downMs));
    const all = spans.reduce((sum, ms) => sum + ms, 0);
    lines.forEach((line, k) => (rowOf(line.presentation, depthOf(line)).minutes += (minutes * spans[k]) / all));
    for (const cast of casts) {
      const line = cast.line === null ? undefined : lineOf.get(cast.line);
      rowOf(line?.presentation ?? null, line ? depthOf(line) : null).casts++;
    }
    for (const take of takes) {
      const line = take.line === null ? undefined : lineOf.get(take.line);
      const bitM = take.fish?.depthM ?? take.reactions.find((r) => r.depthM !== null)?.depthM ?? null;
      const row = rowOf(line?.presentation ?? null, bitM ?? (line ? depthOf(line) : null));
      if (take.isBite) row.bites++;
      else row.looks++;
      if (take.fish) row.fish++;
    }
  }
  return [...rows.values()].sort((a, b) => b.fish - a.fish || b.bites - a.bites || b.looks - a.looks);
}
