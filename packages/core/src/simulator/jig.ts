import { clamp } from '../units';
import type { JigSense } from './quarry';

/** How the rod works the jig: a lift, so many beats a minute, then a pause. */
export interface RodMotion {
  liftM: number;
  beatPerMin: number;
  pauseS: number;
}

export const stillRod: RodMotion = { liftM: 0, beatPerMin: 0, pauseS: 0 };

/** The simulated jig on its line: follows the commanded depth at the speed of reel or fall, with the rod's motion on top. */
export class SimulatedJig {
  depthM: number;
  commandedM: number;
  rod: RodMotion = { liftM: 0.04, beatPerMin: 50, pauseS: 4 };
  private baseM: number;
  private clockS = 0;
  private meanSpeed = 0;
  private meanRise = 0;
  private motion = 0;
  private startle = 0;

  constructor(depthM: number) {
    this.depthM = depthM;
    this.commandedM = depthM;
    this.baseM = depthM;
  }

  step(dt: number): void {
    const before = this.depthM;
    this.clockS += dt;
    this.baseM += clamp(this.commandedM - this.baseM, -0.9 * dt, 1.1 * dt);
    this.depthM = Math.max(0.3, this.baseM - this.rodLift());
    const speed = (before - this.depthM) / dt;
    this.meanSpeed += (Math.abs(speed) - this.meanSpeed) * Math.min(1, dt / 2);
    this.meanRise += (speed - this.meanRise) * Math.min(1, dt);
    const motion = clamp(this.meanSpeed / 0.15, 0, 1);
    this.startle = clamp(this.startle * (1 - dt) + Math.abs(motion - this.motion) * 1.5, 0, 1);
    this.motion = motion;
  }

  sense(): JigSense {
    return { depthM: this.depthM, riseMs: this.meanRise, motion: this.motion, startle: this.startle };
  }

  /** Four beats, then the pause. */
  private rodLift(): number {
    const { liftM, beatPerMin, pauseS } = this.rod;
    if (liftM === 0 || beatPerMin === 0) return 0;
    const beatS = 60 / beatPerMin;
    const within = this.clockS % (4 * beatS + pauseS);
    return within < 4 * beatS ? (liftM / 2) * (1 - Math.cos((2 * Math.PI * within) / beatS)) : 0;
  }
}
