import type { EchoState, Mark } from '../sonar';
import { keepTop, type CoachMemory } from './memory';
import { drawRecord } from './action-preference';

/** How the coach sees. Heuristic. */
export const sightLimits = {
  /** A mark moving slower than this hangs still, m/s. */
  stillMs: 0.035,
  leastAgeMs: 600,
  /** What was seen so long ago is another encounter, ms. */
  forgottenMs: 3000,
  /** Marks this near to the top one are with it, m. */
  togetherM: 1.3,
  /** A mark may look at the jig from this far over it to this far under it, m. */
  looksFromM: [-0.3, 1],
  /** Fish so near the bottom are of the bottom, m. */
  ofBottomM: 1.5,
  /** Of those, which lie a hand apart, the mark that is watched stays the one while it is no further under the jig, m, whoever swims through above it. */
  keptM: 0.6,
  /** A jig this far over its line's depth has not arrived, m; one that moves less than this a second has stopped, m. */
  shortM: 0.35,
  stoppedMs: 0.06,
} as const;

/** What rules look at: numbers of what is seen; null where there is nothing to measure. Depths and gaps m, speeds m/s upward, times s. */
export interface Features {
  marks: number;
  /** Marks about the top one, with it. */
  together: number;
  /** Top mark under the jig; negative above it. */
  gapM: number | null;
  riseMs: number;
  /** How long the top mark has hung still. */
  stillS: number;
  /** How far it has come up since it was first seen. */
  risenM: number;
  jigRiseMs: number;
  /** How far the jig has been drawn up with a fish after it. */
  drawnM: number;
  /** How far the line has been taken up under the eyes of this fish, from first to last. */
  takenUpM: number;
  /** Since the last fish went. */
  goneS: number;
  /** How long nothing has been seen. */
  emptyS: number;
  /** Top mark over the bottom. */
  offBottomM: number | null;
  baits: number;
  stacks: number;
  /** How long the jig has hung short of its line's depth. */
  stoppedS: number;
  /** Refusals on end. */
  refused: number;
  /** How drawing away did today beside all else: over 1 better, under 1 worse. */
  drawPays: number;
  /** Since the angler's last tap of a kind that asks for something. */
  afterS: number;
}

/** What is seen with the marks it was seen on. */
export interface Observation {
  features: Features;
  fish: readonly Mark[];
  top: Mark | null;
  jigM: number | null;
  /** Depth at which a top mark was seen last, m. */
  lastM: number | null;
  bait: Mark | null;
}

/** Follows echo states and tells what is to be seen in them over the last seconds. */
export class Observer {
  private stillSince: number | null = null;
  private topId = -1;
  private firstM = 0;
  private lastTop: { depthM: number; riseMs: number; t: number } | null = null;
  private readonly jigPast: { t: number; m: number }[] = [];
  private rise = 0;
  private startedMs: number | null = null;
  private stoppedSince: number | null = null;
  private lastLineM: number | null = null;
  private takenUpM = 0;
  private drawn = { fromM: 0, on: false };

  /** @param lineM depth the line was let out to, where a counter tells */
  observe(state: EchoState, lineM: number | null, memory: CoachMemory): Observation {
    const { t, jigM, bottomM } = state;
    this.startedMs ??= t;
    const fish = state.marks.filter((m) => (m.kind === 'fish' || m.kind === 'school') && m.ageMs >= sightLimits.leastAgeMs);
    const bait = state.marks.find((m) => m.kind === 'bait') ?? null;
    const top = interested(fish, jigM, bottomM, this.topId);
    this.follow(top, t, memory);
    const jigRiseMs = this.jigRise(t, jigM);
    const gapM = top && jigM !== null ? top.depthM - jigM : null;
    const goneS = top ? 0 : this.lastTop ? (t - this.lastTop.t) / 1000 : Infinity;
    return {
      fish,
      top,
      jigM,
      lastM: this.lastTop?.depthM ?? null,
      bait,
      features: {
        marks: fish.length,
        together: top ? fish.filter((m) => Math.abs(m.depthM - top.depthM) < sightLimits.togetherM).length : 0,
        gapM,
        riseMs: top ? this.rise : (this.lastTop?.riseMs ?? 0),
        stillS: this.stillSince === null ? 0 : (t - this.stillSince) / 1000,
        risenM: top ? this.firstM - top.depthM : 0,
        jigRiseMs,
        drawnM: this.draw(jigM, gapM, jigRiseMs),
        takenUpM: this.takeUp(lineM, gapM, goneS),
        goneS,
        emptyS: top ? 0 : Number.isFinite(goneS) ? goneS : (t - this.startedMs) / 1000,
        offBottomM: top && bottomM !== null ? bottomM - top.depthM : null,
        baits: bait ? 1 : 0,
        stacks: fish.filter((m) => m.kind === 'school').length,
        stoppedS: this.stopped(state, lineM, jigRiseMs),
        refused: memory.refusals,
        drawPays: drawRecord(memory),
        afterS: memory.last ? (t - memory.last.ms) / 1000 : Infinity,
      },
    };
  }

  private follow(top: Mark | null, t: number, memory: CoachMemory): void {
    if (!top) {
      this.stillSince = null;
      return;
    }
    if (!this.lastTop || t - this.lastTop.t > sightLimits.forgottenMs) this.stillSince = null;
    if (top.id !== this.topId) {
      this.firstM = top.depthM;
      if (!this.lastTop || t - this.lastTop.t > 5000) keepTop(memory, top.depthM);
    }
    this.rise = top.id === this.topId ? this.rise + 0.25 * (top.riseMs - this.rise) : top.riseMs;
    this.topId = top.id;
    this.lastTop = { depthM: top.depthM, riseMs: this.rise, t };
    if (Math.abs(this.rise) > sightLimits.stillMs) this.stillSince = null;
    else this.stillSince ??= t;
  }

  private jigRise(t: number, jigM: number | null): number {
    if (jigM === null) return 0;
    this.jigPast.push({ t, m: jigM });
    while (this.jigPast.length > 1 && t - this.jigPast[0].t > 1500) this.jigPast.shift();
    const first = this.jigPast[0];
    return t > first.t ? ((first.m - jigM) * 1000) / (t - first.t) : 0;
  }

  /** Counts while a fish is within a metre under a jig that goes up. */
  private draw(jigM: number | null, gapM: number | null, jigRiseMs: number): number {
    const goesOn = jigM !== null && gapM !== null && gapM > -0.3 && gapM < 1 && jigRiseMs > 0.01;
    if (goesOn && !this.drawn.on) this.drawn = { fromM: jigM, on: true };
    if (!goesOn) this.drawn.on = false;
    return goesOn ? this.drawn.fromM - jigM : 0;
  }

  private takeUp(lineM: number | null, gapM: number | null, goneS: number): number {
    const upM = lineM !== null && this.lastLineM !== null ? this.lastLineM - lineM : 0;
    this.lastLineM = lineM;
    if (goneS > 3 || (gapM !== null && gapM > 1.5)) this.takenUpM = 0;
    else if (gapM !== null && gapM > -0.3 && gapM < 1 && upM > 0) this.takenUpM += upM;
    return this.takenUpM;
  }

  private stopped({ t, jigM, bottomM }: EchoState, lineM: number | null, jigRiseMs: number): number {
    const isShort =
      jigM !== null && lineM !== null && lineM - jigM > sightLimits.shortM && Math.abs(jigRiseMs) < sightLimits.stoppedMs && (bottomM === null || lineM < bottomM - 0.1);
    if (!isShort) this.stoppedSince = null;
    else this.stoppedSince ??= t;
    return this.stoppedSince === null ? 0 : (t - this.stoppedSince) / 1000;
  }
}

/** The highest mark, unless another lies just under the jig and is the one that looks; of several such by the bottom the one that was watched, while it is close. */
function interested(fish: readonly Mark[], jigM: number | null, bottomM: number | null, watchedId: number): Mark | null {
  if (fish.length === 0) return null;
  if (jigM === null) return fish[0];
  const [fromM, toM] = sightLimits.looksFromM;
  const looks = (m: Mark, mostM: number) => m.depthM - jigM > fromM && m.depthM - jigM < mostM;
  return fish.find((m) => m.id === watchedId && isOfBottom(m, bottomM) && looks(m, sightLimits.keptM)) ?? fish.find((m) => looks(m, toM)) ?? fish[0];
}

/** Whether a mark lies so near the bottom that it is a fish of it. */
export const isOfBottom = ({ depthM }: Pick<Mark, 'depthM'>, bottomM: number | null) => bottomM !== null && bottomM - depthM <= sightLimits.ofBottomM;
