import { worthAfter, type HoleSigns } from '../patch';
import { distanceM, type LonLat } from '../ground';
import { isKnownSpecies, keysOf, speciesOf } from '../fish';
import { isSetLine, refusalKinds, sightingKinds, type FishState, type LedgerState, type OutingState, type ReactionKind, type StationState } from '../ledger';
import { minuteMs } from '../units';
import { biteMsOf, takesOf } from '../visits';

/** What one stay at a hole has shown. */
export interface HoleStay {
  at: LonLat;
  minutes: number;
  visits: number;
  agoMin: number;
}

/** Signs within this time are one fish, and nobody fishes one hole longer than this without saying so, min; own holes within this are close by, m; a hole has given where so many different fish came within so long, min. */
const limits = { sameFishMin: 1.5, longestMin: 150, nearbyM: 35, given: 3, givenMin: 30 } as const;

/** All stays at holes of a water: from one arrival to the next or the end of the outing, with the different fish seen or landed. */
export function holeStays({ outings }: Pick<LedgerState, 'outings'>, water: string, nowMs: number): HoleStay[] {
  return outings.filter((o) => o.water === water).flatMap((o) => staysOf(o, nowMs));
}

function staysOf(outing: OutingState, nowMs: number): HoleStay[] {
  const arrivals = outing.stations.flatMap((hole) => hole.arrivals.map((ms) => ({ hole, ms }))).sort((a, b) => a.ms - b.ms);
  return arrivals.flatMap(({ hole, ms }, k) => {
    const endMs = Math.min(arrivals[k + 1]?.ms ?? Infinity, outing.endedMs ?? nowMs, ms + limits.longestMin * minuteMs);
    if (endMs <= ms) return [];
    const signs = [...outing.reactions, ...outing.fish].filter((s) => s.station === hole.id && s.ms >= ms && s.ms < endMs).map((s) => s.ms);
    return [{ at: hole.at, minutes: (endMs - ms) / minuteMs, visits: differentFish(signs).length, agoMin: Math.max(0, (nowMs - endMs) / minuteMs) }];
  });
}

/** Of signs that follow each other closely the first: they are one fish. */
function differentFish(signs: number[]): number[] {
  signs.sort((a, b) => a - b);
  return signs.filter((ms, k) => k === 0 || ms - signs[k - 1] > limits.sameFishMin * minuteMs);
}

/** When one and the same fish came again on end, ms: since the last other one, or the last that took. */
function sameFish({ reactions, fish }: OutingState, { id }: StationState, sinceMs: number): number[] {
  const here = [...reactions, ...fish.map((f) => ({ ms: f.ms, station: f.station, isSame: undefined }))].filter((r) => r.station === id && r.ms >= sinceMs);
  here.sort((a, b) => a.ms - b.ms);
  return here.slice(here.findLastIndex((r) => !r.isSame) + 1).map((r) => r.ms);
}

/** Who works a bait stays no longer than this while nothing bites, min, however few the fish; set lines wait for hours. Source: fieldcraft, an end in sight. */
const mostQuietMin = 45;

/** Up to so much of the usual length of its kind a fish is none that somebody after big ones is after. Heuristic. */
const smallShare = 1.1;

const isTooSmall = ({ goal }: OutingState, fish: FishState | null): boolean =>
  goal === 'size' && fish !== null && fish.lengthMm !== null && isKnownSpecies(fish.species) && fish.lengthMm <= smallShare * speciesOf(fish.species).ruler.usualMm;

/** Whether a fish is none of those fished for, nor one that is taken for them: its bite tells nothing of theirs. */
const isAnother = ({ species }: OutingState, fish: FishState | null): boolean =>
  fish !== null && species.length > 0 && !species.some((id) => id === fish.species || keysOf(id).some((k) => (k.fish as readonly string[]).includes(fish.species)));

/** What tells on staying at a hole, since the last arrival; refusals of earlier stays too. Marks within a minute and a half are one fish. */
export function holeSigns(outing: OutingState, station: StationState): HoleSigns {
  const arrivedMs = station.arrivals.at(-1) ?? station.openedMs;
  const times = (kinds: readonly ReactionKind[], sinceMs: number) =>
    outing.reactions.filter((r) => r.station === station.id && r.ms >= sinceMs && kinds.includes(r.kind) && !r.isSame).map((r) => r.ms);
  const same = sameFish(outing, station, arrivedMs);
  // Who is after big ones does not stay for small ones, nor for another fish that shares the ground.
  const bites = takesOf(outing).flatMap((take) => (take.station === station.id && !isTooSmall(outing, take.fish) && !isAnother(outing, take.fish) ? (biteMsOf(take) ?? []) : []));
  return {
    arrivedMs,
    visitsMs: differentFish(times(sightingKinds, arrivedMs)),
    refusalsMs: differentFish(times(refusalKinds, -Infinity)),
    bitesMs: differentFish(bites.filter((ms) => ms >= arrivedMs)),
    ...(same.length > 0 ? { sameMs: same } : {}),
    ...(outing.lines.some((l) => isSetLine(l) && l.upMs === null) ? {} : { mostQuietMin }),
  };
}

/** Whether anything was in the water at a station since the last arrival, or came of it: no time is counted before. */
export function isBegun({ lines, reactions, fish, casts }: OutingState, station: StationState): boolean {
  const arrivedMs = station.arrivals.at(-1) ?? station.openedMs;
  const isIn = lines.some((l) => l.station === station.id && (l.upMs === null || l.downMs >= arrivedMs));
  return isIn || [...reactions, ...fish, ...casts].some((s) => s.station === station.id && s.ms >= arrivedMs);
}

/** A hole of the outing under way, and what it is still worth against a fresh one, 0–1. */
export interface RestedHole {
  at: LonLat;
  worth: number;
  /** Whether fish came to it several times of late. */
  hasGiven: boolean;
}

/** The holes of an outing as places to go back to at `nowMs`: refusals deplete them, rest restores them. */
export const restedHoles = (outing: OutingState, nowMs: number): RestedHole[] =>
  outing.stations.map((hole) => {
    const { refusalsMs, visitsMs, bitesMs } = holeSigns(outing, hole);
    const lately = differentFish([...visitsMs, ...bitesMs]).filter((ms) => nowMs - ms <= limits.givenMin * minuteMs);
    return { at: hole.at, worth: worthAfter(refusalsMs, nowMs), hasGiven: lately.length >= limits.given };
  });

/** What the angler's own stays close to a place have shown, whenever that was. */
export function ownNearby(stays: readonly HoleStay[], at: LonLat): { visits: number; minutes: number } {
  const near = stays.filter((s) => distanceM(s.at, at) <= limits.nearbyM);
  return { visits: near.reduce((sum, s) => sum + s.visits, 0), minutes: near.reduce((sum, s) => sum + s.minutes, 0) };
}

/** Holes of a water whose ice counts for less than the angler's own least, by place: there one does not drill again. */
export function thinPlaces({ outings }: Pick<LedgerState, 'outings'>, water: string, leastM: number, sinceMs: number): LonLat[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.stations)
    .filter((h) => h.openedMs >= sinceMs && h.clearIceM !== null && h.clearIceM + (h.whiteIceM ?? 0) / 2 < leastM)
    .map((h) => h.at);
}

/** Ice measured too thin bars what lies within this distance of it, m. Source: thickness is to be measured at least each 50 m. */
export const thinReachM = 50;
