import { depthAt, type DepthMap, type LonLat } from '../ground';
import type { Band } from '../outlook';
import { bearingDeg, compassPoint, depthText, distanceM, distanceText, type UnitPreference } from '../units';

/** Cover so near is the place itself, and its crowd's, m. Heuristic. */
const crowdM = 40;

/** Marked cover to go to where a place is crowded: in the depths that are looked for first, then the nearest. */
export function nextCover<C extends { at: LonLat; name: string }>(map: DepthMap, cover: readonly C[], from: LonLat, band: Band | null, count: number): (C & { depthM: number })[] {
  const offM = (depthM: number) => (band === null ? 0 : Math.round(Math.max(0, band.fromM - depthM, depthM - band.toM)));
  return cover
    .flatMap((c) => {
      const depth = depthAt(map, c.at);
      return depth && distanceM(from, c.at) >= crowdM ? [{ ...c, depthM: depth.depthM }] : [];
    })
    .sort((a, b) => offM(a.depthM) - offM(b.depthM) || distanceM(from, a.at) - distanceM(from, b.at))
    .slice(0, count);
}

/** The next places of a crowded water in words; null where no cover is marked. */
export function nextCoverText(places: readonly { at: LonLat; name: string; depthM: number }[], from: LonLat, units: UnitPreference): string | null {
  if (places.length === 0) return null;
  const each = places.map((p) => `the ${p.name} in ${depthText(p.depthM, units)}, ${distanceText(distanceM(from, p.at), units)} ${compassPoint(bearingDeg(from, p.at))}`);
  return `Crowded: next ${each.join(', then ')}.`;
}
