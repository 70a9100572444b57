import { SimulatedFish, type Verdict } from '@burrow/core/simulator';
import type { JigSense, RodMotion } from '@burrow/core/simulator';

/** Rates of the hazard model, per second unless said. */
export const hazardRates = {
  notice: 0.2,
  take: 0.09,
  turn: 0.1,
  /** What a dart adds to turning away, times wariness. */
  startled: 1.4,
  /** A lift this many times too high or low is liked by a factor e^−½, as a logarithm. */
  liftSd: 0.6,
  /** It takes on the pause: a moving jig is taken this much less. */
  moving: 0.45,
  drawn: 1.5,
  stopped: 1.5,
  nearLift: 0.6,
  /** On its way it turns this much less. */
  onItsWay: 0.3,
} as const;

/** A still rod is to a fish like a lift of this, m. */
const stillLiftM = 0.004;

/** Hazard model, kept apart from tuning: no memory but of having followed; it takes and turns by chance at rates that depend on the lift and on pauses. */
export class HazardFish extends SimulatedFish {
  protected begin(): void {
    this.followedM = 0;
  }

  private fit(liftM: number, gapM: number): number {
    const wanted = this.mood.likedLiftM * (gapM < 0.8 ? hazardRates.nearLift : 1);
    const off = Math.log((liftM + stillLiftM) / (wanted + stillLiftM)) / hazardRates.liftSd;
    return Math.exp(-0.5 * off * off);
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return hazardRates.notice * this.mood.activity * (0.3 + 0.7 * Math.max(jig.motion, this.fit(jig.liftM, 2)));
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger, likedSizeMm } = this.mood;
    const fit = this.fit(jig.liftM, gapM);
    const turn = hazardRates.turn * (0.4 + wariness) * (1.6 - fit) * (rivals > 0 ? 0.7 : 1) + hazardRates.startled * wariness * jig.startle;
    const roll = this.random();
    if (roll < turn * (this.state === 'approach' ? hazardRates.onItsWay : 1) * dt) return jig.startle > 0.15 && this.random() < wariness ? 'flee' : 'turn';
    if (this.state === 'approach') return null;
    const isFollowing = this.isTempted;
    const hasFollowed = this.followedM > 0.15;
    const pace = isFollowing ? hazardRates.drawn : jig.stillS > 0.6 ? (hasFollowed ? hazardRates.stopped : 1) : hazardRates.moving;
    const size = Math.exp(-0.5 * (Math.log(jig.sizeMm / likedSizeMm) / 0.6) ** 2);
    const take = hazardRates.take * activity * (0.4 + hunger) * (isFollowing ? 0.25 + 0.75 * fit : 0.03 + 0.97 * fit) * pace * (1 + 0.3 * Math.min(3, rivals)) * (0.5 + 0.5 * size);
    if (roll > 1 - take * dt) return this.random() < 0.25 * wariness ? 'nip' : 'take';
    return null;
  }

  likes(rod: RodMotion, gapM: number): number {
    return this.fit(rod.liftM, gapM);
  }
}
