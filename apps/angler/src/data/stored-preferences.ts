import { z } from 'zod';
import type { WindViewpoint } from '@burrow/core/banks';
import type { RoundSide } from '@burrow/core/holes';
import type { Craft } from '@burrow/core/methods';
import { viewpointWords, type PlanItem, type Viewpoints } from '@burrow/core/outlook';
import { ballBreaks, feedParticleIds, type BallBreak, type FeedParticle, type Goal } from '@burrow/core/ledger';
import type { ShotPattern, ShotSize } from '@burrow/core/rig';
import { iceGuidance, type IceLoad } from '@burrow/core/safety';
import { forages, type Forage } from '@burrow/core/tie-on';
import type { UnitPreference } from '@burrow/core/units';
import type { HolePlan } from '@/workers/ground.api';
import { kitForm, presentationsForm, type Kit, type Presentation } from './stored-box';

/** The pole and its rig, the ball that is fed, and what one counts to. */
export interface PoleKit {
  /** As far as the pole reaches, and the run of the float, m; null until somebody says. */
  reachM: number | null;
  runM: number | null;
  /** Null for what the flow asks for. */
  pattern: ShotPattern | null;
  /** Shot one has, heaviest first; null for the usual table. */
  shot: ShotSize[] | null;
  /** Hook and bait, g; null until somebody says. */
  loadG: number | null;
  /** Empty until somebody says. */
  bait: string;
  /** The ball as fed last; null before the first. */
  ball: { cm: number; gcc: number; breaks: BallBreak; particle: FeedParticle } | null;
  /** Which of the feeds in Gear it is made of; null where none is said. */
  feed: string | null;
  /** Size class of the fish that a tap logs; null before the first. */
  classMm: number | null;
  /** Weight one fishes for, g; null for none. */
  targetG: number | null;
  fate: 'released' | 'net';
}

/** Lines, speed and turns of trolling. */
export interface TrollKit {
  rods: number;
  baits: 1 | 2;
  /** The second bait so far up the line, m. */
  secondAboveM: number;
  /** Through the water, m/s. */
  speedMs: number;
  /** The tightest turn the rods allow, and how far the deepest bait keeps off the bed, m. */
  turnM: number;
  clearanceM: number;
  laneM: number;
  /** What hangs at the end of each line, g, from the left. */
  massesG: number[];
  /** Which presentation runs on each line; null where nobody said. */
  lures: (string | null)[];
  /** The same of the upper bait, where a line has two. */
  upperLures: (string | null)[];
  /** Drag of what each of them draws, as drag coefficient times area, m², from a touch of the bed; null before one. */
  dragsM2: (number | null)[];
  /** The line, mm; null until somebody says. */
  lineMm: number | null;
  isDrift: boolean;
  hasSock: boolean;
}

/** A plan of holes that the angler has asked for, kept on the phone until it is dropped. */
export interface KeptHolePlan extends HolePlan {
  id: string;
  water: string;
  wanted: number;
}

/** Where a flasher's pings come from. A stream without an address is that of this server; a log is kept on the phone. */
/** Where fish are looked for first in cold open water. */
export type ColdPlaces = 'by-sun' | 'coves' | 'basin';
export type Device = { kind: 'none' } | { kind: 'stream'; url: string } | { kind: 'log'; name: string } | { kind: 'simulation' };

export interface Preferences {
  units: UnitPreference;
  theme: 'day' | 'dusk' | 'sun';
  species: string;
  /** The water it was chosen for; null where it was chosen for none. */
  speciesOn: string | null;
  /** What fish eat, by the water's id; a water of which nobody said is not there. */
  forage: Readonly<Record<string, Forage>>;
  presentations: Presentation[];
  /** The one on the line; null where nobody said. */
  presentation: string | null;
  kit: Kit;
  /** What one fishes for. */
  goal: Goal;
  /** Least ice the angler drills on, clear and half the white, m. */
  leastIceM: number;
  /** How the beat is given, and how a fish coming up is called out. */
  beatBy: 'off' | 'sound' | 'vibration';
  callBy: 'off' | 'voice' | 'vibration';
  /** Who goes on the ice. */
  load: IceLoad;
  /** What one fishes from on open water. */
  craft: Craft;
  /** As far as one casts, m. */
  castM: number;
  /** What a peg is fished with. */
  pole: PoleKit;
  /** How one trolls. */
  troll: TrollKit;
  /** Depths cast for on a water, where they are one's own. */
  castBand: { water: string; fromM: number; toM: number } | null;
  viewpoints: Viewpoints;
  /** A day's plan that the angler has changed, by the day and fish it is for. */
  plan: { key: string; items: PlanItem[] } | null;
  /** The water in use; null for the first of the list. */
  water: string | null;
  /** Holes laid out on a water. */
  holePlan: KeptHolePlan | null;
  /** Which bank when sun and wind come together: where schools differ. */
  windViewpoint: WindViewpoint;
  /** The flasher that the Hole listens to; null for what is usual: the simulation in the demo, none elsewhere. */
  device: Device | null;
  /** Whether many anglers fish these waters: where schools differ on points. */
  /** Waters that many anglers fish. */
  pressedWaters: string[];
  /** Where in cold open water: by the sun of the last days, in coves or over the basin whatever it was. */
  coldPlaces: ColdPlaces;
  /** Whether every drilled hole is looked into before one is fished. */
  holeRound: RoundSide;
  /** Live bait hangs over the fish, instead of being drawn up through them. */
  hangsAbove: boolean;
  /** Whether one sits in a shelter on the ice. */
  isSheltered: boolean;
}

/** Version 2 calls viewpoints what version 1, which bore no number, called schools. */
export const preferencesVersion = 2;

const fields = z.record(z.string(), z.unknown());
const either = <const T extends readonly [string, ...string[]]>(...ids: T) => z.enum(ids);
const sides = <Q extends keyof Viewpoints>(question: Q) => z.custom<Viewpoints[Q]>((side) => viewpointWords[question].options.some(({ id }) => id === side));

const lonLat = z.tuple([z.number(), z.number()]);
const planItem = z.object({
  id: z.string(),
  atMs: z.number(),
  untilMs: z.number(),
  kind: either('set out', 'set up', 'fish', 'search', 'leave'),
  what: z.string(),
  why: z.string(),
});
const plannedHole = z.object({
  at: lonLat,
  depthM: z.number(),
  sdM: z.number(),
  perHour: z.number(),
  reasons: z.array(z.object({ ruleId: z.string(), text: z.string(), weight: z.number() })),
  own: z.object({ visits: z.number(), minutes: z.number() }),
});

/** All ids of a kind; one that is missing does not compile. */
const keysOf = <K extends string>(all: Record<K, true>) => Object.keys(all) as K[];

const forms: { [K in keyof Preferences]: z.ZodType<Preferences[K]> } = {
  units: z.object({
    depth: either('ft', 'm'),
    ice: either('in', 'cm'),
    fishLength: either('in', 'cm'),
    weight: either('lb', 'g'),
    temp: either('F', 'C'),
    wind: either('mph', 'kmh', 'ms'),
    distance: either('yd', 'm'),
  }),
  theme: either('day', 'dusk', 'sun'),
  species: z.string().min(1),
  speciesOn: z.string().nullable(),
  forage: z.record(z.string(), z.enum(forages)),
  presentations: presentationsForm,
  kit: kitForm,
  goal: either('numbers', 'size', 'supper'),
  presentation: z.string().min(1).nullable(),
  leastIceM: z.number().positive(),
  beatBy: either('off', 'sound', 'vibration'),
  callBy: either('off', 'voice', 'vibration'),
  load: z.enum(iceGuidance.map((g) => g.load)),
  craft: either('bank', 'pier', 'wading', 'kayak', 'boat'),
  castM: z.number().min(5).max(120),
  pole: z.object({
    reachM: z.number().min(2).max(20).nullable(),
    runM: z.number().min(0.5).max(15).nullable(),
    pattern: z.enum(keysOf<ShotPattern>({ bulk: true, strung: true, 'strung-dropper': true, 'bulk-droppers': true })).nullable(),
    shot: z
      .array(z.object({ name: z.string(), massG: z.number().positive() }))
      .min(1)
      .nullable(),
    loadG: z.number().min(0).max(2).nullable(),
    bait: z.string(),
    ball: z
      .object({
        cm: z.number().min(1).max(15),
        gcc: z.number().min(1.01).max(3),
        breaks: z.enum(ballBreaks),
        particle: z.enum(feedParticleIds),
      })
      .nullable(),
    feed: z.string().nullable().catch(null),
    classMm: z.number().nullable(),
    targetG: z.number().positive().nullable(),
    fate: either('released', 'net'),
  }),
  troll: z.object({
    rods: z.number().int().min(1).max(8),
    baits: z.union([z.literal(1), z.literal(2)]),
    secondAboveM: z.number().min(0.3).max(10),
    speedMs: z.number().min(0.1).max(4),
    turnM: z.number().min(4).max(100),
    clearanceM: z.number().min(0).max(5),
    laneM: z.number().min(50).max(3000),
    massesG: z.array(z.number().positive()).max(8),
    lures: z.array(z.string().nullable()).max(8),
    upperLures: z.array(z.string().nullable()).max(8),
    dragsM2: z.array(z.number().min(0).max(0.1).nullable()).max(8),
    lineMm: z.number().min(0.05).max(1.5).nullable(),
    isDrift: z.boolean(),
    hasSock: z.boolean(),
  }),
  castBand: z.object({ water: z.string(), fromM: z.number(), toM: z.number() }).nullable(),
  viewpoints: z.object({ 'pressure-or-light': sides('pressure-or-light'), 'early-or-warmed': sides('early-or-warmed') }),
  plan: z.object({ key: z.string(), items: z.array(planItem) }).nullable(),
  water: z.string().nullable(),
  holePlan: z.object({ id: z.string(), water: z.string(), wanted: z.number(), holes: z.array(plannedHole), walkM: z.number(), covered: z.number() }).nullable(),
  windViewpoint: either('windward', 'lee'),
  device: z
    .union([
      z.object({ kind: z.literal('none') }),
      z.object({ kind: z.literal('stream'), url: z.string() }),
      z.object({ kind: z.literal('log'), name: z.string() }),
      z.object({ kind: z.literal('simulation') }),
    ])
    .nullable(),
  pressedWaters: z.array(z.string()),
  coldPlaces: z.enum(['by-sun', 'coves', 'basin']),
  holeRound: z.enum(['by-fish', 'round', 'two-holes']),
  hangsAbove: z.boolean(),
  isSheltered: z.boolean(),
};

/** Version 1 in the form of version 2. */
function fromFirst({ schools, windSchool, ...rest }: Record<string, unknown>): Record<string, unknown> {
  const sidesOf = fields.safeParse(schools).data;
  return {
    ...rest,
    ...(windSchool === undefined ? {} : { windViewpoint: windSchool }),
    ...(sidesOf ? { viewpoints: { 'pressure-or-light': sidesOf['glass-or-light'], 'early-or-warmed': sidesOf['early-or-warmed'] } } : {}),
  };
}

/** A value where it holds; of a group each part by itself, and of a list the entries that hold. The rest is as `starting` has it. */
function readPart(form: z.ZodType, value: unknown, starting: unknown): unknown {
  const whole = form.safeParse(value);
  if (whole.success) return whole.data;
  const parts = fields.safeParse(value).data;
  if (form instanceof z.ZodObject && parts) {
    const defaults = (starting ?? {}) as Record<string, unknown>;
    return Object.fromEntries(Object.entries(form.shape).map(([name, part]) => [name, readPart(part as z.ZodType, parts[name], defaults[name])]));
  }
  if (form instanceof z.ZodArray && Array.isArray(value)) {
    const kept = value.map((entry) => (form.element as z.ZodType).safeParse(entry)).flatMap((read) => (read.success ? [read.data] : []));
    // A list that may not be empty, or that is longer than allowed, is none.
    return form.safeParse(kept).data ?? starting;
  }
  return starting;
}

/**
 * Preferences as this phone kept them, in whichever version: what does not hold, however deep it lies, comes from `starting` and takes
 * nothing else with it.
 * @param stored what was kept; anything at all
 */
export function readPreferences(stored: unknown, starting: Preferences): Preferences {
  const kept = fields.safeParse(stored).data ?? {};
  const current = kept.version === undefined ? fromFirst(kept) : kept;
  const read = Object.entries(forms).map(([name, form]) => [name, readPart(form, current[name], starting[name as keyof Preferences])]);
  return Object.fromEntries(read) as Preferences;
}
