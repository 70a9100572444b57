export type * from './event';
export type * from './state';
export { fold, type BodyCheck } from './fold';
export { instantOf } from './instant';
