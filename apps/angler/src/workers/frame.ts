import type { Advice, CoachMemory } from '@burrow/core/coach';
import type { EchoHeader, EchoState } from '@burrow/core/sonar';

/** Where pings come from: the flasher over the server, the simulation on this phone, or a recorded log. */
export type FlasherSource = 'live' | 'local' | 'log';

/** What a screen gets for every ping. */
export interface Frame {
  source: FlasherSource;
  state: EchoState;
  advice: Advice | null;
  /** Levels of the ping, for the echo history. */
  levels: Uint8Array;
  header: EchoHeader;
  /** Depth the line was let out to, m. */
  lineM: number;
  /** A fish took the jig at this ping (the rod tip, simulated). */
  taken: boolean;
}

export interface SessionConfig {
  /** `live` tries the flasher first and falls to the local simulation; `local` simulates from the start; `drill` does so and keeps a review. */
  mode: 'live' | 'local' | 'drill';
  speciesId: string;
  waterTempC: number;
  bottomM?: number;
  sceneId: string;
  seed: number;
  /** What the outing has told so far, for the coach to go on from. */
  memory?: CoachMemory;
}
