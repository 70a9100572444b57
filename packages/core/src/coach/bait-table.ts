import type { CadenceId } from './cadence';
import type { Offer } from './memory';
import { only } from './offers';
import type { DepthAim, SightingId, SightingRule } from './sighting';

/** What a bait asks of the hand, whatever the look of a mark would ask of a jig: the first row that holds. */
export interface BaitRule {
  id: string;
  /** Families of the tackle table. */
  families: readonly string[];
  /** Looks that it holds for; all of them but a line that stopped, where left out. */
  sightings?: readonly SightingId[];
  /** How it is worked instead; as the look asks, where left out. */
  offers?: readonly Offer[];
  /** What it is never told. */
  never?: CadenceId;
  /** Where it goes instead. */
  aim?: DepthAim;
  /** Instead of a way of drawing that it has none of. */
  reason: string;
  then: string;
  viewpoint?: string;
}

/** How a bait is worked under the eyes of a fish. Source: fieldcraft, families; a tube is stopped dead, live bait is drawn up through them, lipless never hangs. */
export const baitRules: readonly BaitRule[] = [
  {
    id: 'bait.still',
    families: ['plain-hook', 'tip-up-rig'],
    offers: only('deadstick'),
    reason: 'It hangs still: that is how this bait works.',
    then: 'Change its depth, not its beat.',
  },
  {
    id: 'bait.live',
    families: ['live-bait'],
    sightings: ['far', 'near', 'rising', 'stalled', 'several', 'above', 'bottom', 'hot', 'sinks'],
    offers: only('slow-lift'),
    aim: 'through',
    reason: 'Live bait from below: lowered under the top mark at {mark} and drawn slowly up through them. Fast lifts are the mistake.',
    then: 'The rod loads by itself: no strike. Then down again.',
    viewpoint: 'from below, or hung above',
  },
  {
    id: 'bait.live.still',
    families: ['live-bait'],
    offers: only('deadstick'),
    reason: 'It moves by itself: let it.',
    then: 'Lift a hand now and then, slowly.',
  },
  {
    id: 'bait.tube',
    families: ['tube'],
    sightings: ['rising', 'stalled', 'follows'],
    offers: only('deadstick'),
    reason: 'A mark has come to it: stopped dead, a tube opens its tails.',
    then: 'It takes now or turns.',
    viewpoint: 'stop dead, or keep it moving',
  },
  {
    id: 'bait.lipless',
    families: ['lipless', 'blade'],
    never: 'deadstick',
    reason: '',
    then: 'The take is weight on the lift: heavier, strike.',
  },
];

const hardly: readonly Offer[] = only('quiver');

/**
 * A look's rule as the bait on the line has it. `hangsAbove` is for who hangs live bait over the fish instead of drawing it up through them.
 * @param family of the tackle table; null or undefined where nobody said what is on
 */
export function withBait(rule: SightingRule, family: string | null | undefined, hangsAbove = false): SightingRule {
  if (family == null || rule.sighting === 'stopped') return rule;
  const bait = baitRules.find((b) => b.families.includes(family) && (b.sightings === undefined || b.sightings.includes(rule.sighting)) && !(hangsAbove && b.aim === 'through'));
  if (!bait) return rule;
  if (bait.never !== undefined) {
    const offers = rule.offers.filter((o) => o.cadence !== bait.never);
    return { ...rule, offers: offers.length > 0 ? offers : hardly, then: bait.then };
  }
  // A bait that hangs is drawn away by nobody.
  const aim = bait.aim ?? (rule.aim === 'draw' ? 'hold' : hangsAbove && family === 'live-bait' && rule.aim === 'over' ? 'above-top' : rule.aim);
  return { ...rule, offers: bait.offers ?? rule.offers, aim, reason: rule.sighting === 'nothing' || rule.sighting === 'again' ? rule.reason : bait.reason, then: bait.then };
}
