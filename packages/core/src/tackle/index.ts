/** The tackle box: families of baits, the pieces one has, and which of them to tie on. */
export * from './families';
export * from './piece';
export { goals, tieOnLimits, tieOnRules, type TackleGoal, type TieOnRule } from './tie-on-rules';
export * from './tie-on';
export * from './query';
