import { reactionMeanings, type OutingState } from '../ledger';
import { takesOf } from '../visits';
import { placeAlong, type LonLat } from '../units';

/** A cast from where one stood to where it landed, and whether a fish answered it. */
export interface CastLine {
  from: LonLat;
  to: LonLat;
  isAnswered: boolean;
}

/** Where a fish bit or was landed, apart from the place one stood at. */
export interface BitePlace {
  at: LonLat;
  isFish: boolean;
}

/** Casts of an outing on the map, and where fish bit on them or along a pass; a landed fish stands for its bite. */
export function outingPlaces(outing: OutingState): { casts: CastLine[]; bites: BitePlace[] } {
  const standOf = (station: string) => outing.stations.find((s) => s.id === station);
  const castOf = (id: string | null) => outing.casts.find((c) => c.id === id);
  const where = ({ at, cast: id, outM }: { at: LonLat | null; cast: string | null; outM: number | null }): LonLat | null => {
    const cast = castOf(id);
    const stand = cast && standOf(cast.station);
    return at ?? (cast && stand && outM !== null ? placeAlong(stand.at, cast.bearingDeg, outM) : null);
  };
  const takes = takesOf(outing).filter((t) => t.isBite);
  const bites = takes.flatMap((t) => t.reactions.filter((r) => reactionMeanings[r.kind].isBite));
  const answered = new Set([...bites.map((b) => b.cast), ...outing.fish.map((f) => f.cast)]);
  const placed = (isFish: boolean) => (entry: Parameters<typeof where>[0]) => {
    const at = where(entry);
    return at ? [{ at, isFish }] : [];
  };
  return {
    casts: outing.casts.flatMap((c) => {
      const stand = standOf(c.station);
      return stand ? [{ from: stand.at, to: placeAlong(stand.at, c.bearingDeg, c.distanceM), isAnswered: answered.has(c.id) }] : [];
    }),
    // A landed fish stands for its bite, where either says where it was.
    bites: takes.flatMap((t) => [...(t.fish ? placed(true)(t.fish) : []), ...t.reactions.flatMap(placed(t.fish !== null))].slice(0, 1)),
  };
}

/** Where fish bit on these outings, and the stations where line was without a bite. A bite of which no nearer place is known lies at its station. */
export function bitesAndBlanks(outings: readonly OutingState[]): { bites: LonLat[]; blanks: LonLat[] } {
  const bites: LonLat[] = [];
  const blanks: LonLat[] = [];
  for (const outing of outings) {
    const placed = outingPlaces(outing).bites.map((b) => b.at);
    const takes = takesOf(outing).filter((t) => t.isBite);
    bites.push(...placed);
    for (const station of outing.stations) {
      const here = takes.filter((t) => t.station === station.id);
      const isPlaced = here.some((t) => t.fish?.at != null || t.fish?.cast != null || t.reactions.some((r) => r.at !== null || r.cast !== null));
      if (here.length > 0 && !isPlaced) bites.push(...here.map((): LonLat => [station.at[0], station.at[1]]));
      const isTried = outing.lines.some((l) => l.station === station.id) || outing.casts.some((c) => c.station === station.id);
      if (here.length === 0 && isTried) blanks.push([station.at[0], station.at[1]]);
    }
  }
  return { bites, blanks };
}
