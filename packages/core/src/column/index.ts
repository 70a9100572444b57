/** Temperature, oxygen and light of a water by depth through the winter, fitted to the thermometer. */
export { fitWinter, measurementSd, profileWithSpread, unfitted } from './assimilation';
export { answerColumn, columnSetting, winterDays, type ColumnAnswer, type ColumnInput, type WinterDay } from './column';
export { forcingOf } from './forcing';
