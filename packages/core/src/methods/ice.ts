import { holePriors } from '../patch';
import { iceWords } from '../outlook';
import { uprightDepth } from './hanging';
import type { Hazard, Method } from './method';

const shelter: Hazard = {
  id: 'shelter',
  headline: 'In a shelter: two vents open, an alarm on',
  text: 'A heater eats the air and gives off gas that nobody smells. Two openings, one low and one high, and an alarm for carbon monoxide.',
};

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
    return [{ id: 'ice', headline, text: detail }, shelter];
  },
  lureDepthM: uprightDepth,
  clockPriors: holePriors,
  thumbBar: ['looked', 'refused', 'bite', 'fish', 'more'],
};
