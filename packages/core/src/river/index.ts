export { winteringPools, type WinteringPool } from './pool';
export * from './lies';
export * from './wording';
