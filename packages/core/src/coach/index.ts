export { cadences, drawSpeedMs, pauseSeconds, rodFor, type Cadence, type CadenceId } from './cadence';
export { askRules } from './asks';
export { lookRules } from './look-table';
export type { LookId, LookRule } from './looks';
export { chooseCadence, emptyMemory, memoryLimits, memoryOf, type CoachMemory, type Situation } from './memory';
export { adviseReading, readingErrorM, statesOfReading, type MarkDid, type QuickReading } from './quick-reading';
export { aboveMark, Coach, coachLimits, type Advice, type CoachSetting } from './coach';
export { adviceWords, shaftWords, type AdviceWords } from './wording';
export { activePrior, bestPlan, holePriors, stayOrGo, worthAfter, type HolePrior, type HoleSigns, type StayOrGo } from './hole-clock';
