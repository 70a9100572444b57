/** Hourly weather: the series, its fronts and pressure signs, wind chill. */
export * from './series';
export * from './fronts';
export * from './phases';
export * from './sun';
export * from './radiation';
export { lastingCloud, sunShare, sunShareLimits, type LastingCloud } from './sunned';
export { cloudTurn, cloudTurnText, type CloudTurn } from './cloud-turn';
export * from './seen';
export * from './coverage';
export { evidenceText } from './evidence-words';
