import type { CadenceId } from './cadence';
import type { Offer } from './memory';

/** The one thing to do. */
export const only = (cadence: CadenceId): readonly Offer[] => [{ cadence, won: 1, lost: 1 }];
/** To a mark that is not yet near: seen from far, but no clatter. */
export const toComeNear: readonly Offer[] = [
  { cadence: 'tap', won: 2.8, lost: 2 },
  { cadence: 'shrink', won: 2.6, lost: 2 },
  { cadence: 'quiver', won: 2.6, lost: 2 },
  { cadence: 'bounce', won: 2, lost: 2 },
  { cadence: 'swim', won: 1.8, lost: 2 },
];
/** To a mark on its way: smaller as it closes, not stopped dead unless that is winning. */
export const asItCloses: readonly Offer[] = [
  { cadence: 'shrink', won: 3, lost: 2 },
  { cadence: 'quiver', won: 3, lost: 2 },
  { cadence: 'tap', won: 2.4, lost: 2 },
  { cadence: 'deadstick', won: 1.8, lost: 2 },
  { cadence: 'bounce', won: 1.5, lost: 2 },
];
/** To a mark that has stopped under the jig. */
export const whileItLooks: readonly Offer[] = [
  { cadence: 'quiver', won: 3, lost: 2 },
  { cadence: 'shrink', won: 2.6, lost: 2 },
  { cadence: 'deadstick', won: 2.4, lost: 2 },
  { cadence: 'tap', won: 2, lost: 2 },
  { cadence: 'bounce', won: 1.3, lost: 2 },
];
/** To several at once: lively, but on the spot. */
export const whileTheyCompete: readonly Offer[] = [
  { cadence: 'tap', won: 3, lost: 2 },
  { cadence: 'shrink', won: 2.8, lost: 2 },
  { cadence: 'quiver', won: 2.8, lost: 2 },
  { cadence: 'bounce', won: 2, lost: 2 },
];
/** Into water where nothing shows: called from far until the day has told what it wants, then that. */
export const toBeFound: readonly Offer[] = [
  { cadence: 'call', won: 2.6, lost: 2 },
  { cadence: 'bounce', won: 2.4, lost: 2 },
  { cadence: 'tap', won: 2.2, lost: 2 },
  { cadence: 'quiver', won: 2, lost: 2 },
  { cadence: 'deadstick', won: 1.6, lost: 2 },
];
/** The same over the bottom. */
export const toBeFoundBelow: readonly Offer[] = [{ cadence: 'thump', won: 2.6, lost: 2 }, ...toBeFound.slice(1)];
