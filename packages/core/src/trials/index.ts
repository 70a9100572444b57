/** Scores of reader and coach against simulated truth. */
export { ReaderScore, scoreLimits, type ReaderFigures } from './reader-score';
export { runReaderTrial, type ReaderTrial } from './reader-trial';
export { fishSpell, hands, type Angler, type HourResult, type View } from './angling';
export { aboveTheTop, randomPolicy, coached, coachedInto, fixedPlan, oracle, knownDraws, plainCadences } from './anglers';
export { hourParts, hourShares, type HourPart } from './hour-shares';
