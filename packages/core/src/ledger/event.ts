/** One thing that happened, as written once and never changed. */
interface Envelope<Kind extends string, Body> {
  /** UUID version 7. */
  id: string;
  outing: string;
  angler: string;
  device: string;
  /** ISO 8601 with offset. */
  at: string;
  kind: Kind;
  v: 1;
  body: Body;
}

export type ReactionKind = 'looked' | 'stalled' | 'followed' | 'refused' | 'fled' | 'nipped' | 'bite' | 'missed' | 'hooked' | 'lost';
export type Goal = 'numbers' | 'size' | 'supper';

/** Bodies by kind. Depths, lengths and thicknesses in SI; places as longitude, latitude. */
export interface EventBodies {
  'outing-started': { water: string; waterName: string; species: string[]; goal: Goal; method: 'ice'; plan?: { at: string; what: string }[] };
  'outing-ended': Record<string, never>;
  'ice-measured': { hole?: string; clearM: number; whiteM: number; snowM?: number };
  /** `mapDepthM` is what the depth map expected there: an estimate, never a sounding. */
  'hole-drilled': { hole: string; label: string; at: [number, number]; mapDepthM?: number };
  'depth-sounded': { hole: string; depthM: number; source: 'flasher' | 'line' | 'entered' };
  'temperature-measured': { hole: string; depthM: number; tempC: number };
  /** Depth at which a white disc is lost from sight. */
  'clarity-measured': { hole?: string; secchiM: number };
  'line-down': { line: string; hole: string; rod: string; presentation: string; depthM?: number };
  'line-up': { line: string };
  /** The flag of a tip-up rose. */
  'flag-up': { line: string };
  'depth-set': { line: string; depthM: number };
  reaction: { hole: string; line?: string; reaction: ReactionKind; depthM?: number; bottomM?: number; cadence?: string };
  /** No length where it was not measured; `weightG` only of a fish that was weighed. */
  'fish-landed': { fish: string; hole: string; line?: string; species: string; lengthMm?: number; weightG?: number; depthM?: number; bottomM?: number };
  'fish-kept': { fish: string };
  'fish-released': { fish: string; note?: string };
  /** Weather read by eye and barometer; pressure reduced to sea level. */
  'weather-seen': { airC?: number; pressureHpa?: number; windMs?: number; windFromDeg?: number; cloud?: number };
  /** A practice drill was reviewed: at home or out, it belongs to no outing. Shares and scores 0–100. */
  'drill-done': { scene: string; seed: number; seconds: number; decisions: number; score?: number; takes: number; landed: number; refusals: number; logged: number };
  moved: { fromHole?: string; hole: string };
  note: { text: string; hole?: string };
  undone: { target: string };
  amended: { target: string; body: Record<string, unknown> };
}

export type EventKind = keyof EventBodies;
export type EventOf<K extends EventKind> = Envelope<K, EventBodies[K]>;
export type LedgerEvent = { [K in EventKind]: EventOf<K> }[EventKind];
