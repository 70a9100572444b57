import type { CadenceId } from './cadence';
import { remember, type CoachMemory, type Situation } from './memory';
import type { Seen } from './sight';

/** What counts as an answer of a mark that is watched. Soft. */
export const episodeLimits = {
  /** A mark this near to the jig looks at it, m. */
  lookingM: 0.6,
  /** It was with the jig, and went off by this much: refused. */
  offM: 0.35,
  /** Who has not come this much nearer has not looked at it. */
  comeM: 0.15,
  /** An answer is told of what was shown over so long before it, s. */
  recentS: 6,
  refused: 1,
} as const;

interface Shown {
  cadence: CadenceId;
  situation: Situation;
  seconds: number;
}

/** Watches how one mark answers what it is shown, and puts it into the memory: how long each cadence was looked at, and what came of it. */
export class Episode {
  private id = -1;
  private readonly shown: Shown[] = [];
  private lastMs = 0;
  private startGapM = 0;
  private closestM = Infinity;

  /** After each state: what was seen, and the cadence that was advised for it. */
  watch(seen: Seen, t: number, cadence: CadenceId, situation: Situation, memory: CoachMemory): void {
    const { top, sight } = seen;
    if (!top || sight.gapM === null || top.id !== this.id) {
      if (this.id >= 0 && this.hasLooked && !top) this.refuse(memory);
      if (top && sight.gapM !== null) this.begin(top.id, Math.abs(sight.gapM), t);
      else this.id = -1;
      return;
    }
    const seconds = (t - this.lastMs) / 1000;
    this.lastMs = t;
    const gap = Math.abs(sight.gapM);
    this.closestM = Math.min(this.closestM, gap);
    if (gap < episodeLimits.lookingM) {
      remember(memory, situation, cadence, 0, 0, seconds);
      this.show(cadence, situation, seconds);
    }
    if (this.hasLooked && gap - this.closestM > episodeLimits.offM && sight.riseMs < -0.03) this.refuse(memory);
  }

  /** The angler told how it ended. */
  settle(memory: CoachMemory, won: number, lost: number): void {
    let left: number = episodeLimits.recentS;
    let all = 0;
    const recent: Shown[] = [];
    for (let k = this.shown.length - 1; k >= 0 && left > 0; k--) {
      const seconds = Math.min(left, this.shown[k].seconds);
      recent.push({ ...this.shown[k], seconds });
      left -= seconds;
      all += seconds;
    }
    for (const { cadence, situation, seconds } of recent) remember(memory, situation, cadence, (won * seconds) / all, (lost * seconds) / all, 0);
  }

  /** The fish took: it is no refusal that it is gone. */
  end(): void {
    this.id = -1;
    this.shown.length = 0;
  }

  /** Whether there is a mark that was shown something. */
  get isWatching(): boolean {
    return this.shown.length > 0;
  }

  /** It came to the jig, and did not merely lie beside it. */
  private get hasLooked(): boolean {
    return this.closestM < episodeLimits.lookingM && this.startGapM - this.closestM > episodeLimits.comeM;
  }

  private begin(id: number, gapM: number, t: number): void {
    this.id = id;
    this.shown.length = 0;
    this.lastMs = t;
    this.startGapM = gapM;
    this.closestM = gapM;
  }

  private show(cadence: CadenceId, situation: Situation, seconds: number): void {
    const last = this.shown.at(-1);
    if (last && last.cadence === cadence && last.situation === situation) last.seconds += seconds;
    else this.shown.push({ cadence, situation, seconds });
  }

  private refuse(memory: CoachMemory): void {
    this.settle(memory, 0, episodeLimits.refused);
    const last = this.shown.at(-1);
    if (last) refusedAlike(memory, last.cadence);
    this.end();
  }
}

/** One more refusal of the same, or the first of another. */
export function refusedAlike(memory: CoachMemory, cadence: CadenceId): void {
  memory.refusals++;
  if (memory.refused?.cadence === cadence) memory.refused.count++;
  else memory.refused = { cadence, count: 1 };
}
