export type * from './event';
export type * from './state';
export { fold, type BodyCheck } from './fold';
export { instantOf } from './instant';
export { upcastEvent } from './upcast';
export { biteKinds, reactionKinds, reactionMeanings, refusalKinds, sightingKinds, type ReactionMeaning } from './reaction';
