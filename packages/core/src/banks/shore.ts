import { LocalFrame, type LonLat } from '../units';
import { isInside, ringOf } from '../ground';

/** A stretch of shore, at most 25 m long. */
export interface BankSegment {
  at: LonLat;
  /** Middle, m in the frame of the outline. */
  x: number;
  y: number;
  lengthM: number;
  /** Way along the shore from its first corner to the middle, m. */
  alongM: number;
  /** Bearing from the land to the water, degrees. */
  facesDeg: number;
  /** What stands on the bank and throws shade, m over the water. */
  heightM: number;
  /** Slope of the bank, degrees from level, and who says so. */
  steepDeg: number;
  steepBy: 'noted' | 'sounded' | 'assumed';
}

/** A stretch whose height or steepness somebody has noted. */
export interface BankNote {
  line: readonly LonLat[];
  heightM: number;
  steepness?: 'flat' | 'sloping' | 'steep' | 'wall';
}

/** Degrees from level of the words for steepness. Heuristic; source: fieldcraft. */
export const steepnessDeg = { flat: 5, sloping: 15, steep: 35, wall: 75 } as const;

const longestM = 25;
/** A noted stretch counts for the shore within this distance, m. */
const noteReachM = 40;

/** How far off the shore its depth is asked for the slope of a bank, m. Convention. */
const slopeOverM = 10;

/**
 * The shore of an outline in stretches, with what has been noted about its banks, and how steep they are by the bed. Throws RangeError for fewer than three corners.
 * @param bedM depth of the water at a place, m; null where nobody knows it
 */
export function bankSegments(
  outline: readonly LonLat[],
  notes: readonly BankNote[] = [],
  bedM: (at: LonLat) => number | null = () => null,
): { ring: Float64Array; segments: BankSegment[] } {
  const frame = LocalFrame.about(outline);
  const ring = ringOf(outline.map((p) => frame.toMetres(p)));
  const lines = notes.map((note) => ({ note, points: note.line.map((p) => frame.toMetres(p)) }));
  const segments: BankSegment[] = [];
  let alongM = 0;
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    const [ex, ey] = [ring[j] - ring[i], ring[j + 1] - ring[i + 1]];
    const edgeM = Math.hypot(ex, ey);
    if (edgeM === 0) continue;
    const pieces = Math.ceil(edgeM / longestM);
    let [nx, ny] = [-ey / edgeM, ex / edgeM];
    const [mx, my] = [ring[i] + ex / 2, ring[i + 1] + ey / 2];
    if (!isInside(ring, mx + 0.2 * nx, my + 0.2 * ny)) [nx, ny] = [-nx, -ny];
    for (let k = 0; k < pieces; k++) {
      const share = (k + 0.5) / pieces;
      const [x, y] = [ring[i] + ex * share, ring[i + 1] + ey * share];
      const noted = lines.find(({ points }) => points.some(([px, py]) => Math.hypot(px - x, py - y) <= noteReachM))?.note;
      const offM = bedM(frame.toLonLat(x + slopeOverM * nx, y + slopeOverM * ny));
      const soundedDeg = offM === null ? null : (Math.atan2(offM, slopeOverM) * 180) / Math.PI;
      segments.push({
        at: frame.toLonLat(x, y),
        x,
        y,
        lengthM: edgeM / pieces,
        alongM: alongM + edgeM * share,
        facesDeg: ((Math.atan2(nx, ny) * 180) / Math.PI + 360) % 360,
        heightM: noted?.heightM ?? 0,
        steepDeg: noted?.steepness ? steepnessDeg[noted.steepness] : (soundedDeg ?? steepnessDeg.sloping),
        steepBy: noted?.steepness ? 'noted' : soundedDeg === null ? 'assumed' : 'sounded',
      });
    }
    alongM += edgeM;
  }
  return { ring, segments };
}
