/** Water itself: density, sound speed, depth of light. */
export * from './density';
export * from './sound';
export * from './oxygen';
export * from './light';
export { valueAt, type DepthProfile } from './profile';
export * from './level';
export { flowOfTimedFloat } from './flow';
