import { normal } from '../units';
import { SimulatedFish, type Verdict } from './fish';
import { intensityOf, type JigSense, type RodMotion } from './jig';

/** Rates of the drift–diffusion model, per second unless said. */
export const driftRates = {
  notice: 0.22,
  /** What a wholly liked jig adds, and what mismatch takes. */
  liking: 0.07,
  mismatch: 0.55,
  drawn: 0.07,
  startled: 1.1,
  company: 0.03,
  doubt: 0.08,
  /** A jig that hangs before it loses its charm by this. */
  weary: 0.012,
  /** On its way it judges what called it this much less. */
  onItsWay: 0.25,
  /** The nearer it is, the quieter it wants the jig: down to this share of what drew it. */
  quietNear: 0.7,
} as const;

/** Drift–diffusion model: interest that drifts up and down with what the jig does; it takes at one, turns at nothing (a drift to two bounds). */
export class DriftFish extends SimulatedFish {
  private interest = 0;
  private weighedS = 0;

  protected begin(): void {
    this.interest = 0.3 + 0.2 * this.mood.activity * this.mood.hunger;
    this.weighedS = 0;
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return driftRates.notice * this.mood.activity * (0.25 + jig.motion) * (1 - 0.4 * Math.abs(jig.motion - this.mood.likedMotion));
  }

  private wanted(gapM: number, rivals: number): number {
    const near = 1 - Math.min(1, gapM / 1.2);
    const quiet = 1 - (1 - driftRates.quietNear) * near * (rivals > 1 ? 0.4 : 1);
    return this.mood.likedMotion * quiet;
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger, likedSizeMm } = this.mood;
    const isFollowing = this.isTempted;
    // A jig that is drawn away is judged less by its beat.
    const mismatch = (isFollowing ? 0.5 : 1) * Math.abs(jig.motion - this.wanted(gapM, rivals));
    const weight = this.state === 'approach' ? driftRates.onItsWay : 1;
    const size = 0.25 * Math.abs(Math.log(jig.sizeMm / likedSizeMm));
    let drift = driftRates.liking * (0.4 + activity * (0.5 + hunger)) - driftRates.mismatch * mismatch * (0.5 + 0.5 * wariness) - driftRates.liking * size;
    drift += driftRates.company * Math.min(3, rivals);
    if (isFollowing) drift += driftRates.drawn * (0.3 + activity);
    this.weighedS += dt;
    drift -= driftRates.weary * this.weighedS * 0.25;
    this.interest += weight * drift * dt + driftRates.doubt * Math.sqrt(dt) * normal(this.random) - driftRates.startled * wariness * jig.startle * dt;
    if (this.interest >= 1) return this.random() < 0.35 * wariness * (1 + size) ? 'nip' : 'take';
    if (this.interest <= 0) return wariness > 0.6 && jig.startle > 0.2 ? 'flee' : 'turn';
    return null;
  }

  likes(rod: RodMotion, gapM: number): number {
    return 1 - Math.abs(intensityOf(rod) - this.wanted(gapM, 0));
  }
}
