import { distanceM, type LonLat } from '../units';
import { depthAt, type DepthMap } from './depth-map';
import { featureLimits, type GroundFeature } from './features';

/** Two points so far apart have a trough between them where its floor lies as far under both as a rise must stand out, m. Heuristic; source: fieldcraft §1. */
export const troughLimits = { apartM: [60, 250], underM: featureLimits.reliefM, stepM: 10 } as const;

/** The deepest place on the way from one point to the next, where that is a trough; as sure as the less sure of its points. */
export function troughsBetween(map: DepthMap, features: readonly GroundFeature[]): { at: LonLat; sure: number }[] {
  const points = features.filter((f) => f.kind === 'point');
  const [nearest, furthest] = troughLimits.apartM;
  return points.flatMap((a, k) =>
    points.slice(k + 1).flatMap((b) => {
      const apartM = distanceM(a.at, b.at);
      if (apartM < nearest || apartM > furthest) return [];
      const way = Array.from({ length: Math.floor(apartM / troughLimits.stepM) }, (_, i) => {
        const share = (i * troughLimits.stepM) / apartM;
        const at: LonLat = [a.at[0] + share * (b.at[0] - a.at[0]), a.at[1] + share * (b.at[1] - a.at[1])];
        return { at, depthM: depthAt(map, at)?.depthM ?? 0 };
      });
      const floor = way.reduce((deepest, p) => (p.depthM > deepest.depthM ? p : deepest));
      // Land between them, and there is no way along it.
      const isTrough = way.every((p) => p.depthM > 0) && floor.depthM >= Math.max(a.depthM, b.depthM) + troughLimits.underM;
      return isTrough ? [{ at: floor.at, sure: Math.min(a.confidence, b.confidence) }] : [];
    }),
  );
}
