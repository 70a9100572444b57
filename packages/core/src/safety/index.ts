/** Ice, cold and drowning: what is said of each, from measured values and public guidance. */
export * from './ice';
export * from './cold';
export * from './hazards';
export { turnBack, turnBackText, wayHomeMs, windAgainst, type TurnBack, type WayHome } from './turn-back';
