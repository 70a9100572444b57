import { interpolate } from '../units';

/** A way of moving the jig. */
export interface Cadence {
  id: string;
  /** What to do, verb first. */
  verb: string;
  liftM: number;
  beatPerMin: number;
  /** Factor on the pause that the water's temperature sets; 0 for none. */
  pauseFactor: number;
}

/** Cadences of fieldcraft §4. */
export const cadences = {
  call: { id: 'call', verb: 'Lift three times, let fall', liftM: 0.45, beatPerMin: 30, pauseFactor: 1.2 },
  thump: { id: 'thump', verb: 'Thump the bottom, lift, watch', liftM: 0.2, beatPerMin: 40, pauseFactor: 1 },
  bounce: { id: 'bounce', verb: 'Bounce gently', liftM: 0.06, beatPerMin: 80, pauseFactor: 0.4 },
  tap: { id: 'tap', verb: 'Tap on the spot', liftM: 0.02, beatPerMin: 220, pauseFactor: 0.3 },
  shrink: { id: 'shrink', verb: 'Slow down, smaller', liftM: 0.03, beatPerMin: 50, pauseFactor: 0.5 },
  deadstick: { id: 'deadstick', verb: 'Hold still', liftM: 0, beatPerMin: 0, pauseFactor: 1 },
  'slow-lift': { id: 'slow-lift', verb: 'Draw slowly away', liftM: 0.3, beatPerMin: 6, pauseFactor: 0.5 },
  tremble: { id: 'tremble', verb: 'Lay it down, tremble', liftM: 0.01, beatPerMin: 240, pauseFactor: 0.5 },
} as const satisfies Record<string, Cadence>;

export type CadenceId = keyof typeof cadences;

/** Pause between movements, s, by water temperature. Source: fieldcraft §4: 1–3 s at 10 °C, 5–15 s at 4 °C, up to 30 s. */
export const pauseSeconds = (tempC: number) => interpolate([0, 2, 4, 7, 10], [24, 15, 10, 5, 2], tempC);
