/** A simulated flasher over simulated fish, with the truth that reader and coach are scored against. */
export { SimulatedFlasher, type FlasherOptions, type Truth } from './flasher';
export { simulatedHeader } from './acoustics';
export { simulatedBottom, SimulatedWater, type Take } from './water';
export { scenes, sceneOf, type Scene } from './scene';
export { intensityOf, peakSpeedOf, stillRod, type JigSense, type RodMotion } from './jig';
export { SimulatedFish, type FishKind, type FishState, type Verdict } from './fish';
export { DriftFish } from './drift-fish';
export { School } from './school';
export type { Mood } from './mood';
