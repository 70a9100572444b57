import { LocalFrame, toSegment, type LonLat } from '../units';
import { isInside, ringOf } from '../ground';
import { stillMs } from './feed';

/** The side to lay the rig in to, so that it comes to lie straight. */
export interface LayIn {
  side: 'left' | 'right';
  against: 'wind' | 'flow';
  text: string;
}

/** Water at the surface drifts at this share of the wind; a drift under that lays nothing over, m/s. Heuristic. */
const [driftShare, leastDriftMs] = [0.02, 0.04] as const;

export interface LayInQuery {
  /** The way one looks out over the water, degrees; null where the shore is not known. */
  facesDeg: number | null;
  wind: { speedMs: number; fromDeg: number | null } | null;
  /** To the right of one who faces the water positive, m/s; null where it is not timed. */
  flowMs: number | null;
}

/** Against the stronger of flow and wind the rig is laid in; null where neither lays it over, or nobody knows from where it comes. */
export function layInSide({ facesDeg, wind, flowMs }: LayInQuery): LayIn | null {
  const flow = flowMs ?? 0;
  const fromRight = facesDeg === null || wind === null || wind.fromDeg === null ? 0 : wind.speedMs * Math.sin(((wind.fromDeg - facesDeg) * Math.PI) / 180);
  const drift = driftShare * fromRight;
  if (Math.abs(flow) >= Math.max(stillMs, Math.abs(drift))) {
    // Flow to the right comes from the left.
    return said(flow > 0 ? 'left' : 'right', 'flow');
  }
  return Math.abs(drift) < leastDriftMs ? null : said(drift > 0 ? 'right' : 'left', 'wind');
}

const said = (side: LayIn['side'], against: LayIn['against']): LayIn => ({
  side,
  against,
  text: `Lay in to the ${side}, against the ${against}.`,
});

/** The way one looks who sits on a shore, degrees: out over the water from the nearest stretch of it. Null for a shore of fewer than three corners. */
export function facesDeg(shore: readonly LonLat[], at: LonLat): number | null {
  if (shore.length < 3) return null;
  const frame = LocalFrame.about(shore);
  const corners = shore.map((p) => frame.toMetres(p));
  const [x, y] = frame.toMetres(at);
  const spot = (k: number) => {
    const [cx, cy] = corners[k % corners.length];
    return { x: cx, y: cy };
  };
  const nearest = corners.reduce((best, _, k) => (toSegment(x, y, spot(k), spot(k + 1)) < toSegment(x, y, spot(best), spot(best + 1)) ? k : best), 0);
  const [a, b] = [spot(nearest), spot(nearest + 1)];
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [nx, ny] = [-(b.y - a.y) / long, (b.x - a.x) / long];
  const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const turn = isInside(ringOf(corners), mx + 0.5 * nx, my + 0.5 * ny) ? 1 : -1;
  return ((Math.atan2(turn * nx, turn * ny) * 180) / Math.PI + 360) % 360;
}
