import { clamp } from '../units';

/** Nothing under a hole swims or falls faster, m/s. */
const fastestMs = 1.6;
/** What goes up slower than this has gone up from where it is, m/s. */
const driftsMs = 0.15;

/** How a followed target is taken to move and be measured. Heuristic. */
export interface Motion {
  /** Standard deviation of its acceleration, m/s². */
  accelMs2: number;
  /** Standard deviation of one measured range, m. */
  rangeSdM: number;
}

/** A target followed by a constant-velocity Kalman filter over range. */
export class Track {
  id = 0;
  hits = 1;
  misses = 0;
  bornMs: number;
  readonly bornRangeM: number;
  levelDb: number;
  rangeM: number;
  speedMs = 0;
  /** Range at which it began to go up faster than anything drifts, m; else its own. */
  lowM: number;
  /** Pings since birth. */
  age = 1;
  /** Level of the last echo that was its own, dB. */
  lastLevelDb: number;
  /** Whether it has an echo of its own in this ping. */
  isSeen = false;
  /** Whose echo it is in when it has none of its own, and for how many pings on end. */
  sharesWith: Track | null = null;
  sharedPings = 0;
  private pRR: number;
  private pRV = 0;
  private pVV = 0.16;

  constructor(
    rangeM: number,
    levelDb: number,
    t: number,
    public motion: Motion,
  ) {
    this.rangeM = rangeM;
    this.bornRangeM = rangeM;
    this.lowM = rangeM;
    this.levelDb = levelDb;
    this.lastLevelDb = levelDb;
    this.bornMs = t;
    this.pRR = motion.rangeSdM ** 2;
  }

  /** Moves the estimate `dtS` seconds on. */
  predict(dtS: number): void {
    const q = this.motion.accelMs2 ** 2;
    this.rangeM += this.speedMs * dtS;
    this.pRR += 2 * dtS * this.pRV + dtS * dtS * this.pVV + (q * dtS ** 4) / 4;
    this.pRV += dtS * this.pVV + (q * dtS ** 3) / 2;
    this.pVV += q * dtS * dtS;
    this.age++;
    this.lowM = Math.max(this.rangeM, this.lowM - driftsMs * dtS);
  }

  /** Variance of the innovation, m². */
  get innovationVariance(): number {
    return this.pRR + this.motion.rangeSdM ** 2;
  }

  correct(rangeM: number, levelDb: number): void {
    const s = this.innovationVariance;
    const kR = this.pRR / s;
    const kV = this.pRV / s;
    const error = rangeM - this.rangeM;
    this.rangeM += kR * error;
    this.speedMs = clamp(this.speedMs + kV * error, -fastestMs, fastestMs);
    this.pVV -= kV * this.pRV;
    this.pRV *= 1 - kR;
    this.pRR *= 1 - kR;
    this.lastLevelDb = levelDb;
    this.sharedPings = 0;
    this.levelDb += 0.15 * (levelDb - this.levelDb);
    this.hits++;
    this.misses = 0;
  }

  /** In the echo of another for this ping: it goes along with it. */
  share(owner: Track): void {
    this.sharesWith = owner;
    this.sharedPings++;
    this.misses = 0;
    this.rangeM += 0.15 * (owner.rangeM - this.rangeM);
    this.speedMs += 0.15 * (owner.speedMs - this.speedMs);
    // What it does in there is anyone's guess.
    this.pRR = 0.004;
    this.pRV = 0;
    this.pVV = 0.04;
  }

  miss(): void {
    this.misses++;
    this.sharesWith = null;
    // A target that is not seen is not thought to race on.
    this.speedMs *= 0.9;
  }
}
