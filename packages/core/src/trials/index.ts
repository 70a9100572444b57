export { ReaderScore, scoreLimits, type ReaderFigures } from './reader-score';
export { runReaderTrial, type ReaderTrial } from './reader-trial';
