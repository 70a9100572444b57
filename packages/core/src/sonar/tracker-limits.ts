import type { Motion } from './track';

/** Births, deaths and gates of the followed targets. Heuristic. */
export const trackerLimits = {
  fish: { accelMs2: 0.5, rangeSdM: 0.025 } satisfies Motion,
  jig: { accelMs2: 3, rangeSdM: 0.02 } satisfies Motion,
  /** Hits wanted before a target counts; of a sounder of fewer pings a second than `slowHz`, `slowHits`. */
  confirmHits: 4,
  slowHits: 3,
  slowHz: 8,
  /** Least share of hits until then. */
  confirmShare: 0.6,
  /** A target not seen for this long is gone, s; one that shares another's echo for so long. */
  goneS: 1,
  /** A jig not seen for this long is looked for anew, s. */
  lostS: 0.5,
  sharedS: 5,
  /** Square of the gate in standard deviations of range. */
  gate: 12,
  /** How far an echo's level strays from its target's, dB. */
  fishLevelSdDb: 5,
  jigLevelSdDb: 3,
  /** A jig is looked for within this of its line's depth, m. */
  jigReachM: 0.5,
  /** A rod lifts the jig this far over its line's depth, m; beyond, and below, it seems less and less likely to be the jig. */
  rodLiftM: 0.5,
  jigAstrayM: 0.09,
  /** So much more unlike the jig than another, and it is not the jig. */
  doubtJig: 3,
  /** A lifted rod has come down again by then, s; the longer where what is at the line's depth has not a jig's level. */
  awayS: 1.6,
  awayLongS: 2.5,
  /** Below its line for this long, s, while something else is at it. */
  belowS: 0.5,
  /** What darts up from the jig's place this fast, m/s, is the jig: no fish starts like a rod. */
  dartMs: 0.25,
  /** How fast the slowest reel and the fastest fall take it there, m/s, and how long it needs to settle, s. */
  reelMs: 0.6,
  fallMs: 1.5,
  settleS: 1.2,
  /** A line taken in or let out by hand goes no slower than this, m/s. */
  drawnMs: 0.03,
  /** Who has not moved for this long after the line was let out or taken in is not on it, s. */
  leavesS: 0.8,
  /** Who has gone this far the line's way has moved, m. */
  stirsM: 0.025,
  /** What comes into sight on the line's way and goes along it faster than this, m/s, is the jig. */
  travelsMs: 0.22,
  /** A fish that shares the jig's echo makes it this much stronger, dB. */
  fishOverJigDb: 3,
} as const;
