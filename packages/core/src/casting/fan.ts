import { requireWithin } from '../units';
import { outAlong, type CastWater, type Spot } from './water';

/** What is cast for, and how. */
export interface CastSetting {
  /** Depths looked for, m of today's water. */
  band: { fromM: number; toM: number };
  /** As far as one casts, m. */
  castM: number;
  /** As far as a fish moves to the bait, m. */
  strikeM: number;
  /** What a square metre is worth at a place of the band; 1 where not said. */
  worth?: (x: number, y: number) => number;
  /** What it is worth outside the band, beside what holds fish whatever the depth; nothing where not said. */
  beyond?: (x: number, y: number) => number;
  /** Within this of the stance fish know of the angler, and water is worth a fifth, m; nothing where not said. */
  shyM?: number;
  /** What a second pass still counts of the first, 0–1: 0 counts each place once. */
  passLeft?: number;
}

/** A cast: its compass bearing, how far it flies, the share of its way in the band, and what it newly shows of all that can be reached, 0–1. */
export interface FanCast {
  bearingDeg: number;
  lengthM: number;
  inBandShare: number;
  gain: number;
}

/** Rings and bearings that the water about a stance is counted in. */
interface Detail {
  bearings: number;
  rings: number;
}

export const fine: Detail = { bearings: 720, rings: 80 };
export const coarse: Detail = { bearings: 180, rings: 28 };

/** What water close to the angler is still worth. Heuristic. */
const shyWorth = 0.2;

/** A cast shorter than this is none, m. */
const leastCastM = 2;

/**
 * The water about a stance in rings and bearings: what of it lies in the band and in a straight line over water, what casts have shown
 * of it, and what another would show. All casts of a fan leave from one place, so that what a cast shows at a distance d is an angle of
 * asin(strike radius / d) to both sides of it.
 */
export class Fan {
  private readonly bearings: number;
  private readonly rings: number;
  private readonly ringM: number;
  /** Worth by bearing and ring, and the share of it that was shown, or what chance is left of it. */
  private readonly worth: Float64Array;
  private readonly shown: Float64Array;
  private readonly clear: Float64Array;
  /** Half the angle shown at each ring, in bearings. */
  private readonly half: Float64Array;
  private readonly passLeft: number;
  /** All that can be reached. */
  readonly total: number;

  /** RangeError for a cast of less than 2 or more than 150 m, or a strike radius outside 0.05 to 5 m. */
  constructor(
    readonly water: CastWater,
    readonly from: Spot,
    readonly setting: CastSetting,
    detail: Detail = fine,
  ) {
    const { band, castM, strikeM, worth = () => 1, beyond = () => 0, shyM = 0, passLeft = 0 } = setting;
    requireWithin(castM, leastCastM, 150, 'cast', 'm');
    requireWithin(strikeM, 0.05, 5, 'strike radius', 'm');
    [this.bearings, this.rings, this.ringM, this.passLeft] = [detail.bearings, detail.rings, castM / detail.rings, passLeft];
    const { bearings, rings, ringM } = this;
    const step = (2 * Math.PI) / bearings;
    this.worth = new Float64Array(bearings * rings);
    this.shown = new Float64Array(bearings * rings);
    this.clear = new Float64Array(bearings);
    this.half = Float64Array.from({ length: rings }, (_, k) => Math.asin(Math.min(1, strikeM / ((k + 0.5) * ringM))) / step);
    let total = 0;
    for (let b = 0; b < bearings; b++) {
      const clearM = water.clearM(from, (360 * b) / bearings, castM, Math.min(1, ringM));
      this.clear[b] = clearM < leastCastM ? 0 : clearM;
      const [dx, dy] = [Math.sin(b * step), Math.cos(b * step)];
      for (let k = 0; k < rings && (k + 0.5) * ringM <= clearM; k++) {
        const d = (k + 0.5) * ringM;
        const [x, y] = [from.x + d * dx, from.y + d * dy];
        const depth = water.depth(x, y);
        if (Number.isNaN(depth)) continue;
        const isIn = depth >= band.fromM && depth <= band.toM;
        const w = (isIn ? worth(x, y) : beyond(x, y)) * (d < shyM ? shyWorth : 1) * d * ringM * step;
        this.worth[b * rings + k] = w;
        total += w;
      }
    }
    this.total = total;
  }

  private binOf = (bearingDeg: number) => (((Math.round((bearingDeg / 360) * this.bearings) % this.bearings) + this.bearings) % this.bearings) as number;

  /** How far a cast along a bearing flies, m; 0 where there is no water to cast into. */
  lengthM = (bearingDeg: number): number => this.clear[this.binOf(bearingDeg)];

  /** What a cast along a bearing would newly show of all that can be reached, 0–1; `keep` counts it as made. */
  show(bearingDeg: number, keep = false, lengthM = Infinity): number {
    const { bearings, rings, ringM, worth, shown, half, passLeft } = this;
    const b = this.binOf(bearingDeg);
    const last = Math.min(rings, Math.round(Math.min(this.clear[b], lengthM) / ringM));
    let gain = 0;
    for (let k = 0; k < last; k++) {
      const w = half[k];
      const reach = Math.ceil(w - 0.5);
      for (let m = -Math.max(0, reach); m <= reach; m++) {
        const cell = (((b + m + bearings) % bearings) * rings + k) | 0;
        if (worth[cell] === 0) continue;
        const part = m === 0 ? Math.min(1, 2 * w) : Math.min(1, w - Math.abs(m) + 0.5);
        if (passLeft === 0) {
          const anew = part - shown[cell];
          if (anew <= 0) continue;
          gain += worth[cell] * anew;
          if (keep) shown[cell] = part;
        } else {
          const left = 1 - shown[cell];
          gain += worth[cell] * left * part;
          if (keep) shown[cell] = 1 - left * (1 - part * (1 - passLeft));
        }
      }
    }
    return this.total > 0 ? gain / this.total : 0;
  }

  /** Another fan over the same water, with nothing shown. */
  fresh(): Fan {
    const copy = Object.create(Fan.prototype) as Fan;
    return Object.assign(copy, this, { shown: new Float64Array(this.shown.length) });
  }

  /** Share of all that can be reached that was shown, by what chance is left of it, 0–1. */
  shownShare(): number {
    let sum = 0;
    for (let cell = 0; cell < this.worth.length; cell++) sum += this.worth[cell] * this.shown[cell];
    return this.total > 0 ? sum / this.total : 0;
  }

  /** Share of a cast's way, from the stance to where it lands, that lies in the band, 0–1. */
  inBandShare(bearingDeg: number, lengthM = this.lengthM(bearingDeg)): number {
    if (lengthM <= 0) return 0;
    const { fromM, toM } = this.setting.band;
    const pieces = Math.max(8, Math.ceil(lengthM / 0.25));
    let inside = 0;
    for (let k = 0; k < pieces; k++) {
      const { x, y } = outAlong(this.from, bearingDeg, ((k + 0.5) / pieces) * lengthM);
      const depth = this.water.depth(x, y);
      if (depth >= fromM && depth <= toM) inside++;
    }
    return inside / pieces;
  }

  /** The casts that show most, one after another, each counted on what the others left (greedy); fewer where nothing is left. Gains never rise. */
  best(count: number): FanCast[] {
    const step = this.bearings / Math.min(this.bearings, 360);
    // What a cast would show only falls as others are made, so an old figure is a bound.
    const bounds = Array.from({ length: this.bearings / step }, (_, k) => ({ bearingDeg: (360 * k * step) / this.bearings, gain: Infinity }));
    for (const bound of bounds) bound.gain = this.show(bound.bearingDeg);
    const casts: FanCast[] = [];
    while (casts.length < count) {
      let top = bounds.reduce((a, b) => (b.gain > a.gain ? b : a));
      for (let isSettled = false; !isSettled;) {
        top.gain = this.show(top.bearingDeg);
        const next = bounds.reduce((a, b) => (b.gain > a.gain ? b : a));
        isSettled = next === top || next.gain <= top.gain;
        top = next.gain > top.gain ? next : top;
      }
      if (top.gain <= 1e-6) break;
      const { bearingDeg, gain } = top;
      this.show(bearingDeg, true);
      casts.push({ bearingDeg, lengthM: this.lengthM(bearingDeg), inBandShare: this.inBandShare(bearingDeg), gain });
    }
    return casts;
  }

  /** The bearing straight across the band, down its slope where one can cast there, and the share of such a cast that lies in it. */
  across(): { bearingDeg: number; inBandShare: number } {
    const [gx, gy] = this.slope();
    const down = ((Math.atan2(gx, gy) * 180) / Math.PI + 360) % 360;
    const isOpen = (deg: number) => this.lengthM(deg) >= 0.2 * this.setting.castM;
    const bearingDeg = isOpen(down) || !isOpen((down + 180) % 360) ? down : (down + 180) % 360;
    return { bearingDeg, inBandShare: this.inBandShare(bearingDeg) };
  }

  /** Downhill over what lies in the band, on average. */
  private slope(): [number, number] {
    const { bearings, rings, ringM, worth, water, from } = this;
    const span = Math.max(1, water.map.cellM);
    let [gx, gy] = [0, 0];
    for (let cell = 0; cell < worth.length; cell += 3) {
      if (worth[cell] === 0) continue;
      const { x, y } = outAlong(from, (360 * Math.floor(cell / rings)) / bearings, ((cell % rings) + 0.5) * ringM);
      const [ax, ay] = [water.depth(x + span, y) - water.depth(x - span, y), water.depth(x, y + span) - water.depth(x, y - span)];
      if (Number.isNaN(ax) || Number.isNaN(ay)) continue;
      gx += ax * worth[cell];
      gy += ay * worth[cell];
    }
    return [gx, gy];
  }
}
