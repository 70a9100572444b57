import type { WinterDay } from '@burrow/core/column';
import type { WeatherHour } from '@burrow/core/weather';
import { z } from 'zod';
import { listOf } from '../bounded-list';
import { ledgerEvent } from '../events';
import { storableText, valueProblem } from '../storable';
import { waterFile } from '../formats/water-geojson';

/** Most events in one sync. */
export const syncBatch = 500;

export const syncRequest = z.object({
  device: z.string().min(1).max(120),
  /** Number of the last event this device has seen; 0 at first. */
  cursor: z.number().int().min(0),
  /** The ledger that the cursor counts in, as the server called it; absent of a device that knows none. */
  generation: z.string().max(60).optional(),
  /** Checked one by one, so that a bad event is refused alone. */
  events: z.array(z.unknown()).max(syncBatch),
});
export type SyncRequest = z.infer<typeof syncRequest>;

export const syncResponse = z.object({
  accepted: z.array(z.string()),
  rejected: z.array(z.object({ id: z.string(), reason: z.string() })),
  events: z.array(ledgerEvent),
  cursor: z.number().int(),
  /** More events wait behind the cursor. */
  more: z.boolean(),
  /** Which ledger this is: another after a backup was put back. A device that read in another one reads anew from 0 and offers everything. */
  generation: z.string().optional(),
});
export type SyncResponse = z.infer<typeof syncResponse>;

const email = z.email().max(200);
const password = z.string().min(10, 'expected at least 10 characters').max(200);
const code = z.string().trim().min(4).max(40);

export const credentials = z.object({ email, password: z.string().min(1).max(200) });
export const registration = z.object({ email, password, name: storableText(1, 60), invitation: code.optional() });
export const passwordChange = z.object({ current: z.string().max(200), next: password });
export const passwordProof = z.object({ password: z.string().max(200) });
export const resetRequest = z.object({ email });
export const resetAnswer = z.object({ mailed: z.boolean() });
export const passwordReset = z.object({ email, code, password });

export const session = z.object({
  /** `isDemo`: the demo's own account, whose weather, flasher and clock are simulated. */
  account: z.object({ id: z.string(), name: z.string(), isDemo: z.boolean() }).nullable(),
  /** Whether this server is the demo, with its own clock and a one-tap account. */
  demo: z.boolean(),
  /** The time now at this account's waters, ms: the scenario's for the demo's account, else the server's. */
  nowMs: z.number(),
  /** Who may make an account here. */
  signUp: z.enum(['open', 'invited', 'closed']).optional(),
});
export type Session = z.infer<typeof session>;

/** A place where the account is signed in. */
export const signedInDevice = z.object({
  id: z.string(),
  /** What its browser calls itself. */
  browser: z.string(),
  sinceMs: z.number().nullable(),
  seenMs: z.number(),
  isThis: z.boolean(),
});
export const signedInDevices = z.array(signedInDevice);
export type SignedInDevice = z.infer<typeof signedInDevice>;

/** Most bytes of an account's settings as JSON. */
const mostSettings = 400_000;
/** Settings that go with the angler: each by its name, with the time it was set, ms. Of two values the later stands. */
export const accountSettings = z
  .record(z.string().regex(/^[a-z][A-Za-z]{0,39}$/), z.object({ atMs: z.number().min(0).max(4e12), value: z.unknown() }))
  .refine((settings) => Object.keys(settings).length <= 60 && JSON.stringify(settings).length <= mostSettings, `expected at most 60 settings and ${mostSettings} bytes`)
  .superRefine((settings, context) => {
    const problem = valueProblem(settings, { depth: 8, values: 40_000 });
    if (problem) context.addIssue({ code: 'custom', message: problem });
  });
export type AccountSettings = z.infer<typeof accountSettings>;

/** Of two sets of settings the later value of each. */
export function joinedSettings(one: AccountSettings, other: AccountSettings): AccountSettings {
  const later = Object.entries(other).filter(([name, { atMs }]) => !(name in one) || atMs > one[name].atMs);
  return { ...one, ...Object.fromEntries(later) };
}

/** What bringing in an archive did. */
export const archiveTaken = z.object({ events: z.number(), waters: z.number(), left: z.array(z.string()) });
export type ArchiveTaken = z.infer<typeof archiveTaken>;

export const waterSummary = z.object({ id: z.string(), name: z.string(), kind: z.string(), lon: z.number(), lat: z.number() });
export const waterList = z.array(waterSummary);

/** A water that was deleted, and until when it can be brought back, ms. */
export const deletedWaters = z.array(z.object({ id: z.string(), name: z.string(), untilMs: z.number() }));
export type DeletedWater = z.infer<typeof deletedWaters>[number];
export type WaterSummary = z.infer<typeof waterSummary>;

export const waterDetail = z.object({ id: z.string(), version: z.number().int().min(1), file: waterFile });
export type WaterDetail = z.infer<typeof waterDetail>;

/** Which version of a water stands now; a change names the one it was made to in `If-Match`. */
export const waterVersion = z.object({ id: z.string(), version: z.number().int().min(1) });
export type WaterVersion = z.infer<typeof waterVersion>;

const measured = z.number().nullable();
export const weatherHour = z.object({
  atMs: z.number(),
  airC: measured,
  pressureHpa: measured,
  windMs: measured,
  windFromDeg: measured,
  cloud: measured,
  precipMm: measured,
  snowCm: measured,
}) satisfies z.ZodType<WeatherHour>;

export const waterWeather = z.object({
  station: z.string(),
  simulated: z.boolean(),
  /** Until here the rows are observed, behind it forecast. */
  observedMs: z.number(),
  series: z.array(weatherHour),
  /** How far from the water the service's own point lies, m; absent where the weather was brought. */
  awayM: z.number().optional(),
  /** Files that an angler brought into it. */
  brought: z.string().optional(),
});
export type WaterWeather = z.infer<typeof waterWeather>;

/** Weather of an angler's own for a water: it takes the place of the service's for its hours. */
export const broughtWeather = z.object({ source: storableText(1, 120), series: listOf(weatherHour, { least: 1, most: 20_000 }) });
export type BroughtWeather = z.infer<typeof broughtWeather>;

const winterDay = z.object({
  atMs: z.number(),
  iceClearM: z.number(),
  iceWhiteM: z.number(),
  snowM: z.number(),
  topC: z.number(),
  bottomC: z.number(),
  bottomOxygenMgL: z.number(),
}) satisfies z.ZodType<WinterDay>;

/** A water's winter day by day, as modelled and corrected by what was measured; ice measured beside it. */
export const waterWinter = z.object({
  nowMs: z.number(),
  days: z.array(winterDay),
  freezeUpMs: measured,
  iceOutMs: measured,
  measured: z.array(z.object({ atMs: z.number(), clearM: z.number(), whiteM: z.number() })),
});
export type WaterWinter = z.infer<typeof waterWinter>;

export const lineSetting = z.object({
  depthM: z.number().min(0).max(300),
  rod: z.object({ liftM: z.number().min(0).max(2), beatPerMin: z.number().min(0).max(400), pauseS: z.number().min(0).max(120) }).optional(),
});
export type LineSetting = z.infer<typeof lineSetting>;

/** A crew that is opened for an outing of one's own, under the name that the others read. */
export const crewOpening = z.object({ outing: z.uuid(), name: storableText(1, 40) });
/** A crew that is joined by its code. */
export const crewJoining = z.object({ code: z.string().trim().min(4).max(20), outing: z.uuid(), name: storableText(1, 40) });

/** The crew of an outing: its code is told to the one who opened it. */
export const crewMembership = z.object({ id: z.uuid(), isYours: z.boolean(), code: z.string().nullable() });
export type CrewMembership = z.infer<typeof crewMembership>;
/** The crew that an outing is shared with; null where it is shared with none. */
export const crewOfOuting = crewMembership.nullable();

const crewRow = z.object({
  name: z.string(),
  isYou: z.boolean(),
  /** How long ago a phone of his was last heard, min. */
  silentMin: z.number(),
  place: z.string().nullable(),
  lines: z.array(z.object({ rod: z.string(), presentation: z.string().nullable(), depthM: z.number().nullable(), sinceMs: z.number() })),
  spans: z.array(z.object({ fromMs: z.number(), toMs: z.number().nullable() })),
  bites: z.array(z.object({ ms: z.number(), isFish: z.boolean() })),
  fish: z.number(),
  lineMin: z.number(),
});

/** What a crew shares: who fishes what where, what came, the schools seen, and the baits compared most. */
export const crewBoard = z.object({
  id: z.uuid(),
  isYours: z.boolean(),
  code: z.string().nullable(),
  fromMs: z.number(),
  nowMs: z.number(),
  rows: z.array(crewRow),
  schools: z.array(z.object({ by: z.string(), ms: z.number(), place: z.string().nullable(), outM: z.number(), bearingDeg: z.number(), topM: z.number().nullable() })),
  trial: z
    .object({
      first: z.string(),
      second: z.string(),
      verdict: z.enum(['leads', 'even', 'open']),
      best: z.string().nullable(),
      evidence: z.number(),
      looks: z.number(),
      visits: z.number(),
      steps: z.array(z.object({ ms: z.number(), odds: z.number() })),
    })
    .nullable(),
});
export type CrewBoardAnswer = z.infer<typeof crewBoard>;

/** RFC 9457. */
export const problem = z.object({ type: z.string(), title: z.string(), status: z.number(), detail: z.string().optional() });
export type Problem = z.infer<typeof problem>;
