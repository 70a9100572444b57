import type { SpeciesGroup } from '../fish';
import { holePriors, type HolePrior } from '../patch';
import { craftHazards } from '../safety';
import { uprightDepth } from './hanging';
import type { Method } from './method';

/** A peg is packed up and set up again: half an hour. Heuristic. */
const pegMoveMin = 30;
const atPeg = (prior: HolePrior): HolePrior => ({ ...prior, moveMin: pegMoveMin });

/** Pole, whip or float rod from a fixed place on the bank, over swims that are fed and rested. */
export const pole: Method = {
  id: 'pole',
  place: 'Peg',
  station: 'Peg',
  stationKind: 'swim',
  by: 'by pole',
  offer: 'Pole from a peg',
  open: 'Sit here',
  opened: 'I sit here',
  effort: 'minutes',
  surfaces: ['open', 'moving', 'unknown'],
  isOnIce: false,
  bankM: 10,
  crafts: ['bank', 'pier'],
  picture: 'section',
  firstRig: () => 'pole',
  hasFlasher: false,
  steps: {
    out: 'Carry the box to the peg',
    first: 'Plumb the bed before anything is fed',
    firstWhy: 'Six depths and the flow say where, with which float, and where the feed will lie.',
    off: 'Pack up',
  },
  hazards: ({ craft }) => craftHazards(craft),
  lureDepthM: uprightDepth,
  clockPriors: Object.fromEntries(Object.entries(holePriors).map(([group, prior]) => [group, atPeg(prior)])) as Record<SpeciesGroup, HolePrior>,
  thumbBar: ['bite', 'fish', 'fed', 'swap', 'more'],
};
