/** Which bank of a lake to fish by sun, wind and waves. */
export { effectiveFetch, shelterLimitsM, shelterOf, windWaves, type Shelter } from './fetch';
export { bankSegments, steepnessDeg, type BankNote, type BankSegment } from './shore';
export { bankInsolation, bankWaterM, sunHours, sunOnBank, type BankSun, type SunHour } from './sun';
export * from './advice';
export { bankStrip, bankWords, type BankStrip } from './strip';
