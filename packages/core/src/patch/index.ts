/** Whether to stay at a place or go to the next: the marginal value of a patch. */
export { activePrior, bestPlan, holePriors, stayOrGo, worthAfter, type HolePrior, type HoleSigns, type StayOrGo } from './stay-or-go';
