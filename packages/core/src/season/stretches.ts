import type { LedgerState, OutingState, StationState } from '../ledger';
import { dayText, distanceM, hourMs, type LonLat } from '../units';
import { findFronts, findPhases, phaseAtInstant, sunDay, weatherAt, type PhaseName, type WeatherHour } from '../weather';
import { catchesOf, effortIntervals, heightBands, type EffortInterval } from './effort';

/** Parts of the day, by the sun. */
export type DayPart = 'dawn' | 'day' | 'dusk' | 'night';

/** An hour or less of one line in one way, with all that was the same through it. What nobody knows is null. */
export interface Stretch {
  outing: string;
  station: string;
  fromMs: number;
  minutes: number;
  bites: number;
  presentation: string | null;
  height: string | null;
  hour: DayPart | null;
  phase: string | null;
  place: string | null;
  depthM: number | null;
  cloud: number | null;
  waterC: number | null;
  secchiM: number | null;
}

/** Dawn and dusk reach so far from the sun's rise and set; stations nearer to each other than this are one place; what was read counts for so long. Conventions. */
const [lowSunMs, onePlaceM, readMs] = [1.5 * hourMs, 30, 6 * hourMs] as const;

/** The part of the day at an instant and place; null where the sun does not rise or set. */
export function dayPart(atMs: number, [lon, lat]: LonLat): DayPart | null {
  const { sunriseMs, sunsetMs } = sunDay(atMs, { lon, lat, timeZone: 'UTC' });
  // The day of UTC may be another than that of the place: the nearest rise and set count.
  const dayLengthMs = 24 * hourMs;
  const near = (ms: number) => ms + Math.round((atMs - ms) / dayLengthMs) * dayLengthMs;
  const [rise, set] = [near(sunriseMs), near(sunsetMs)];
  if (Number.isNaN(rise) || Number.isNaN(set)) return null;
  if (Math.abs(atMs - rise) <= lowSunMs) return 'dawn';
  if (Math.abs(atMs - set) <= lowSunMs) return 'dusk';
  return (atMs - sunriseMs + 2 * dayLengthMs) % dayLengthMs < (sunsetMs - sunriseMs + 2 * dayLengthMs) % dayLengthMs ? 'day' : 'night';
}

/**
 * Stretches of line of one way of fishing, cut at each hour, with the bites on them.
 * @param series weather of the season, for phase and cloud; empty for none
 */
export function stretchesOf(ledger: LedgerState, method: string, nowMs: number, series: readonly WeatherHour[], lat: number): Stretch[] {
  const outings = new Map(ledger.outings.map((o) => [o.id, o]));
  const phases = series.length >= 2 ? findPhases(series, findFronts(series, lat), nowMs) : [];
  const placeOf = placesOf(ledger.outings);
  const catches = catchesOf(ledger, nowMs).filter((c) => c.method === method);
  const pieces = effortIntervals(ledger, nowMs)
    .filter((s) => s.method === method)
    .flatMap(hourly);
  const conditions = (outing: OutingState, middleMs: number) => ({
    ...readingsAt(outing, middleMs),
    phase: knownPhase(phaseAtInstant(phases, middleMs)?.name),
    cloud: (series.length > 0 ? weatherAt(series, middleMs)?.cloud : null) ?? latest(ledger.weather, middleMs)?.cloud ?? null,
  });
  const stretches = pieces.map(({ interval, fromMs, toMs }): Stretch => {
    const outing = outings.get(interval.outing)!;
    const station = outing.stations.find((s) => s.id === interval.station);
    const middleMs = (fromMs + toMs) / 2;
    return {
      outing: outing.id,
      station: interval.station,
      fromMs,
      minutes: (toMs - fromMs) / 60_000,
      bites: 0,
      presentation: interval.presentation,
      height: heightBandOf(interval.heightM),
      hour: station ? dayPart(middleMs, station.at) : null,
      place: placeOf.get(interval.station) ?? null,
      depthM: station?.depthM ?? station?.mapDepthM ?? null,
      ...conditions(outing, middleMs),
    };
  });
  const byStation = new Map<string, number[]>(pieces.map(({ interval }) => [interval.station, []]));
  pieces.forEach(({ interval }, k) => byStation.get(interval.station)!.push(k));
  for (const bite of catches) {
    // A fish may be landed after its line is called up: the last stretch that had begun is its own.
    const begun = byStation.get(bite.station)?.filter((k) => pieces[k].fromMs <= bite.ms) ?? [];
    const same = begun.filter((k) => pieces[k].interval.presentation === bite.presentation);
    // An upper bait has no stretch of its own: its bites are those of the line.
    const own = same.length > 0 ? same : begun;
    const k = own.find((i) => bite.ms <= pieces[i].toMs) ?? own.at(-1);
    if (k !== undefined) stretches[k].bites++;
  }
  return stretches;
}

const knownPhase = (name: PhaseName | undefined) => (name === undefined || name === 'not enough to say' ? null : name);

const heightBandOf = (heightM: number | null) => (heightM === null ? null : (heightBands.find((h) => heightM >= h.fromM && heightM < h.toM)?.id ?? null));

/** What was measured of the water: the last reading that still counts, before the first one that one. */
const readingsAt = ({ temperatures, clarity }: OutingState, atMs: number) => ({
  waterC: (latest(temperatures, atMs) ?? temperatures.at(0))?.tempC ?? null,
  secchiM: (latest(clarity, atMs) ?? clarity.at(0))?.secchiM ?? null,
});

/** An interval cut at each full hour. */
function hourly(interval: EffortInterval): { interval: EffortInterval; fromMs: number; toMs: number }[] {
  const pieces = [];
  for (let fromMs = interval.fromMs; fromMs < interval.toMs;) {
    const toMs = Math.min(interval.toMs, (Math.floor(fromMs / hourMs) + 1) * hourMs);
    pieces.push({ interval, fromMs, toMs });
    fromMs = toMs;
  }
  return pieces;
}

/** The last of readings before an instant that still counts. */
const latest = <T extends { ms: number }>(readings: readonly T[], atMs: number): T | undefined => readings.findLast((r) => r.ms <= atMs && atMs - r.ms <= readMs);

/** A place by the station that was opened there first: "hole 3, Wed 9 Dec". */
function nameOf({ kind, label }: StationState, { startedMs, zone }: OutingState, places: readonly { name: string }[]): string {
  const name = `${kind} ${label}, ${dayText(startedMs, zone)}`;
  const same = places.filter((p) => p.name === name || p.name.startsWith(`${name} (`)).length;
  return same === 0 ? name : `${name} (${same + 1})`;
}

/** The place of each station: stations of one water close to each other are one, named by the first of them. */
function placesOf(outings: readonly OutingState[]): Map<string, string> {
  const places: { water: string; at: LonLat; name: string }[] = [];
  const of = new Map<string, string>();
  for (const outing of outings)
    for (const station of outing.stations) {
      let place = places.find((p) => p.water === outing.water && distanceM(p.at, station.at) <= onePlaceM);
      if (!place) places.push((place = { water: outing.water, at: station.at, name: nameOf(station, outing, places) }));
      of.set(station.id, place.name);
    }
  return of;
}
