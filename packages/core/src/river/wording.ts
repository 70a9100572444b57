import { depthText, distanceText, type UnitPreference } from '../units';
import { lieLimits, lieRules, type FeedingLie, type LieReason } from './lies';
import type { WinteringPool } from './pool';

/** Why a lie is worth a cast: the marks it has, strongest first, with their rules. */
export function lieReasons(lie: FeedingLie, units: UnitPreference): LieReason[] {
  return lieRules
    .map((rule) => {
      const isDeep = rule.mark === 'depth' && lie.toDeepM < 2;
      const way = rule.mark === 'depth' ? `, ${distanceText(lie.toDeepM, units)}` : '';
      return { ruleId: rule.id, text: isDeep ? 'It lies in the deep water itself.' : `${rule.reason}${way}.`, weight: rule.weight * lie.marks[rule.mark] };
    })
    .filter((r, k) => lie.marks[lieRules[k].mark] >= lieLimits.namedFrom)
    .sort((a, b) => b.weight - a.weight);
}

const markNames = { seam: 'seam', pocket: 'pocket', cover: 'cover', depth: 'depth' } as const;

/** A lie in one line: what it lies by, how deep, how far to the pool, and which of the four marks it has. */
export function lieText(lie: FeedingLie, units: UnitPreference): { name: string; detail: string } {
  const has = lieRules.filter((r) => lie.marks[r.mark] >= lieLimits.namedFrom).map((r) => markNames[r.mark]);
  const pool = lie.toPoolM < 2 ? 'in the pool' : `${distanceText(lie.toPoolM, units)} from the pool`;
  return { name: lie.by, detail: `${depthText(lie.depthM, units)}, ${pool}, ${has.length} of 4 marks: ${has.join(', ')}` };
}

/** The pool in one line. */
export const poolText = (pool: WinteringPool, units: UnitPreference): string =>
  `${depthText(pool.depthM, units)} at its deepest, ${depthText(pool.meanDepthM, units)} on average, ${distanceText(pool.lengthM, units)} long`;

/** Where to begin on a river, and why; what is missing where nothing can be said. */
export function riverWords(pools: readonly WinteringPool[], lies: readonly FeedingLie[], units: UnitPreference): { headline: string; detail: string; ruleIds: string[] } {
  const [pool] = pools;
  if (!pool) return { headline: 'No pool found', detail: 'No stretch of this bed is wide and deep enough to winter in. More soundings may show one.', ruleIds: [] };
  const [lie] = lies;
  if (!lie)
    return { headline: 'Begin over the pool', detail: `It is ${poolText(pool, units)}. Mark seams, pockets, wood and rock: feeding lies are found from them.`, ruleIds: [] };
  const reasons = lieReasons(lie, units);
  const others = lies.length === 1 ? '' : ` Rest it after a fish and come back; ${lies.length - 1} more ${lies.length === 2 ? 'lie is' : 'lies are'} marked.`;
  return {
    headline: `Begin at the ${lie.by}, ${depthText(lie.depthM, units)}`,
    detail: `${reasons.map((r) => r.text).join(' ')}${others}`,
    ruleIds: reasons.map((r) => r.ruleId),
  };
}
