import type { EventBodies, Goal, ReactionKind } from './event';

export interface LineState {
  id: string;
  hole: string;
  rod: string;
  presentation: string;
  downMs: number;
  /** Null while the line is in the water. */
  upMs: number | null;
  /** When its flag rose, ms; tip-ups only. */
  flagsMs: number[];
  /** Depth from a moment on, m, ascending in time. */
  depths: { ms: number; depthM: number }[];
}

export interface HoleState {
  id: string;
  label: string;
  at: [number, number];
  drilledMs: number;
  /** Null until measured. */
  clearIceM: number | null;
  whiteIceM: number | null;
  /** Null until sounded. */
  depthM: number | null;
  /** What the depth map expected when it was drilled, an estimate; null where it expected nothing. */
  mapDepthM: number | null;
  /** Arrivals at this hole, ms. */
  arrivals: number[];
}

export interface ReactionState {
  id: string;
  ms: number;
  hole: string;
  line: string | null;
  kind: ReactionKind;
  depthM: number | null;
  bottomM: number | null;
  cadence: string | null;
}

export interface FishState {
  id: string;
  eventId: string;
  ms: number;
  hole: string;
  line: string | null;
  species: string;
  /** Null where it was not measured. */
  lengthMm: number | null;
  weightG: number | null;
  depthM: number | null;
  bottomM: number | null;
  fate: 'kept' | 'released' | null;
}

export interface LogEntry {
  id: string;
  ms: number;
  hole: string | null;
  kind: string;
  text?: string;
}

export interface OutingState {
  id: string;
  water: string;
  waterName: string;
  species: string[];
  goal: Goal;
  startedMs: number;
  endedMs: number | null;
  holes: HoleState[];
  lines: LineState[];
  reactions: ReactionState[];
  fish: FishState[];
  temperatures: { ms: number; hole: string; depthM: number; tempC: number }[];
  /** Secchi depths, m. */
  clarity: { ms: number; secchiM: number }[];
  ice: { ms: number; clearM: number; whiteM: number; snowM: number | null; hole: string | null }[];
  entries: LogEntry[];
  /** What was planned, earliest first. */
  plan: { ms: number; what: string }[];
  /** The hole being fished. */
  currentHole: string | null;
}

export interface LedgerState {
  /** By start, earliest first. */
  outings: OutingState[];
  /** Weather that the angler read, at any time, out or at home; earliest first. */
  weather: ({ ms: number } & EventBodies['weather-seen'])[];
  /** Practice drills, earliest first. */
  drills: ({ ms: number } & EventBodies['drill-done'])[];
}
