import { SimulatedFish, type Verdict } from '@burrow/core/simulator';
import { intensityOf, type JigSense, type RodMotion } from '@burrow/core/simulator';

/** Rates of the verdict model, per second unless said. */
export const verdictRates = {
  notice: 0.2,
  /** How long a fish of middle temper looks, s; the warier the longer, the more active the shorter. */
  looksS: 9,
  onItsWay: 0.25,
  /** A jig drawn away, and each rival to three, make it decide sooner, by these factors. */
  drawnHaste: 2.5,
  rivalHaste: 0.2,
  /** A beat this far off in intensity is not liked at all. */
  reach: 0.36,
  /** Chance to take what was never liked, and what was liked throughout; more for each rival, to two. */
  chances: [0.06, 0.75],
  company: 0.05,
  /** What it looks at from further than this it does not take; so long past its time it turns, s. Metres. */
  takesFromM: 0.24,
  waitsS: 4,
  startled: 1.1,
} as const;

/** Verdict model: it looks for a while and then decides once, by how it liked the beat of the rod meanwhile, whatever the line does. */
export class VerdictFish extends SimulatedFish {
  private leftS = 0;
  private liked = { sum: 0, seconds: 0 };

  protected begin(): void {
    const { activity, wariness } = this.mood;
    const meanS = (verdictRates.looksS * (0.6 + 0.8 * wariness)) / (0.5 + activity);
    this.leftS = -0.5 * meanS * (Math.log(1 - this.random()) + Math.log(1 - this.random()));
    // It comes undecided, with a second's weight.
    this.liked = { sum: 0.5, seconds: 1 };
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return verdictRates.notice * this.mood.activity * (0.35 + jig.motion);
  }

  private fit(beat: number): number {
    return Math.max(0, 1 - Math.abs(beat - this.mood.likedMotion) / verdictRates.reach);
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger } = this.mood;
    const rates = verdictRates;
    const pace = this.state === 'approach' ? rates.onItsWay : 1;
    this.liked.sum += pace * dt * this.fit(jig.beat);
    this.liked.seconds += pace * dt;
    if (this.random() < rates.startled * wariness * jig.startle * dt) return 'flee';
    this.leftS -= pace * dt * (this.isTempted ? rates.drawnHaste : 1) * (1 + rates.rivalHaste * Math.min(3, rivals));
    if (this.leftS > 0 || (gapM > rates.takesFromM && this.leftS > -rates.waitsS)) return null;
    const [least, most] = rates.chances;
    const chance = (least + (most - least) * (this.liked.sum / this.liked.seconds)) * (0.6 + 0.4 * (activity + hunger)) + rates.company * Math.min(2, rivals);
    if (this.random() >= chance) return 'turn';
    return this.random() < 0.3 * wariness ? 'nip' : 'take';
  }

  likes(rod: RodMotion): number {
    return this.fit(intensityOf(rod));
  }
}
