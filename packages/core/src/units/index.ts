/** Units as they are shown and typed, instants and days of a time zone, distances on the earth. */
export * from './range';
export * from './search';
export * from './random';
export * from './preference';
export * from './clock';
export { bearingDeg, betweenDeg, compassPoint, distanceM, LocalFrame, nearestPlace, offOutlinesM, placeAlong, placeText, toSegment, type LonLat } from './frame';
export * from './count';
export * from './typed';
