/** What worked: rates with honest ranges, by height above the bottom, presentation, place and way of fishing. */
export { clumpSize, heightBands, type Catch, type EffortInterval } from './effort';
export { findLead, leastMinutes, probabilityAbove, shrunkenRates, type Finding, type Rate, type RateRow, type Tally } from './rates';
export { lostTo, minutesPerCast, outingsSummary, summariseSeason, type Comparison, type OutingSummary, type SeasonSummary } from './summary';
export { clumpWords, findingWords, rowLabel } from './wording';
export { outingRates, type OutingRate } from './outing-rates';
export { responsesBy, responseWords, type Responses, type ResponsesBy } from './responses';
export * from './by-method';
export { outingDay, outingDayWords, triedInVain, type DayCatch, type HungLine, type OutingDay, type Stay } from './outing-day';
export { bitesAndBlanks, outingPlaces, type BitePlace, type CastLine } from './outing-places';
export { presentationsOf, trialLimits, trialOf, trialsOf, trialWords, type PairTrial, type Trial } from './trial';
export { factorLimits, factorsOf, type Factor, type FactorId, type Times } from './factors';
export { lossesOf, lossLimits, type Losses, type LossStep } from './losses';
export { dayPart, stretchesOf, type DayPart, type Stretch } from './stretches';
export { calibrationLimits, calibrationOf, type Calibration, type CalibrationBin, type ForetoldStretch, type Skill } from './calibration';
export { outlookAgainstLog } from './foretold';
export { aloneWords, calibrationWords, factorLabel, factorWords, lossLabel, lossWords } from './learned-words';
export { speciesCaught, thisTimeBefore, type CaughtFish, type SpeciesCatch } from './bests';
export { feedingRates, feedingWords, type FeedingBy, type FeedingRates } from './feedings';
