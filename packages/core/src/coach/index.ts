/** What to do with the jig in the next ten seconds: situations, cadences, and what the answers of fish change. */
export { cadences, drawSpeedMs, pauseSeconds, rodFor, type Cadence, type CadenceId } from './cadence';
export { suggestionRules } from './suggestions';
export { sightingRules } from './sighting-table';
export type { SightingId, SightingRule } from './sighting';
export { chooseCadence, drawRecord, drawWords, ownRecord, preferenceBelief, preferenceToday, preferenceWords } from './action-preference';
export { emptyMemory, memoryOf, type CoachMemory, type Situation } from './memory';
export { adviseReading, readingErrorM, statesOfReading, type MarkDid, type QuickReading } from './quick-reading';
export { searchDepth, searchLimits, searchSpan, type Span } from './search';
export { aboveMark, Coach, coachLimits, type Advice, type CoachHere, type CoachSetting } from './coach';
export { roundOf, type Round } from './round';
export { adviceWords, shaftWords, type AdviceWords } from './wording';
export { SteadyAdvice } from './steady-advice';
export { baitRules, type BaitRule } from './bait-table';
