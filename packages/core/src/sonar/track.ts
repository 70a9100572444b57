/** How a followed target is taken to move and be measured. Soft. */
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
  levelDb: number;
  widthM: number;
  rangeM: number;
  speedMs = 0;
  /** Pings since birth. */
  age = 1;
  private pRR: number;
  private pRV = 0;
  private pVV = 0.16;

  constructor(
    rangeM: number,
    levelDb: number,
    widthM: number,
    t: number,
    private readonly motion: Motion,
  ) {
    this.rangeM = rangeM;
    this.levelDb = levelDb;
    this.widthM = widthM;
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
  }

  /** Variance of the innovation, m². */
  get innovationVariance(): number {
    return this.pRR + this.motion.rangeSdM ** 2;
  }

  correct(rangeM: number, levelDb: number, widthM: number): void {
    const s = this.innovationVariance;
    const kR = this.pRR / s;
    const kV = this.pRV / s;
    const error = rangeM - this.rangeM;
    this.rangeM += kR * error;
    this.speedMs += kV * error;
    this.pVV -= kV * this.pRV;
    this.pRV *= 1 - kR;
    this.pRR *= 1 - kR;
    this.levelDb += 0.15 * (levelDb - this.levelDb);
    this.widthM += 0.2 * (widthM - this.widthM);
    this.hits++;
    this.misses = 0;
  }

  miss(): void {
    this.misses++;
    // A target that is not seen is not thought to race on.
    this.speedMs *= 0.9;
  }
}
