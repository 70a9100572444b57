import {
  fold,
  reactionKinds,
  upcastEvent,
  type EventKind,
  type LedgerEvent,
  type LedgerState,
  type ReactionKind,
  ballBreaks,
  feedContents,
  feedParticleIds,
  feedWays,
} from '@burrow/core/ledger';
import { z } from 'zod';
import { listOf } from './bounded-list';
import { firstProblem } from './problem-words';
import { storableText, valueProblem } from './storable';

// Capitals are the same id: PostgreSQL keeps them small, and so does everything here.
const id = z.uuid({ version: 'v7' }).toLowerCase();
const lon = z.number().min(-180).max(180);
const lat = z.number().min(-90).max(90);
const place = z.tuple([lon, lat]);
const depthM = z.number().min(0).max(300);
/** Id of a way of fishing or of a kind of station: those of `core/methods`, and others of programs to come. */
const wayId = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'expected an id such as ice or vertical');
const thicknessM = z.number().min(0).max(3);
/** How far out on a cast. */
const outM = z.number().min(0).max(300);
const lineOutM = z.number().min(0.1).max(200);
/** Along the run of a float, downstream positive. */
const alongM = z.number().min(-100).max(100);
const lengthMm = z.number().int().min(10).max(3000);
const name = storableText(1, 120);

/** A ball of feed: its diameter, density, where it breaks and what it is made of. */
const ball = z.object({
  cm: z.number().min(1).max(15),
  gcc: z.number().min(1.01).max(3),
  breaks: z.enum(ballBreaks),
  particle: z.enum(feedParticleIds),
});

const planItem = z.object({ at: z.iso.datetime({ offset: true }), what: storableText(1, 200) });

/** An amended body is at most as large as the largest body there is, an outing with its plan. */
const amendedLimits = { depth: 4, values: 200 };

const bodies = {
  'outing-started': z.object({
    water: name,
    waterName: name,
    species: listOf(name, { least: 1, most: 20 }),
    goal: z.enum(['numbers', 'size', 'supper']),
    method: wayId,
    plan: listOf(planItem, { most: 30 }).optional(),
  }),
  joined: z.object({ into: id }),
  'method-changed': z.object({ method: wayId }),
  'outing-ended': z.object({}).strict(),
  'ice-measured': z.object({ station: id.optional(), clearM: thicknessM, whiteM: thicknessM, snowM: thicknessM.optional() }),
  'station-opened': z.object({
    station: id,
    kind: wayId,
    label: name,
    at: place,
    track: listOf(place, { least: 2, most: 20_000 }).optional(),
    placed: z.object({ by: z.enum(['phone', 'map']), accuracyM: z.number().min(0).max(100_000).optional() }).optional(),
    mapDepthM: depthM.optional(),
    outM: outM.optional(),
    peg: id.optional(),
  }),
  'swim-placed': z.object({ station: id, outM: z.number().min(0.5).max(30) }),
  plumbed: z.object({ station: id, outM: z.number().min(0).max(30), depthM: z.number().min(0).max(20) }),
  'flow-timed': z.object({ station: id.optional(), alongM: z.number().min(-100).max(100), seconds: z.number().min(0.5).max(3600) }),
  'depth-sounded': z.object({ station: id, depthM, source: z.enum(['flasher', 'line', 'entered']) }),
  'surface-seen': z.object({ surface: z.enum(['ice', 'skin', 'open']) }),
  'temperature-measured': z.object({ station: id.optional(), depthM, tempC: z.number().min(-2).max(40) }),
  'clarity-measured': z.object({ station: id.optional(), secchiM: z.number().min(0.1).max(40) }),
  'line-down': z.object({
    line: id,
    station: id,
    rod: name,
    presentation: name.optional(),
    depthM: depthM.optional(),
    lineOutM: lineOutM.optional(),
    second: z.object({ presentation: name.optional(), aboveM: z.number().min(0.05).max(20) }).optional(),
    tube: z.object({ seat: z.enum(['short', 'full']).optional(), scent: z.boolean().optional(), cutMm: z.number().min(0).max(100).optional() }).optional(),
  }),
  'line-up': z.object({ line: id }),
  'flag-up': z.object({ line: id }),
  'depth-set': z.object({ line: id, depthM, lineOutM: lineOutM.optional() }),
  tracked: z.object({
    station: id,
    points: listOf(z.tuple([lon, lat, z.number().min(0).max(200_000)]), { least: 1, most: 2000 }),
  }),
  'pass-ended': z.object({ station: id }),
  'cadence-set': z.object({ line: id, cadence: name }),
  cast: z.object({
    cast: id,
    station: id,
    line: id.optional(),
    bearingDeg: z.number().min(0).max(360),
    distanceM: z.number().min(0.5).max(300),
    result: z.enum(['nothing', 'hard', 'bite', 'fish', 'snag']).optional(),
  }),
  felt: z.object({
    station: id,
    what: z.enum(['hard', 'soft', 'wood', 'weeds', 'snag', 'school', 'empty']),
    cast: id.optional(),
    bearingDeg: z.number().min(0).max(360),
    outM,
    by: z.enum(['time', 'eye']).optional(),
    topM: depthM.optional(),
    bottomM: depthM.optional(),
    hasBait: z.boolean().optional(),
    movesDeg: z.number().min(0).max(360).optional(),
  }),
  'level-measured': z.object({ levelM: z.number().min(-100).max(100), by: z.enum(['gauge', 'mark']) }),
  fed: z.object({
    station: id,
    what: name,
    massG: z.number().min(0).max(50_000).optional(),
    alongM: alongM.optional(),
    ball: ball.optional(),
    balls: z.number().int().min(1).max(20).optional(),
    grains: z.number().int().min(1).max(500).optional(),
    contents: listOf(z.enum(feedContents), { most: 8 }).optional(),
    way: z.enum(feedWays).optional(),
  }),
  changed: z.object({ station: id, what: name }),
  'quiet-seen': z.object({ station: id, what: z.enum(['cold-rain', 'cooling', 'predator', 'bigger-fish']) }),
  'bag-weighed': z.object({ station: id, count: z.number().int().min(1).max(10_000), massG: z.number().min(1).max(1_000_000), classMm: lengthMm.optional() }),
  rested: z.object({ station: id }),
  reaction: z.object({
    station: id,
    line: id.optional(),
    reaction: z.enum(reactionKinds as [ReactionKind, ...ReactionKind[]]),
    depthM: depthM.optional(),
    bottomM: depthM.optional(),
    cadence: name.optional(),
    cast: id.optional(),
    outM: outM.optional(),
    alongM: alongM.optional(),
    at: place.optional(),
    turn: z.enum(['straight', 'inside', 'outside']).optional(),
    speedMs: z.number().min(0).max(20).optional(),
    lostAt: z.enum(['strike', 'way', 'end']).optional(),
    float: z.enum(['under', 'slid', 'rose']).optional(),
    moment: z.enum(['moved', 'fell', 'still']).optional(),
    bait: z.literal('upper').optional(),
    isSame: z.literal(true).optional(),
  }),
  'fish-landed': z.object({
    fish: id,
    station: id,
    line: id.optional(),
    species: name,
    lengthMm: lengthMm.optional(),
    classMm: lengthMm.optional(),
    weightG: z.number().min(0).max(200_000).optional(),
    girthMm: lengthMm.optional(),
    hookedIn: z.enum(['deep', 'lip', 'outside']).optional(),
    hasMud: z.boolean().optional(),
    note: storableText(1, 500).optional(),
    photo: id.optional(),
    depthM: depthM.optional(),
    bottomM: depthM.optional(),
    cast: id.optional(),
    outM: outM.optional(),
    alongM: alongM.optional(),
    at: place.optional(),
  }),
  'fish-kept': z.object({ fish: id }),
  'keep-planned': z.object({ count: z.number().int().min(0).max(100) }),
  'fish-released': z.object({ fish: id, note: storableText(0, 2000).optional() }),
  'weather-seen': z
    .object({
      airC: z.number().min(-80).max(60).optional(),
      pressureHpa: z.number().min(850).max(1100).optional(),
      windMs: z.number().min(0).max(100).optional(),
      windFromDeg: z.number().min(0).max(360).optional(),
      cloud: z.number().min(0).max(1).optional(),
    })
    .refine((body) => Object.values(body).some((v) => v !== undefined), 'expected at least one of airC, pressureHpa, windMs, windFromDeg, cloud'),
  'drill-done': z.object({
    scene: name,
    seed: z.number().int().min(0),
    seconds: z.number().min(0).max(36_000),
    decisions: z.number().int().min(0).max(1000),
    score: z.number().min(0).max(100).optional(),
    takes: z.number().int().min(0).max(1000),
    landed: z.number().int().min(0).max(1000),
    refusals: z.number().int().min(0).max(10_000),
    logged: z.number().int().min(0).max(10_000),
  }),
  moved: z.object({ fromStation: id.optional(), station: id }),
  note: z.object({ text: storableText(1, 4000), station: id.optional() }),
  undone: z.object({ target: id }),
  amended: z.object({
    target: id,
    body: z.record(z.string(), z.unknown()).superRefine((body, context) => {
      const problem = valueProblem(body, amendedLimits);
      if (problem) context.addIssue({ code: 'custom', message: problem });
    }),
  }),
} as const satisfies Record<EventKind, z.ZodType>;

/** A log is of the years that phones have clocks for. */
const instant = z.iso
  .datetime({ offset: true })
  .refine((at) => Date.parse(at) >= Date.UTC(1990, 0, 1) && Date.parse(at) < Date.UTC(2100, 0, 1), 'expected an instant of the years 1990 to 2099');

const envelope = { id, outing: id, angler: name, device: name, at: instant, v: z.literal(2) };
const eventOf = <K extends EventKind>(kind: K) => z.object({ ...envelope, kind: z.literal(kind), body: bodies[kind] });

const kinds = Object.keys(bodies) as [EventKind, ...EventKind[]];

const versionTwo = z.discriminatedUnion(
  'kind',
  kinds.map(eventOf) as unknown as [ReturnType<typeof eventOf>, ...ReturnType<typeof eventOf>[]],
) as unknown as z.ZodType<LedgerEvent>;

/** Any event of the ledger, checked down to its body. One of version 1 is read as version 2. */
export const ledgerEvent: z.ZodType<LedgerEvent> = z.preprocess(upcastEvent, versionTwo) as unknown as z.ZodType<LedgerEvent>;

/** What events add up to, corrections that make no body of their kind left out. Phone, server and command line read the ledger by this. */
export const foldLedger = (events: readonly LedgerEvent[]): LedgerState => fold(events, (kind, body) => bodies[kind].safeParse(body).success);

/** What names the thing that an entry began: it cannot be corrected, since other entries speak of it. */
const identities: Partial<Record<EventKind, string>> = { 'station-opened': 'station', 'line-down': 'line', cast: 'cast', 'fish-landed': 'fish' };

/** What is wrong with correcting an event by such a body, in one line; null when the corrected body is one of its kind. */
export function amendmentProblem(target: LedgerEvent, body: Record<string, unknown>): string | null {
  if (target.kind === 'undone' || target.kind === 'amended') return `target: expected an entry that can be corrected, found ${target.kind}`;
  const identity = identities[target.kind];
  const before = target.body as Record<string, unknown>;
  if (identity !== undefined && identity in body && body[identity] !== before[identity]) return `body.${identity}: expected the same ${identity} as before, found another`;
  const parsed = bodies[target.kind].safeParse({ ...before, ...body });
  return parsed.success ? null : `body.${firstProblem(parsed.error)}`;
}
