import type { LonLat } from '@burrow/core/ground';

/** What of a water's ground tells where its land begins. */
interface Edges {
  /** Of today over that of the soundings, m, and the outlines of the water at falling depths, the first at its edge of today. */
  levelM: number;
  contours: readonly { rings: LonLat[][] }[];
  ring: LonLat[];
  islands: readonly LonLat[][];
}

/** Where the land begins at the level of today: of a water that has fallen, at the line that its edge is at now. */
export const shoresOf = ({ levelM, contours, ring, islands }: Edges): LonLat[][] => (levelM < 0 ? contours[0].rings : [ring, ...islands]);
