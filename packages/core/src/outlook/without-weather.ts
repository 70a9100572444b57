import { judgeIce, type IceLoad, type IceMeasurement } from '../safety';
import { clockText, dayMs, type UnitPreference } from '../units';
import { sunDay, type Place } from '../weather';
import { iceWords, movingWords } from './outlook-words';

export interface WithoutWeather {
  headline: string;
  why: string;
  ice: { headline: string; detail: string };
  light: string;
}

/** What can be said of a water of which no weather is known: the light, and what was measured there. */
export function withoutWeather(setting: { place: Place; nowMs: number; isMoving: boolean; lastIce?: IceMeasurement; load: IceLoad }, units: UnitPreference): WithoutWeather {
  const { place, nowMs, isMoving, lastIce, load } = setting;
  const sun = sunDay(nowMs, place);
  const clock = (ms: number) => clockText(ms, place.timeZone);
  const ice = isMoving ? movingWords : iceWords(judgeIce(lastIce, load, nowMs), units, load);
  const isOld = !isMoving && lastIce !== undefined && nowMs - lastIce.atMs >= dayMs;
  return {
    headline: 'No weather yet',
    why: 'Fronts, wind and the water by depth are worked out from the weather, and none is known for this water. Map, holes and log work without it.',
    ice: isOld ? { ...ice, detail: `${ice.detail} Whether it has thawed since is not known either.` } : ice,
    light: `Light from ${clock(sun.dawnMs)}, sunrise ${clock(sun.sunriseMs)}, sunset ${clock(sun.sunsetMs)}, dark at ${clock(sun.duskMs)}.`,
  };
}
