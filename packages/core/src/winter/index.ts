/** Ice and water through a winter: freeze-up, growth, snow, heat of the bed. */
export * from './ice';
export { IceSheet, type SheetConstants, type SheetWeather } from './ice-sheet';
export { coneHypsography, type Hypsography } from './hypsography';
export { winterBounds, winterConstants, winterPrior, type ColumnSetting, type WinterParameters } from './setting';
export { startTemperature, warmStartC, type Forcing } from './forcing';
export { runWinter, type ColumnProfile, type WinterRun } from './run';
export type { Measurement, Residual, WinterFit } from './measurement';
