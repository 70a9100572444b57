/** What to tie on: the pieces of the box by fish, water and way, what to change to, and what to buy first. */
export { forages, goals, tieOnLimits, tieOnRules, type Forage, type TackleGoal, type TieOnRule } from './rules';
export * from './choice';
export * from './here';
