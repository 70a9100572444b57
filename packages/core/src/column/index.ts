export { fitWinter, measurementSd, profileWithSpread, unfitted } from './assimilation';
export { answerColumn, columnSetting, type ColumnAnswer, type ColumnInput } from './column';
export { forcingOf } from './forcing';
