import type { SpeciesGroup } from '../fish';
import { holePriors, type HolePrior } from '../patch';
import { floatFor } from '../rig';
import { craftHazards } from '../safety';
import { uprightDepth } from './hanging';
import type { Method } from './method';

/** A walk along the bank costs little beside a hole: half the minutes that a move costs on ice. Heuristic. */
const onFoot = (prior: HolePrior): HolePrior => ({ ...prior, moveMin: Math.max(4, Math.round(prior.moveMin / 2)) });

/** From bank, pier, wading, kayak or boat along a bearing, and back over the bed. */
export const cast: Method = {
  id: 'cast',
  place: 'Cast',
  station: 'Stand',
  stationKind: 'stand',
  by: 'by casting',
  offer: 'Casting',
  open: 'Stand here',
  opened: 'I stand here',
  effort: 'casts',
  surfaces: ['open', 'moving', 'unknown'],
  isOnIce: false,
  bankM: 30,
  crafts: ['bank', 'pier', 'wading', 'kayak', 'boat'],
  picture: 'fan',
  firstRig: floatFor,
  hasFlasher: false,
  steps: {
    out: 'Set out along the bank',
    first: 'Look the water over from the first stand',
    firstWhy: 'Level, colour and current first; then the cast that shows most.',
    off: 'Pack up',
  },
  hazards: ({ craft }) => craftHazards(craft),
  lureDepthM: uprightDepth,
  clockPriors: Object.fromEntries(Object.entries(holePriors).map(([group, prior]) => [group, onFoot(prior)])) as Record<SpeciesGroup, HolePrior>,
  thumbBar: ['cast', 'felt', 'bite', 'fish', 'more'],
};
