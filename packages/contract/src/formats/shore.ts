import { distanceM } from '@burrow/core/units';
import type { Places, Shore, Track } from './places';

/** Ends of a walked shore may lie this far apart, m, or this share of its length. */
const gap = { mostM: 30, mostShare: 0.05 } as const;

const lengthM = (ring: Shore['ring']) => ring.slice(1).reduce((sum, at, i) => sum + distanceM(ring[i], at), 0);

/** Area of a ring in square degrees shrunk to its latitude: for comparing rings of one water. */
function area(ring: Shore['ring']): number {
  const shrink = Math.cos((ring[0][1] * Math.PI) / 180);
  return Math.abs(ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length][1] - ring[(i + 1) % ring.length][0] * y, 0) / 2) * shrink;
}

function closed(ring: Shore['ring']): Shore['ring'] {
  const [first, last] = [ring[0], ring.at(-1)!];
  return first[0] === last[0] && first[1] === last[1] ? ring : [...ring, first];
}

/**
 * The shore among places: the largest polygon with its islands, or closed track or route. Its rings are closed exactly.
 * @returns the shore and the places without it, or why there is none
 */
export function shoreAmong(places: Places): { shore: Required<Omit<Shore, 'name'>>; rest: Places } | { why: string } {
  const candidates: { ring: Shore['ring']; islands?: Shore['islands']; of: unknown }[] = (places.shores ?? []).map((shore) => ({
    ring: shore.ring,
    islands: shore.islands,
    of: shore,
  }));
  const open: string[] = [];
  for (const way of [...places.tracks, ...(places.routes ?? [])]) {
    const ring = way.points.map((p) => p.at);
    if (ring.length < 3) continue;
    const apartM = distanceM(ring[0], ring.at(-1)!);
    if (apartM <= Math.max(gap.mostM, gap.mostShare * lengthM(ring))) candidates.push({ ring, of: way });
    else open.push(`${way.name === undefined ? 'a way' : `"${way.name}"`} whose ends are ${Math.round(apartM)} m apart`);
  }
  const usable = candidates.filter(({ ring }) => ring.length >= 3 && area(ring) > 0).sort((a, b) => area(b.ring) - area(a.ring));
  const [best] = usable;
  if (!best) return { why: `expected a polygon, or a track, route or line whose ends meet, found ${open.length > 0 ? open.join(' and ') : 'none'}` };
  const isLeft = (x: unknown) => x !== best.of;
  // The points of a route are places as well: as corners of the shore they are none.
  const corners = new Set(places.routes?.includes(best.of as Track) ? best.ring.map(String) : []);
  return {
    shore: { ring: closed(best.ring), islands: (best.islands ?? []).filter((island) => area(island) > 0).map(closed) },
    rest: {
      points: places.points.filter((p) => p.role !== 'spot' || p.depthM !== undefined || !corners.has(String(p.at))),
      tracks: places.tracks.filter(isLeft),
      routes: places.routes?.filter(isLeft),
      shores: places.shores?.filter(isLeft),
    },
  };
}
