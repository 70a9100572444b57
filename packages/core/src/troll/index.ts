/** Trolling and drifting: line out and depth, turns, a lane over the map, a spread of depths, drift, and what passes came to. */
export * from './line';
export * from './speed';
export * from './drift';
export * from './spread';
export * from './lane';
export * from './lane-figures';
export { deepNear } from './lane-places';
export * from './from-log';
export * from './steer';
export * from './answer';
export * from './running';
export * from './advice';
