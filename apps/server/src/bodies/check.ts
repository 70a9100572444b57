import { broughtWeather, syncRequest, type BroughtWeather, type SyncRequest } from '@burrow/contract/api';
import { firstProblem, jsonShapeProblem, ledgerEvent } from '@burrow/contract';
import { middleOfWater, waterFile, waterJsonLimits, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { instantOf, type LedgerEvent } from '@burrow/core/ledger';
import type { z } from 'zod';

export interface Refusal {
  id: string;
  reason: string;
}

/** The entries of a sync, each judged by itself. */
export interface SortedEvents {
  good: LedgerEvent[];
  /** Ids are kept small; those that came in capitals, by the small one. */
  asSent: Record<string, string>;
  rejected: Refusal[];
}

export interface SortedSync extends Omit<SyncRequest, 'events'>, SortedEvents {}

/** A water that passed: what its row is called by, and the file as text, which nobody on the way to the database needs to read. */
export interface CheckedWater {
  name: string;
  kind: string;
  lon: number;
  lat: number;
  json: Uint8Array<ArrayBuffer>;
}

export interface CheckedBodies {
  sync: SortedSync;
  water: CheckedWater;
  weather: BroughtWeather;
}
export type BodyKind = keyof CheckedBodies;
export type Checked<K extends BodyKind = BodyKind> = { ok: true; value: CheckedBodies[K] } | { ok: false; detail: string };

/** Each event is judged alone, so that a bad one is refused alone. */
export function sortOut(events: readonly unknown[]): SortedEvents {
  const sorted: SortedEvents = { good: [], asSent: {}, rejected: [] };
  for (const value of events) {
    const parsed = ledgerEvent.safeParse(value);
    const given = (value as { id?: unknown } | null)?.id;
    const id = typeof given === 'string' ? given.slice(0, 200) : '';
    if (!parsed.success) sorted.rejected.push({ id, reason: firstProblem(parsed.error) });
    else if (Number.isNaN(instantOf(parsed.data.at))) sorted.rejected.push({ id, reason: `at: expected a real instant, found ${parsed.data.at}` });
    else {
      sorted.good.push(parsed.data);
      if (id !== parsed.data.id) sorted.asSent[parsed.data.id] = id;
    }
  }
  return sorted;
}

const limits = { sync: { depth: 12, containers: 400_000 }, water: waterJsonLimits, weather: { depth: 4, containers: 30_000 } } as const satisfies Record<BodyKind, object>;

/** Reads and checks a body. It is measured before it is parsed, and answers its first fault; it never throws for what a stranger may send. */
export function checkBody<K extends BodyKind>(kind: K, bytes: Uint8Array): Checked<K> {
  const shape = jsonShapeProblem(bytes, limits[kind]);
  if (shape !== null) return { ok: false, detail: shape };
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return { ok: false, detail: 'expected JSON, found text that is cut short or damaged' };
  }
  return checks[kind](value) as Checked<K>;
}

const through = <T, V>(schema: z.ZodType<T>, value: unknown, take: (parsed: T) => V): { ok: true; value: V } | { ok: false; detail: string } => {
  const parsed = schema.safeParse(value);
  return parsed.success ? { ok: true, value: take(parsed.data) } : { ok: false, detail: firstProblem(parsed.error) };
};

const checks: { [K in BodyKind]: (value: unknown) => Checked<K> } = {
  sync: (value) => through(syncRequest, value, ({ events, ...request }) => ({ ...request, ...sortOut(events) })),
  weather: (value) => through(broughtWeather, value, (weather) => weather),
  water: (value) => through(waterFile, value, checkedWater),
};

/** A water's file as it is handed to the database. */
export function checkedWater(file: WaterFile): CheckedWater {
  const [lon, lat] = middleOfWater(file);
  return { name: file.water.name, kind: file.water.kind, lon, lat, json: new TextEncoder().encode(JSON.stringify(file)) };
}
