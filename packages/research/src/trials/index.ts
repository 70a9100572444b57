/** Scores of reader and coach against simulated truth. */
export { ReaderScore, type ReaderFigures } from './reader-score';
export { runReaderTrial, type ReaderTrial } from './reader-trial';
export { fishSpell, hands, type Angler } from './angling';
export { aboveTheTop, randomPolicy, coached, coachedInto, fixedPlan, oracle, knownDraws, plainCadences } from './anglers';
export { hourParts, hourShares, type HourPart } from './hour-shares';
