import type { Mark } from '../sonar';
import type { CadenceId } from './cadence';
import { remember, type CoachMemory, type Situation, type Stratum } from './memory';
import { isOfBottom, type Observation } from './observer';

/** What counts as an answer of a mark that is watched. Heuristic. */
export const episodeLimits = {
  /** A mark this near to the jig looks at it, m: in open water any, by the bottom, where they lie so near anyway, one that came. */
  lookingM: 0.6,
  /** It was with the jig, and went off by this much, of which it sank by this: refused. Who has not come this much nearer has not looked at it. All m. */
  open: { offM: 0.35, sunkM: 0.15, comeM: 0.15 },
  /**
   * The same for a fish of the bottom, which can hardly come or sink: it has looked as well if it rose by this much beside the jig, and sinks from the highest it came to. Most are first
   * seen a hand under the jig and follow it up: by their coming alone nearly half of their turns were missed (docs/science.md).
   */
  bottom: { offM: 0.2, sunkM: 0.1, comeM: 0.1, riseM: 0.1 },
  /** An answer is told of what was shown over so long before it, s. */
  recentS: 6,
  /** It decided this long after it had been nearest, or by the bottom highest, ms. */
  turnedMs: 500,
  /** A mark that is away for longer is another one when it comes back, ms. */
  goneMs: 1500,
  /** What was shown is kept for so long, ms. */
  keptMs: 30_000,
  refused: 1,
} as const;

interface Shown {
  cadence: CadenceId;
  situation: Situation;
  fromMs: number;
  toMs: number;
}

/** One mark by the jig: where it began, where and when it was nearest, and where and when it was highest while it was near. */
interface Watched {
  seenMs: number;
  startM: number;
  startDepthM: number;
  closestM: number;
  closestMs: number;
  closestDepthM: number;
  highestM: number;
  highestMs: number;
}

/**
 * Watches how every mark by the jig answers what it is shown, and puts it into the memory: how long each cadence was looked at, and what came of it. All of them,
 * because in a school it is seldom the top one that turns away.
 */
export class Encounter {
  private readonly marks = new Map<number, Watched>();
  private readonly shown: Shown[] = [];
  private lastMs = 0;
  private topId = -1;
  private bottomM: number | null = null;

  /** After each state: what was seen, and the cadence that was advised for it. */
  watch({ fish, top, jigM }: Observation, bottomM: number | null, t: number, cadence: CadenceId, situation: Situation, memory: CoachMemory): void {
    const seconds = Math.min(1, (t - this.lastMs) / 1000);
    this.lastMs = t;
    this.bottomM = bottomM;
    if (fish.length === 0) this.allGone(memory);
    if (jigM === null) return;
    const looking: Record<Stratum, number> = { open: 0, bottom: 0 };
    for (const mark of fish) {
      const gapM = Math.abs(mark.depthM - jigM);
      const watched = this.follow(mark, gapM, t);
      const hasLooked = this.hasLooked(watched);
      const where = isOfBottom(mark, bottomM) ? 'bottom' : 'open';
      if (gapM < episodeLimits.lookingM && (hasLooked || where === 'open')) looking[where]++;
      const { offM, sunkM } = episodeLimits[this.stratumOf(watched)];
      if (!hasLooked || gapM - watched.closestM < offM || mark.depthM - this.turnOf(watched).depthM < sunkM) continue;
      this.refuse(watched, memory, mark.id === top?.id);
      this.begin(mark, gapM, t);
    }
    if (looking.open + looking.bottom > 0) {
      memory.lookedS.open += seconds * looking.open;
      memory.lookedS.bottom += seconds * looking.bottom;
      remember(memory, situation, cadence, 0, 0, seconds * (looking.open + looking.bottom));
      this.show(cadence, situation, t);
    }
    this.topId = top?.id ?? -1;
  }

  /** The angler told how it ended; or a mark did, at `untilMs`. */
  settle(memory: CoachMemory, won: number, lost: number, untilMs = this.lastMs): void {
    const fromMs = untilMs - 1000 * episodeLimits.recentS;
    const recent = this.shown.map((s) => ({ ...s, ms: Math.min(s.toMs, untilMs) - Math.max(s.fromMs, fromMs) })).filter((s) => s.ms > 0);
    const all = recent.reduce((sum, s) => sum + s.ms, 0);
    for (const { cadence, situation, ms } of recent) remember(memory, situation, cadence, (won * ms) / all, (lost * ms) / all, 0);
  }

  /** The fish took: it is no refusal that it is gone. */
  end(): void {
    this.marks.clear();
    this.shown.length = 0;
  }

  /** Whether a mark was shown something. */
  get isWatching(): boolean {
    return this.shown.length > 0;
  }

  /** Where it was when it was nearest. */
  private stratumOf({ closestDepthM }: Watched): Stratum {
    return isOfBottom({ depthM: closestDepthM }, this.bottomM) ? 'bottom' : 'open';
  }

  /** It came to the jig, or up with it, and did not merely lie beside it. */
  private hasLooked(watched: Watched): boolean {
    const { open, bottom, lookingM } = episodeLimits;
    const cameM = watched.startM - watched.closestM;
    if (watched.closestM >= lookingM) return false;
    return this.stratumOf(watched) === 'bottom' ? cameM > bottom.comeM || watched.startDepthM - watched.highestM > bottom.riseM : cameM > open.comeM;
  }

  /** Where and when a mark had enough of the jig: nearest to it, or by the bottom at the highest it followed it to. */
  private turnOf(watched: Watched): { depthM: number; ms: number } {
    const { closestDepthM, closestMs, highestM, highestMs } = watched;
    return this.stratumOf(watched) === 'bottom' ? { depthM: highestM, ms: Math.max(closestMs, highestMs) } : { depthM: closestDepthM, ms: closestMs };
  }

  private begin({ id, depthM }: Mark, gapM: number, t: number): Watched {
    const watched = { seenMs: t, startM: gapM, startDepthM: depthM, closestM: gapM, closestMs: t, closestDepthM: depthM, highestM: depthM, highestMs: t };
    this.marks.set(id, watched);
    return watched;
  }

  private follow(mark: Mark, gapM: number, t: number): Watched {
    const known = this.marks.get(mark.id);
    if (!known || t - known.seenMs > episodeLimits.goneMs) return this.begin(mark, gapM, t);
    known.seenMs = t;
    if (gapM < known.closestM) Object.assign(known, { closestM: gapM, closestMs: t, closestDepthM: mark.depthM });
    if (gapM < episodeLimits.lookingM && mark.depthM < known.highestM) Object.assign(known, { highestM: mark.depthM, highestMs: t });
    return known;
  }

  /** The last one left the cone: if it had looked, it is a refusal. */
  private allGone(memory: CoachMemory): void {
    const last = this.marks.get(this.topId);
    if (last && this.hasLooked(last)) this.refuse(last, memory, true);
    this.marks.clear();
    this.topId = -1;
  }

  private show(cadence: CadenceId, situation: Situation, t: number): void {
    const last = this.shown.at(-1);
    if (last && last.cadence === cadence && last.situation === situation && t - last.toMs < 1000) last.toMs = t;
    else this.shown.push({ cadence, situation, fromMs: t, toMs: t });
    while (t - this.shown[0].toMs > episodeLimits.keptMs) this.shown.shift();
  }

  /** Only the top mark's refusals are counted on end: what one of a school turns down, the next may take. */
  private refuse(watched: Watched, memory: CoachMemory, isTop: boolean): void {
    const untilMs = this.turnOf(watched).ms + episodeLimits.turnedMs;
    this.settle(memory, 0, episodeLimits.refused, untilMs);
    const last = this.shown.filter((s) => s.fromMs <= untilMs).at(-1);
    if (isTop && last) refusedAlike(memory, last.cadence);
  }
}

/** One more refusal of the same, or the first of another. */
export function refusedAlike(memory: CoachMemory, cadence: CadenceId): void {
  memory.refusals++;
  if (memory.refused?.cadence === cadence) memory.refused.count++;
  else memory.refused = { cadence, count: 1 };
}
