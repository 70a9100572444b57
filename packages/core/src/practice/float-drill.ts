import { clamp, seededRandom } from '../units';

/** What a float does: bites, and what only looks like one. */
export type FloatSays = 'under' | 'lifts' | 'flat' | 'slides' | 'dips' | 'drifts' | 'waves';

/** One thing the float does in a drill. Times s since its beginning. */
export interface FloatSign {
  says: FloatSays;
  atS: number;
  lastsS: number;
}

/** What each is, for how long it shows, and what the hand does. Source: fieldcraft, float: fish that rise lay it flat, a slide is a bite; times heuristic. */
export const floatSigns: Readonly<Record<FloatSays, { isFish: boolean; lastsS: readonly [number, number]; name: string; why: string }>> = {
  under: { isFish: true, lastsS: [1.6, 2.4], name: 'Under', why: 'Gone under and it stays there: strike.' },
  lifts: { isFish: true, lastsS: [2, 3], name: 'Lifted', why: 'It stood higher: a fish came up with the bait and took the shot’s weight off it. Strike.' },
  flat: { isFish: true, lastsS: [2.4, 3.4], name: 'Fell flat', why: 'It stood and then fell flat: a fish rose with the bait. Take up the slack, strike.' },
  slides: { isFish: true, lastsS: [2.2, 3.2], name: 'Slid away', why: 'It went off sideways, against the tow: a fish has it. Strike.' },
  dips: { isFish: false, lastsS: [0.4, 0.7], name: 'A dip', why: 'One dip that came back at once: a nibble, or the shot settling. Wait for it.' },
  drifts: { isFish: false, lastsS: [4, 6], name: 'Drifted', why: 'It went with the tow, no faster than the water: nothing has it.' },
  waves: { isFish: false, lastsS: [3, 5], name: 'Waves', why: 'It rode up and down with the waves, all of it alike: nothing has it.' },
};

/** How a drill is judged. Heuristic. */
export const floatDrillLimits = {
  signs: 10,
  restS: [3.5, 7],
  /** Nobody strikes faster than this, s: a strike before it was not at what it showed. */
  reactS: 0.15,
  /** What a strike at nothing costs, points. */
  vain: 5,
} as const;

/** The float at an instant: how far the tip stands over the water against how it stands at rest (1 rest, 0 at the water, negative under), its lean, and how far it went, m. */
export interface FloatPose {
  tip: number;
  tiltDeg: number;
  alongM: number;
  says: FloatSays | null;
}

export type FloatVerdict = 'struck' | 'missed' | 'let be' | 'struck at nothing';

export interface FloatReview {
  rows: { sign: FloatSign; struckS: number | null; verdict: FloatVerdict }[];
  /** Strikes while the float stood. */
  vain: number;
  /** 0–100. */
  score: number;
  seconds: number;
}

/** What the float does through a drill: every kind at least once, in an order by the seed. */
export function floatSchedule(seed: number): FloatSign[] {
  const random = seededRandom(seed);
  for (let k = 0; k < 5; k++) random();
  const between = ([a, b]: readonly [number, number]) => a + (b - a) * random();
  const kinds = Object.keys(floatSigns) as FloatSays[];
  const order = [...kinds, ...Array.from({ length: floatDrillLimits.signs - kinds.length }, () => kinds[Math.floor(random() * kinds.length)])];
  for (let k = order.length - 1; k > 0; k--) {
    const j = Math.floor(random() * (k + 1));
    [order[k], order[j]] = [order[j], order[k]];
  }
  let atS = 0;
  return order.map((says) => {
    atS += between(floatDrillLimits.restS);
    const sign = { says, atS, lastsS: between(floatSigns[says].lastsS) };
    atS += sign.lastsS;
    return sign;
  });
}

/** A drill on a float: what it shows at each moment, the strikes, and what they were at. */
export class FloatDrill {
  readonly signs: readonly FloatSign[];
  private readonly struck = new Map<FloatSign, number>();
  private vain = 0;

  constructor(seed: number) {
    this.signs = floatSchedule(seed);
  }

  /** When all is over, s. */
  get endS(): number {
    const last = this.signs[this.signs.length - 1];
    return last.atS + last.lastsS + 2;
  }

  private signAt(tS: number): FloatSign | null {
    return this.signs.find((s) => tS >= s.atS && tS < s.atS + s.lastsS && !(this.struck.get(s)! <= tS)) ?? null;
  }

  pose(tS: number): FloatPose {
    const sign = this.signAt(tS);
    // A float is never quite still.
    const rest: FloatPose = { tip: 1 + 0.04 * Math.sin(1.7 * tS), tiltDeg: 2 * Math.sin(0.9 * tS), alongM: 0, says: null };
    if (!sign) return rest;
    const t = tS - sign.atS;
    const come = clamp(t / 0.35, 0, 1);
    const share = t / sign.lastsS;
    const poses: Record<FloatSays, Partial<FloatPose>> = {
      under: { tip: 1 - 1.9 * come },
      lifts: { tip: 1 + 0.9 * clamp(t / 0.8, 0, 1) },
      flat: { tip: 0.6, tiltDeg: 82 * clamp(t / 0.6, 0, 1) },
      slides: { alongM: -0.5 * t, tiltDeg: -14 * come, tip: 0.8 },
      dips: { tip: 1 - 0.9 * Math.sin(Math.PI * share) },
      drifts: { alongM: 0.08 * t },
      waves: { tip: 1 + 0.35 * Math.sin(4.2 * t) * Math.sin(Math.PI * share), tiltDeg: 8 * Math.sin(2.1 * t) },
    };
    return { ...rest, ...poses[sign.says], says: sign.says };
  }

  /** A strike: what it was at; null at a float that stood. */
  strike(tS: number): { says: FloatSays; isFish: boolean } | null {
    const sign = this.signAt(tS - floatDrillLimits.reactS) ?? null;
    if (!sign || this.struck.has(sign)) {
      this.vain++;
      return null;
    }
    this.struck.set(sign, tS);
    return { says: sign.says, isFish: floatSigns[sign.says].isFish };
  }

  /** How it went, up to an instant. */
  review(tS: number): FloatReview {
    const rows = this.signs
      .filter((s) => s.atS + s.lastsS <= tS || this.struck.has(s))
      .map((sign) => {
        const struckS = this.struck.get(sign) ?? null;
        const { isFish } = floatSigns[sign.says];
        const verdict: FloatVerdict = struckS === null ? (isFish ? 'missed' : 'let be') : isFish ? 'struck' : 'struck at nothing';
        return { sign, struckS, verdict };
      });
    const right = rows.filter((r) => r.verdict === 'struck' || r.verdict === 'let be').length;
    const score = rows.length === 0 ? 0 : clamp((100 * right) / rows.length - floatDrillLimits.vain * this.vain, 0, 100);
    return { rows, vain: this.vain, score: Math.round(score), seconds: Math.round(tS) };
  }
}
