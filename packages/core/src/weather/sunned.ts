import { hourMs } from '../units';
import { clearSkyRadiation, cloudTransmission } from './radiation';
import type { WeatherHour } from './series';
import { sunHeightDeg, type Place } from './sun';

/** Sun of so many hours back tells how warm shallow coves are; with fewer than half of their rows nothing is told. Heuristic; source: fieldcraft, three sunny days. */
const [behindMs, leastShare] = [72 * hourMs, 0.5] as const;

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
