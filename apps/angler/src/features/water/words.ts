import { bearingDeg, compassPoint, distanceM, type LonLat } from '@burrow/core/ground';
import type { LedgerState } from '@burrow/core/ledger';
import { depthText, distanceText, type UnitPreference } from '@burrow/core/units';
import type { MapHole } from '@/features/water/map/places';
import type { Ground } from '@/workers/ground.api';

export function headline({ breakFoot }: Ground): string {
  return breakFoot ? `Start at the foot of the ${breakFoot.side} break` : 'Start over the deepest water';
}

export function reason({ breakFoot, map }: Ground, units: UnitPreference, rule?: { reason: string }): string {
  if (!breakFoot) return `${depthText(map.deepest.depthM, units)} at the deepest.`;
  return `${depthText(breakFoot.depthM, units)} beside a slope that rises 1 in ${Math.max(1, Math.round(1 / breakFoot.slope))}. ${rule?.reason ?? 'In midwinter fish lie in basins beside steep breaks.'}`;
}

export function way(from: LonLat | null, to: LonLat, units: UnitPreference): string | null {
  return from ? `${distanceText(distanceM(from, to), units)} ${compassPoint(bearingDeg(from, to))} of you` : null;
}

export function mapHoles(outings: LedgerState['outings'], water: string | undefined, current: string | undefined): MapHole[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.stations.map((h) => ({ id: h.id, label: h.label, at: h.at, fish: o.fish.filter((f) => f.station === h.id).length, current: o.id === current })));
}
