import type { ballBreaks, feedContents, feedParticleIds, feedWays } from './feed';

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
  /** Version of the form of events; version 1 is read through `upcastEvent`. */
  v: 2;
  body: Body;
}

export type ReactionKind = 'looked' | 'stalled' | 'followed' | 'chased' | 'ignored' | 'refused' | 'fled' | 'nipped' | 'bite' | 'robbed' | 'missed' | 'hooked' | 'lost';
/** What a bait feels on the bed; a school that is seen where it is, or a look that found none. */
export type FeltKind = 'hard' | 'soft' | 'wood' | 'weeds' | 'snag' | 'school' | 'empty';
/** Where a ball of feed comes apart, and what it is made of. */
export type BallBreak = (typeof ballBreaks)[number];
export type FeedParticle = (typeof feedParticleIds)[number];
export type FeedContent = (typeof feedContents)[number];
export type FeedWay = (typeof feedWays)[number];
/** What one finds over the water. */
export type SurfaceSeen = 'ice' | 'skin' | 'open';
/** Why it may have gone quiet, none of it the feed's fault. */
export type QuietReason = 'cold-rain' | 'cooling' | 'predator' | 'bigger-fish';
/** How a line ran when something took: straight, or on which side of a turn. */
export type LineTurn = 'straight' | 'inside' | 'outside';
/** Where a hook held: far down is a fish that meant it, the tail one that did not. */
export type HookHold = 'deep' | 'lip' | 'outside';
/** Where a fish came off: at the strike, on the way in, or at the hole, net or bank. */
export type LostAt = 'strike' | 'way' | 'end';
/** What a float did: went under, slid sideways, or stood and then lay flat, for the fish rose with the bait. Each is a bite. */
export type FloatAnswer = 'under' | 'slid' | 'rose';
/** How a tube is built, each part only where somebody said it: where its head sits, whether scent went in, and how far behind the bend its tails were cut, mm. */
export interface TubeBuild {
  seat?: 'short' | 'full';
  scent?: boolean;
  cutMm?: number;
}
/** What the bait did when a fish took it: it was moved, it fell, or it lay or hung still. */
export type BiteMoment = 'moved' | 'fell' | 'still';
export type Goal = 'numbers' | 'size' | 'supper';

/** Bodies by kind. Depths, lengths and thicknesses in SI; places as longitude, latitude. `method` and a station's `kind` are ids of the way of fishing. */
export interface EventBodies {
  'outing-started': { water: string; waterName: string; species: string[]; goal: Goal; method: string; plan?: { at: string; what: string }[] };
  /** Two phones began one outing each: this one is part of the other, with whatever is logged to it later. */
  joined: { into: string };
  /** From here on the outing is fished in another way. */
  'method-changed': { method: string };
  'outing-ended': Record<string, never>;
  /** What lies over the water, seen on arrival: ice, a skin that neither bears nor lets a bait through, or nothing. */
  'surface-seen': { surface: SurfaceSeen };
  'ice-measured': { station?: string; clearM: number; whiteM: number; snowM?: number };
  /** A place to fish from: a hole, a swim, a stand, a spot over fish, or a pass with its track. `mapDepthM` is what the depth map expected there: an estimate, never a sounding. `placed` is who said where it is: the phone, so exactly, or the map, by a tap or the ring of the advice. A swim lies `outM` from the bank; a further one of the same peg names the first. */
  'station-opened': {
    station: string;
    kind: string;
    label: string;
    at: [number, number];
    track?: [number, number][];
    placed?: { by: 'phone' | 'map'; accuracyM?: number };
    mapDepthM?: number;
    outM?: number;
    peg?: string;
  };
  /** How far out a swim lies, m, once it is chosen or when it is chosen anew. */
  'swim-placed': { station: string; outM: number };
  /** A depth plumbed along the pole, so far from the bank; `station` is the first swim of the peg. */
  plumbed: { station: string; outM: number; depthM: number };
  /** A float timed at the surface over a marked way, to the right of one who faces the water positive; on water that stands it went nowhere. */
  'flow-timed': { station?: string; alongM: number; seconds: number };
  'depth-sounded': { station: string; depthM: number; source: 'flasher' | 'line' | 'entered' };
  'temperature-measured': { station?: string; depthM: number; tempC: number };
  /** Depth at which a white disc is lost from sight. */
  'clarity-measured': { station?: string; secchiM: number };
  /** A rod in use, with what is tied on where that was said, and how a tube of it is built; a second bait on its line hangs `aboveM` over the first. */
  'line-down': {
    line: string;
    station: string;
    rod: string;
    presentation?: string;
    depthM?: number;
    lineOutM?: number;
    second?: { presentation?: string; aboveM: number };
    tube?: TubeBuild;
  };
  'line-up': { line: string };
  /** The flag of a tip-up rose. */
  'flag-up': { line: string };
  'depth-set': { line: string; depthM: number; lineOutM?: number };
  /** Where a pass went: longitude, latitude, and seconds since it was begun. A long one comes in several. */
  tracked: { station: string; points: [number, number, number][] };
  'pass-ended': { station: string };
  'cadence-set': { line: string; cadence: string };
  /** A cast with its aim: compass bearing and distance, and what came of it. */
  cast: { cast: string; station: string; line?: string; bearingDeg: number; distanceM: number; result?: 'nothing' | 'hard' | 'bite' | 'fish' | 'snag' };
  /** Something felt on the bed by the bait, so far out along a cast: reckoned from the time since it, or set by the angler. */
  felt: {
    station: string;
    what: FeltKind;
    cast?: string;
    bearingDeg: number;
    outM: number;
    by?: 'time' | 'eye';
    /** Of a school: its top, m, whether small fish were seen on the way to it, and the bearing that it moves along; of any look how deep the water is there, m. */
    topM?: number;
    bottomM?: number;
    hasBait?: boolean;
    movesDeg?: number;
  };
  /** How high the water stands against the level that its soundings were made at, m: negative when drawn down. */
  'level-measured': { levelM: number; by: 'gauge' | 'mark' };
  /** Feed laid at a station, some way off along the run where that is known. */
  fed: {
    station: string;
    what: string;
    massG?: number;
    alongM?: number;
    ball?: { cm: number; gcc: number; breaks: BallBreak; particle: FeedParticle };
    /** Balls alike, 1 to 20; or grains by hand. One ball where neither is said. */
    balls?: number;
    grains?: number;
    contents?: FeedContent[];
    way?: FeedWay;
  };
  /** One thing changed at a swim after a wait: id of the rule. */
  changed: { station: string; what: string };
  /** A reason for the quiet that the angler saw. */
  'quiet-seen': { station: string; what: QuietReason };
  /** Fish of one size class weighed together, or all there are. */
  'bag-weighed': { station: string; count: number; massG: number; classMm?: number };
  /** A station is left alone for a while. */
  rested: { station: string };
  reaction: {
    station: string;
    line?: string;
    reaction: ReactionKind;
    depthM?: number;
    bottomM?: number;
    cadence?: string;
    cast?: string;
    outM?: number;
    alongM?: number;
    at?: [number, number];
    turn?: LineTurn;
    speedMs?: number;
    /** Only of a fish that was lost. */
    lostAt?: LostAt;
    /** The bait it took, where a line has two: the end one where nobody said. */
    bait?: 'upper';
    /** The same fish as the one before, by its size or its way, as the angler saw it. */
    isSame?: true;
    /** What the float did, of a bite under one. */
    float?: FloatAnswer;
    /** What the bait did when it was taken. */
    moment?: BiteMoment;
  };
  /** No length where it was not measured; `classMm` is its size class by eye; `weightG` only of a fish that was weighed. `cast` and `outM` where it took on a cast, so far out; `alongM` how far down the run of a float. */
  'fish-landed': {
    fish: string;
    station: string;
    line?: string;
    species: string;
    lengthMm?: number;
    classMm?: number;
    weightG?: number;
    girthMm?: number;
    hookedIn?: HookHold;
    /** Mud on its belly: it lay on the bed. */
    hasMud?: boolean;
    note?: string;
    /** Id of its picture, which is kept beside the ledger. */
    photo?: string;
    depthM?: number;
    bottomM?: number;
    cast?: string;
    outM?: number;
    alongM?: number;
    at?: [number, number];
  };
  'fish-kept': { fish: string };
  /** How many fish one means to keep on this outing, whatever the law allows; the last word counts, 0 for none. */
  'keep-planned': { count: number };
  'fish-released': { fish: string; note?: string };
  /** Weather read by eye and barometer; pressure reduced to sea level. */
  'weather-seen': { airC?: number; pressureHpa?: number; windMs?: number; windFromDeg?: number; cloud?: number };
  /** A practice drill was reviewed: at home or out, it belongs to no outing. Shares and scores 0–100. */
  'drill-done': { scene: string; seed: number; seconds: number; decisions: number; score?: number; takes: number; landed: number; refusals: number; logged: number };
  moved: { fromStation?: string; station: string };
  note: { text: string; station?: string };
  undone: { target: string };
  amended: { target: string; body: Record<string, unknown> };
}

export type EventKind = keyof EventBodies;
export type EventOf<K extends EventKind> = Envelope<K, EventBodies[K]>;
export type LedgerEvent = { [K in EventKind]: EventOf<K> }[EventKind];
