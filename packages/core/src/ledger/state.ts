import type {
  BiteMoment,
  EventBodies,
  EventKind,
  FeedContent,
  FeedWay,
  FeltKind,
  FloatAnswer,
  Goal,
  HookHold,
  LineTurn,
  LostAt,
  QuietReason,
  ReactionKind,
  SurfaceSeen,
  TubeBuild,
} from './event';

export interface LineState {
  id: string;
  station: string;
  rod: string;
  /** What is tied on; null where nobody said. */
  presentation: string | null;
  downMs: number;
  /** Null while the line is in the water. */
  upMs: number | null;
  /** When its flag rose, ms; tip-ups only. */
  flagsMs: number[];
  /** Depth from a moment on, m, ascending in time, and the line let out for it where that is known. */
  depths: { ms: number; depthM: number; lineOutM: number | null }[];
  /** How it is moved from a moment on, ascending in time. */
  cadences: { ms: number; cadence: string }[];
  /** A second bait above the first, m. */
  second: { presentation: string | null; aboveM: number } | null;
  /** How the tube on it is built; absent of other baits, and where nobody said. */
  tube?: TubeBuild;
}

/** A place that was fished from. */
export interface StationState {
  id: string;
  /** `hole`, `swim`, `stand`, `spot`, `pass`, or that of another way of fishing. */
  kind: string;
  /** Way of fishing in force when it was opened. */
  method: string;
  label: string;
  at: [number, number];
  /** Who said where it is, and how exactly, m; null of a station that nobody said it of. */
  placed: { by: 'phone' | 'map'; accuracyM: number | null } | null;
  /** Its way, where it is a pass, and the moment of each place, ms, where that was recorded. */
  track: [number, number][] | null;
  trackMs: number[];
  /** When a pass ended, ms. */
  endedMs: number | null;
  openedMs: number;
  /** Ice of a hole; null until measured. */
  clearIceM: number | null;
  whiteIceM: number | null;
  /** Null until sounded. */
  depthM: number | null;
  /** What the depth map expected when it was opened, an estimate; null where it expected nothing. */
  mapDepthM: number | null;
  /** How far out a swim lies, m; null until it is chosen, and of what is no swim. */
  outM: number | null;
  /** The first swim of its peg; itself where it is the first. */
  peg: string;
  /** Arrivals there, ms. */
  arrivals: number[];
  /** Times that somebody fished from it, from arriving until leaving; the last is open while it goes on. */
  stays: StayState[];
}

/** One stay of one phone at a station. */
export interface StayState {
  fromMs: number;
  toMs: number | null;
  device: string;
}

export interface ReactionState {
  id: string;
  ms: number;
  station: string;
  line: string | null;
  kind: ReactionKind;
  depthM: number | null;
  bottomM: number | null;
  cadence: string | null;
  /** The cast it came on, and how far out, m. */
  cast: string | null;
  outM: number | null;
  /** How far down the run, m; null where nobody said. */
  alongM: number | null;
  /** Where on a pass it took, how the line ran, and how fast, m/s. */
  at: [number, number] | null;
  turn: LineTurn | null;
  speedMs: number | null;
  /** Where it came off; absent where nobody said. */
  lostAt?: LostAt;
  /** The upper one of two baits on the line; absent for the end one. */
  bait?: 'upper';
  /** The same fish as the one before; absent of another, and where nobody said. */
  isSame?: true;
  /** What the float did; absent where there was none. */
  float?: FloatAnswer;
  /** What the bait did when it was taken; absent where nobody said. */
  moment?: BiteMoment;
}

export interface FishState {
  id: string;
  eventId: string;
  ms: number;
  station: string;
  line: string | null;
  species: string;
  /** Null where it was not measured. */
  lengthMm: number | null;
  /** Size class by eye. */
  classMm: number | null;
  weightG: number | null;
  /** Round its thickest part. */
  girthMm: number | null;
  /** Where the hook held; absent where nobody said. */
  hookedIn?: HookHold;
  /** Mud on its belly; absent where there was none, or nobody said. */
  hasMud?: boolean;
  note: string | null;
  /** Id of its picture; null where none was taken. */
  photo: string | null;
  depthM: number | null;
  bottomM: number | null;
  /** The cast it took on, and how far out, m. */
  cast: string | null;
  outM: number | null;
  alongM: number | null;
  at: [number, number] | null;
  fate: 'kept' | 'released' | null;
}

export interface CastState {
  id: string;
  eventId: string;
  ms: number;
  station: string;
  line: string | null;
  bearingDeg: number;
  distanceM: number;
  result: NonNullable<EventBodies['cast']['result']> | null;
}

/** Something felt on the bed. */
export interface FeltState {
  id: string;
  ms: number;
  station: string;
  what: FeltKind;
  bearingDeg: number;
  outM: number;
  /** Of a school or a look that found none, where somebody said so. */
  topM?: number;
  bottomM?: number;
  hasBait?: boolean;
  movesDeg?: number;
}

/** Something fed: how many, of what and how are absent where nobody said so. */
export interface FeedState {
  ms: number;
  station: string;
  what: string;
  massG: number | null;
  alongM: number | null;
  ball: NonNullable<EventBodies['fed']['ball']> | null;
  balls?: number;
  grains?: number;
  contents?: readonly FeedContent[];
  way?: FeedWay;
}

export interface LogEntry {
  id: string;
  ms: number;
  station: string | null;
  kind: EventKind;
  text?: string;
}

export interface OutingState {
  id: string;
  water: string;
  waterName: string;
  species: string[];
  goal: Goal;
  /** Fish that one means to keep; absent where nobody said. */
  keepPlan?: number;
  /** File that another's log was brought in from; absent for one's own. */
  broughtFrom?: string;
  startedMs: number;
  /** Offset from UTC in force where and when it began, such as +02:00: its times are shown in it wherever they are looked at. */
  zone: string;
  endedMs: number | null;
  /** How it is fished now, and the ways in order of time, the first from the start. */
  method: string;
  methods: { ms: number; method: string }[];
  stations: StationState[];
  lines: LineState[];
  casts: CastState[];
  felt: FeltState[];
  /** Levels of the water against that of its soundings, m. */
  levels: { ms: number; levelM: number; by: 'gauge' | 'mark' }[];
  feeds: FeedState[];
  /** Depths plumbed along a peg, m. */
  plumbed: { id: string; ms: number; station: string; outM: number; depthM: number }[];
  /** Floats timed at the surface: m along, s. */
  flows: { id: string; ms: number; station: string | null; alongM: number; seconds: number }[];
  /** Things changed after a wait, and reasons seen for the quiet. */
  changes: { ms: number; station: string; what: string }[];
  quiet: { ms: number; station: string; what: QuietReason }[];
  weighed: { ms: number; station: string; count: number; massG: number; classMm: number | null }[];
  rests: { ms: number; station: string }[];
  reactions: ReactionState[];
  fish: FishState[];
  temperatures: { ms: number; station: string | null; depthM: number; tempC: number }[];
  /** What lay over the water, as seen. */
  surfaces: { ms: number; surface: SurfaceSeen }[];
  /** Secchi depths, m. */
  clarity: { ms: number; secchiM: number }[];
  ice: { ms: number; clearM: number; whiteM: number; snowM: number | null; station: string | null }[];
  entries: LogEntry[];
  /** What was planned, earliest first. */
  plan: { ms: number; what: string }[];
  /** The station being fished. */
  currentStation: string | null;
}

export interface LedgerState {
  /** By start, earliest first. */
  outings: OutingState[];
  /** Weather that the angler read, at any time, out or at home; earliest first. */
  weather: ({ ms: number } & EventBodies['weather-seen'])[];
  /** Practice drills, earliest first. */
  drills: ({ ms: number } & EventBodies['drill-done'])[];
}
