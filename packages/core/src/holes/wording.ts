import type { FeatureKind, GroundFeature } from '../ground';
import { bearingDeg, compassPoint, depthFigure, depthText, distanceText, metresPerDepthUnit, type LonLat, type UnitPreference } from '../units';
import type { NextHole } from './next-hole';
import type { PlaceReason } from './place-score';
import type { ScanPlan } from './scan-plan';

export const featureNames: Record<FeatureKind, string> = {
  basin: 'basin',
  hollow: 'hollow',
  saddle: 'saddle',
  hump: 'hump',
  point: 'point',
  'inside-turn': 'inside turn',
  'drop-base': 'foot of a drop',
  'drop-top': 'edge of a drop',
  flat: 'flat',
};

const surely = (share: number) => (share > 0.95 ? 'sure' : share > 0.8 ? 'likely' : 'perhaps');

/** A feature in one line: what, where, how deep and how sure. */
export function featureText(f: GroundFeature, units: UnitPreference): { name: string; detail: string } {
  const where = f.side === '' ? 'the deepest of all' : `${f.side} of the deepest`;
  const out = f.kind === 'flat' ? '' : `, stands out by ${depthText(f.reliefM, units)}`;
  return { name: featureNames[f.kind], detail: `${depthText(f.depthM, units)}${out}, ${where}, ${surely(f.confidence)}` };
}

const numbers = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve'];

/** A plan in words: what it is, and why one gets fewer holes than asked for. */
export function planWords(plan: Pick<ScanPlan, 'walkM' | 'covered'>, holes: number, wanted: number, units: UnitPreference): { headline: string; detail: string } {
  const headline = `${numbers[holes] ?? holes} ${holes === 1 ? 'hole' : 'holes'}, ${distanceText(plan.walkM, units)} to walk`;
  const reach = `Within their reach: ${Math.round(100 * plan.covered)} % of the fish expected on this water.`;
  return { headline, detail: holes < wanted ? `${reach} More would not fit your walk or the ice measured.` : reach };
}

/** What the angler's own holes close to a place have given; null where there are none. */
export function ownText({ visits, minutes }: { visits: number; minutes: number }): string | null {
  if (minutes < 5) return null;
  return visits === 0 ? `Your own holes close by: nothing in ${Math.round(minutes)} min.` : `Your own holes close by: ${visits} fish in ${Math.round(minutes)} min.`;
}

/** Why the next hole is there: what the last one showed, then what speaks for the place, the own log before the rulebook where that has failed. */
export function nextWords(
  next: Pick<NextHole, 'isRevisit'>,
  last: { minutes: number; visits: number } | undefined,
  reasons: readonly PlaceReason[],
  own: { visits: number; minutes: number },
  belief: number,
): string {
  const shown = last === undefined || last.minutes < 2 ? [] : [`${last.visits === 0 ? 'Nothing' : `${last.visits} fish`} in ${Math.round(last.minutes)} min at the last.`];
  if (next.isRevisit) return [...shown, own.visits > 0 ? 'It gave fish and has rested.' : 'It is close, and has rested.'].join(' ');
  const [rule] = reasons.filter((r) => r.weight > 0 && r.ruleId !== 'place.depth-band').concat(reasons);
  const log = own.visits > 0 ? ownText(own) : null;
  const why = belief < 0.35 && log ? [log] : [rule?.text ?? 'The best of what is left.', ...(log ? [log] : [])];
  return [...shown, ...why].join(' ');
}

/** The next hole, or what this way calls it: how deep, how far and which way from where one stands, and why there. */
export function nextHoleWords(
  next: Pick<NextHole, 'isRevisit' | 'walkM'> & { at: LonLat; depthM: number; reasons: readonly PlaceReason[]; own: { visits: number; minutes: number }; belief: number },
  from: LonLat | null,
  last: { minutes: number; visits: number } | undefined,
  units: UnitPreference,
  station = 'hole',
): { headline: string; detail: string } {
  const side = from ? compassPoint(bearingDeg(from, next.at)) : 'away';
  return {
    headline: `${next.isRevisit ? 'Back to' : `Next ${station}:`} ${depthText(next.depthM, units)}, ${distanceText(next.walkM, units)} ${side}`,
    detail: nextWords(next, last, next.reasons, next.own, next.belief),
  };
}

/** A depth of the map with how far it may be off: two standard deviations, and never less than can be read. */
export function expectedText(depthM: number, sdM: number, units: UnitPreference): string {
  const least = units.depth === 'ft' ? 0.5 * metresPerDepthUnit(units) : 0.1;
  return `${depthText(depthM, units)} ±${depthFigure(Math.max(least, 2 * sdM), units)}`;
}
