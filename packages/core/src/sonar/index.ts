/** Reads a flasher: bottom, jig, fish, schools and bait from the echoes of each ping. */
export * from './geometry';
export * from './echo';
export { EchoReader, readerLimits, type ReaderOptions } from './reader';
export { trackerLimits } from './tracker-limits';
export { bottomLimits } from './bottom';
