import { depthAt, LocalFrame, type DepthMap, type LonLat } from '../ground';
import { clamp, depthText, type UnitPreference } from '../units';

/** A place on the bank to sit at, with the deepest water that the pole reaches from it, m. */
export interface PegPlace {
  at: LonLat;
  depthM: number;
  /** How far out that is, m. */
  outM: number;
}

/** Places looked at along a shore, and how far apart those offered lie, m. */
const [mostPlaces, leastApartM, offeredApartM] = [600, 3, 25];
/** Of places as deep as this share of the deepest, the one with it nearest to the bank is best: the pole is held shorter. Heuristic. */
const alikeShare = 0.95;

/**
 * Places along the shore from which a pole reaches the deepest water, best first: straight out from the bank, a metre at a time.
 * @param ring the shore, closed or not
 * @param reachM length of the pole, m
 */
export function pegPlaces(map: DepthMap, ring: readonly LonLat[], reachM: number, count = 3): PegPlace[] {
  const frame = new LocalFrame(map.lon0, map.lat0);
  const shore = ring.map((p) => frame.toMetres(p));
  const side = (k: number) => {
    const [a, b] = [shore[k], shore[(k + 1) % shore.length]];
    return { a, b, long: Math.hypot(b[0] - a[0], b[1] - a[1]) };
  };
  const round = shore.reduce((sum, _, k) => sum + side(k).long, 0);
  const apart = Math.max(leastApartM, round / mostPlaces);
  const found: (PegPlace & { x: number; y: number })[] = [];
  let left = 0;
  for (let k = 0; k < shore.length; k++) {
    const { a, b, long } = side(k);
    if (long === 0) continue;
    const [ux, uy] = [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
    for (; left < long; left += apart) {
      const [x, y] = [a[0] + ux * left, a[1] + uy * left];
      let best: PegPlace | null = null;
      // The water lies on one side of the shore or the other.
      for (const turn of [1, -1])
        for (let out = 1; out <= reachM + 1e-9; out++) {
          const depth = depthAt(map, frame.toLonLat(x - turn * uy * out, y + turn * ux * out))?.depthM;
          if (depth === undefined) break;
          if (best === null || depth > best.depthM + 0.02) best = { at: frame.toLonLat(x - turn * uy, y + turn * ux), depthM: depth, outM: out };
        }
      if (best) found.push({ ...best, x, y });
    }
    left -= long;
  }
  const chosen: typeof found = [];
  let rest = found;
  while (chosen.length < count && rest.length > 0) {
    const deepest = Math.max(...rest.map((p) => p.depthM));
    const next = rest.filter((p) => p.depthM >= alikeShare * deepest).reduce((a, b) => (b.outM < a.outM ? b : a));
    chosen.push(next);
    rest = rest.filter((p) => Math.hypot(p.x - next.x, p.y - next.y) >= offeredApartM);
  }
  return chosen.map(({ at, depthM, outM }) => ({ at, depthM, outM }));
}

/**
 * The peg that a place in the water is fished from: the nearest of the shore.
 * @param shores outlines of land, closed or not
 */
export function pegBy(fished: { at: LonLat; depthM: number }, shores: readonly (readonly LonLat[])[]): PegPlace {
  const frame = new LocalFrame(fished.at[0], fished.at[1]);
  let nearest = { x: 0, y: 0, outM: Infinity };
  for (const shore of shores) {
    const corners = shore.map((at) => frame.toMetres(at));
    corners.forEach(([ax, ay], k) => {
      const [bx, by] = corners[(k + 1) % corners.length];
      const [dx, dy] = [bx - ax, by - ay];
      const along = clamp(-(ax * dx + ay * dy) / Math.max(1e-9, dx * dx + dy * dy), 0, 1);
      const [x, y] = [ax + along * dx, ay + along * dy];
      const outM = Math.hypot(x, y);
      if (outM < nearest.outM) nearest = { x, y, outM };
    });
  }
  return { at: frame.toLonLat(nearest.x, nearest.y), depthM: fished.depthM, outM: nearest.outM };
}

/**
 * Where to sit, in words; for null, a water of which too little is known, that the bed is plumbed.
 * @param why the place is one: for the fish that are looked for; null where the deepest within reach is
 */
export function pegPlaceWords(
  place: PegPlace | 'seeking' | null,
  reachM: number,
  units: UnitPreference,
  isReachAssumed: boolean,
  why: string | null,
): { headline: string; detail: string } {
  const pole = `a pole of ${depthText(reachM, units)}${isReachAssumed ? ', assumed until you say how long yours is' : ''}`;
  if (place === 'seeking') return { headline: 'Working out where to sit', detail: `Within reach of ${pole}.` };
  if (place === null)
    return { headline: 'Sit where the bank is firm', detail: 'No depths are known within a pole’s reach of the bank: plumb them from the peg, and they are known from then on.' };
  const out = `It lies ${depthText(place.outM, units)} out, by the map`;
  return {
    headline: `Sit at the ring: ${depthText(place.depthM, units)} within reach`,
    detail: `${why === null ? `${out}; ${pole}${isReachAssumed ? ',' : ''} reaches no deeper from any bank here. In the cold they lie in the deepest.` : `${out}, for ${pole}. ${why}`} Firm ground, and an easy way out of the water.`,
  };
}
