import { clamp } from '../units';
import type { EchoList } from './echoes';
import { Track } from './track';
import { trackerLimits } from './tracker-limits';

/** Follows many targets over range, and the jig among them, each ping's echoes shared out among all at once. */
export class Tracker {
  readonly tracks: Track[] = [];
  jig: Track | null = null;
  private jigExpectedM: number | null = null;
  /** Until then the jig may still be on its way to its line's depth. */
  private onItsWayUntilMs = 0;
  private jigLevelDb: number | null = null;
  private awayPings = 0;
  private nextId = 1;
  private readonly owner: (Track | null)[] = new Array<Track | null>(64).fill(null);
  private readonly shown: Track[] = [];
  private readonly pairs: { cost: number; track: Track; e: number }[] = [];
  private lastMs: number | null = null;
  private readonly gone: number;
  private readonly shared: number;

  /** @param mergeM targets closer than this in range are one echo, m */
  constructor(
    private readonly pingRateHz: number,
    private readonly mergeM: number,
  ) {
    this.gone = trackerLimits.goneS * pingRateHz;
    this.shared = trackerLimits.sharedS * pingRateHz;
  }

  /** Range at which the line holds the jig once it has got there, m. */
  expectJig(rangeM: number): void {
    const farM = this.jigExpectedM === null ? 0 : Math.abs(rangeM - this.jigExpectedM);
    if (farM > 0.01) this.onItsWayUntilMs = Math.max(this.onItsWayUntilMs, (this.lastMs ?? 0) + 1000 * (trackerLimits.settleS + farM / trackerLimits.reelMs));
    this.jigExpectedM = rangeM;
  }

  /** A number that no target has had. */
  newId(): number {
    return this.nextId++;
  }

  /** @param bottomRangeM of the bottom's first return, null where there is none */
  update(echoes: EchoList, t: number, bottomRangeM: number | null): void {
    const dt = this.lastMs === null ? 1 / this.pingRateHz : Math.min(1, Math.max(1e-3, (t - this.lastMs) / 1000));
    this.lastMs = t;
    this.owner.fill(null);
    for (const track of this.tracks) track.predict(dt);
    this.jig?.predict(dt);
    if (this.jig && this.jigExpectedM !== null && this.jig.misses > this.gone / 2 && Math.abs(this.jig.rangeM - this.jigExpectedM) > 2 * trackerLimits.jigReachM) this.jig = null;
    this.assign(echoes);
    if (this.jig) this.reconsiderJig(echoes, bottomRangeM);
    if (!this.jig) this.findJig(echoes, t);
    this.share(echoes);
    this.bury();
    for (let e = 0; e < echoes.count; e++) {
      if (!this.owner[e]) this.tracks.push(new Track(echoes.rangeM[e], echoes.levelDb[e], t, trackerLimits.fish));
    }
  }

  /**
   * Targets that count: seen often enough, and lately; of those too close to be told apart the one that has been followed longest;
   * one in the jig's echo, when that is stronger than a jig's.
   */
  confirmed(): readonly Track[] {
    const { shown } = this;
    shown.length = 0;
    for (const track of this.tracks) {
      if (track.id === 0 || track.misses > this.gone / 2) continue;
      if (track.sharesWith !== null && !this.isInJig(track)) continue;
      if (!shown.some((other) => Math.abs(other.rangeM - track.rangeM) < 0.9 * this.mergeM)) shown.push(track);
    }
    return shown;
  }

  /** Whether a target is in the jig's echo, which is stronger for it than a jig's. */
  private isInJig(track: Track): boolean {
    const { jig } = this;
    return jig !== null && track.sharesWith === jig && jig.levelDb > (this.jigLevelDb ?? jig.levelDb) + trackerLimits.fishOverJigDb;
  }

  /**
   * Range of the jig, m; where it cannot be told from a fish or the bottom at its line's depth, that depth; null where it is not seen.
   * @param bottomRangeM of the bottom's first return, null where there is none
   */
  jigRange(echoes: EchoList, bottomRangeM: number | null): number | null {
    const { jig } = this;
    const deepestM = bottomRangeM ?? Infinity;
    if (jig && (jig.isSeen || jig.sharesWith !== null)) return Math.min(jig.rangeM, deepestM);
    const at = this.jigExpectedM;
    const hasArrived = at !== null && this.lastMs! >= this.onItsWayUntilMs;
    if (hasArrived && at > deepestM - 1.5 * this.mergeM) return Math.min(at, deepestM);
    if (jig && jig.misses < this.gone) return Math.min(jig.rangeM, deepestM);
    if (hasArrived) for (let e = 0; e < echoes.count; e++) if (Math.abs(echoes.rangeM[e] - at) < this.mergeM) return at;
    return null;
  }

  /** Gated nearest neighbour over range and level, best pairs first; targets that count go before those that may yet be noise. */
  private assign(echoes: EchoList): void {
    const { pairs } = this;
    pairs.length = 0;
    for (const track of this.tracks) this.pairUp(track, echoes, trackerLimits.fishLevelSdDb, track.id === 0 ? 3 : track.sharesWith === null ? 0 : 6);
    if (this.jig) this.pairUp(this.jig, echoes, trackerLimits.jigLevelSdDb, 0);
    pairs.sort((a, b) => a.cost - b.cost);
    for (const track of this.tracks) track.isSeen = false;
    if (this.jig) this.jig.isSeen = false;
    for (const { track, e } of pairs) {
      if (this.owner[e] || track.isSeen) continue;
      this.take(track, echoes, e);
      if (track.id === 0 && track !== this.jig && track.hits >= trackerLimits.confirmHits && track.hits >= trackerLimits.confirmShare * track.age) track.id = this.newId();
    }
  }

  private pairUp(track: Track, echoes: EchoList, levelSdDb: number, handicap: number): void {
    const isJig = track === this.jig;
    const variance = isJig ? clamp(track.innovationVariance, 0.006, 0.03) : track.innovationVariance;
    const levelDb = isJig ? (this.jigLevelDb ?? track.levelDb) : track.levelDb;
    for (let e = 0; e < echoes.count; e++) {
      const off = echoes.rangeM[e] - track.rangeM;
      const distance = (off * off) / variance;
      if (distance >= trackerLimits.gate) continue;
      const level = (echoes.levelDb[e] - levelDb) / levelSdDb;
      this.pairs.push({ cost: distance + Math.min(9, level * level) + handicap + (isJig ? this.astray(echoes.rangeM[e]) : 0), track, e });
    }
  }

  /** What it counts against an echo to be the jig that it lies off the line's depth. */
  private astray(rangeM: number): number {
    if (this.jigExpectedM === null) return 0;
    const below = rangeM - this.jigExpectedM;
    const isOnItsWay = this.lastMs! < this.onItsWayUntilMs;
    const off = Math.max(0, below - 0.03, -below - trackerLimits.rodLiftM) / trackerLimits.jigAstrayM;
    return isOnItsWay ? Math.min(1, off * off) : Math.min(16, off * off);
  }

  private take(track: Track, echoes: EchoList, e: number): void {
    track.correct(echoes.rangeM[e], echoes.levelDb[e]);
    track.isSeen = true;
    track.sharesWith = null;
    this.owner[e] = track;
    if (track === this.jig) this.learnJig(echoes.levelDb[e]);
  }

  /** How unlike the jig a target is: by its level and by where its line should hold it. */
  private unlikeJig(track: Track): number {
    const level = (track.levelDb - (this.jigLevelDb ?? track.levelDb)) / trackerLimits.jigLevelSdDb;
    return Math.min(16, level * level) + this.astray(track.rangeM);
  }

  /** A fish may have gone off with the jig's name: it is given back to the target that is more like the jig. */
  private reconsiderJig(echoes: EchoList, bottomRangeM: number | null): void {
    const jig = this.jig!;
    const isElsewhere = this.staysAway(jig, echoes, bottomRangeM);
    const unlike = this.unlikeJig(jig);
    const darted = this.darted(jig);
    if (darted) this.jigLevelDb = darted.levelDb;
    else if (unlike < trackerLimits.doubtJig && !isElsewhere) return;
    let best: Track | null = darted ?? (isElsewhere ? this.atLine() : null);
    if (best && !darted) this.jigLevelDb = best.levelDb;
    for (const track of best ? [] : this.tracks) {
      if (!track.isSeen || (this.jigExpectedM !== null && Math.abs(track.rangeM - this.jigExpectedM) > 1.5 * trackerLimits.jigReachM)) continue;
      if (this.unlikeJig(track) < unlike - trackerLimits.doubtJig && (!best || this.unlikeJig(track) < this.unlikeJig(best))) best = track;
    }
    const isLost = isElsewhere || (this.jigExpectedM !== null && this.astray(jig.rangeM) >= 16);
    if (!best && !isLost) return;
    jig.motion = trackerLimits.fish;
    jig.id = best && best.id > 0 ? best.id : jig.isSeen && jig.hits > 10 ? this.newId() : 0;
    this.tracks.push(jig);
    if (best) {
      this.tracks.splice(this.tracks.indexOf(best), 1);
      best.motion = trackerLimits.jig;
      best.id = 0;
    }
    this.jig = best;
  }

  /** A rod's lifts end at the line's depth again, and nothing hangs below its line. What stays off it while something else is there, or the bottom hides it, is a fish. */
  private staysAway(jig: Track, echoes: EchoList, bottomRangeM: number | null): boolean {
    const at = this.jigExpectedM;
    if (at === null || this.lastMs! < this.onItsWayUntilMs || (at - jig.rangeM < 1.3 * this.mergeM && jig.rangeM - at < trackerLimits.jigAstrayM)) this.awayPings = 0;
    else this.awayPings++;
    const awayS = this.awayPings / this.pingRateHz;
    if (awayS < trackerLimits.awayS) return false;
    if (bottomRangeM !== null && at! > bottomRangeM - this.mergeM) return awayS > trackerLimits.awayLongS / 2;
    for (let e = 0; e < echoes.count; e++) {
      if (this.owner[e] === jig || Math.abs(echoes.rangeM[e] - at!) > this.mergeM / 2) continue;
      const isLikeJig = this.jigLevelDb !== null && Math.abs(echoes.levelDb[e] - this.jigLevelDb) < trackerLimits.fishOverJigDb;
      if (isLikeJig || awayS > trackerLimits.awayLongS) return true;
    }
    return false;
  }

  /** The target that hangs at the line's depth. */
  private atLine(): Track | null {
    return this.tracks.find((track) => track.isSeen && track.hits >= this.pingRateHz && Math.abs(track.rangeM - this.jigExpectedM!) < this.mergeM / 2) ?? null;
  }

  /** A young target that left the jig's place upward as only a rod lifts, while what is taken for the jig stayed. */
  private darted(jig: Track): Track | null {
    if (Math.abs(jig.speedMs) > 0.1 || !jig.isSeen) return null;
    for (const track of this.tracks) {
      const above = jig.rangeM - track.rangeM;
      if (
        track.isSeen &&
        track.age < this.pingRateHz &&
        track.hits >= 3 &&
        track.speedMs < -trackerLimits.dartMs &&
        Math.abs(track.bornRangeM - jig.rangeM) < 2.5 * this.mergeM &&
        above > 0 &&
        above < 1.2 * trackerLimits.rodLiftM
      )
        return track;
    }
    return null;
  }

  /** The jig's own level, learnt while no fish is by that would teach it another. */
  private learnJig(levelDb: number): void {
    const { jig } = this;
    if (this.jigLevelDb === null) this.jigLevelDb = levelDb;
    else if (!this.tracks.some((track) => track.id > 0 && track.misses <= this.gone && Math.abs(track.rangeM - jig!.rangeM) < 3 * this.mergeM))
      this.jigLevelDb += clamp(0.05 * (levelDb - this.jigLevelDb), -0.03, 0.03);
  }

  /** With a line counter: the echo that best fits its depth and the jig's level. Without one: the target that never fades. */
  private findJig(echoes: EchoList, t: number): void {
    if (this.jigExpectedM === null) {
      this.adoptJig();
      return;
    }
    const isOnItsWay = t < this.onItsWayUntilMs;
    let best = -1;
    let bestCost: number = trackerLimits.doubtJig;
    for (let e = 0; e < echoes.count; e++) {
      const off = Math.abs(echoes.rangeM[e] - this.jigExpectedM);
      if (off > (isOnItsWay ? trackerLimits.jigReachM : 2 * this.mergeM)) continue;
      const on = this.owner[e];
      // What has hung at the line's depth for long is the jig, whatever its level.
      const isSettled = on !== null && on.hits > 2 * this.pingRateHz && off < this.mergeM / 2;
      const level = this.jigLevelDb === null || isSettled ? 0 : (echoes.levelDb[e] - this.jigLevelDb) / trackerLimits.jigLevelSdDb;
      const cost = (off / trackerLimits.rodLiftM) ** 2 + this.astray(echoes.rangeM[e]) + Math.min(9, level * level);
      if (cost < bestCost) {
        bestCost = cost;
        best = e;
      }
    }
    if (best < 0) return;
    const on = this.owner[best];
    // A fish track already on the echo was the jig all along.
    if (on) this.tracks.splice(this.tracks.indexOf(on), 1);
    if (on && on.hits > 2 * this.pingRateHz) this.jigLevelDb = on.levelDb;
    this.jig = new Track(echoes.rangeM[best], echoes.levelDb[best], t, trackerLimits.jig);
    this.jig.isSeen = true;
    this.owner[best] = this.jig;
    this.learnJig(echoes.levelDb[best]);
  }

  /** Without a line counter the jig is the target that never fades: on a fixed line, on the axis, seen at every ping. */
  private adoptJig(): void {
    let best: Track | null = null;
    for (const track of this.tracks) {
      if (track.age > 6 * this.pingRateHz && track.hits > 0.95 * track.age && track.hits > (best?.hits ?? 0)) best = track;
    }
    if (!best) return;
    this.tracks.splice(this.tracks.indexOf(best), 1);
    this.jig = new Track(best.rangeM, best.levelDb, best.bornMs, trackerLimits.jig);
    this.jig.isSeen = true;
    this.jigLevelDb = best.levelDb;
    for (let e = 0; e < this.owner.length; e++) if (this.owner[e] === best) this.owner[e] = this.jig;
  }

  /** A target without an echo of its own that lies on another's is in it: two in one echo, not one gone. */
  private share(echoes: EchoList): void {
    for (const track of this.tracks) if (!track.isSeen) this.shareOrMiss(track, echoes, track.id > 0);
    if (this.jig && !this.jig.isSeen) this.shareOrMiss(this.jig, echoes, true);
  }

  private shareOrMiss(track: Track, echoes: EchoList, mayShare: boolean): void {
    if (mayShare && (track === this.jig || track.sharedPings < this.shared || this.isInJig(track))) {
      for (let e = 0; e < echoes.count; e++) {
        const owner = this.owner[e];
        if (!owner || owner === track || (owner.id === 0 && owner !== this.jig) || Math.abs(echoes.rangeM[e] - track.rangeM) > this.mergeM) continue;
        track.share(owner);
        return;
      }
    }
    track.miss();
  }

  private bury(): void {
    for (let i = this.tracks.length - 1; i >= 0; i--) {
      const track = this.tracks[i];
      if (track.misses > (track.id > 0 ? this.gone : 2)) this.tracks.splice(i, 1);
    }
    if (this.jig && this.jig.misses > 2 * this.gone) this.jig = null;
  }
}
