import { clamp } from '../units';
import type { EchoList } from './echoes';
import { JigLine } from './jig-line';
import { Track } from './track';
import { trackerLimits } from './tracker-limits';

/** Follows many targets over range, and the jig among them, each ping's echoes shared out among all at once. */
export class Tracker {
  readonly tracks: Track[] = [];
  jig: Track | null = null;
  private readonly line: JigLine;
  private nextId = 1;
  private readonly owner: (Track | null)[] = new Array<Track | null>(64).fill(null);
  private readonly shown: Track[] = [];
  private readonly pairs: { cost: number; track: Track; e: number }[] = [];
  private lastMs: number | null = null;
  private readonly gone: number;
  private readonly lost: number;
  private readonly shared: number;
  private readonly confirmHits: number;

  /**
   * @param mergeM targets closer than this in range are one echo, m
   * @param blindM range within which nothing is seen, m
   */
  constructor(
    private readonly pingRateHz: number,
    private readonly mergeM: number,
    blindM: number,
  ) {
    this.gone = trackerLimits.goneS * pingRateHz;
    this.lost = trackerLimits.lostS * pingRateHz;
    this.shared = trackerLimits.sharedS * pingRateHz;
    this.confirmHits = pingRateHz < trackerLimits.slowHz ? trackerLimits.slowHits : trackerLimits.confirmHits;
    this.line = new JigLine(pingRateHz, mergeM, blindM);
  }

  /** Range at which the line holds the jig once it has got there, m. */
  expectJig(rangeM: number): void {
    this.line.expect(rangeM, this.jig?.rangeM ?? null);
  }

  /** A number that no target has had. */
  newId(): number {
    return this.nextId++;
  }

  /** @param bottomRangeM of the bottom's first return, null where there is none */
  update(echoes: EchoList, t: number, bottomRangeM: number | null): void {
    const dt = this.lastMs === null ? 1 / this.pingRateHz : Math.min(1, Math.max(1e-3, (t - this.lastMs) / 1000));
    this.lastMs = t;
    this.line.tick(t, this.jig);
    this.owner.fill(null);
    for (const track of this.tracks) track.predict(dt);
    this.jig?.predict(dt);
    const { atM } = this.line;
    if (this.jig && atM !== null && this.jig.misses > this.gone / 2 && Math.abs(this.jig.rangeM - atM) > 2 * trackerLimits.jigReachM) this.jig = null;
    if (this.line.isHidden) this.jig = null;
    this.assign(echoes);
    if (this.jig) this.reconsiderJig(echoes, bottomRangeM);
    if (!this.jig || (this.jig.misses > this.lost && this.jig.sharesWith === null)) this.findJig(echoes, t);
    this.share(echoes);
    this.prune();
    for (let e = 0; e < echoes.count; e++) {
      // What is cut off by the blind zone may be anything: the jig that hangs there, or what rings on.
      if (!this.owner[e] && !this.line.isCut(echoes.rangeM[e])) this.tracks.push(new Track(echoes.rangeM[e], echoes.levelDb[e], t, trackerLimits.fish));
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
    return jig !== null && track.sharesWith === jig && jig.levelDb > (this.line.levelDb ?? jig.levelDb) + trackerLimits.fishOverJigDb;
  }

  /**
   * Range of the jig, m; where it cannot be told from a fish or the bottom at its line's depth, that depth; null where it is not seen.
   * @param bottomRangeM of the bottom's first return, null where there is none
   */
  jigRange(echoes: EchoList, bottomRangeM: number | null): number | null {
    const { jig } = this;
    const deepestM = bottomRangeM ?? Infinity;
    if (jig && (jig.isSeen || jig.sharesWith !== null)) return Math.min(jig.rangeM, deepestM);
    const at = this.line.atM;
    const hasArrived = at !== null && !this.line.isOnItsWay;
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
      if (track.id === 0 && track !== this.jig && track.hits >= this.confirmHits && track.hits >= trackerLimits.confirmShare * track.age) track.id = this.newId();
    }
  }

  private pairUp(track: Track, echoes: EchoList, levelSdDb: number, handicap: number): void {
    const isJig = track === this.jig;
    const variance = isJig ? clamp(track.innovationVariance, 0.006, 0.03) : track.innovationVariance;
    const levelDb = isJig ? (this.line.levelDb ?? track.levelDb) : track.levelDb;
    for (let e = 0; e < echoes.count; e++) {
      const off = echoes.rangeM[e] - track.rangeM;
      const distance = (off * off) / variance;
      if (distance >= trackerLimits.gate) continue;
      const level = (echoes.levelDb[e] - levelDb) / levelSdDb;
      this.pairs.push({ cost: distance + Math.min(9, level * level) + handicap + (isJig ? this.line.astray(echoes.rangeM[e]) : 0), track, e });
    }
  }

  private take(track: Track, echoes: EchoList, e: number): void {
    track.correct(echoes.rangeM[e], echoes.levelDb[e]);
    track.isSeen = true;
    track.sharesWith = null;
    this.owner[e] = track;
    if (track === this.jig) this.learnJig(echoes.levelDb[e]);
  }

  /** A fish may have gone off with the jig's name: it is given back to the target that is more like the jig. */
  private reconsiderJig(echoes: EchoList, bottomRangeM: number | null): void {
    const jig = this.jig!;
    const { line } = this;
    const isElsewhere = line.contradicts(jig, echoes, this.owner, bottomRangeM);
    const unlike = line.unlike(jig);
    let best = line.reassigned(jig, this.tracks);
    if (!best && unlike < trackerLimits.doubtJig && !isElsewhere) return;
    if (!best && isElsewhere) best = line.settled(this.tracks);
    if (best) line.levelDb = best.levelDb;
    for (const track of best ? [] : this.tracks) {
      if (!track.isSeen || (line.atM !== null && Math.abs(track.rangeM - line.atM) > 1.5 * trackerLimits.jigReachM)) continue;
      if (line.unlike(track) < unlike - trackerLimits.doubtJig && (!best || line.unlike(track) < line.unlike(best))) best = track;
    }
    if (!best && !isElsewhere && line.astray(jig.rangeM) < 16) return;
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

  private learnJig(levelDb: number): void {
    const jig = this.jig!;
    this.line.learn(
      jig,
      levelDb,
      this.tracks.some((track) => track.id > 0 && track.misses <= this.gone && Math.abs(track.rangeM - jig.rangeM) < 3 * this.mergeM),
    );
  }

  /** With a line counter: the echo that best fits its depth and the jig's level. Without one: the target that never fades. */
  private findJig(echoes: EchoList, t: number): void {
    if (this.line.isHidden) return;
    if (this.line.atM === null) {
      if (!this.jig) this.adoptJig();
      return;
    }
    const travelling = this.line.travelling(this.tracks);
    if (travelling) {
      this.tracks.splice(this.tracks.indexOf(travelling), 1);
      travelling.motion = trackerLimits.jig;
      travelling.id = 0;
      this.jig = travelling;
      return;
    }
    const { isOnItsWay } = this.line;
    let best = -1;
    let bestCost: number = trackerLimits.doubtJig;
    for (let e = 0; e < echoes.count; e++) {
      const off = Math.abs(echoes.rangeM[e] - this.line.atM);
      if (off > (isOnItsWay ? trackerLimits.jigReachM : 2 * this.mergeM) || !this.line.canBeAt(echoes.rangeM[e])) continue;
      const on = this.owner[e];
      // What has hung at the line's depth for long is the jig, whatever its level.
      const isSettled = on !== null && on.hits > 2 * this.pingRateHz && off < this.mergeM / 2;
      const level = this.line.levelDb === null || isSettled ? 0 : (echoes.levelDb[e] - this.line.levelDb) / trackerLimits.jigLevelSdDb;
      // Where a line that has come to rest should hold it, another level is no reason to take nothing for the jig.
      const most = !isOnItsWay && off < this.mergeM / 2 ? trackerLimits.doubtJig / 2 : 9;
      const cost = (off / trackerLimits.rodLiftM) ** 2 + this.line.astray(echoes.rangeM[e]) + Math.min(most, level * level);
      if (cost < bestCost) {
        bestCost = cost;
        best = e;
      }
    }
    if (best < 0) return;
    const on = this.owner[best];
    // A fish track already on the echo was the jig all along.
    if (on) this.tracks.splice(this.tracks.indexOf(on), 1);
    if (on && on.hits > 2 * this.pingRateHz) this.line.levelDb = on.levelDb;
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
    this.line.levelDb = best.levelDb;
    for (let e = 0; e < this.owner.length; e++) if (this.owner[e] === best) this.owner[e] = this.jig;
  }

  /** A target without an echo of its own that lies on another's is in it: two in one echo, not one gone. */
  private share(echoes: EchoList): void {
    const { atM } = this.line;
    for (const track of this.tracks) if (!track.isSeen) this.shareOrMiss(track, echoes, track.id > 0);
    if (this.jig && !this.jig.isSeen) this.shareOrMiss(this.jig, echoes, true);
    this.inherit();
    if (this.jig && !this.jig.isSeen && atM !== null && !this.line.isOnItsWay && this.jig.rangeM > atM + 0.03) {
      // Who goes off downward from a shared echo is not the jig.
      this.jig.rangeM = atM;
      this.jig.speedMs = 0;
    }
  }

  /** A jig that has no echo of its own for long, while a target hangs at the line's depth whose echo it is taken to be in: that target was the jig all along. */
  private inherit(): void {
    const { jig } = this;
    if (!jig || jig.sharedPings < this.shared || this.line.isOnItsWay) return;
    const successor = this.line.settled(this.tracks);
    if (!successor || successor !== jig.sharesWith) return;
    this.tracks.splice(this.tracks.indexOf(successor), 1);
    successor.motion = trackerLimits.jig;
    successor.id = 0;
    this.line.levelDb = successor.levelDb;
    this.jig = successor;
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

  private prune(): void {
    for (let i = this.tracks.length - 1; i >= 0; i--) {
      const track = this.tracks[i];
      if (track.misses > (track.id > 0 ? this.gone : 2) || this.line.isCut(track.rangeM)) this.tracks.splice(i, 1);
    }
    if (this.jig && this.jig.misses > 2 * this.gone) this.jig = null;
  }
}
