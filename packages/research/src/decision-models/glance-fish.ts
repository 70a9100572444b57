import { SimulatedFish, type Verdict } from '@burrow/core/simulator';
import type { JigSense, RodMotion } from '@burrow/core/simulator';

/** Rates of the glance model; times in s. */
export const glanceRates = {
  notice: 0.2,
  /** Glances per second at the jig, and on the way to it. */
  perS: 0.8,
  onItsWay: 0.25,
  /** Votes for, and against, that decide; one more against where it is not wary. */
  yes: 5,
  no: 3,
  /** How far from its wish the share of stillness may be before a glance is as likely to count against as for. */
  off: 0.2,
  /** A glance at its best, and at its worst, counts for with these chances. */
  bestYes: 0.64,
  worstYes: 0.1,
  companyYes: 0.05,
  /** A jig that is drawn away is given at least this. */
  drawnYes: 0.6,
  /** How far back it goes by how the jig was, s. */
  overS: 5,
  startled: 1.2,
} as const;

/** Stillness that a rod settles at: the share of its round that it rests. */
function stillShare({ liftM, beatPerMin, pauseS, beats = 4 }: RodMotion): number {
  if (liftM === 0 || beatPerMin === 0) return 1;
  return pauseS / (pauseS + (60 * beats) / beatPerMin);
}

/** Glance model: it glances at the jig now and then, counts for and against, and judges by how much of the time the jig rests. */
export class GlanceFish extends SimulatedFish {
  private votes = 0;
  private restShare = 0.5;
  private wish = 1;

  protected begin(): void {
    this.votes = 0;
    // Who wants it lively lets it rest a third of the time, who wants it quiet nearly always.
    this.wish = 1 - 0.65 * this.mood.likedMotion;
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return glanceRates.notice * this.mood.activity * (0.4 + 0.9 * jig.motion);
  }

  private chance(share: number, rivals: number): number {
    const { bestYes, worstYes, off, companyYes } = glanceRates;
    const d = (share - this.wish) / off;
    return worstYes + (bestYes - worstYes) / (1 + d * d) + companyYes * Math.min(2, rivals);
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, _gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger } = this.mood;
    const rests = jig.stillS > 0 ? 1 : 0;
    this.restShare += (rests - this.restShare) * Math.min(1, dt / glanceRates.overS);
    if (this.random() < glanceRates.startled * wariness * jig.startle * dt) return wariness > 0.6 ? 'flee' : 'turn';
    const pace = glanceRates.perS * (this.state === 'approach' ? glanceRates.onItsWay : 1) * (0.6 + 0.8 * activity);
    if (this.random() >= pace * dt) return null;
    const yes = this.chance(this.restShare, rivals) - 0.15 * (wariness - 0.5) + 0.1 * (hunger - 0.6);
    if (this.random() < (this.isTempted ? Math.max(glanceRates.drawnYes, yes) : yes)) this.votes++;
    else this.votes--;
    if (this.votes >= glanceRates.yes) return this.random() < 0.3 * wariness ? 'nip' : 'take';
    return this.votes <= -(glanceRates.no - (wariness > 0.6 ? 1 : 0)) ? 'turn' : null;
  }

  likes(rod: RodMotion): number {
    return this.chance(stillShare(rod), 0);
  }
}
