import type { EchoList } from './echoes';
import { Track, type Motion } from './track';

/** Births, deaths and gates of the followed fish. Soft. */
export const trackerLimits = {
  fish: { accelMs2: 0.5, rangeSdM: 0.025 } satisfies Motion,
  jig: { accelMs2: 3, rangeSdM: 0.02 } satisfies Motion,
  /** Hits wanted before a target counts, and its least share of hits until then. */
  confirmHits: 4,
  confirmShare: 0.6,
  /** A target not seen for this long is gone, s. */
  goneS: 1,
  /** Square of the gate in standard deviations. */
  gate: 12,
  /** A jig is looked for within this of its line's depth, m. */
  jigReachM: 0.5,
  /** How far from its line's depth the jig may seem before that counts as much as the whole reach, m. */
  jigAstrayM: 0.12,
} as const;

/** Follows many targets over range, and the jig among them. */
export class Tracker {
  readonly tracks: Track[] = [];
  jig: Track | null = null;
  /** Range at which the line should hold the jig, m; null where nothing tells. */
  jigExpectedM: number | null = null;
  private nextId = 1;
  private readonly taken = new Uint8Array(64);
  private lastMs: number | null = null;
  private readonly gone: number;

  constructor(private readonly pingRateHz: number) {
    this.gone = trackerLimits.goneS * pingRateHz;
  }

  update(echoes: EchoList, t: number): void {
    const dt = this.lastMs === null ? 1 / this.pingRateHz : Math.min(1, Math.max(1e-3, (t - this.lastMs) / 1000));
    this.lastMs = t;
    this.taken.fill(0);
    this.followJig(echoes, t, dt);
    for (const track of this.tracks) track.predict(dt);
    this.assign(echoes);
    this.bury();
    for (let e = 0; e < echoes.count; e++) {
      if (!this.taken[e]) this.tracks.push(new Track(echoes.rangeM[e], echoes.levelDb[e], echoes.widthM[e], t, trackerLimits.fish));
    }
  }

  /** Targets that count: seen often enough, and lately. */
  *confirmed(): Generator<Track> {
    for (const track of this.tracks) if (track.id > 0 && track.misses <= this.gone / 2) yield track;
  }

  private followJig(echoes: EchoList, t: number, dt: number): void {
    this.jig?.predict(dt);
    if (this.jig && this.jigExpectedM !== null && Math.abs(this.jig.rangeM - this.jigExpectedM) > 2 * trackerLimits.jigReachM) this.jig = null;
    const centre = this.jig ? this.jig.rangeM : this.jigExpectedM;
    if (centre === null) {
      this.adoptJig();
      return;
    }
    const reach = this.jig ? Math.min(trackerLimits.jigReachM, 0.12 + Math.sqrt(this.jig.innovationVariance)) : trackerLimits.jigReachM;
    let best = -1;
    let bestCost = Infinity;
    for (let e = 0; e < echoes.count; e++) {
      const off = Math.abs(echoes.rangeM[e] - centre);
      if (off > reach) continue;
      // A fish may come between: the line counter keeps the jig from going off with it.
      const astray = this.jigExpectedM === null ? 0 : Math.abs(echoes.rangeM[e] - this.jigExpectedM) / trackerLimits.jigAstrayM;
      const cost = off / reach + astray + (this.jig ? Math.abs(echoes.levelDb[e] - this.jig.levelDb) / 8 : 0);
      if (cost < bestCost) {
        bestCost = cost;
        best = e;
      }
    }
    if (best < 0) {
      if (this.jig) {
        this.jig.miss();
        if (this.jig.misses > 2 * this.gone) this.jig = null;
      }
      return;
    }
    this.taken[best] = 1;
    if (this.jig) this.jig.correct(echoes.rangeM[best], echoes.levelDb[best], echoes.widthM[best]);
    else this.jig = this.claim(echoes, best, t);
  }

  /** A fish track already on the echo was the jig all along. */
  private claim(echoes: EchoList, e: number, t: number): Track {
    const on = this.tracks.findIndex((track) => Math.abs(track.rangeM - echoes.rangeM[e]) < 0.06);
    if (on >= 0) this.tracks.splice(on, 1);
    return new Track(echoes.rangeM[e], echoes.levelDb[e], echoes.widthM[e], t, trackerLimits.jig);
  }

  /** Without a line counter the jig is the target that never fades: on a fixed line, on the axis, seen at every ping. */
  private adoptJig(): void {
    let best: Track | null = null;
    for (const track of this.tracks) {
      if (track.age > 6 * this.pingRateHz && track.hits > 0.95 * track.age && track.hits > (best?.hits ?? 0)) best = track;
    }
    if (!best) return;
    this.tracks.splice(this.tracks.indexOf(best), 1);
    this.jig = new Track(best.rangeM, best.levelDb, best.widthM, best.bornMs, trackerLimits.jig);
  }

  /** Gated nearest neighbour, best pairs first; targets that count go before those that may yet be noise. */
  private assign(echoes: EchoList): void {
    const pairs: { cost: number; track: Track; e: number }[] = [];
    for (const track of this.tracks) {
      for (let e = 0; e < echoes.count; e++) {
        if (this.taken[e]) continue;
        const off = echoes.rangeM[e] - track.rangeM;
        const distance = (off * off) / track.innovationVariance;
        if (distance < trackerLimits.gate) pairs.push({ cost: distance + (track.id > 0 ? 0 : 3), track, e });
      }
    }
    pairs.sort((a, b) => a.cost - b.cost);
    const done = new Set<Track>();
    for (const { track, e } of pairs) {
      if (this.taken[e] || done.has(track)) continue;
      track.correct(echoes.rangeM[e], echoes.levelDb[e], echoes.widthM[e]);
      this.taken[e] = 1;
      done.add(track);
      if (track.id === 0 && track.hits >= trackerLimits.confirmHits && track.hits >= trackerLimits.confirmShare * track.age) track.id = this.nextId++;
    }
    for (const track of this.tracks) if (!done.has(track)) track.miss();
  }

  private bury(): void {
    for (let i = this.tracks.length - 1; i >= 0; i--) {
      const track = this.tracks[i];
      if (track.misses > (track.id > 0 ? this.gone : 2)) this.tracks.splice(i, 1);
    }
  }
}
