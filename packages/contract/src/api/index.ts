import type { WinterDay } from '@burrow/core/column';
import type { WeatherHour } from '@burrow/core/weather';
import { z } from 'zod';
import { ledgerEvent } from '../events';
import { storableText } from '../storable';
import { waterFile } from '../formats/water-geojson';

/** Most events in one sync. */
export const syncBatch = 500;

export const syncRequest = z.object({
  device: z.string().min(1).max(120),
  /** Number of the last event this device has seen; 0 at first. */
  cursor: z.number().int().min(0),
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
});
export type SyncResponse = z.infer<typeof syncResponse>;

export const credentials = z.object({ email: z.email().max(200), password: z.string().min(10, 'expected at least 10 characters').max(200) });
export const registration = credentials.extend({ name: storableText(1, 60) });

export const session = z.object({
  /** `isDemo`: the demo's own account, whose weather, flasher and clock are simulated. */
  account: z.object({ id: z.string(), name: z.string(), isDemo: z.boolean() }).nullable(),
  /** Whether this server is the demo, with its own clock and a one-tap account. */
  demo: z.boolean(),
  /** The time now at this account's waters, ms: the scenario's for the demo's account, else the server's. */
  nowMs: z.number(),
});
export type Session = z.infer<typeof session>;

export const waterSummary = z.object({ id: z.string(), name: z.string(), kind: z.string(), lon: z.number(), lat: z.number() });
export const waterList = z.array(waterSummary);
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
export const broughtWeather = z.object({ source: storableText(1, 120), series: z.array(weatherHour).min(1).max(20_000) });
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

/** RFC 9457. */
export const problem = z.object({ type: z.string(), title: z.string(), status: z.number(), detail: z.string().optional() });
export type Problem = z.infer<typeof problem>;
