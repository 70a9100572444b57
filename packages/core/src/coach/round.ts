import type { Advice } from './coach';

/** One round of what the hand does: how long it takes, s, when beats begin in it, s, and how high the rod stands at a moment of it, 0–1. */
export interface Round {
  seconds: number;
  beatsAt: readonly number[];
  lift: (s: number) => number;
}

/** Shortest round where the rod is held still, and how long a draw that has come to its end is held, s. */
const stillS = 4;
const heldS = 2;
/** Share of the whole height that a beat takes while the jig is drawn away. */
const beatShare = 0.25;

const wave = (share: number) => (1 - Math.cos(2 * Math.PI * share)) / 2;

/** The round of an advice: the beat of its rod and the pause, over and over; or one slow draw with that beat kept up. */
export function roundOf({ cadence, rod, pauseS, forS }: Pick<Advice, 'cadence' | 'rod' | 'pauseS' | 'forS'>): Round {
  const beatS = rod.beatPerMin > 0 ? 60 / rod.beatPerMin : 0;
  const activeS = rod.beats * beatS;
  const periodS = activeS + pauseS;
  const beatsIn = (roundS: number) =>
    Array.from({ length: Math.ceil(roundS / periodS) }, (_, r) => Array.from({ length: rod.beats }, (_, k) => r * periodS + k * beatS))
      .flat()
      .filter((s) => s < roundS);
  const beat = (s: number) => (s % periodS < activeS ? wave((s % periodS) / beatS) : 0);
  const isMoved = rod.liftM > 0 && beatS > 0;
  if (cadence.id === 'slow-lift') {
    const drawn = (s: number) => wave(Math.min(1, s / forS) / 2);
    return {
      seconds: forS + heldS,
      beatsAt: isMoved ? beatsIn(forS) : [0],
      lift: isMoved ? (s) => (1 - beatShare) * drawn(s) + (s < forS ? beatShare * beat(s) : 0) : drawn,
    };
  }
  if (!isMoved) return { seconds: Math.max(stillS, forS), beatsAt: [], lift: () => 0 };
  return { seconds: periodS, beatsAt: beatsIn(periodS), lift: beat };
}
