export { clumpSize, heightBands, type Catch, type Stretch } from './effort';
export { findLead, leastMinutes, probabilityAbove, shrunkenRates, type Finding, type Rate, type RateRow, type Tally } from './rates';
export { summariseSeason, type Comparison, type OutingSummary, type SeasonSummary } from './summary';
export { findingWords, rowLabel } from './wording';
export { toldBy, toldWords, type Told, type ToldBy } from './told';
export * from './by-method';
