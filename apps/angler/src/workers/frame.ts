import type { Advice, CoachMemory } from '@burrow/core/coach';
import type { EchoHeader, EchoState } from '@burrow/core/sonar';

/** Where pings come from: the demo's flasher over the server, the simulation on this phone, a flasher of the angler's own, or a recorded log. */
export type FlasherSource = 'live' | 'local' | 'device' | 'log';

/** What a screen gets for every ping. */
export interface Frame {
  source: FlasherSource;
  /** Whether these fish are in no water. */
  isSimulated: boolean;
  state: EchoState;
  /** What is said: it stands for four seconds at least, unless a fish comes. */
  advice: Advice | null;
  /** How long the top mark has been still, s. */
  stillS: number;
  /** Levels of the ping, for the echo history. */
  levels: Uint8Array;
  header: EchoHeader;
  /** Depth the line was let out to, m. */
  lineM: number;
  /** A fish took the jig at this ping (the rod tip, simulated). */
  taken: boolean;
}

export interface SessionConfig {
  /** `live` tries the flasher first and falls to the local simulation; `local` simulates from the start; `drill` does so and keeps a review; `device` listens to `url` and simulates nothing. */
  mode: 'live' | 'local' | 'drill' | 'device';
  url?: string;
  speciesId: string;
  waterTempC: number;
  bottomM?: number;
  sceneId: string;
  seed: number;
  /** Least difference of two depths on screen, m: less than half of it changes nothing that is said. */
  stepM: number;
  /** What the outing has told so far, for the coach to go on from. */
  memory?: CoachMemory;
}
