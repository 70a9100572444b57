/** The tackle box: families of baits, and the pieces one has. */
export * from './families';
export * from './piece';
export { lureOf } from './lure';
export { seatWords, tailsText, tubeBuildText, tubeFigures, tubeName } from './tube';
