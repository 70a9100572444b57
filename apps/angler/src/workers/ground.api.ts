import { buildDepthMap, contourDepths, contourLines, findBreakFoot, type BreakFoot, type Contour, type DepthMap, type LonLat, type Sounding } from '@burrow/core/ground';

export interface Ground {
  map: DepthMap;
  contours: Contour[];
  breakFoot: BreakFoot | null;
}

/** What the ground worker does: the depth map of a water, its lines and its first place. */
export const groundApi = {
  build(outline: LonLat[], soundings: Sounding[], metresPerUnit: number): Ground {
    const map = buildDepthMap(outline, soundings);
    return { map, contours: contourLines(map, contourDepths(map.deepest.depthM, metresPerUnit)), breakFoot: findBreakFoot(map) };
  },
};
export type GroundApi = typeof groundApi;
