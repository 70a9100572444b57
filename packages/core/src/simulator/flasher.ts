import { targetStrength, type EchoHeader, type Ping } from '../sonar';
import { seededRandom, type Random } from '../units';
import { echoOf, firstBottomDepth, noiseAt, PingDrawing, simulatedHeader, type AcousticSetting, type SounderSetting, type Target } from './acoustics';
import type { FishKind, FishState } from './fish';
import type { RodMotion, SimulatedJig } from './jig';
import { SimulatedWater, type Take } from './water';

/** What was really there at a ping. Depths below the surface by true range, m. */
export interface Truth {
  t: number;
  bottomM: number;
  jigM: number;
  fish: { id: number; depthM: number; levelDb: number; noiseDb: number; state: FishState; rangeFromBottomM: number }[];
  /** Top and base of a bait band in the beam. */
  bait?: { topM: number; baseM: number };
}

/** A jig of about 4 mm of tungsten, and a fish of a bait band. */
const jigStrengthDb = -46;
const baitStrengthDb = -55;

export interface FlasherOptions {
  seed: number;
  sceneId: string;
  start: string;
  bottomM?: number;
  /** How its fish decide; by drift and diffusion where not said. */
  Kind?: FishKind;
  /** Settings of the sounder other than its own. */
  sounder?: SounderSetting;
  /** Speed of sound in the water itself, m/s, where the sounder is set wrong. */
  trueSoundSpeedMs?: number;
}

/**
 * A seeded, simulated flasher over a simulated water with fish that answer to the jig. Deterministic for a seed and the same calls.
 */
export class SimulatedFlasher {
  readonly header: EchoHeader;
  readonly water: SimulatedWater;
  private readonly drawing: PingDrawing;
  private readonly setting: AcousticSetting;
  private readonly random: Random;
  private readonly targets: Target[] = [];
  private readonly strength = new Map<number, number>();
  private pings = 0;

  /** Throws RangeError for an unknown scene or a bottom out of range. */
  constructor(options: FlasherOptions) {
    this.water = new SimulatedWater(options);
    this.random = seededRandom(options.seed ^ 0x5eed);
    this.header = simulatedHeader(options.start, this.water.bottomM, options.sounder);
    this.setting = {
      header: this.header,
      bottomM: this.water.bottomM,
      slopeDeg: this.water.scene.slopeDeg,
      noiseDb: -106,
      bottomDb: -14,
      trueSoundSpeedMs: options.trueSoundSpeedMs ?? this.header.soundSpeedMs,
    };
    this.drawing = new PingDrawing(this.setting);
  }

  get jig(): SimulatedJig {
    return this.water.jig;
  }

  /** Lets the line out or takes it in, m below the surface (0.3 to the bottom), by hand at a speed, m/s, or as reel and fall go. */
  setJig(depthM: number, handMs: number | null = null): void {
    this.water.setJig(depthM, handMs);
  }

  setRod(motion: RodMotion): void {
    this.jig.rod = motion;
  }

  /** The angler strikes: a fish that holds the jig is landed and gone, else null. */
  strike(): Take | null {
    return this.water.strike();
  }

  /** One ping further: the echo, what was really there, and a take if one happened. */
  next(): { ping: Ping; truth: Truth; take: Take | null } {
    const t = Math.round((this.pings * 1000) / this.header.pingRateHz);
    const take = this.water.step(1 / this.header.pingRateHz);
    const truth = this.truth(t);
    const ping = { t, a: this.drawing.draw(this.aim(), this.random) };
    this.pings++;
    return { ping, truth, take };
  }

  private aim(): readonly Target[] {
    const { targets, water } = this;
    targets.length = 0;
    targets.push({ offAxisM: 0.05, depthM: this.jig.depthM, strengthDb: jigStrengthDb });
    for (const fish of water.fish) targets.push({ offAxisM: fish.offAxisM, depthM: fish.depthM, strengthDb: this.strengthOf(fish) });
    for (const fish of water.bait) targets.push({ offAxisM: fish.xM, depthM: fish.depthM, strengthDb: baitStrengthDb });
    return targets;
  }

  private truth(t: number): Truth {
    const { setting, water } = this;
    const truth: Truth = { t, bottomM: firstBottomDepth(setting), jigM: this.jig.depthM, fish: [] };
    for (const fish of water.fish) {
      const { rangeM, levelDb } = echoOf(setting, { offAxisM: fish.offAxisM, depthM: fish.depthM, strengthDb: this.strengthOf(fish) });
      const depthM = rangeM + this.header.transducerM;
      truth.fish.push({ id: fish.id, depthM, levelDb, noiseDb: noiseAt(setting, rangeM), state: fish.state, rangeFromBottomM: truth.bottomM - depthM });
    }
    if (water.bait.length > 0) {
      const depths = water.bait.filter((b) => Math.abs(b.xM) < 0.8).map((b) => b.depthM);
      truth.bait = { topM: Math.min(...depths), baseM: Math.max(...depths) };
    }
    return truth;
  }

  private strengthOf(fish: { id: number; lengthCm: number }): number {
    let strength = this.strength.get(fish.id);
    if (strength === undefined) {
      strength = targetStrength(fish.lengthCm, this.header.freqKHz);
      this.strength.set(fish.id, strength);
    }
    return strength;
  }
}
