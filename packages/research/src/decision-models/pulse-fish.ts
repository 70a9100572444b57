import { normal } from '@burrow/core/units';
import { SimulatedFish, type Verdict } from '@burrow/core/simulator';
import { peakSpeedOf, type JigSense, type RodMotion } from '@burrow/core/simulator';

/** Rates of the pulse model, per second unless said. */
export const pulseRates = {
  notice: 0.2,
  /** Peak speeds that days like, m/s: log-linear from the quietest to the liveliest. */
  likedMs: [0.03, 0.7],
  /** Under this, m/s, speeds feel alike. */
  feltMs: 0.03,
  /** Half as much fit at this ratio of speeds, natural log. */
  width: 0.45,
  /** Trust gained from what fits wholly, and the fit that neither gains nor loses. */
  gains: 0.3,
  even: 0.45,
  company: 0.02,
  /** A jig that is drawn away fits at least this well. */
  drawnFit: 0.75,
  onItsWay: 0.2,
  wavers: 0.07,
  startled: 1,
} as const;

/** Pulse model: it feels how hard the jig darts, not how much or how far it moves, and gains or loses trust by it. */
export class PulseFish extends SimulatedFish {
  private trust = 0.5;

  protected begin(): void {
    this.trust = 0.35 + 0.25 * this.mood.hunger;
  }

  protected noticeRate(jig: Readonly<JigSense>): number {
    return pulseRates.notice * this.mood.activity * (0.4 + jig.motion);
  }

  private fit(speedMs: number): number {
    const { likedMs, feltMs, width } = pulseRates;
    const liked = likedMs[0] * (likedMs[1] / likedMs[0]) ** this.mood.likedMotion;
    return 1 / (1 + (Math.log((speedMs + feltMs) / (liked + feltMs)) / width) ** 2);
  }

  protected weigh(dt: number, jig: Readonly<JigSense>, _gapM: number, rivals: number): Verdict {
    const { activity, wariness, hunger } = this.mood;
    const rates = pulseRates;
    const fit = this.isTempted ? Math.max(rates.drawnFit, this.fit(jig.pulseMs)) : this.fit(jig.pulseMs);
    const pace = this.state === 'approach' ? rates.onItsWay : 1;
    const drift = rates.gains * (fit - rates.even) * (fit > rates.even ? 0.3 + activity * (0.4 + hunger) : 0.5 + wariness) + rates.company * Math.min(3, rivals);
    this.trust += pace * drift * dt + rates.wavers * Math.sqrt(pace * dt) * normal(this.random) - rates.startled * wariness * jig.startle * dt;
    if (this.trust >= 1) return this.random() < 0.3 * wariness ? 'nip' : 'take';
    if (this.trust > 0) return null;
    return wariness > 0.6 && jig.startle > 0.2 ? 'flee' : 'turn';
  }

  likes(rod: RodMotion): number {
    return this.fit(peakSpeedOf(rod));
  }
}
