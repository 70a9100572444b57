/** The pole: plumbed bed, float and shot, feed and where it lies, swims that settle, feed and rest, what to change, and the bag. */
export * from './float';
export * from './feed';
export * from './next-ball';
export * from './swims';
export * from './wait';
export * from './changes';
export * from './run';
export * from './bag';
export * from './peg';
export * from './place';
export * from './from-log';
export * from './bag-of';
export * from './answer';
export * from './rig';
export * from './advice';
export * from './feeding';
export * from './history';
