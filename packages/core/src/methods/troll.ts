import type { SpeciesGroup } from '../fish';
import { holePriors, type HolePrior } from '../patch';
import { craftHazards } from '../safety';
import { uprightDepth } from './hanging';
import type { Method } from './method';

/** Lines come in and go out again in a few minutes. Heuristic. */
const passMoveMin = 6;
const onPass = (prior: HolePrior): HolePrior => ({ ...prior, moveMin: passMoveMin });

/** Slow trolling and drifting with lines out behind a kayak or boat. */
export const troll: Method = {
  id: 'troll',
  place: 'Pass',
  station: 'Pass',
  stationKind: 'pass',
  by: 'by trolling',
  offer: 'Trolling, drifting',
  open: 'Begin a pass here',
  opened: 'Begin the pass',
  effort: 'minutes',
  surfaces: ['open', 'moving', 'unknown'],
  isOnIce: false,
  bankM: 0,
  crafts: ['kayak', 'boat'],
  picture: 'lane',
  firstRig: () => 'tandem',
  hasFlasher: false,
  steps: {
    out: 'Set out afloat, flotation on',
    first: 'Run the first pass with the depths spread',
    firstWhy: 'Nobody knows their depth yet: the lines cover the band, and a strike draws them together.',
    off: 'Lines in and ashore',
  },
  hazards: ({ craft }) => craftHazards(craft),
  lureDepthM: uprightDepth,
  clockPriors: Object.fromEntries(Object.entries(holePriors).map(([group, prior]) => [group, onPass(prior)])) as Record<SpeciesGroup, HolePrior>,
  thumbBar: ['strike', 'fish', 'turn', 'depths', 'more'],
};
