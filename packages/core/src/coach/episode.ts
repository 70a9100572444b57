import type { CadenceId } from './cadence';
import { remember, type CoachMemory, type Situation } from './memory';
import type { Seen } from './sight';

/** What counts as an answer of a mark that is watched. Soft. */
export const episodeLimits = {
  /** Come this much nearer: answered. */
  nearerM: 0.35,
  /** It was with the jig, and went off by this much: refused. */
  withinM: 0.6,
  offM: 0.35,
  /** Who has not come this much nearer has not looked at it. */
  comeM: 0.15,
  /** So long in sight without a move: turned down, mildly. */
  idleS: 12,
  came: 0.15,
  refused: 0.8,
  idle: 0.1,
} as const;

/** Watches how one mark answers what it is shown, and puts it into the memory: each cadence that it saw by its share of the time. */
export class Episode {
  private id = -1;
  private readonly shown: { cadence: CadenceId; situation: Situation; seconds: number }[] = [];
  private lastMs = 0;
  private startMs = 0;
  private startGapM = 0;
  private closestM = Infinity;
  private isAnswered = false;

  /** After each state: what was seen, and the cadence that was advised for it. */
  watch(seen: Seen, t: number, cadence: CadenceId, situation: Situation, memory: CoachMemory): void {
    const { top, sight } = seen;
    if (!top || sight.gapM === null || top.id !== this.id) {
      if (this.id >= 0 && this.hasLooked && !top) this.refuse(memory);
      if (top && sight.gapM !== null) this.begin(top.id, Math.abs(sight.gapM), t);
      else this.id = -1;
      return;
    }
    this.show(cadence, situation, (t - this.lastMs) / 1000);
    this.lastMs = t;
    const gap = Math.abs(sight.gapM);
    this.closestM = Math.min(this.closestM, gap);
    if (!this.isAnswered && this.startGapM - gap > episodeLimits.nearerM) this.tell(memory, episodeLimits.came, 0);
    if (!this.isAnswered && this.closestM > episodeLimits.withinM && t - this.startMs > 1000 * episodeLimits.idleS) this.tell(memory, 0, episodeLimits.idle);
    if (this.hasLooked && gap - this.closestM > episodeLimits.offM && sight.riseMs < -0.03) this.refuse(memory);
  }

  /** The angler told how it ended. */
  settle(memory: CoachMemory, won: number, lost: number): void {
    this.tell(memory, won, lost);
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
    return this.closestM < episodeLimits.withinM && this.startGapM - this.closestM > episodeLimits.comeM;
  }

  private begin(id: number, gapM: number, t: number): void {
    this.id = id;
    this.shown.length = 0;
    this.lastMs = t;
    this.startMs = t;
    this.startGapM = gapM;
    this.closestM = gapM;
    this.isAnswered = false;
  }

  private show(cadence: CadenceId, situation: Situation, seconds: number): void {
    const row = this.shown.find((s) => s.cadence === cadence && s.situation === situation);
    if (row) row.seconds += seconds;
    else this.shown.push({ cadence, situation, seconds });
  }

  private tell(memory: CoachMemory, won: number, lost: number): void {
    this.isAnswered = true;
    let all = 0;
    for (const { seconds } of this.shown) all += seconds;
    if (all > 0) for (const { cadence, situation, seconds } of this.shown) remember(memory, situation, cadence, (won * seconds) / all, (lost * seconds) / all);
  }

  private refuse(memory: CoachMemory): void {
    this.tell(memory, 0, episodeLimits.refused);
    const most = this.shown.reduce<{ cadence: CadenceId; seconds: number } | null>((best, s) => (best && best.seconds >= s.seconds ? best : s), null);
    if (most) refusedAlike(memory, most.cadence);
    this.end();
  }
}

/** One more refusal of the same, or the first of another. */
export function refusedAlike(memory: CoachMemory, cadence: CadenceId): void {
  memory.refusals++;
  if (memory.refused?.cadence === cadence) memory.refused.count++;
  else memory.refused = { cadence, count: 1 };
}
