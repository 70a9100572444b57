import type { CastTarget } from './targets';
import { outAlong, type Spot } from './water';

/** Ways past what holds fish, as seen from the stance. */
export type PassedSide = 'left' | 'right' | 'over';

/** A cast so near to the middle of it goes over it, and one further off than that does not show it, m. Heuristic; source: fieldcraft, both sides and the top of cover. */
const [overM, besideM] = [0.5, 2.5] as const;

/** What was cast past from a stance, and the sides of it that no bait has come by. */
export interface Unshown {
  name: string;
  sides: PassedSide[];
}

const every: readonly PassedSide[] = ['left', 'right', 'over'];

/** The side of a target that a cast passes it on, as seen from the stance; null for one that does not come by, or falls short. */
function sideOf(target: Spot, from: Spot, bearingDeg: number, lengthM: number): PassedSide | null {
  const end = outAlong(from, bearingDeg, lengthM);
  const [ex, ey] = [(end.x - from.x) / lengthM, (end.y - from.y) / lengthM];
  const along = (target.x - from.x) * ex + (target.y - from.y) * ey;
  // To the right of the line positive: then the line runs by on its left.
  const off = (target.x - from.x) * ey - (target.y - from.y) * ex;
  if (along <= 1 || along > lengthM + overM || Math.abs(off) > besideM) return null;
  return Math.abs(off) <= overM ? 'over' : off > 0 ? 'left' : 'right';
}

/** The cover or rock that the casts of a stand came by, last first, with the sides of it that are not shown yet; null where all that was cast past is shown, or nothing was. */
export function unshown(targets: readonly CastTarget[], from: Spot, casts: readonly { bearingDeg: number; lengthM: number }[]): Unshown | null {
  const held = targets.filter((t) => t.kind === 'cover' || t.kind === 'hard');
  for (const last of [...casts].reverse()) {
    const passed = held.find((t) => sideOf(t, from, last.bearingDeg, last.lengthM) !== null);
    if (!passed) continue;
    const shown = new Set(casts.map((c) => sideOf(passed, from, c.bearingDeg, c.lengthM)));
    const sides = every.filter((s) => !shown.has(s));
    return sides.length === 0 ? null : { name: passed.name, sides };
  }
  return null;
}

const sideWords: Readonly<Record<PassedSide, string>> = { left: 'left side', right: 'right side', over: 'top' };

/** In words: "The log: left side and top not shown." */
export const unshownText = ({ name, sides }: Unshown): string => `The ${name}: ${sides.map((s) => sideWords[s]).join(' and ')} not shown yet.`;
