import { holePriors, type HolePrior } from '../patch';
import type { SpeciesGroup } from '../fish';
import { craftHazards } from '../safety';
import { leaningDepth } from './hanging';
import type { Method } from './method';

/** Moving over open water costs no drilling: two thirds of the minutes that it costs on ice. Heuristic. */
const afloat = (prior: HolePrior): HolePrior => ({ ...prior, moveMin: Math.round((2 / 3) * prior.moveMin) });

/** Straight down from pier, kayak or boat over marks: the hole without ice. */
export const vertical: Method = {
  id: 'vertical',
  place: 'Spot',
  station: 'Spot',
  stationKind: 'spot',
  by: 'straight down',
  offer: 'From a boat or pier',
  open: 'Stop here',
  opened: 'I am over it',
  effort: 'minutes',
  surfaces: ['open', 'unknown'],
  isOnIce: false,
  bankM: 0,
  crafts: ['pier', 'boat', 'kayak', 'wading'],
  picture: 'column',
  firstRig: () => 'loop-jig',
  hasFlasher: true,
  steps: {
    out: 'Put out, flotation on',
    first: 'Pass over the break with the sounder on',
    firstWhy: 'Find them first, then stop over them: above the top of the stack, not in it.',
    off: 'Back on land',
  },
  hazards: ({ craft }) => craftHazards(craft),
  lureDepthM: leaningDepth,
  clockPriors: Object.fromEntries(Object.entries(holePriors).map(([group, prior]) => [group, afloat(prior)])) as Record<SpeciesGroup, HolePrior>,
  thumbBar: ['looked', 'refused', 'bite', 'fish', 'more'],
};
