import type { EventKind, LedgerEvent } from '@burrow/core/ledger';
import { z } from 'zod';

const id = z.uuid({ version: 'v7' });
const place = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]);
const depthM = z.number().min(0).max(300);
const thicknessM = z.number().min(0).max(3);
const lengthMm = z.number().int().min(10).max(3000);
const name = z.string().min(1).max(120);

const planItem = z.object({ at: z.iso.datetime({ offset: true }), what: z.string().min(1).max(200) });

export const reactionKinds = ['looked', 'stalled', 'followed', 'refused', 'fled', 'nipped', 'bite', 'missed', 'hooked', 'lost'] as const;

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
  'hole-drilled': z.object({ hole: id, label: name, at: place }),
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
    lengthMm,
    weightG: z.number().min(0).max(200_000).optional(),
    depthM: depthM.optional(),
    bottomM: depthM.optional(),
  }),
  'fish-kept': z.object({ fish: id }),
  'fish-released': z.object({ fish: id, note: z.string().max(2000).optional() }),
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
  note: z.object({ text: z.string().min(1).max(4000), hole: id.optional() }),
  undone: z.object({ target: id }),
  amended: z.object({ target: id, body: z.record(z.string(), z.unknown()) }),
} as const satisfies Record<EventKind, z.ZodType>;

const envelope = { id, outing: id, angler: name, device: name, at: z.iso.datetime({ offset: true }), v: z.literal(1) };
const eventOf = <K extends EventKind>(kind: K) => z.object({ ...envelope, kind: z.literal(kind), body: bodies[kind] });

const kinds = Object.keys(bodies) as [EventKind, ...EventKind[]];

/** Any event of the ledger, checked down to its body. */
export const ledgerEvent = z.discriminatedUnion(
  'kind',
  kinds.map(eventOf) as unknown as [ReturnType<typeof eventOf>, ...ReturnType<typeof eventOf>[]],
) as unknown as z.ZodType<LedgerEvent>;

/** The first thing wrong with a value, in one line: where, and what was expected. */
export function firstProblem(error: z.ZodError): string {
  const [issue] = error.issues;
  const where = issue.path.length > 0 ? issue.path.map(String).join('.') : 'value';
  return `${where}: ${issue.message}`;
}
