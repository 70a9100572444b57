/**
 * Every screen but the Outlook, with the map, the sounder, the coach and the statistics: one piece, loaded when the first of them is opened. In pieces of
 * their own they would share these libraries, and what pieces share is loaded with the first page.
 */
export { CrewScreen } from './crew/CrewScreen';
export { FieldcraftScreen } from './fieldcraft/FieldcraftScreen';
export { GearScreen } from './gear/GearScreen';
export { StationScreen } from './station/StationScreen';
export { MarkWaterScreen } from './water/MarkWaterScreen';
export { NewWaterScreen } from './water/NewWaterScreen';
export { OutingScreen } from './season/outing/OutingScreen';
export { PracticeScreen } from './practice/PracticeScreen';
export { RigCardScreen } from './tackle/RigCardScreen';
export { SeasonScreen } from './season/SeasonScreen';
export { TieOnScreen } from './tackle/TieOnScreen';
export { WaterScreen } from './water/WaterScreen';
