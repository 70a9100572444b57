import { clamp, normal, type Random } from '../units';
import type { JigSense, RodMotion } from './jig';
import type { Mood } from './mood';
import type { School } from './school';

/** What a simulated fish does. */
export type FishState = 'pass' | 'notice' | 'approach' | 'inspect' | 'follow' | 'commit' | 'refuse' | 'flee' | 'leave';

/** What a fish makes of the jig in a moment. */
export type Verdict = 'take' | 'nip' | 'turn' | 'flee' | null;

/** How fish of any decision model notice and swim. Speeds in m/s, reaches in m. */
export const fishWays = {
  /** Upward it looks this far, and further for a lively jig; downward hardly. */
  lookUpM: 1,
  livelyReachM: 1.3,
  lookDownM: 0.35,
  lookAsideM: 3,
  approachMs: 0.16,
  fleeMs: 0.9,
  /** It hangs this far under the jig while it looks. */
  underM: 0.18,
  nearM: 0.45,
  /** It follows a jig drawn up this fast, and this far. */
  drawnMs: [0.02, 0.16],
  followM: 1,
  /** A jig drawn away tempts a fish that has looked at it for so long, s; before, it is but one more movement. */
  lookS: 3,
  /** Further than this from the jig it has lost it. */
  lostM: 1.3,
  patience: 3,
} as const;

/** One fish: its place, its temper, and how far it has decided. How it judges the jig is left to the decision model. */
export abstract class SimulatedFish {
  state: FishState = 'pass';
  xM: number;
  yM: number;
  depthM: number;
  refusals = 0;
  protected followedM = 0;
  private lookedS = 0;
  private restS = 0;
  private noticedS = 0;
  private readonly spot: { x: number; y: number };

  constructor(
    readonly id: number,
    readonly lengthCm: number,
    readonly mood: Mood,
    readonly homeDepthM: number,
    readonly school: School,
    protected readonly random: Random,
  ) {
    school.size++;
    this.spot = { x: 0.35 * normal(random), y: 0.35 * normal(random) };
    this.xM = school.xM + this.spot.x;
    this.yM = school.yM + this.spot.y;
    this.depthM = homeDepthM + 0.08 * normal(random);
  }

  get offAxisM(): number {
    return Math.hypot(this.xM, this.yM);
  }

  /** Whether it has the jig in mind. */
  get isKeen(): boolean {
    return this.state === 'notice' || this.state === 'approach' || this.state === 'inspect' || this.state === 'follow';
  }

  /** Whether it follows a jig that is drawn away, not yet too far. */
  protected get isTempted(): boolean {
    return this.state === 'follow' && this.lookedS > fishWays.lookS && this.followedM < fishWays.followM;
  }

  /** Starts to weigh a jig that it has noticed. */
  protected abstract begin(): void;
  /** Weighs the jig for `dt` seconds. `gapM`: how far off it is; `rivals`: others that are after it. */
  protected abstract weigh(dt: number, jig: Readonly<JigSense>, gapM: number, rivals: number): Verdict;
  /** How readily it notices a jig it could see, per second. */
  protected abstract noticeRate(jig: Readonly<JigSense>): number;
  /** How well it likes a rod's motion at a distance, 0–1: what only an oracle knows. */
  abstract likes(rod: RodMotion, gapM: number): number;

  /** Moves on by `dt` seconds; answers a take or a nip at the moment it happens. */
  step(dt: number, jig: Readonly<JigSense>, bottomM: number, rivals: number): 'take' | 'nip' | null {
    let bite: 'take' | 'nip' | null = null;
    if (this.state === 'pass') this.pass(dt, jig);
    else if (this.state === 'notice') this.turnTo(dt, jig);
    else if (this.state === 'approach' || this.state === 'inspect' || this.state === 'follow') bite = this.court(dt, jig, rivals);
    else if (this.state === 'refuse' || this.state === 'flee') this.recover(dt);
    else if (this.state === 'leave') this.swim(dt, 0.4);
    this.depthM = clamp(this.depthM + 0.012 * Math.sqrt(dt) * normal(this.random), 0.6, bottomM - 0.08);
    return bite;
  }

  private pass(dt: number, jig: Readonly<JigSense>): void {
    this.swim(dt, 0.25);
    if (this.restS > 0) this.restS -= dt;
    else if (this.couldSee(jig) && this.random() < this.noticeRate(jig) * dt) {
      this.state = 'notice';
      this.noticedS = 0.4 + 1.2 * this.random();
    }
  }

  private couldSee(jig: Readonly<JigSense>): boolean {
    const over = this.depthM - jig.depthM;
    const reach = over > 0 ? fishWays.lookUpM + fishWays.livelyReachM * jig.motion : fishWays.lookDownM;
    return Math.abs(over) < reach && this.offAxisM < fishWays.lookAsideM;
  }

  private turnTo(dt: number, jig: Readonly<JigSense>): void {
    this.swim(dt, 0.1);
    this.noticedS -= dt;
    if (this.noticedS > 0) return;
    this.state = this.couldSee(jig) ? 'approach' : 'pass';
    this.followedM = 0;
    this.lookedS = 0;
    this.begin();
  }

  private court(dt: number, jig: Readonly<JigSense>, rivals: number): 'take' | 'nip' | null {
    const isDrawn = jig.riseMs > fishWays.drawnMs[0] && jig.riseMs < fishWays.drawnMs[1];
    const goal = jig.depthM + fishWays.underM;
    const gap = Math.hypot(this.offAxisM, this.depthM - goal);
    const speed = fishWays.approachMs * (0.5 + this.mood.activity) * (1 + 0.25 * rivals);
    const ease = Math.min(1, 0.35 * dt);
    this.xM -= this.xM * ease;
    this.yM -= this.yM * ease;
    this.depthM += clamp(goal - this.depthM, -speed * dt, speed * dt);
    if (gap > fishWays.nearM) this.state = 'approach';
    else {
      this.state = isDrawn ? 'follow' : 'inspect';
      this.lookedS += dt;
      if (this.isTempted) this.followedM += jig.riseMs * dt;
    }
    const onHead = jig.riseMs < -0.25 && this.depthM > jig.depthM && gap < 1;
    const verdict =
      gap > fishWays.lostM && this.state !== 'approach' ? 'turn' : onHead && this.random() < 0.8 * dt * this.mood.wariness * 2 ? 'flee' : this.weigh(dt, jig, gap, rivals);
    if ((verdict === 'take' || verdict === 'nip') && Math.abs(goal - this.depthM) < 0.25) {
      if (verdict === 'nip') this.turnAway('refuse');
      else this.state = 'commit';
      return verdict;
    }
    if (verdict === 'turn' || verdict === 'flee') this.turnAway(verdict === 'turn' ? 'refuse' : 'flee');
    return null;
  }

  /** The jig it had in mind is gone, through no fault of its own. */
  lose(): void {
    if (!this.isKeen) return;
    this.state = 'pass';
    this.restS = 1 + 3 * this.random();
  }

  /** Lets go of the jig, or never closes on it. */
  turnAway(how: 'refuse' | 'flee'): void {
    this.refusals++;
    this.state = this.refusals >= fishWays.patience ? 'leave' : how;
    this.restS = how === 'flee' ? 12 + 20 * this.random() : 6 + 14 * this.random();
  }

  private recover(dt: number): void {
    const speed = this.state === 'flee' && this.restS > 11 ? fishWays.fleeMs : 0.12;
    this.depthM += clamp(this.homeDepthM + (this.state === 'flee' ? 0.6 : 0) - this.depthM, -speed * dt, speed * dt);
    this.swim(dt, 0.15);
    this.restS -= dt;
    if (this.restS > 0) return;
    this.state = 'pass';
    this.restS = 2;
  }

  /** Keeps its place in the school, or makes off. */
  private swim(dt: number, exploitationExponent: number): void {
    const ease = Math.min(1, exploitationExponent * dt);
    if (this.state === 'leave') {
      const out = Math.max(0.1, this.offAxisM);
      this.xM += (this.xM / out) * 0.3 * dt;
      this.yM += (this.yM / out) * 0.3 * dt;
    } else {
      this.xM += (this.school.xM + this.spot.x - this.xM) * ease + 0.05 * Math.sqrt(dt) * normal(this.random);
      this.yM += (this.school.yM + this.spot.y - this.yM) * ease + 0.05 * Math.sqrt(dt) * normal(this.random);
    }
    if (this.state === 'pass' || this.state === 'leave') this.depthM += clamp(this.homeDepthM - this.depthM, -0.08 * dt, 0.08 * dt);
  }
}

/** A decision model: how its fish are made. */
export type FishKind = new (id: number, lengthCm: number, mood: Mood, homeDepthM: number, school: School, random: Random) => SimulatedFish;
