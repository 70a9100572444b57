/** When to go and how deep: windows of the day, plan and cautions from weather, column and log. */
export { clockRules, lightRules, phaseRules } from './rules';
export { viewpointWords, startingViewpoints, type ViewpointQuestion, type Viewpoints } from './viewpoints';
export { stageRuleOf, stageRules, type SeasonStage } from './stages';
export { fishDepth, seasonStage, stageLimits, type Band, type Bed, type FishDepth } from './band';
export { weighRules, type RuleEvidence } from './log-evidence';
export { feedingActivity, feedingWindows, startingSetting, type Activity, type FeedingWindow } from './windows';
export { answerOutlook, bearingWords, iceWords, outlookSpan, outlookWords, type Outlook, type OutlookInput, type OutlookWords } from './answer';
export { columnDays, columnSeasonStart, measurementsOf, recentCasts, secchiOf } from './column-log';
export { alertsFor, type Alert } from './alerts';
export { bankSteps, dayPlan, movedItem, skinSteps, startingPlan, unknownSteps, withoutItem, type DaySteps, type PlanItem, type PlanSetting } from './plan';
export { columnTable, columnWords, type ColumnWords } from './column-words';
export { winterIceRows, winterWords } from './winter-words';
export { sourceWords, type WeatherSource } from './source-words';
export { withoutWeather, type WithoutWeather } from './without-weather';
export { surfaceOf, surfaceSeen, type Surface, type SurfaceNews } from './surface';
export { columnAsMeasured, readingLimits, readingReach, readingWeight, recentReadings, type TempReading } from './reading';
export { thermometerWords } from './thermometer-words';
