import { clamp, normal, type Random } from '../units';

/** What a simulated fish does. A training model, not a claim about nature; equations in docs/science.md. */
export type QuarryState = 'pass' | 'approach' | 'inspect' | 'follow' | 'commit' | 'refuse' | 'leave';

/** Hidden temper of a fish. All 0–1. */
export interface Mood {
  activity: number;
  wariness: number;
  /** Motion of the jig it likes, as jigs go: 0 still, 1 lively. */
  likedMotion: number;
}

/** The jig as a fish perceives it. */
export interface JigSense {
  depthM: number;
  /** Upward speed averaged over a second, m/s. */
  riseMs: number;
  /** Liveliness 0–1, from the mean speed over two seconds. */
  motion: number;
  /** How much the liveliness has just changed, 0–1. */
  startle: number;
}

/** Rates of the model, per second unless said. */
export const quarryRates = {
  noticeReachM: 2.6,
  notice: 0.35,
  approachMs: 0.22,
  inspectReachM: 0.35,
  interest: 0.14,
  drawn: 0.3,
  startled: 0.9,
  takeAt: 1,
  refuseAt: 0,
  followLimitM: 1,
} as const;

/** One fish: place off the axis and depth, temper, and where it is in making up its mind. */
export class Quarry {
  state: QuarryState = 'pass';
  xM: number;
  yM: number;
  depthM: number;
  interest = 0;
  refusals = 0;
  private vx: number;
  private vy: number;
  private followedM = 0;
  private restS = 0;

  constructor(
    readonly id: number,
    readonly lengthCm: number,
    readonly mood: Mood,
    readonly homeDepthM: number,
    private readonly random: Random,
    place: { xM: number; yM: number; vx: number; vy: number },
  ) {
    this.xM = place.xM;
    this.yM = place.yM;
    this.vx = place.vx;
    this.vy = place.vy;
    this.depthM = homeDepthM + 0.1 * normal(random);
  }

  get offAxisM(): number {
    return Math.hypot(this.xM, this.yM);
  }

  /** Moves the fish on by `dt` seconds; returns true at the moment it takes the jig. */
  step(dt: number, jig: JigSense, bottomM: number): boolean {
    const before = this.state;
    if (before === 'pass') this.pass(dt, jig);
    else if (before === 'approach') this.approach(dt, jig);
    else if (before === 'inspect' || before === 'follow') this.weigh(dt, jig);
    else if (before === 'refuse') this.refuse(dt);
    else if (before === 'leave') this.swim(dt, 0.35, this.homeDepthM);
    this.depthM = clamp(this.depthM + 0.01 * Math.sqrt(dt) * normal(this.random), 0.6, bottomM - 0.08);
    return before !== 'commit' && this.state === 'commit';
  }

  private pass(dt: number, jig: JigSense): void {
    this.swim(dt, 0.12 + 0.15 * this.mood.activity, this.homeDepthM);
    const away = Math.hypot(this.offAxisM, this.depthM - jig.depthM);
    if (this.restS > 0) {
      this.restS -= dt;
      return;
    }
    const above = jig.depthM <= this.depthM + 0.1 ? 1 : 0.25;
    const rate = quarryRates.notice * this.mood.activity * (0.3 + jig.motion) * above;
    if (away < quarryRates.noticeReachM && this.random() < rate * dt) {
      this.state = 'approach';
      this.interest = 0.35 + 0.3 * this.mood.activity;
    }
  }

  private approach(dt: number, jig: JigSense): void {
    const speed = quarryRates.approachMs * (0.5 + this.mood.activity);
    this.vx = -this.xM * 0.3;
    this.vy = -this.yM * 0.3;
    this.xM += this.vx * dt;
    this.yM += this.vy * dt;
    const goal = jig.depthM + 0.25;
    this.depthM += clamp(goal - this.depthM, -speed * dt, speed * dt);
    this.judge(dt, jig, 0.3);
    if (this.interest <= quarryRates.refuseAt) this.turnAway();
    else if (Math.abs(goal - this.depthM) < 0.1 && this.offAxisM < quarryRates.inspectReachM) {
      this.state = 'inspect';
      this.followedM = 0;
    }
  }

  private weigh(dt: number, jig: JigSense): void {
    const drawn = jig.riseMs > 0.02 && jig.riseMs < 0.16;
    this.state = drawn ? 'follow' : 'inspect';
    if (drawn) this.followedM += jig.riseMs * dt;
    const goal = jig.depthM + 0.2;
    this.depthM += clamp(goal - this.depthM, -0.18 * dt, 0.18 * dt);
    this.judge(dt, jig, 1);
    if (drawn && this.followedM < quarryRates.followLimitM) this.interest += quarryRates.drawn * (0.3 + this.mood.activity) * dt;
    if (this.interest >= quarryRates.takeAt && Math.abs(goal - this.depthM) < 0.3) this.state = 'commit';
    else if (this.interest <= quarryRates.refuseAt || Math.abs(goal - this.depthM) > 1.2) this.turnAway();
  }

  /** Interest grows while the jig moves as this fish likes, and falls with what it does not and with every sudden change. */
  private judge(dt: number, jig: JigSense, weight: number): void {
    const mismatch = Math.abs(jig.motion - this.mood.likedMotion);
    const liking = 0.45 - mismatch;
    this.interest += weight * quarryRates.interest * (liking + 0.3 * (this.mood.activity - 0.5)) * dt;
    this.interest -= quarryRates.startled * this.mood.wariness * jig.startle * dt;
  }

  private turnAway(): void {
    this.refusals++;
    this.state = this.refusals >= 3 ? 'leave' : 'refuse';
    this.restS = 6 + 14 * this.random();
    const course = 2 * Math.PI * this.random();
    this.vx = Math.cos(course);
    this.vy = Math.sin(course);
  }

  private refuse(dt: number): void {
    this.depthM += clamp(this.homeDepthM - this.depthM, -0.15 * dt, 0.15 * dt);
    this.restS -= dt;
    if (this.restS <= 0) {
      this.state = 'pass';
      this.restS = 3;
    }
  }

  private swim(dt: number, speedMs: number, depthM: number): void {
    const course = Math.atan2(this.vy, this.vx) + 0.25 * Math.sqrt(dt) * normal(this.random);
    this.vx = Math.cos(course) * speedMs;
    this.vy = Math.sin(course) * speedMs;
    this.xM += this.vx * dt;
    this.yM += this.vy * dt;
    this.depthM += clamp(depthM - this.depthM, -0.08 * dt, 0.08 * dt);
  }
}
