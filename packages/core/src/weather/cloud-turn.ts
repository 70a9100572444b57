import { clockText, hourMs } from '../units';
import type { WeatherHour } from './series';

/** Cloud that came or went within the last hours, and when that turns about as foretold. */
export interface CloudTurn {
  kind: 'came' | 'went';
  atMs: number;
  /** When it goes or comes again; null where nothing is foretold. */
  untilMs: number | null;
}

/** Shares of the sky from which it is under cloud and to which it is clear; a turn counts for so long, h. Heuristic; source: fieldcraft §3, cloud that arrives. */
const limits = { cloudy: 0.7, clear: 0.35, freshH: 1.5 } as const;

const skyOf = (cloud: number | null): 'came' | 'went' | null => (cloud === null ? null : cloud >= limits.cloudy ? 'came' : cloud <= limits.clear ? 'went' : null);

/** Whether the sky has clouded over or cleared of late; null where it has not, and where it is not known. Rows an hour apart, earliest first. */
export function cloudTurn(series: readonly WeatherHour[], nowMs: number): CloudTurn | null {
  const past = series.filter((r) => r.atMs <= nowMs && nowMs - r.atMs <= 6 * hourMs);
  const now = skyOf(past.at(-1)?.cloud ?? null);
  if (now === null) return null;
  const first = past.findLastIndex((r) => skyOf(r.cloud) !== now) + 1;
  const turned = past.slice(0, first).findLast((r) => skyOf(r.cloud) !== null);
  if (!turned || nowMs - past[first].atMs > limits.freshH * hourMs) return null;
  const next = series.find((r) => r.atMs > nowMs && skyOf(r.cloud) !== null && skyOf(r.cloud) !== now);
  return { kind: now, atMs: past[first].atMs, untilMs: next?.atMs ?? null };
}

/** What the turn of the sky does to the fish, in one line. */
export function cloudTurnText({ kind, atMs, untilMs }: CloudTurn, timeZone: string): string {
  const until = untilMs === null ? '' : ` until ${clockText(untilMs, timeZone)}`;
  return kind === 'came'
    ? `Cloud since ${clockText(atMs, timeZone)}${until}: they turn on, often at once. Look higher.`
    : `Clear since ${clockText(atMs, timeZone)}${until}: they go off. Smaller and slower.`;
}
