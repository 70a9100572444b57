import type { LonLat } from '@burrow/core/ground';
import type { Ground } from './ground.api';

/** Where the land begins at the level of today: of a water that has fallen, at the line that its edge is at now. */
export const shoresOf = ({ levelM, contours, ring, islands }: Ground): LonLat[][] => (levelM < 0 ? contours[0].rings : [ring, ...islands]);
