import type { EchoState, Mark } from '../sonar';
import { requireWithin } from '../units';
import { Coach, type Advice, type CoachSetting } from './coach';
import { emptyMemory, type CoachMemory } from './memory';

/** What the top mark did, as one sees it on a flasher. */
export type MarkDid = 'none' | 'still' | 'long-still' | 'rising' | 'sinking' | 'followed' | 'fled' | 'several' | 'bait';

/** A flasher read by eye: depths below the surface, m. */
export interface QuickReading {
  bottomM: number;
  jigM: number;
  /** Top mark; null where nothing is seen. */
  topMarkM: number | null;
  did: MarkDid;
}

/** How each looks over the last seconds: speed of mark and jig upward (m/s), how many marks, how long it is watched (s), and how long it has been gone (s). */
const looks: Readonly<Record<MarkDid, { riseMs: number; jigRiseMs?: number; marks: number; seconds: number; goneS?: number; kind?: Mark['kind'] }>> = {
  none: { riseMs: 0, marks: 0, seconds: 5 },
  still: { riseMs: 0, marks: 1, seconds: 3 },
  'long-still': { riseMs: 0, marks: 1, seconds: 12 },
  rising: { riseMs: 0.12, marks: 1, seconds: 6 },
  sinking: { riseMs: -0.06, marks: 1, seconds: 6 },
  followed: { riseMs: 0.05, jigRiseMs: 0.05, marks: 1, seconds: 6 },
  fled: { riseMs: -0.9, marks: 1, seconds: 5, goneS: 1.5 },
  several: { riseMs: 0, marks: 3, seconds: 3 },
  bait: { riseMs: 0, marks: 1, seconds: 3, kind: 'bait' },
};

/** An eye reads a depth to about this share of the bottom's, m; what a reader of echoes knows to centimetres. */
const eyeShare = 0.02;
const stepMs = 100;
/** Level of a mark that is neither faint nor at the edge of the cone, dB. */
const plainDb = -40;

/**
 * The states that a reader of echoes would have passed through to what was read by eye, ending at it.
 * RangeError for depths out of order or out of 0.3 to 300 m.
 */
export function statesOfReading({ bottomM, jigM, topMarkM, did }: QuickReading): EchoState[] {
  requireWithin(bottomM, 0.3, 300, 'bottom', 'm');
  requireWithin(jigM, 0, bottomM, 'jig', 'm');
  if (topMarkM !== null) requireWithin(topMarkM, 0, bottomM, 'top mark', 'm');
  const { riseMs, jigRiseMs = 0, marks, seconds, goneS = 0, kind = 'fish' } = looks[topMarkM === null ? 'none' : did];
  const endMs = seconds * 1000;
  const states: EchoState[] = [];
  for (let t = 0; t <= endMs; t += stepMs) {
    // What flees is read where it was before it went.
    const leftS = (goneS > 0 ? t : t - endMs) / 1000;
    const depthM = topMarkM === null ? 0 : Math.min(bottomM, Math.max(0, topMarkM - riseMs * leftS));
    const isSeen = topMarkM !== null && endMs - t >= goneS * 1000;
    const seen = Array.from({ length: isSeen ? marks : 0 }, (_, k): Mark => ({
      id: k + 1,
      depthM: Math.min(bottomM, depthM + 0.25 * k),
      kind,
      levelDb: plainDb,
      riseMs,
      ageMs: 5000 + t,
    }));
    states.push({ t, bottomM, jigM: Math.max(0, jigM + (jigRiseMs * (endMs - t)) / 1000), marks: seen });
  }
  return states;
}

/** The advice for a flasher read by eye: the same as for the echoes, by the same coach and the same memory, which is not added to. */
export function adviseReading(reading: QuickReading, setting: CoachSetting, memory: CoachMemory = emptyMemory()): Advice {
  const coach = new Coach(setting, structuredClone(memory));
  let advice: Advice | null = null;
  for (const state of statesOfReading(reading)) advice = coach.update(state);
  return advice!;
}

/** How far a depth read by eye may be off, m. */
export const readingErrorM = (bottomM: number): number => Math.max(0.1, eyeShare * bottomM);
