import { interpolate } from '../units';

/** A way of moving the jig. */
export interface Cadence {
  id: string;
  /** What to do, verb first. */
  verb: string;
  liftM: number;
  beatPerMin: number;
  /** Lifts before the pause. */
  beats: number;
  /** Factor on the pause that the water's temperature sets; 0 for none. */
  pauseFactor: number;
  /** How lively it is beside the others, 0–1. Heuristic: from the mean speed of the jig with pauses of 4 °C. */
  intensity: number;
}

/** Cadences of fieldcraft §4. */
export const cadences = {
  call: { id: 'call', verb: 'Lift three times, let fall', liftM: 0.45, beatPerMin: 30, beats: 3, pauseFactor: 1.2, intensity: 1 },
  rip: { id: 'rip', verb: 'Rip it up once, let it fall, wait', liftM: 0.6, beatPerMin: 40, beats: 1, pauseFactor: 1.4, intensity: 0.85 },
  thump: { id: 'thump', verb: 'Thump the bottom, lift, watch', liftM: 0.2, beatPerMin: 40, beats: 3, pauseFactor: 1, intensity: 0.85 },
  swim: { id: 'swim', verb: 'Swim it in a small circle', liftM: 0.05, beatPerMin: 40, beats: 12, pauseFactor: 0.2, intensity: 0.75 },
  bounce: { id: 'bounce', verb: 'Bounce gently', liftM: 0.06, beatPerMin: 80, beats: 4, pauseFactor: 0.4, intensity: 0.75 },
  tap: { id: 'tap', verb: 'Tap on the spot', liftM: 0.02, beatPerMin: 220, beats: 4, pauseFactor: 0.3, intensity: 0.55 },
  shrink: { id: 'shrink', verb: 'Slow down, smaller', liftM: 0.03, beatPerMin: 50, beats: 4, pauseFactor: 0.5, intensity: 0.45 },
  quiver: { id: 'quiver', verb: 'Quiver it, hardly to be seen', liftM: 0.008, beatPerMin: 180, beats: 4, pauseFactor: 0.4, intensity: 0.3 },
  tremble: { id: 'tremble', verb: 'Lay it down, tremble', liftM: 0.01, beatPerMin: 240, beats: 4, pauseFactor: 0.5, intensity: 0.3 },
  deadstick: { id: 'deadstick', verb: 'Hold still', liftM: 0, beatPerMin: 0, beats: 0, pauseFactor: 1, intensity: 0 },
  'slow-lift': { id: 'slow-lift', verb: 'Draw slowly away', liftM: 0.3, beatPerMin: 6, beats: 1, pauseFactor: 0.5, intensity: 0.4 },
} as const satisfies Record<string, Cadence>;

export type CadenceId = keyof typeof cadences;

/** How fast a hand draws the jig away, m/s. Source: fieldcraft §4, slow lift. */
export const drawSpeedMs = 0.06;

/** Pause between movements, s, by water temperature. Source: fieldcraft §4: 1–3 s at 10 °C, 5–15 s at 4 °C, up to 30 s. */
export const pauseSeconds = (tempC: number) => interpolate([0, 2, 4, 7, 10], [24, 15, 10, 5, 2], tempC);

/** The movement of a rod that follows a cadence in water of a temperature, °C. A slow lift is drawn by the line and has no beat of its own. */
export function rodFor(id: CadenceId, waterTempC: number): { liftM: number; beatPerMin: number; pauseS: number; beats: number } {
  const { liftM, beatPerMin, beats, pauseFactor } = cadences[id];
  if (id === 'slow-lift') return { liftM: 0, beatPerMin: 0, pauseS: 0, beats: 1 };
  return { liftM, beatPerMin, beats: Math.max(1, beats), pauseS: pauseSeconds(waterTempC) * pauseFactor };
}

/** Shares of the lift and the beat that are left of a shrinking beat to a mark nearer than so much, m; the first that holds. Heuristic; source: fieldcraft, close in. */
const closer = [
  { withinM: 0.35, share: 0.4 },
  { withinM: 0.75, share: 0.7 },
] as const;

/** The beat as a mark closes in: smaller and slower each time, and never stopped dead. Another movement is as it was. */
export function closingIn(cadence: Cadence, gapM: number | null): Cadence {
  const near = cadence.id !== 'shrink' || gapM === null ? undefined : closer.find((c) => Math.abs(gapM) <= c.withinM);
  return near ? { ...cadence, liftM: cadence.liftM * near.share, beatPerMin: cadence.beatPerMin * near.share } : cadence;
}
