import type { Advice } from './coach';

/** What is said is changed no sooner than this, s, unless a fish comes; a leaning to quieter or livelier is not turned about within `leaningS`. Heuristic. */
const steadyLimits = { leastS: 4, leaningS: 120 } as const;

/**
 * The advice as it is said. The coach weighs every ping anew; an angler with a rod in the hand wants a sentence that stands. What is said changes when
 * the advice does: another rule or movement, or a depth more than half a step off; at most once in four seconds, unless a fish comes.
 */
export class SteadyAdvice {
  private said: Advice | null = null;
  private sinceMs = -Infinity;
  private leaning: { way: NonNullable<Advice['byAnswers']>; sinceMs: number } | null = null;

  /** @param stepM least difference of two depths on screen, m */
  constructor(private readonly stepM: number) {}

  /** What to say at a ping; null before the first advice. */
  push(advice: Advice | null, t: number): Advice | null {
    if (!advice) return this.said;
    const { said } = this;
    if (!said || this.changes(said, advice, t)) {
      this.said = { ...advice, byAnswers: this.leaningOf(advice, t) };
      this.sinceMs = t;
    }
    return this.said;
  }

  private changes(said: Advice, advice: Advice, t: number): boolean {
    const comes = advice.marks > 0 && said.marks === 0 && advice.ruleId !== said.ruleId;
    if (comes) return true;
    if (t - this.sinceMs < steadyLimits.leastS * 1000) return false;
    return advice.ruleId !== said.ruleId || advice.cadence.id !== said.cadence.id || Math.abs(advice.jigM - said.jigM) > this.stepM / 2;
  }

  /** Quieter or livelier, unless the other was said a moment ago: then neither. */
  private leaningOf({ byAnswers }: Advice, t: number): Advice['byAnswers'] {
    if (byAnswers === null) return null;
    if (this.leaning && this.leaning.way !== byAnswers && t - this.leaning.sinceMs < steadyLimits.leaningS * 1000) return null;
    this.leaning = { way: byAnswers, sinceMs: t };
    return byAnswers;
  }
}
