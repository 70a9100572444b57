import {
  buildDepthMap,
  contourDepths,
  contourLines,
  findBreakFoot,
  hypsographyOf,
  type BreakFoot,
  type Contour,
  type DepthMap,
  type LonLat,
  type Sounding,
} from '@burrow/core/ground';
import type { Hypsography } from '@burrow/core/winter';

export interface Ground {
  map: DepthMap;
  contours: Contour[];
  breakFoot: BreakFoot | null;
  /** Area by depth, for the column. */
  hypsography: Hypsography;
}

/** What the ground worker does: the depth map of a water, its lines and its first place. */
export const groundApi = {
  build(outline: LonLat[], soundings: Sounding[], metresPerUnit: number): Ground {
    const map = buildDepthMap(outline, soundings);
    return { map, contours: contourLines(map, contourDepths(map.deepest.depthM, metresPerUnit)), breakFoot: findBreakFoot(map), hypsography: hypsographyOf(map) };
  },
};
export type GroundApi = typeof groundApi;
