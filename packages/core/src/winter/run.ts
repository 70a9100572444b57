import { hourMs } from '../units';
import type { DepthProfile } from '../water';
import { WinterColumn } from './column';
import { startTemperature, type Forcing } from './forcing';
import type { ColumnSetting } from './setting';

/** A water at an instant: ice and snow in m, layers from the top of the water down. */
export interface ColumnProfile extends DepthProfile {
  atMs: number;
  iceClearM: number;
  iceWhiteM: number;
  snowM: number;
  slushM: number;
  /** Degree-hours above 0 °C that weaken the ice, and hours of thaw without a break. */
  thawDegreeH: number;
  hoursAbove: number;
}

export interface WinterRun {
  /** At the instants asked for, in their order. */
  profiles: ColumnProfile[];
  /** First ice of the winter that stayed, and the first open water after it; null where not reached. */
  freezeUpMs: number | null;
  iceOutMs: number | null;
  /** Heat content at the start and the end, and what came in between, J. */
  budget: { startJ: number; endJ: number; inJ: number };
}

/** Ice, or open water after it, counts once it has lasted this long, ms. */
const lastingMs = 48 * hourMs;

/** Notes when ice came to stay and when it went for good. */
class IceSeason {
  freezeUpMs: number | null = null;
  iceOutMs: number | null = null;
  private wasOpen = true;
  private sinceMs = -Infinity;

  see(isOpen: boolean, nowMs: number): void {
    if (isOpen !== this.wasOpen) {
      this.wasOpen = isOpen;
      this.sinceMs = nowMs;
    }
    if (nowMs - this.sinceMs < lastingMs) return;
    if (!isOpen) this.freezeUpMs ??= this.sinceMs;
    else if (this.freezeUpMs !== null) this.iceOutMs ??= this.sinceMs;
  }
}

/**
 * Runs the column over a forcing and answers its state at ascending instants.
 * Throws RangeError for an instant outside the forcing and for weather that starts after the cold has come.
 * @param stepS seconds of a step: a whole part of an hour
 */
export function runWinter(setting: ColumnSetting, forcing: Forcing, instantsMs: readonly number[], stepS = 3600): WinterRun {
  const column = new WinterColumn(setting, startTemperature(forcing), stepS);
  const hours = forcing.airC.length;
  const endMs = forcing.startMs + hours * hourMs;
  for (const ms of instantsMs) {
    if (!(ms >= forcing.startMs && ms <= endMs)) {
      const iso = (at: number) => new Date(at).toISOString();
      throw new RangeError(`instant must lie in the weather series, ${iso(forcing.startMs)} to ${iso(endMs)}, found ${iso(ms)}`);
    }
  }
  const lastMs = Math.max(forcing.startMs, ...instantsMs);
  const perHour = 3600 / stepS;
  const startJ = column.heatJ;
  const profiles: ColumnProfile[] = [];
  const seasons = new IceSeason();
  const weather = { airC: 0, windMs: 0, sunWm2: 0, snowfallM: 0, snowKept: 1 };
  for (let h = 0; ; h++) {
    const atMs = forcing.startMs + h * hourMs;
    while (profiles.length < instantsMs.length && instantsMs[profiles.length] < atMs + hourMs) profiles.push(profileOf(column, instantsMs[profiles.length]));
    if (h >= hours || atMs >= lastMs) break;
    weather.airC = forcing.airC[h];
    weather.windMs = forcing.windMs[h];
    weather.sunWm2 = forcing.sunWm2[h];
    weather.snowfallM = forcing.snowfallM[h] / perHour;
    weather.snowKept = perHour === 1 ? forcing.snowKept[h] : forcing.snowKept[h] ** (1 / perHour);
    for (let k = 0; k < perHour; k++) {
      column.step(weather);
      seasons.see(column.isOpen, atMs + (k + 1) * stepS * 1000);
    }
  }
  return { profiles, freezeUpMs: seasons.freezeUpMs, iceOutMs: seasons.iceOutMs, budget: { startJ, endJ: column.heatJ, inJ: column.heatInJ } };
}

function profileOf(column: WinterColumn, atMs: number): ColumnProfile {
  const { sheet, first } = column;
  const layers = Array.from({ length: column.tempC.length - first }, (_, i) => first + i);
  const depthM = layers.map((i) => column.depthOf(i));
  const tempC = layers.map((i) => column.tempC[i]);
  const oxygenMgL = layers.map((i) => column.oxygen[i]);
  if (!column.isOpen) {
    // Water that touches ice is at 0 °C.
    depthM.unshift(column.iceBaseM);
    tempC.unshift(0);
    oxygenMgL.unshift(oxygenMgL[0]);
  }
  return {
    atMs,
    iceClearM: sheet.clearM,
    iceWhiteM: sheet.whiteM,
    snowM: sheet.snowM,
    slushM: sheet.slushM,
    thawDegreeH: sheet.thawDegreeH,
    hoursAbove: sheet.hoursAbove,
    depthM,
    tempC,
    oxygenMgL,
    light: depthM.map((z) => column.lightShare(z)),
  };
}
