import { targetStrength, type EchoHeader, type Ping } from '../sonar';
import { requireWithin, seededRandom, type Random } from '../units';
import { drawPing, echoOf, firstBottomDepth, noiseAt, noisePower, simulatedHeader, type AcousticSetting, type Target } from './acoustics';
import { SimulatedJig, type RodMotion } from './jig';
import type { Quarry, QuarryState } from './quarry';
import { sceneOf, type Scene } from './scene';

/** What was really there at a ping. Depths below the surface as a sounder would show them, m. */
export interface Truth {
  t: number;
  bottomM: number;
  jigM: number;
  fish: { id: number; depthM: number; levelDb: number; noiseDb: number; state: QuarryState; rangeFromBottomM: number }[];
}

/** A fish took the jig. */
export interface Take {
  t: number;
  fishId: number;
  lengthMm: number;
  depthM: number;
}

/** Bottoms that the simulated flasher reaches, m. */
export const simulatedBottom = { leastM: 0.5, mostM: 60 } as const;

/** A jig of about 4 mm of tungsten. */
const jigStrengthDb = -46;
/** A fish that holds the jig lets go of it after this long, s. */
const holdS = 2.5;

/**
 * A seeded, simulated flasher over a simulated water with fish that answer to the jig. Deterministic for a seed and the same calls.
 */
export class SimulatedFlasher {
  readonly header: EchoHeader;
  readonly jig: SimulatedJig;
  private readonly setting: AcousticSetting;
  private readonly noise: Float64Array;
  private readonly random: Random;
  private readonly scene: Scene;
  private fish: Quarry[] = [];
  private held: { fish: Quarry; sinceT: number } | null = null;
  private nextVisitS = 2;
  private lastId = 0;
  private pings = 0;
  private strength = new Map<number, number>();
  private readonly shiftM: number;

  /** Over another bottom than the scene's the fish keep their height above it. Throws RangeError for an unknown scene or a bottom out of range. */
  constructor(options: { seed: number; sceneId: string; start: string; bottomM?: number }) {
    this.scene = sceneOf(options.sceneId);
    this.random = seededRandom(options.seed);
    const bottomM = requireWithin(options.bottomM ?? this.scene.bottomM, simulatedBottom.leastM, simulatedBottom.mostM, 'bottom', 'm');
    this.header = simulatedHeader(options.start, bottomM);
    this.shiftM = bottomM - this.scene.bottomM;
    this.setting = { header: this.header, bottomM, slopeDeg: this.scene.slopeDeg, noiseDb: -106, bottomDb: -14 };
    this.noise = noisePower(this.setting);
    this.jig = new SimulatedJig(Math.max(0.3, this.scene.jigM + this.shiftM));
    if (this.scene.visitMin === 0) this.visit();
  }

  /** Lets the line out or takes it in, m below the surface (0.3 to the bottom). */
  setJig(depthM: number): void {
    this.jig.commandedM = Math.min(Math.max(0.3, depthM), this.setting.bottomM - 0.05);
  }

  setRod(motion: RodMotion): void {
    this.jig.rod = motion;
  }

  /** The angler strikes. True when a fish held the jig: it is landed and gone. */
  strike(): Take | null {
    if (!this.held) return null;
    const { fish } = this.held;
    this.fish = this.fish.filter((f) => f !== fish);
    this.held = null;
    return { t: this.timeMs, fishId: fish.id, lengthMm: Math.round(fish.lengthCm * 10), depthM: this.jig.depthM };
  }

  /** One ping further: the echo, what was really there, and a take if one happened. */
  next(): { ping: Ping; truth: Truth; take: Take | null } {
    const dt = 1 / this.header.pingRateHz;
    const t = this.timeMs;
    this.jig.step(dt);
    const take = this.moveFish(dt, t);
    const targets: Target[] = [{ offAxisM: 0.05, depthM: this.jig.depthM, strengthDb: jigStrengthDb }];
    const truth: Truth = { t, bottomM: firstBottomDepth(this.setting), jigM: this.jig.depthM, fish: [] };
    for (const fish of this.fish) {
      const target = { offAxisM: fish.offAxisM, depthM: fish.depthM, strengthDb: this.strengthOf(fish) };
      const { rangeM, levelDb } = echoOf(this.setting, target);
      const depthM = rangeM + this.header.transducerM;
      targets.push(target);
      truth.fish.push({ id: fish.id, depthM, levelDb, noiseDb: noiseAt(this.setting, rangeM), state: fish.state, rangeFromBottomM: truth.bottomM - depthM });
    }
    const ping = { t, a: drawPing(this.setting, this.noise, targets, this.random) };
    this.pings++;
    return { ping, truth, take };
  }

  private get timeMs(): number {
    return Math.round((this.pings * 1000) / this.header.pingRateHz);
  }

  private strengthOf(fish: Quarry): number {
    let strength = this.strength.get(fish.id);
    if (strength === undefined) {
      strength = targetStrength(fish.lengthCm, this.header.freqKHz);
      this.strength.set(fish.id, strength);
    }
    return strength;
  }

  private moveFish(dt: number, t: number): Take | null {
    let take: Take | null = null;
    const sense = this.jig.sense();
    for (const fish of this.fish) {
      if (fish.step(dt, sense, this.setting.bottomM) && !this.held) {
        this.held = { fish, sinceT: t };
        take = { t, fishId: fish.id, lengthMm: Math.round(fish.lengthCm * 10), depthM: this.jig.depthM };
      }
    }
    if (this.held) {
      this.held.fish.depthM = this.jig.depthM + 0.06;
      if (t - this.held.sinceT > holdS * 1000) {
        this.held.fish.state = 'leave';
        this.held = null;
      }
    }
    for (const fish of this.fish) if (fish.state === 'commit' && fish !== this.held?.fish) fish.state = 'leave';
    this.fish = this.fish.filter((fish) => fish.offAxisM < 4);
    if (this.scene.visitMin > 0 && t / 1000 >= this.nextVisitS && this.fish.length < 6) this.visit();
    return take;
  }

  private visit(): void {
    this.fish.push(...this.scene.visitors(this.random, () => ++this.lastId, this.shiftM));
    this.nextVisitS = this.timeMs / 1000 - 60 * this.scene.visitMin * Math.log(1 - this.random());
  }
}
