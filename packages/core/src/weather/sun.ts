import SunCalc from 'suncalc';
import { hourMs, startOfDay } from '../units';

export interface Place {
  lon: number;
  lat: number;
  timeZone: string;
}

export interface SunDay {
  /** Civil dawn and dusk and the sun's rise and set, ms; NaN where the sun does not cross that height on the day. */
  dawnMs: number;
  sunriseMs: number;
  sunsetMs: number;
  duskMs: number;
}

/** Sun and civil twilight of the local day that holds `atMs`. Source: suncalc. */
export function sunDay(atMs: number, place: Place): SunDay {
  const noon = startOfDay(atMs, place.timeZone) + 12 * hourMs;
  const times = SunCalc.getTimes(new Date(noon), place.lat, place.lon);
  return { dawnMs: times.dawn.getTime(), sunriseMs: times.sunrise.getTime(), sunsetMs: times.sunset.getTime(), duskMs: times.dusk.getTime() };
}

/** Height of the sun over the horizon, degrees. Source: suncalc. */
export const sunHeightDeg = (atMs: number, place: Place) => (SunCalc.getPosition(new Date(atMs), place.lat, place.lon).altitude * 180) / Math.PI;

/** Where the sun stands: bearing from north and height over the horizon, degrees. Source: suncalc. */
export function sunPosition(atMs: number, place: Place): { bearingDeg: number; heightDeg: number } {
  const { azimuth, altitude } = SunCalc.getPosition(new Date(atMs), place.lat, place.lon);
  return { bearingDeg: ((azimuth * 180) / Math.PI + 180 + 360) % 360, heightDeg: (altitude * 180) / Math.PI };
}
