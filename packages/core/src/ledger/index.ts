export type * from './event';
export type * from './state';
export { fold } from './fold';
export { instantOf } from './instant';
