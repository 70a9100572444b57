/** What a sounder says of itself at the head of an echo log. */
export interface EchoHeader {
  start: string;
  soundSpeedMs: number;
  pingRateHz: number;
  /** Range per bin, m. */
  binM: number;
  bins: number;
  pulseUs: number;
  beamDeg: number;
  freqKHz: number;
  /** Transducer below the water surface, m. */
  transducerM: number;
  /** Level of byte 0, dB, and dB per step of a byte. */
  dbFloor: number;
  dbPerStep: number;
  /** Mean temperature of the water it was in, °C, where known: depths are corrected from the set speed of sound to that of such water. */
  waterTempC?: number;
}

/** One ping: time since the start, ms, and a level byte per bin, range-compensated to target strength on the axis. */
export interface Ping {
  t: number;
  a: Uint8Array;
}

export type MarkKind = 'fish' | 'school' | 'bait' | 'clutter';

/** Something in the water that is neither jig nor bottom. Depths are below the water surface, m. */
export interface Mark {
  id: number;
  depthM: number;
  kind: MarkKind;
  levelDb: number;
  /** Speed upward, m/s; negative when it sinks. */
  riseMs: number;
  /** How long it has been followed, ms. */
  ageMs: number;
  topM?: number;
  baseM?: number;
}

/** What the reader knows after a ping. Depths below the water surface, m; null where not seen. */
export interface EchoState {
  t: number;
  bottomM: number | null;
  jigM: number | null;
  marks: Mark[];
}
