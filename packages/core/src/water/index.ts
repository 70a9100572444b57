export * from './density';
export * from './sound';
export * from './oxygen';
export * from './light';
export { valueAt, type DepthProfile } from './profile';
