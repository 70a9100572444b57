/** What hangs in the water: weights, lines, fall speeds and how a line leans. */
export * from './materials';
export * from './sink';
export * from './line-bow';
export * from './line-angle';
export * from './tip-up';
export * from './cards';
export * from './wind-bow';
export * from './dive';
export * from './shot';
export * from './hints';
