import { hourMs } from '../units';
import { clearSkyRadiation, cloudTransmission } from './radiation';
import type { WeatherHour } from './series';
import { sunHeightDeg, type Place } from './sun';

/** Sun of so many hours back tells how warm shallow coves are; with fewer than half of their rows nothing is told. Heuristic; source: fieldcraft, three sunny days. */
const [behindMs, leastShare] = [72 * hourMs, 0.5] as const;

/** From which share shallow water counts as warmed by the sun, and up to which no cove was. Heuristic; source: fieldcraft, three sunny days. */
export const sunShareLimits = { sunny: 0.75, dull: 0.5 } as const;

/** Share of the sun of three clear days that came through the cloud of the last three, 0–1; null where too little of their weather is known. */
export function sunShare(series: readonly WeatherHour[], place: Place, nowMs: number): number | null {
  let [came, clear, rows] = [0, 0, 0];
  for (const { atMs, cloud } of series) {
    if (atMs <= nowMs - behindMs || atMs > nowMs || cloud === null) continue;
    rows++;
    const sky = clearSkyRadiation(sunHeightDeg(atMs, place));
    clear += sky;
    came += sky * cloudTransmission(cloud);
  }
  return clear > 0 && rows * hourMs >= leastShare * behindMs ? came / clear : null;
}

/** Cloud that comes to stay, and what falls from it. */
export interface LastingCloud {
  atMs: number;
  falls: 'snow' | 'rain' | null;
}

/** Cloud stays where a day of it lets through so much sky; it is foreseen so far, and told by so many rows of that day. Heuristic. */
const lasting = { aheadMs: 36 * hourMs, overMs: 24 * hourMs, cover: 0.7, leastRows: 12 } as const;
/** An hour with so much of it is one of snow or rain, mm; up to so warm it is snow, °C. Conventions. */
const falling = { mm: 0.5, snowC: 1 } as const;

/** The first hour ahead from which the sky stays under cloud for a day; null where none does, and where too little is foretold. Rows an hour apart, earliest first. */
export function lastingCloud(series: readonly WeatherHour[], nowMs: number): LastingCloud | null {
  const overcast = (from: WeatherHour) => {
    const sky = series.filter((r) => r.atMs >= from.atMs && r.atMs < from.atMs + lasting.overMs && r.cloud !== null);
    return sky.length >= lasting.leastRows && sky.reduce((sum, r) => sum + r.cloud!, 0) / sky.length >= lasting.cover;
  };
  const first = series.find((r) => r.atMs > nowMs && r.atMs <= nowMs + lasting.aheadMs && r.cloud !== null && r.cloud >= lasting.cover && overcast(r));
  if (!first) return null;
  const fall = series.find((r) => r.atMs >= first.atMs && r.atMs < first.atMs + lasting.overMs && (r.precipMm ?? 0) >= falling.mm);
  return { atMs: first.atMs, falls: !fall ? null : fall.airC !== null && fall.airC <= falling.snowC ? 'snow' : 'rain' };
}
