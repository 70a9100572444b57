import { clamp } from '../units';

/** How the rod works the jig: so many lifts at a beat, then a pause. */
export interface RodMotion {
  liftM: number;
  beatPerMin: number;
  pauseS: number;
  /** Lifts before the pause; four where not said. */
  beats?: number;
}

export const stillRod: RodMotion = { liftM: 0, beatPerMin: 0, pauseS: 0 };

/** The jig as a fish perceives it. */
export interface JigSense {
  depthM: number;
  /** Upward speed averaged over a second, m/s. */
  riseMs: number;
  /** Intensity 0–1: the root of the mean speed over six seconds against 0.12 m/s. */
  motion: number;
  /** Intensity, 0–1, of the rod's beat alone, whatever the line does. */
  beat: number;
  /** Lift of the rod's motion, m. */
  liftM: number;
  /** Since it last moved faster than 2 cm/s, s. */
  stillS: number;
  /** Greatest speed of late, m/s; forgotten in some seconds. */
  pulseMs: number;
  /** How much it has just darted beyond what its motion led to expect, 0–1. */
  startle: number;
  sizeMm: number;
}

const lively = { speedMs: 0.12, overS: 6 };
/** A dart faster than this over twice the usual speed is sudden, m/s; it is forgotten in this time, s. */
const sudden = { fromMs: 0.3, forgottenS: 0.7 };
/** How long the greatest speed is felt, s. */
const pulseS = 6;
const stepS = 0.05;

/** The simulated jig on its line: follows the commanded depth at the speed of reel or fall, with the rod's motion on top. */
export class SimulatedJig {
  depthM: number;
  commandedM: number;
  /** Greatest speed at which the line is moved, m/s; the reel's and the fall's where null. */
  handMs: number | null = null;
  rod: RodMotion = { liftM: 0.04, beatPerMin: 50, pauseS: 4 };
  sizeMm = 4;
  /** Held fast at a depth, by a fish that took it on the way down. */
  heldM: number | null = null;
  private baseM: number;
  private clockS = 0;
  private meanSpeed = 0;
  private meanRise = 0;
  private startle = 0;
  private stillS = 0;
  private pulse = 0;
  private readonly seen: JigSense = { depthM: 0, riseMs: 0, motion: 0, beat: 0, liftM: 0, stillS: 0, pulseMs: 0, startle: 0, sizeMm: 4 };

  constructor(depthM: number) {
    this.depthM = depthM;
    this.commandedM = depthM;
    this.baseM = depthM;
  }

  /** Moves on by `dt` seconds, in steps short enough for the fastest beat. */
  step(dt: number): void {
    const steps = Math.max(1, Math.round(dt / stepS));
    for (let k = 0; k < steps; k++) this.move(dt / steps);
  }

  private move(dt: number): void {
    const before = this.depthM;
    this.clockS += dt;
    this.baseM += clamp(this.commandedM - this.baseM, -(this.handMs ?? 0.9) * dt, (this.handMs ?? 1.1) * dt);
    this.depthM = this.heldM ?? Math.max(0.3, this.baseM - this.rodLift());
    if (this.heldM !== null) this.baseM = this.heldM;
    const rise = (before - this.depthM) / dt;
    const speed = Math.abs(rise);
    this.startle = clamp(this.startle * (1 - dt / sudden.forgottenS) + 2 * dt * Math.max(0, speed - sudden.fromMs - 2 * this.meanSpeed), 0, 1);
    this.meanSpeed += (speed - this.meanSpeed) * Math.min(1, dt / lively.overS);
    this.meanRise += (rise - this.meanRise) * Math.min(1, dt);
    this.pulse = Math.max(speed, this.pulse * (1 - dt / pulseS));
    this.stillS = speed > 0.02 ? 0 : this.stillS + dt;
  }

  /** What a fish sees of it now; the same object each time. */
  sense(): Readonly<JigSense> {
    const { seen } = this;
    seen.depthM = this.depthM;
    seen.riseMs = this.meanRise;
    seen.motion = Math.min(1, Math.sqrt(this.meanSpeed / lively.speedMs));
    seen.beat = intensityOf(this.rod);
    seen.liftM = this.rod.liftM;
    seen.stillS = this.stillS;
    seen.pulseMs = this.pulse;
    seen.startle = this.startle;
    seen.sizeMm = this.sizeMm;
    return seen;
  }

  private rodLift(): number {
    const { liftM, beatPerMin, pauseS, beats = 4 } = this.rod;
    if (liftM === 0 || beatPerMin === 0) return 0;
    const beatS = 60 / beatPerMin;
    const within = this.clockS % (beats * beatS + pauseS);
    return within < beats * beatS ? (liftM / 2) * (1 - Math.cos((2 * Math.PI * within) / beatS)) : 0;
  }
}

/** Intensity, 0–1, that a rod's motion settles at when it is kept up. */
export function intensityOf({ liftM, beatPerMin, pauseS, beats = 4 }: RodMotion): number {
  if (liftM === 0 || beatPerMin === 0) return 0;
  const roundS = (beats * 60) / beatPerMin + pauseS;
  return Math.min(1, Math.sqrt((2 * beats * liftM) / roundS / lively.speedMs));
}

/** Greatest speed of a rod's motion, m/s. */
export const peakSpeedOf = ({ liftM, beatPerMin }: RodMotion): number => (Math.PI * liftM * beatPerMin) / 60;
