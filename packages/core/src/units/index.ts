export * from './range';
export * from './random';
export * from './preference';
export * from './clock';
export { bearingDeg, compassPoint, distanceM, LocalFrame, nearestPlace, type LonLat } from './frame';
