import { holePriors } from '../patch';
import { iceWords } from '../outlook';
import { uprightDepth } from './hanging';
import type { Method } from './method';

/** A hole in the ice, a jig under it, a flasher beside it. */
export const ice: Method = {
  id: 'ice',
  place: 'Hole',
  station: 'Hole',
  stationKind: 'hole',
  by: 'on the ice',
  offer: 'On the ice',
  open: 'Drill here',
  opened: 'Hole is drilled',
  effort: 'minutes',
  surfaces: ['ice', 'unknown'],
  isOnIce: true,
  bankM: 0,
  crafts: [],
  picture: 'column',
  firstRig: () => 'loop-jig',
  hasFlasher: true,
  steps: { out: 'Walk out, testing the ice', first: 'Drill 6 holes, look into each', off: 'Off the ice' },
  hazards: ({ ice: finding, load, grownM, units }) => {
    const { headline, detail } = iceWords(finding, units, load, grownM);
    return [{ id: 'ice', headline, text: detail }];
  },
  lureDepthM: uprightDepth,
  clockPriors: holePriors,
  thumbBar: ['looked', 'refused', 'bite', 'fish', 'more'],
};
