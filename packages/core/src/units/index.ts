export * from './range';
export * from './random';
export * from './preference';
export * from './clock';
export { bearingDeg, compassPoint, distanceM, LocalFrame, type LonLat } from './frame';
