export { SimulatedFlasher, type FlasherOptions, type Truth } from './flasher';
export { simulatedBottom, minds, SimulatedWater, type Mind, type Take } from './water';
export { scenes, sceneOf, type Scene } from './scene';
export { livelinessOf, stillRod, type RodMotion } from './jig';
export type { SimulatedFish, FishState } from './fish';
