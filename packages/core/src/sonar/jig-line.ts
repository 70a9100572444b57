import { clamp } from '../units';
import type { EchoList } from './echoes';
import type { Track } from './track';
import { trackerLimits as limits } from './tracker-limits';

/**
 * What the line counter and the jig's own level tell of where the jig is, and what speaks against a target that has its name. A rod lifts a jig and lets it
 * down again; nothing hangs below its line; a fish in its echo makes it stronger, never weaker.
 */
export class JigLine {
  /** Range at which the line holds the jig once it has got there, m; null without a line counter. */
  atM: number | null = null;
  /** The jig's own level, dB; null before it was seen. */
  levelDb: number | null = null;
  private nowMs = 0;
  private arrivesMs = 0;
  private sent = { ms: 0, fromM: 0 };
  private awayPings = 0;

  /**
   * @param mergeM targets closer than this in range are one echo, m
   * @param blindM range within which nothing is seen, m
   */
  constructor(
    private readonly pingRateHz: number,
    private readonly mergeM: number,
    private readonly blindM: number,
  ) {}

  /** Another ping. @param jig what was taken for it at the last: while it goes slowly towards its line's depth it is on its way yet */
  tick(t: number, jig: Track | null): void {
    const { atM } = this;
    if (jig && atM !== null && this.isOnItsWay && jig.isSeen && Math.abs(atM - jig.rangeM) > this.mergeM / 2 && Math.sign(atM - jig.rangeM) * jig.speedMs > limits.drawnMs)
      this.arrivesMs = Math.max(this.arrivesMs, t + 1000 * limits.settleS);
    this.nowMs = t;
  }

  /** The line now holds the jig at another range. @param jigM where the jig is taken to be, m */
  expect(rangeM: number, jigM: number | null): void {
    const farM = this.atM === null ? 0 : Math.abs(rangeM - this.atM);
    if (farM > 0.01) {
      if (!this.isOnItsWay) this.sent = { ms: this.nowMs, fromM: jigM ?? this.atM ?? rangeM };
      this.arrivesMs = Math.max(this.arrivesMs, this.nowMs + 1000 * (limits.settleS + farM / limits.reelMs));
    }
    this.atM = rangeM;
  }

  /** Whether the jig may still be on its way to its line's depth. */
  get isOnItsWay(): boolean {
    return this.nowMs < this.arrivesMs;
  }

  /** Whether the line holds the jig so near under the transducer that its echo is not seen, or not whole. */
  get isHidden(): boolean {
    return this.atM !== null && !this.isOnItsWay && this.atM < this.blindM + this.mergeM;
  }

  /** Whether an echo is cut off by the blind zone: its level is not its target's. */
  isCut(rangeM: number): boolean {
    return rangeM < this.blindM + this.mergeM;
  }

  /** What it counts against a range to be the jig's that it lies off the line's depth. */
  astray(rangeM: number): number {
    if (this.atM === null) return 0;
    const below = rangeM - this.atM;
    const off = Math.max(0, below - 0.03, -below - limits.rodLiftM) / limits.jigAstrayM;
    return Math.min(this.isOnItsWay ? 1 : 16, off * off);
  }

  /** How unlike the jig a target is: by its level, where a fish at the line's depth may have made it stronger, and by where its line should hold it. */
  unlike(track: Track): number {
    let level = (track.levelDb - (this.levelDb ?? track.levelDb)) / limits.jigLevelSdDb;
    if (level > 0 && this.isAt(track.rangeM, 0.75 * this.mergeM)) level /= 2;
    return Math.min(16, level * level) + this.astray(track.rangeM);
  }

  /** Learns the jig's own level: while no fish is by that would teach it another, or from less than it was taken for at the line's depth. */
  learn(jig: Track, levelDb: number, hasCompany: boolean): void {
    if (this.isCut(jig.rangeM)) return;
    if (this.levelDb === null) this.levelDb = levelDb;
    else if (jig.levelDb < this.levelDb - 1 && this.isAt(jig.rangeM, this.mergeM / 2)) this.levelDb += 0.1 * (jig.levelDb - this.levelDb);
    else if (!hasCompany) this.levelDb += clamp(0.05 * (levelDb - this.levelDb), -0.03, 0.03);
  }

  /**
   * Whether what is taken for the jig is none: it stays off the line's depth, or did not go when the line was sent elsewhere, while something else is there or
   * the bottom hides it.
   * @param owner of each echo
   * @param bottomRangeM of the bottom's first return, null where there is none
   */
  contradicts(jig: Track, echoes: EchoList, owner: readonly (Track | null)[], bottomRangeM: number | null): boolean {
    const at = this.atM;
    if (at === null) return false;
    if (this.isOnItsWay) {
      this.awayPings = 0;
      return this.leftBehind(jig, at) && this.isAnotherAt(at, jig, echoes, owner);
    }
    const isAway = at - jig.rangeM > 1.3 * this.mergeM || jig.rangeM - at > limits.jigAstrayM;
    this.awayPings = isAway ? this.awayPings + 1 : 0;
    const awayS = this.awayPings / this.pingRateHz;
    if (awayS < limits.awayS) return awayS >= limits.belowS && jig.rangeM > at && this.isAnotherAt(at, jig, echoes, owner);
    if (bottomRangeM !== null && at > bottomRangeM - this.mergeM) return awayS > limits.awayLongS / 2;
    return this.isAnotherAt(at, jig, echoes, owner, awayS > limits.awayLongS ? Infinity : limits.fishOverJigDb);
  }

  /** The target that has hung at the line's depth for a second. */
  settled(tracks: readonly Track[]): Track | null {
    return tracks.find((track) => track.isSeen && track.hits >= this.pingRateHz && this.isAt(track.rangeM, this.mergeM / 2)) ?? null;
  }

  /** A target that did what only the jig does, while what is taken for the jig did not: left its place upward as a rod lifts, or came to the line's depth with the line. */
  reassigned(jig: Track, tracks: readonly Track[]): Track | null {
    return tracks.find((track) => jig.isSeen && track.isSeen && this.darted(track, jig)) ?? this.arrived(jig, tracks);
  }

  /** A target that came into sight where the line was sent from, and goes where the line goes faster than fish swim. */
  travelling(tracks: readonly Track[]): Track | null {
    const { atM } = this;
    if (atM === null || !this.isOnItsWay) return null;
    const { ms, fromM } = this.sent;
    const nearM = Math.max(limits.jigReachM, this.blindM + 2 * this.mergeM - fromM);
    const isGoing = (track: Track) =>
      track.isSeen &&
      track.hits >= 3 &&
      track.bornMs >= ms &&
      Math.abs(track.bornRangeM - fromM) < nearM &&
      Math.abs(track.speedMs) > limits.travelsMs &&
      (track.speedMs > 0 ? atM - track.rangeM : track.rangeM - atM) > -this.mergeM;
    return tracks.find(isGoing) ?? null;
  }

  /** Whether the jig can have got to a range by now. */
  canBeAt(rangeM: number): boolean {
    return !this.isOnItsWay || Math.abs(rangeM - this.sent.fromM) < limits.jigReachM + ((this.nowMs - this.sent.ms) / 1000) * limits.fallMs;
  }

  private isAt(rangeM: number, withinM: number): boolean {
    return this.atM !== null && Math.abs(rangeM - this.atM) < withinM;
  }

  private leftBehind(jig: Track, at: number): boolean {
    const { ms, fromM } = this.sent;
    return jig.isSeen && this.nowMs >= ms + 1000 * limits.leavesS && Math.abs(at - fromM) > 1.5 * this.mergeM && Math.sign(at - fromM) * (jig.rangeM - fromM) < limits.stirsM;
  }

  private isAnotherAt(at: number, jig: Track, echoes: EchoList, owner: readonly (Track | null)[], unlikeDb = Infinity): boolean {
    for (let e = 0; e < echoes.count; e++) {
      if (owner[e] === jig || Math.abs(echoes.rangeM[e] - at) > this.mergeM / 2) continue;
      if (unlikeDb === Infinity || (this.levelDb !== null && Math.abs(echoes.levelDb[e] - this.levelDb) < unlikeDb)) return true;
    }
    return false;
  }

  private arrived(jig: Track, tracks: readonly Track[]): Track | null {
    if (!this.isOnItsWay || Math.abs(jig.speedMs) > 0.1 || this.isAt(jig.rangeM, this.mergeM)) return null;
    return tracks.find((track) => track.isSeen && track.bornMs > this.sent.ms && track.hits >= limits.confirmHits && this.isAt(track.rangeM, this.mergeM / 2)) ?? null;
  }

  private darted(track: Track, jig: Track): boolean {
    const isYoung = track.age < this.pingRateHz;
    const above = jig.rangeM - track.rangeM;
    return (
      track.hits >= 3 &&
      track.speedMs < Math.min(0, jig.speedMs) - limits.dartMs &&
      (isYoung || track.lowM - track.rangeM > 1.5 * this.mergeM) &&
      Math.abs((isYoung ? track.bornRangeM : track.lowM) - jig.rangeM) < 2.5 * this.mergeM &&
      above > 0 &&
      above < 1.2 * limits.rodLiftM
    );
  }
}
