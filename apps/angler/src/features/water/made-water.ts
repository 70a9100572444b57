import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import type { LonLat } from '@burrow/core/ground';
import { soundingFeatures } from './soundings/useSoundingFile';

/** What was drawn and said of a water of one's own. */
export interface WaterDraft {
  name: string;
  kind: WaterFile['water']['kind'];
  timeZone: string;
  /** Its shore, open; under three corners it has none, and lies at `point`. */
  corners: readonly LonLat[];
  islands: readonly (readonly LonLat[])[];
  point: LonLat;
  soundings: Parameters<typeof soundingFeatures>[0];
}

const closed = (ring: readonly LonLat[]): [number, number][] => [...ring, ring[0]].map(([lon, lat]): [number, number] => [lon, lat]);

/** The file of a water as it was drawn. What nobody measured is named as assumed. */
export function madeWater({ name, kind, timeZone, corners, islands, point, soundings }: WaterDraft): WaterFile {
  const ring = corners.length >= 3 ? closed(corners) : null;
  return {
    type: 'FeatureCollection',
    water: {
      name: name.trim(),
      kind,
      timezone: timeZone,
      elevation_m: 0,
      secchi_m: 2,
      assumed: ['elevation_m', 'secchi_m'],
      ...(ring ? {} : { at: [point[0], point[1]] as [number, number] }),
    },
    features: [
      ...(ring
        ? [{ type: 'Feature' as const, geometry: { type: 'Polygon' as const, coordinates: [ring, ...islands.map(closed)] }, properties: { role: 'outline' as const } }]
        : []),
      ...soundingFeatures(soundings),
    ],
  };
}
