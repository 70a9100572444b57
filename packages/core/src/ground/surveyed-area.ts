import { polygonHull } from 'd3-polygon';
import { clamp, LocalFrame, type LonLat } from '../units';

/** A map without a shore reaches past its soundings by this share of their extent, and by 20 to 150 m. Heuristic: what is further off is a guess. */
const reach = { share: 0.15, leastM: 20, mostM: 150 } as const;

/** Corners of the circle about each sounding that the edge is laid round. */
const circle = Array.from({ length: 16 }, (_, k) => [Math.cos((k * Math.PI) / 8), Math.sin((k * Math.PI) / 8)] as const);

/** Where the depth map of a water is drawn. */
export interface SurveyedArea {
  ring: LonLat[];
  /** Land within it. */
  islands: LonLat[][];
  /** Whether its edge is the shore, where the water ends at depth zero; else only the map ends there. */
  isShore: boolean;
}

/**
 * Where the depth map of a water is drawn: within its shore, or where nobody has seen one, about the soundings.
 * @param shore ring of longitude and latitude, or null
 * @param islands rings of land within the shore; nobody has seen one where no shore was
 * Throws RangeError where there is neither shore nor sounding.
 */
export function surveyedArea(shore: readonly LonLat[] | null, soundings: readonly { at: LonLat }[], islands: readonly (readonly LonLat[])[] = []): SurveyedArea {
  if (shore) return { ring: [...shore], islands: islands.map((island) => [...island]), isShore: true };
  const places = soundings.map((s) => s.at);
  if (places.length === 0) throw new RangeError('expected a shore or soundings to draw a map within, found neither');
  const frame = LocalFrame.about(places);
  const metres = places.map((at) => frame.toMetres(at));
  const extent = (axis: 0 | 1) => metres.reduce((m, p) => Math.max(m, p[axis]), -Infinity) - metres.reduce((m, p) => Math.min(m, p[axis]), Infinity);
  const marginM = clamp(reach.share * Math.hypot(extent(0), extent(1)), reach.leastM, reach.mostM);
  // Of many soundings only the outermost bear on the edge.
  const outermost = (metres.length > 3 ? polygonHull(metres) : null) ?? metres;
  const hull = polygonHull(outermost.flatMap(([x, y]) => circle.map(([cx, cy]): [number, number] => [x + marginM * cx, y + marginM * cy])))!;
  return { ring: hull.map(([x, y]) => frame.toLonLat(x, y)), islands: [], isShore: false };
}
