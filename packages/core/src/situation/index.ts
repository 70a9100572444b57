/** The situation: what is known here and now, each value with who says it and of when. Advisers ask it, and look nothing of it up themselves. */
export { situationAt, temperatureAt, waterAt, wholeBed, type Situation, type SituationSetting } from './situation';
export { placesOfNow } from './places';
export type { Known, KnownBy } from './known';
export { answersOf, type BaitAnswers } from './answers';
export { unknownWater, usualProfile, usualStage, usualWaterC } from './usual';
export { arrivalRows, arrivalWords, turnWords, type ArrivalRow } from './arrival';
