/** The log: entries that never change, and the state they add up to. */
export type * from './event';
export type * from './state';
export { asItStands, type BodyCheck } from './corrections';
export { fold } from './fold';
export { instantOf, offsetOf } from './instant';
export { isSetLine, setLinePrefix } from './set-line';
export { upcastEvent } from './upcast';
export { reactionKinds, reactionMeanings, refusalKinds, sightingKinds, type ReactionMeaning } from './reaction';
export { importDevice } from './import-mark';
export { ballBreaks, feedContents, feedParticleIds, feedWays } from './feed';
