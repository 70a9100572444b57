import { normal, type Random } from '../units';

/** Where visits begin and end, m off the axis. */
export const visitEdgeM = 2.6;

/** Fish that came together: a centre that wanders past the hole, and goes. */
export class School {
  xM: number;
  yM: number;
  /** Fish of it, the caught ones too. */
  size = 0;
  private vx: number;
  private vy: number;
  private ageS = 0;

  /**
   * @param speedMs how fast it passes
   * @param stayS how long it holds about the hole before it goes on
   */
  constructor(
    private readonly random: Random,
    speedMs: number,
    private readonly stayS: number,
  ) {
    const course = 2 * Math.PI * random();
    const aim = course + Math.PI + 0.3 * normal(random);
    this.xM = visitEdgeM * Math.cos(course);
    this.yM = visitEdgeM * Math.sin(course);
    this.vx = speedMs * Math.cos(aim);
    this.vy = speedMs * Math.sin(aim);
  }

  get offAxisM(): number {
    return Math.hypot(this.xM, this.yM);
  }

  step(dt: number): void {
    this.ageS += dt;
    this.xM += this.vx * dt + 0.02 * Math.sqrt(dt) * normal(this.random);
    this.yM += this.vy * dt + 0.02 * Math.sqrt(dt) * normal(this.random);
    // While it stays it turns about near the hole; then it goes straight on.
    if (this.ageS < this.stayS && this.offAxisM > 1) {
      const turn = Math.atan2(-this.yM, -this.xM) + 0.6 * normal(this.random);
      const speed = Math.hypot(this.vx, this.vy);
      this.vx += (speed * Math.cos(turn) - this.vx) * Math.min(1, 0.5 * dt);
      this.vy += (speed * Math.sin(turn) - this.vy) * Math.min(1, 0.5 * dt);
    }
  }

  get isGone(): boolean {
    return this.ageS > this.stayS && this.offAxisM > visitEdgeM + 0.4;
  }
}
