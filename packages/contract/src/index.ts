export * from './events';
export { firstProblem } from './problem-words';
