/** A simulated flasher over simulated fish, with the truth that reader and coach are scored against. */
export { SimulatedFlasher, type FlasherOptions, type Truth } from './flasher';
export { simulatedBottom, decisionModels, SimulatedWater, type DecisionModel, type Take } from './water';
export { scenes, sceneOf, type Scene } from './scene';
export { intensityOf, stillRod, type RodMotion } from './jig';
export type { SimulatedFish, FishState } from './fish';
