/** Parts of the world that share most of their freshwater fish. */
export type Region = 'north-america' | 'south-america' | 'europe' | 'asia' | 'africa' | 'australasia';

/** Boxes of west, south, east, north in degrees: the first that holds a place names its region. Coarse: it only orders a list. */
const boxes: readonly (readonly [Region, number, number, number, number])[] = [
  ['australasia', 110, -56, 180, -10],
  ['australasia', -180, -56, -160, -10],
  ['africa', -26, -36, 34, 35],
  ['africa', 34, -36, 60, 12],
  ['europe', -32, 35, 60, 82],
  ['south-america', -95, -60, -30, 12],
  ['north-america', -170, 12, -32, 84],
];

/** The region of a place, longitude and latitude in degrees: Asia where no box holds it. */
export function regionAt(lon: number, lat: number): Region {
  return boxes.find(([, west, south, east, north]) => lon >= west && lon <= east && lat >= south && lat <= north)?.[0] ?? 'asia';
}
