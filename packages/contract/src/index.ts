export { jsonShapeProblem } from './bounded-json';
export * from './events';
export { firstProblem } from './problem-words';
