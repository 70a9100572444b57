/** Screens that need the map, the sounder and the coach: one piece, loaded when the first of them is opened, so that the Outlook comes up without it. */
export { FieldcraftScreen } from './FieldcraftScreen';
export { HoleScreen } from './HoleScreen';
export { MarkWaterScreen } from './MarkWaterScreen';
export { NewWaterScreen } from './NewWaterScreen';
export { PracticeScreen } from './PracticeScreen';
export { WaterScreen } from './WaterScreen';
