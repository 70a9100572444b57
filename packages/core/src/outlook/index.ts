export { phaseRules, lightRules } from './rules';
export { feedingActivity, feedingWindows, type Activity, type FeedingWindow } from './windows';
export { answerOutlook, iceWords, outlookSpan, outlookWords, type Outlook, type OutlookInput, type OutlookWords } from './answer';
