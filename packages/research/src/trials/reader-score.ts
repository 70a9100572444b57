import { rangeResolution, readerLimits, type EchoHeader, type EchoState, type Mark } from '@burrow/core/sonar';
import type { Truth } from '@burrow/core/simulator';

/** How near a reading must come to the truth, m, and what a reader must see. Source: docs/science.md, "Scoring the reader". */
export const scoreLimits = {
  jigM: 0.12,
  topM: 0.15,
  /** A mark stands for a fish within this. */
  matchM: 0.25,
  /** A fish is required from this far above a threshold that stands this far over the mean noise, dB. */
  requiredDb: 4,
  thresholdDb: 9,
  /** More fish than this are a school, not so many marks. */
  mostFish: 6,
  /** A mark that never was a fish counts as false from this age, ms. */
  falseMs: 1000,
} as const;

export interface ReaderFigures {
  pings: number;
  /** Shares of pings, 0–1; null where there was nothing to find. */
  bottom: number;
  /** Of the pings on which the jig hangs in features, out of the blind zone; null where there were none. */
  jig: number | null;
  top: number | null;
  /** Pings on which there was a top to find. */
  tops: number;
  /** Multiple-object tracking accuracy: 1 − (missed + false + switched) / required. Source: Bernardin & Stiefelhagen 2008. */
  mota: number | null;
  bait: number | null;
  falsePerMin: number;
  missed: number;
  wrong: number;
  switched: number;
  required: number;
}

interface Cluster {
  ids: number[];
  topM: number;
  baseM: number;
  isRequired: boolean;
}

const gapTo = (c: Cluster, m: Mark) => Math.max(0, c.topM - (m.baseM ?? m.depthM), m.depthM - c.baseM);

/** Adds up how a reader's states compare with the truth that it never sees. */
export class ReaderScore {
  private readonly cTauM: number;
  private readonly seen = { pings: 0, bottom: 0, jig: 0, jigs: 0, top: 0, tops: 0, bait: 0, baits: 0, missed: 0, wrong: 0, switched: 0, required: 0 };
  private readonly lastMark = new Map<number, number>();
  private readonly lives = new Map<number, { firstMs: number; lastMs: number; hits: number; misses: number }>();
  private lastMs = 0;

  constructor(private readonly header: EchoHeader) {
    this.cTauM = 2 * rangeResolution(header.soundSpeedMs, header.pulseUs);
  }

  add(state: EchoState, truth: Truth): void {
    const { seen } = this;
    seen.pings++;
    this.lastMs = truth.t;
    if (state.bottomM !== null && Math.abs(state.bottomM - truth.bottomM) <= Math.max(this.cTauM, 0.05)) seen.bottom++;
    if (truth.jigM - this.header.transducerM > readerLimits.blindM + this.cTauM) {
      seen.jigs++;
      if (state.jigM !== null && Math.abs(state.jigM - truth.jigM) <= scoreLimits.jigM) seen.jig++;
    }
    const marks = state.marks.filter((m) => m.kind === 'fish' || m.kind === 'school');
    const clusters = this.clusters(truth);
    if (truth.fish.length <= scoreLimits.mostFish) this.match(clusters, marks, truth.t);
    const required = clusters.filter((c) => c.isRequired);
    if (required.length >= 2) {
      seen.tops++;
      // What stands for a fish too faint to be asked for is not the top that is asked for.
      const top = marks.find((m) => Math.abs(m.depthM - required[0].topM) <= scoreLimits.topM || !clusters.some((c) => !c.isRequired && gapTo(c, m) <= scoreLimits.matchM));
      if (top && Math.abs(top.depthM - required[0].topM) <= scoreLimits.topM) seen.top++;
    }
    if (truth.bait) {
      seen.baits++;
      const band = state.marks.find((m) => m.kind === 'bait');
      if (band && Math.abs(band.topM! - truth.bait.topM) < 0.3 && Math.abs(band.baseM! - truth.bait.baseM) < 0.3) seen.bait++;
    }
  }

  figures(): ReaderFigures {
    const { seen } = this;
    const isFalse = (life: { firstMs: number; lastMs: number; hits: number; misses: number }) => life.lastMs - life.firstMs >= scoreLimits.falseMs && life.misses > life.hits;
    return {
      pings: seen.pings,
      bottom: seen.bottom / seen.pings,
      jig: seen.jigs > 0 ? seen.jig / seen.jigs : null,
      top: seen.tops > 0 ? seen.top / seen.tops : null,
      tops: seen.tops,
      mota: seen.required > 0 ? 1 - (seen.missed + seen.wrong + seen.switched) / seen.required : null,
      bait: seen.baits > 0 ? seen.bait / seen.baits : null,
      falsePerMin: [...this.lives.values()].filter(isFalse).length / Math.max(1e-9, this.lastMs / 60_000),
      missed: seen.missed,
      wrong: seen.wrong,
      switched: seen.switched,
      required: seen.required,
    };
  }

  /** Fish closer than cτ in range are one; those at the jig are one with its echo, and those within cτ of the bottom with the bottom's. */
  private clusters(truth: Truth): Cluster[] {
    const clusters: Cluster[] = [];
    for (const fish of [...truth.fish].sort((a, b) => a.depthM - b.depthM)) {
      const isRequired =
        fish.levelDb >= fish.noiseDb + scoreLimits.thresholdDb + scoreLimits.requiredDb && fish.rangeFromBottomM > this.cTauM && Math.abs(fish.depthM - truth.jigM) > this.cTauM;
      const last = clusters[clusters.length - 1];
      if (last && fish.depthM - last.baseM <= this.cTauM) {
        last.ids.push(fish.id);
        last.baseM = fish.depthM;
        last.isRequired ||= isRequired;
      } else clusters.push({ ids: [fish.id], topM: fish.depthM, baseM: fish.depthM, isRequired });
    }
    return clusters;
  }

  private match(clusters: readonly Cluster[], marks: readonly Mark[], t: number): void {
    const { seen } = this;
    const free = new Set(marks);
    const room = new Map(clusters.map((c) => [c, c.ids.length]));
    const pairs: { c: Cluster; m: Mark; cost: number }[] = [];
    for (const c of clusters) {
      for (const m of marks) {
        const gap = gapTo(c, m);
        // Who stood for this fish before goes on doing so.
        if (gap <= scoreLimits.matchM) pairs.push({ c, m, cost: gap + (c.ids.some((id) => this.lastMark.get(id) === m.id) ? -1 : 0) + (c.isRequired ? 0 : 0.5) });
      }
    }
    pairs.sort((a, b) => a.cost - b.cost);
    const done = new Set<Cluster>();
    for (const { c, m } of pairs) {
      // A school stands for all the fish in it.
      const covers = m.kind === 'school' && gapTo(c, m) === 0;
      // Fish that count as one may have been told apart all the same.
      if ((!free.has(m) && !covers) || room.get(c) === 0) continue;
      room.set(c, room.get(c)! - 1);
      free.delete(m);
      if (done.has(c)) continue;
      done.add(c);
      const before = c.ids.map((id) => this.lastMark.get(id)).filter((id) => id !== undefined);
      if (c.isRequired && before.length > 0 && !before.includes(m.id)) seen.switched++;
      for (const id of c.ids) this.lastMark.set(id, m.id);
    }
    for (const c of clusters) {
      if (!c.isRequired) continue;
      seen.required++;
      if (!done.has(c)) seen.missed++;
    }
    const isNear = (m: Mark) => clusters.some((c) => gapTo(c, m) <= scoreLimits.matchM);
    for (const m of marks) {
      // A second mark at a fish too faint to be asked for is neither hit nor false.
      if (free.has(m) && !clusters.some((c) => !c.isRequired && gapTo(c, m) <= scoreLimits.matchM)) seen.wrong++;
      const life = this.lives.get(m.id) ?? { firstMs: t, lastMs: t, hits: 0, misses: 0 };
      life.lastMs = t;
      if (isNear(m)) life.hits++;
      else life.misses++;
      this.lives.set(m.id, life);
    }
  }
}
