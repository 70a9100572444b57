import { fold, type EventKind, type LedgerEvent, type LedgerState } from '@burrow/core/ledger';
import { z } from 'zod';
import { storableText, valueProblem } from './storable';

// Capitals are the same id: PostgreSQL keeps them small, and so does everything here.
const id = z.uuid({ version: 'v7' }).toLowerCase();
const place = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]);
const depthM = z.number().min(0).max(300);
const thicknessM = z.number().min(0).max(3);
const lengthMm = z.number().int().min(10).max(3000);
const name = storableText(1, 120);

const planItem = z.object({ at: z.iso.datetime({ offset: true }), what: storableText(1, 200) });

export const reactionKinds = ['looked', 'stalled', 'followed', 'refused', 'fled', 'nipped', 'bite', 'missed', 'hooked', 'lost'] as const;

/** An amended body is at most as large as the largest body there is, an outing with its plan. */
const amendedLimits = { depth: 4, values: 200 };

const bodies = {
  'outing-started': z.object({
    water: name,
    waterName: name,
    species: z.array(name).min(1).max(20),
    goal: z.enum(['numbers', 'size', 'supper']),
    method: z.literal('ice'),
    plan: z.array(planItem).max(30).optional(),
  }),
  'outing-ended': z.object({}).strict(),
  'ice-measured': z.object({ hole: id.optional(), clearM: thicknessM, whiteM: thicknessM, snowM: thicknessM.optional() }),
  'hole-drilled': z.object({ hole: id, label: name, at: place, mapDepthM: depthM.optional() }),
  'depth-sounded': z.object({ hole: id, depthM, source: z.enum(['flasher', 'line', 'entered']) }),
  'temperature-measured': z.object({ hole: id, depthM, tempC: z.number().min(-2).max(40) }),
  'clarity-measured': z.object({ hole: id.optional(), secchiM: z.number().min(0.1).max(40) }),
  'line-down': z.object({ line: id, hole: id, rod: name, presentation: name, depthM: depthM.optional() }),
  'line-up': z.object({ line: id }),
  'flag-up': z.object({ line: id }),
  'depth-set': z.object({ line: id, depthM }),
  reaction: z.object({ hole: id, line: id.optional(), reaction: z.enum(reactionKinds), depthM: depthM.optional(), bottomM: depthM.optional(), cadence: name.optional() }),
  'fish-landed': z.object({
    fish: id,
    hole: id,
    line: id.optional(),
    species: name,
    lengthMm: lengthMm.optional(),
    weightG: z.number().min(0).max(200_000).optional(),
    depthM: depthM.optional(),
    bottomM: depthM.optional(),
  }),
  'fish-kept': z.object({ fish: id }),
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
  moved: z.object({ fromHole: id.optional(), hole: id }),
  note: z.object({ text: storableText(1, 4000), hole: id.optional() }),
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

const envelope = { id, outing: id, angler: name, device: name, at: instant, v: z.literal(1) };
const eventOf = <K extends EventKind>(kind: K) => z.object({ ...envelope, kind: z.literal(kind), body: bodies[kind] });

const kinds = Object.keys(bodies) as [EventKind, ...EventKind[]];

/** Any event of the ledger, checked down to its body. */
export const ledgerEvent = z.discriminatedUnion(
  'kind',
  kinds.map(eventOf) as unknown as [ReturnType<typeof eventOf>, ...ReturnType<typeof eventOf>[]],
) as unknown as z.ZodType<LedgerEvent>;

/** What events add up to, corrections that make no body of their kind left out. Phone, server and command line read the ledger by this. */
export const foldLedger = (events: readonly LedgerEvent[]): LedgerState => fold(events, (kind, body) => bodies[kind].safeParse(body).success);

/** What names the thing that an entry began: it cannot be corrected, since other entries speak of it. */
const identities: Partial<Record<EventKind, string>> = { 'hole-drilled': 'hole', 'line-down': 'line', 'fish-landed': 'fish' };

/** What is wrong with correcting an event by such a body, in one line; null when the corrected body is one of its kind. */
export function amendmentProblem(target: LedgerEvent, body: Record<string, unknown>): string | null {
  if (target.kind === 'undone' || target.kind === 'amended') return `target: expected an entry that can be corrected, found ${target.kind}`;
  const identity = identities[target.kind];
  const before = target.body as Record<string, unknown>;
  if (identity !== undefined && identity in body && body[identity] !== before[identity]) return `body.${identity}: expected the same ${identity} as before, found another`;
  const parsed = bodies[target.kind].safeParse({ ...before, ...body });
  return parsed.success ? null : `body.${firstProblem(parsed.error)}`;
}

/** The first thing wrong with a value, in one line: where, and what was expected. */
export function firstProblem(error: z.ZodError): string {
  const [issue] = error.issues;
  const where = issue.path.length > 0 ? issue.path.map(String).join('.') : 'value';
  return `${where}: ${issue.message}`;
}
