import { normal } from '@burrow/core/units';
import { SimulatedFish, type Verdict } from '@burrow/core/simulator';
import { intensityOf, type JigSense, type RodMotion } from '@burrow/core/simulator';

/** Rates of the arousal model, per second unless said. */
export const arousalRates = {
  notice: 0.2,
  /** How fast arousal follows what the jig does, and how it wavers. */
  follows: 0.22,
  wavers: 0.1,
  /** Within this band about one it takes; the keener, the sooner. */
  band: [0.84, 1.2],
  take: 0.05,
  /** A jig drawn away under its nose. */
  drawn: 0.04,
  company: 0.01,
  /** Under this it loses heart, over this it has had enough. */
  bored: 0.75,
  upset: 1.35,
  boredTurns: 0.14,
  upsetTurns: 0.25,
  turns: 0.025,
  onItsWay: 0.3,
  startled: 1,
} as const;

/** Arousal model: the jig works it up in proportion to what it likes; it takes when it is neither bored nor upset. */
export class ArousalFish extends SimulatedFish {
  private arousal = 0.8;

  protected begin(): void {
    this.arousal = 0.75 + 0.2 * this.mood.hunger;
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return arousalRates.notice * this.mood.activity * (0.35 + jig.motion);
  }

  /** Where arousal goes to: one when the jig is just as lively as it likes, by ratio; even a still one hangs there to be looked at. */
  private goal(motion: number): number {
    return Math.sqrt((motion + 0.2) / (0.85 * this.mood.likedMotion + 0.2));
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, _gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger } = this.mood;
    const rates = arousalRates;
    const pace = this.state === 'approach' ? rates.onItsWay : 1;
    const goal = this.isTempted ? 1 : this.goal(jig.motion);
    this.arousal += rates.follows * (goal - this.arousal) * dt + rates.wavers * Math.sqrt(dt) * normal(this.random) + 0.6 * wariness * jig.startle * dt;
    if (this.random() < rates.startled * wariness * jig.startle * dt) return 'flee';
    const isIn = this.arousal > rates.band[0] && this.arousal < rates.band[1];
    const takes = ((isIn ? rates.take : 0.008) * (0.4 + hunger) + (this.isTempted ? rates.drawn : 0) + rates.company * Math.min(3, rivals)) * (0.4 + activity);
    const turns = rates.turns + (this.arousal < rates.bored ? rates.boredTurns : 0) + (this.arousal > rates.upset ? rates.upsetTurns * (0.5 + wariness) : 0);
    if (this.random() < pace * takes * dt) return this.random() < 0.3 * wariness ? 'nip' : 'take';
    return this.random() < pace * turns * dt ? 'turn' : null;
  }

  likes(rod: RodMotion): number {
    return 1 - Math.min(1, Math.abs(Math.log(this.goal(intensityOf(rod)))));
  }
}
