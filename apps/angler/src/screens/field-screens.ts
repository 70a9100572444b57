/**
 * Every screen but the Outlook, with the map, the sounder, the coach and the statistics: one piece, loaded when the first of them is opened. In pieces of
 * their own they would share these libraries, and what pieces share is loaded with the first page.
 */
export { FieldcraftScreen } from './FieldcraftScreen';
export { GearScreen } from './GearScreen';
export { HoleScreen } from './HoleScreen';
export { MarkWaterScreen } from './MarkWaterScreen';
export { NewWaterScreen } from './NewWaterScreen';
export { PracticeScreen } from './PracticeScreen';
export { SeasonScreen } from './SeasonScreen';
export { WaterScreen } from './WaterScreen';
