export { simulatedBottom, SimulatedFlasher, type Take, type Truth } from './flasher';
export { scenes, sceneOf, type Scene } from './scene';
export { stillRod, type RodMotion } from './jig';
export { quarryRates, type QuarryState } from './quarry';
