import { clearSkyRadiation, cloudTransmission, sunPosition, type Place, type WeatherHour } from '../weather';
import type { BankSegment } from './shore';

const radian = Math.PI / 180;

/** The sun on a bank at an instant. */
export interface BankSun {
  /** Cosine of the angle between the sun's rays and the bank's upright, 0 where the sun is behind it or down. */
  incidence: number;
  /** How far the shade of what stands on the bank reaches over the water, m; Infinity with the sun down. */
  shadeM: number;
  isSunlit: boolean;
}

/** Water this close to the bank is what counts as the bank's, m. */
export const bankWaterM = 8;

/** Sun and shade on a bank, from the sun's bearing and height (degrees). */
export function sunOnBank(segment: Pick<BankSegment, 'facesDeg' | 'heightM' | 'steepDeg'>, sun: { bearingDeg: number; heightDeg: number }): BankSun {
  if (sun.heightDeg <= 0) return { incidence: 0, shadeM: Infinity, isSunlit: false };
  const height = sun.heightDeg * radian;
  // A bank faces the water: the sun that stands over the water shines on it, the one behind it throws its shade.
  const toward = Math.cos((sun.bearingDeg - segment.facesDeg) * radian);
  const steep = segment.steepDeg * radian;
  const incidence = Math.max(0, Math.sin(height) * Math.cos(steep) + Math.cos(height) * Math.sin(steep) * toward);
  const shadeM = toward < 0 ? (segment.heightM / Math.tan(height)) * -toward : 0;
  return { incidence, shadeM, isSunlit: incidence > 0 && shadeM < bankWaterM };
}

/** Share of the sky's light that comes from all sides and into shade. Heuristic. */
const diffuseShare = 0.25;

/** The sun over a place hour by hour: bearing and height, and what reaches level ground through the cloud, W/m². */
export interface SunHour {
  atMs: number;
  bearingDeg: number;
  heightDeg: number;
  levelWm2: number;
  cloud: number;
}

/** Sun and cloud for each row of weather in a span; an unknown cloud counts as half. */
export function sunHours(series: readonly WeatherHour[], place: Place, fromMs: number, toMs: number): SunHour[] {
  return series
    .filter((row) => row.atMs >= fromMs && row.atMs <= toMs)
    .map((row) => {
      const sun = sunPosition(row.atMs, place);
      const cloud = row.cloud ?? 0.5;
      return { atMs: row.atMs, ...sun, levelWm2: clearSkyRadiation(sun.heightDeg) * cloudTransmission(cloud), cloud };
    });
}

/** Sun's energy that a bank has taken in over the hours, Wh/m²: direct by its incidence while out of shade, and the sky's light always. Rows an hour apart. */
export function bankInsolation(segment: Pick<BankSegment, 'facesDeg' | 'heightM' | 'steepDeg'>, hours: readonly SunHour[]): number {
  let sum = 0;
  for (const hour of hours) {
    if (hour.heightDeg <= 0) continue;
    const { incidence, isSunlit } = sunOnBank(segment, hour);
    const direct = (1 - diffuseShare) * (1 - hour.cloud) * hour.levelWm2;
    const level = Math.max(0.1, Math.sin(hour.heightDeg * radian));
    sum += hour.levelWm2 - direct + (isSunlit ? (direct * incidence) / level : 0);
  }
  return sum;
}
