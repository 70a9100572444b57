import { familyOf } from '../tackle';
import type { BankCadence } from './cadences';

/** How a family of baits is worked from the bank or a boat. */
export interface FamilyRetrieve {
  cadence: BankCadence['id'];
  /** What the hand does. */
  does: string;
  /** How much line a move draws in, m; seconds it takes, with the fall after it; and the share of the cold's pause that it rests. */
  takeM: number;
  moveS: number;
  rests: number;
  /** How high it is lifted, m. */
  liftM: number;
  /** Where it works: on the bed, so far over it, at its own depth, or at a share of the water's. */
  at: { onBed: true } | { overBedM: number } | { ownM: number } | { share: number };
  /** Whether it hangs where it is let go of: it is never told to fall. */
  hangs: boolean;
  /** After a touch or a miss. */
  after: string;
  /** Its headline: said first, before anything else is cast. */
  afterHeadline: string;
}

/**
 * By family; source: fieldcraft, "How each family is worked": figures heuristic. At 4 °C the pace of each, from move and pause together, is that of its row
 * there: 10–20 s a metre of a suspending minnow, 3 of a diver, 6–10 of what shivers, 3–4 of what is wound, 8–12 of a worm, 10–15 of a jig, 12–25 of a bulky one.
 */
const rows = {
  'suspending-minnow': {
    cadence: 'pull-hang',
    does: 'One or two sharp pulls of a hand or two, then it hangs on slack line: the bite comes while it hangs.',
    takeM: 0.8,
    moveS: 1.2,
    rests: 1,
    liftM: 0.1,
    at: { ownM: 1.8 },
    hangs: true,
    after: 'Leave it hanging where it is, longer than before, then a shorter pull.',
    afterHeadline: 'Leave it hanging',
  },
  'tight-crank': {
    cadence: 'tick',
    does: 'Wound slowly and evenly so that it just ticks the bed; stop it at a hard touch.',
    takeM: 0.6,
    moveS: 1.8,
    rests: 0,
    liftM: 0,
    at: { ownM: 2.4 },
    hangs: true,
    after: 'Stop it where it was hit, it rises a little, then on. No second hit: the slow bait there.',
    afterHeadline: 'Stop it where it was hit',
  },
  lipless: {
    cadence: 'lift-follow',
    does: 'Lift until you feel it shiver, a hand or two, and follow it down on a tight line.',
    takeM: 0.6,
    moveS: 2.6,
    rests: 0.2,
    liftM: 0.3,
    at: { overBedM: 0.3 },
    hangs: false,
    after: 'Let it back down on the spot.',
    afterHeadline: 'Let it back down there',
  },
  grub: {
    cadence: 'wind',
    does: 'Counted down to its depth, then wound slowly and evenly, never stopped.',
    takeM: 0.6,
    moveS: 2.1,
    rests: 0,
    liftM: 0,
    at: { overBedM: 0.5 },
    hangs: true,
    after: 'Keep winding, then the same cast again.',
    afterHeadline: 'Keep winding',
  },
  spinner: {
    cadence: 'wind',
    does: 'Wound evenly, as slowly as the blade turns and is felt.',
    takeM: 0.6,
    moveS: 1.9,
    rests: 0,
    liftM: 0,
    at: { overBedM: 0.6 },
    hangs: true,
    after: 'Keep winding, then the same cast again.',
    afterHeadline: 'Keep winding',
  },
  'swim-jig': {
    cadence: 'along-cover',
    does: 'Cast past the cover, rod up, wound at once and evenly along it; shake it at the edge. First one side, then the other, then over the top.',
    takeM: 0.6,
    moveS: 1.8,
    rests: 0,
    liftM: 0,
    at: { share: 0.5 },
    hangs: true,
    after: 'The same side again, then the other.',
    afterHeadline: 'The same side again',
  },
  'straight-worm': {
    cadence: 'hop',
    does: 'Down to the bed, hop it a hand high, let it fall on a tight line and watch the line.',
    takeM: 0.55,
    moveS: 2,
    rests: 0.35,
    liftM: 0.2,
    at: { onBed: true },
    hangs: false,
    after: 'Let it fall straight back, do not wind in: others follow.',
    afterHeadline: 'Let it fall straight back',
  },
  'finesse-jig': {
    cadence: 'drag',
    does: 'Drag it by the rod, a small hop now and then, and long rests.',
    takeM: 0.6,
    moveS: 1.6,
    rests: 0.6,
    liftM: 0.05,
    at: { onBed: true },
    hangs: false,
    after: 'Let it lie, then a twitch.',
    afterHeadline: 'Let it lie, then a twitch',
  },
  'bulky-jig': {
    cadence: 'pull-lie',
    does: 'A slow pull along the bed with the rod, dead stop at every hard touch, twitch it and let it lie; the trailer nearly still.',
    takeM: 0.6,
    moveS: 3,
    rests: 0.75,
    liftM: 0,
    at: { onBed: true },
    hangs: false,
    after: 'The same spot again at once.',
    afterHeadline: 'The same spot at once',
  },
  spoon: {
    cadence: 'rip-fall',
    does: 'Counted down, rip it up half a rod, let it fall on slack line, then still.',
    takeM: 1,
    moveS: 2.2,
    rests: 0.55,
    liftM: 0.6,
    at: { overBedM: 1 },
    hangs: false,
    after: 'Straight back to the depth.',
    afterHeadline: 'Straight back to the depth',
  },
  'float-rig': {
    cadence: 'pull-settle',
    does: 'Past the school, pull it a metre towards you and let it settle: the bite comes as it settles.',
    takeM: 1,
    moveS: 2,
    rests: 1.7,
    liftM: 0.4,
    at: { share: 0.6 },
    hangs: false,
    after: 'In again at once, the stop unchanged.',
    afterHeadline: 'In again, same stop',
  },
  'live-bait': {
    cadence: 'slow-draw',
    does: 'Lowered below them and drawn slowly up through them; the rod loads by itself.',
    takeM: 1,
    moveS: 6,
    rests: 0.6,
    liftM: 1,
    at: { overBedM: 0.5 },
    hangs: false,
    after: 'In again at once with a fresh bait, at the same depth.',
    afterHeadline: 'In again, same depth',
  },
} as const satisfies Record<string, FamilyRetrieve>;

/** Families that have no row of their own, and whose they take. */
const like: Readonly<Record<string, keyof typeof rows>> = {
  blade: 'lipless',
  tube: 'finesse-jig',
  'hair-jig': 'finesse-jig',
  'micro-jig': 'finesse-jig',
  'rattle-spoon': 'spoon',
  'jigging-minnow': 'spoon',
  'plain-hook': 'live-bait',
  'tip-up-rig': 'live-bait',
  'pole-rig': 'float-rig',
  'soft-trolling': 'grub',
};

/** The row of a family: its own or that of the nearest. Throws RangeError for a family that is none. */
export function familyRetrieve(familyId: string): FamilyRetrieve {
  familyOf(familyId);
  const own = rows as Readonly<Record<string, FamilyRetrieve>>;
  return own[familyId] ?? own[like[familyId] ?? 'finesse-jig'];
}
