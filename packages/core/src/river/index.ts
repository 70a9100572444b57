/** Moving water: wintering pools, and the lies where fish come to feed. */
export { winteringPools, type WinteringPool } from './pool';
export * from './lies';
export * from './wording';
