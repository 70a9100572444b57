/** Casting: where to stand and along which bearings, how to bring it back, what to do after what was felt, and when to go. */
export * from './strike';
export { CastWater, outAlong, type Spot } from './water';
export { Fan, type CastSetting, type FanCast } from './fan';
export * from './stance';
export * from './targets';
export { edgeWorthAt } from './edge';
export * from './cadences';
export * from './after';
export * from './rest';
export * from './clock';
export * from './school';
export * from './stand';
export * from './from-log';
export * from './aim';
export * from './wording';
export * from './advice';
