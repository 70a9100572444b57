import { normal, requireWithin, seededRandom, type Random } from '../units';
import { DriftFish } from './drift-fish';
import { SimulatedFish, type FishKind } from './fish';
import { SimulatedJig } from './jig';
import { moodOf, type Day } from './mood';
import { sceneOf, type Scene } from './scene';
import { School } from './school';

/** A fish took the jig; a nip lets go before anyone can strike. */
export interface Take {
  t: number;
  fishId: number;
  lengthMm: number;
  depthM: number;
  isNip: boolean;
}

/** Bottoms that the simulated flasher reaches, m. */
export const simulatedBottom = { leastM: 0.5, mostM: 60 } as const;
/** A fish that holds the jig lets go of it after this long, s. */
const holdS = 2.5;
/** Out of every fish's sight, m. */
const outM = -100;
/** At most so many fish about the hole. */
const crowd = 12;

/** Weak targets of a bait band. */
interface BaitFish {
  xM: number;
  depthM: number;
}

class SteadyFish extends SimulatedFish {
  private readonly firstDepthM = this.depthM;
  protected begin(): void {}
  protected weigh() {
    return null;
  }
  protected noticeRate(): number {
    return 0;
  }
  likes(): number {
    return 0;
  }
  override step(dt: number): null {
    this.depthM = this.firstDepthM + 0.98 * (this.depthM - this.firstDepthM) + 0.008 * Math.sqrt(10 * dt) * normal(this.random);
    return null;
  }
}

/** Fish and jig under one hole: seeded, and the same for the same calls. No echo is drawn here. */
export class SimulatedWater {
  readonly scene: Scene;
  readonly jig: SimulatedJig;
  readonly bottomM: number;
  readonly day: Day;
  fish: SimulatedFish[] = [];
  readonly bait: readonly BaitFish[];
  timeS = 0;
  private readonly random: Random;
  private readonly schools = new Set<School>();
  private readonly shiftM: number;
  private readonly Kind: FishKind;
  private nextVisitS: number;
  private lastId = 0;
  private isOut = false;
  private held: { fish: SimulatedFish; sinceS: number } | null = null;
  private baitClock = 0;

  /** Fish of the drift–diffusion model, where no other kind is given. Over another bottom than the scene's they keep their height above it. Throws RangeError for an unknown scene or a bottom out of range. */
  constructor(options: { seed: number; sceneId: string; bottomM?: number; Kind?: FishKind }) {
    this.scene = sceneOf(options.sceneId);
    this.random = seededRandom(options.seed);
    this.Kind = options.Kind ?? DriftFish;
    this.bottomM = requireWithin(options.bottomM ?? this.scene.bottomM, simulatedBottom.leastM, simulatedBottom.mostM, 'bottom', 'm');
    this.shiftM = this.bottomM - this.scene.bottomM;
    this.jig = new SimulatedJig(Math.max(0.3, this.scene.jigM + this.shiftM));
    this.day = this.scene.day(this.random);
    this.bait = this.makeBait();
    this.nextVisitS = 2 + 20 * this.random();
    if (this.scene.visitMin === 0) this.visit();
  }

  /** Lets the line out or takes it in, m below the surface (0.3 to the bottom), by hand at a speed, m/s, or as reel and fall go. */
  setJig(depthM: number, handMs: number | null = null): void {
    this.jig.handMs = handMs;
    this.jig.commandedM = Math.min(Math.max(0.3, depthM), this.bottomM - 0.05);
  }

  /** Takes the jig out of the water, with a fish on it or to be seen to: nothing sees it or takes it until it is put in again. */
  takeOut(): void {
    this.isOut = true;
    for (const fish of this.fish) fish.lose();
  }

  /** Puts the jig in again, under the ice. */
  putIn(): void {
    this.isOut = false;
  }

  /** Whether a fish holds the jig now. */
  get isHeld(): boolean {
    return this.held !== null;
  }

  /** The angler strikes: a fish that holds the jig is landed and gone, else null. */
  strike(): Take | null {
    if (!this.held) return null;
    const { fish } = this.held;
    this.fish = this.fish.filter((f) => f !== fish);
    this.letGo();
    return this.takeOf(fish, false);
  }

  /** Moves on by `dt` seconds; answers a take or a nip if one happened. */
  step(dt: number): Take | null {
    this.timeS += dt;
    this.jig.step(dt);
    for (const school of this.schools) {
      school.step(dt);
      if (school.isGone) this.schools.delete(school);
    }
    const take = this.moveFish(dt);
    this.drift(dt);
    if (this.scene.visitMin > 0 && this.timeS >= this.nextVisitS) this.visit();
    return take;
  }

  private moveFish(dt: number): Take | null {
    let take: Take | null = null;
    const sense = this.isOut ? { ...this.jig.sense(), depthM: outM } : this.jig.sense();
    let keen = 0;
    for (const fish of this.fish) if (fish.isKeen) keen++;
    for (const fish of this.fish) {
      const bite = fish.step(dt, sense, this.bottomM, fish.isKeen ? keen - 1 : keen);
      if (bite === 'nip') take ??= this.takeOf(fish, true);
      else if (bite === 'take') {
        if (this.held) fish.turnAway('refuse');
        else {
          this.held = { fish, sinceS: this.timeS };
          this.jig.heldM = this.jig.depthM;
          take = this.takeOf(fish, false);
        }
      }
    }
    if (this.held) {
      this.held.fish.depthM = this.jig.depthM + 0.05;
      if (this.timeS - this.held.sinceS > holdS) {
        this.held.fish.state = 'leave';
        this.letGo();
      }
    }
    if (this.fish.some((f) => f.offAxisM > 3.6 && (f.state === 'leave' || !this.schools.has(f.school))))
      this.fish = this.fish.filter((f) => f.offAxisM <= 3.6 || (f.state !== 'leave' && this.schools.has(f.school)));
    return take;
  }

  private letGo(): void {
    this.held = null;
    this.jig.heldM = null;
  }

  private takeOf(fish: SimulatedFish, isNip: boolean): Take {
    return { t: Math.round(this.timeS * 1000), fishId: fish.id, lengthMm: Math.round(fish.lengthCm * 10), depthM: this.jig.depthM, isNip };
  }

  private visit(): void {
    const { random, scene, day } = this;
    const home = (depthM: number) => Math.max(0.7, depthM + this.shiftM);
    const place = (school: School, fish: SimulatedFish) => {
      this.schools.add(school);
      this.fish.push(fish);
    };
    if (this.fish.length < crowd)
      scene.visit({
        random,
        school: (speedMs, stayS) => new School(random, speedMs, stayS),
        fish: (school, lengthCm, depthM) => place(school, new this.Kind(++this.lastId, lengthCm, moodOf(random, day), home(depthM), school, random)),
        steady: (lengthCm, depthM, offAxisM) => {
          const fish = new SteadyFish(++this.lastId, lengthCm, moodOf(random, day), home(depthM), new School(random, 0, 0), random);
          fish.xM = offAxisM;
          fish.yM = 0;
          place(fish.school, fish);
        },
      });
    const pace = scene.pace?.((this.timeS / 60) % 60) ?? 1;
    this.nextVisitS = this.timeS - (60 * scene.visitMin * Math.log(1 - random())) / pace;
  }

  private makeBait(): BaitFish[] {
    const { bait } = this.scene;
    if (!bait) return [];
    const top = Math.max(0.8, bait.topM + this.shiftM);
    return Array.from({ length: bait.count }, () => ({ xM: 0.9 * normal(this.random), depthM: top + bait.thickM * this.random() }));
  }

  private drift(dt: number): void {
    this.baitClock += dt;
    if (this.baitClock < 0.2) return;
    for (const fish of this.bait) fish.xM = 0.97 * fish.xM + 0.22 * normal(this.random);
    this.baitClock = 0;
  }
}
