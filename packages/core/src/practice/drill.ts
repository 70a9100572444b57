import { cadences, type Advice, type CadenceId } from '../coach';
import type { ReactionKind } from '../ledger';
import type { FishState } from '../simulator';
import type { EchoState } from '../sonar';
import { clamp } from '../units';

/** One moment of a drill: what the reader saw, what the coach would have done, what the learner did, what the fish were at. */
export interface DrillMoment {
  state: EchoState;
  advice: Advice | null;
  /** Where the learner's line is, m, and how the rod is worked. */
  lineM: number;
  cadence: CadenceId;
  fish: readonly { id: number; depthM: number; state: FishState }[];
}

/** What fish did after a decision, the strongest first. */
export type FishDid = 'took' | 'fled' | 'turned' | 'came' | 'noticed' | 'nothing';

/** A moment at which there was something to decide. Depths m, times ms since the start. */
export interface Decision {
  t: number;
  ruleId: string;
  reason: string;
  advice: Advice;
  wouldM: number;
  wouldCadence: CadenceId;
  didM: number;
  didCadence: CadenceId;
  fishDid: FishDid;
  /** 0–100. */
  score: number;
  /** Why the score is what it is. */
  remarks: Remark[];
}

/** A remark in kind and figures; words and units are the face's. */
export type Remark = { kind: 'depth-right' } | { kind: 'too-deep' | 'too-high'; byM: number } | { kind: 'cadence-right' } | { kind: 'too-lively' | 'too-quiet' };

/** One column of the trace, for the picture. */
export interface TracePoint {
  t: number;
  bottomM: number | null;
  jigM: number | null;
  marksM: readonly number[];
}

export interface DrillReview {
  decisions: readonly Decision[];
  trace: readonly TracePoint[];
  /** Mean over the decisions, 0–100; null without any. */
  score: number | null;
  takes: number;
  landed: number;
  /** Refusals that happened, and how many of them the learner logged. */
  refusals: number;
  logged: number;
  seconds: number;
}

/** How a drill is judged. Heuristic. */
export const drillLimits = {
  /** The learner has this long to act, ms; fish have this long to answer, ms. */
  actMs: 4000,
  /** To find one's way about at the start there is longer, ms. */
  firstActMs: 15_000,
  answerMs: 8000,
  /** A depth within the first is right, off by the second worth nothing, m. */
  depthM: [0.15, 0.9],
  /** A cadence this far off in intensity is worth nothing. */
  livelyOff: 0.6,
  depthShare: 0.55,
  /** A refusal is logged in time within this, ms. */
  logMs: 8000,
  traceEveryMs: 500,
  decisions: 80,
  tracePoints: 2400,
} as const;

const rank: Record<FishDid, number> = { nothing: 0, noticed: 1, came: 2, turned: 3, fled: 4, took: 5 };
const did: Partial<Record<FishState, FishDid>> = {
  notice: 'noticed',
  approach: 'noticed',
  inspect: 'came',
  follow: 'came',
  refuse: 'turned',
  leave: 'turned',
  flee: 'fled',
  commit: 'took',
};

interface Open {
  decision: Decision;
  before: Map<number, FishState>;
  actMs: number;
}

/** Follows a drill and keeps what there was to decide, in bounded memory. Wants at least one moment a second. */
export class DrillLog {
  private readonly decisions: Decision[] = [];
  private readonly trace: TracePoint[] = [];
  private open: Open[] = [];
  private lastRule = '';
  private lastSince = -1;
  private lastT = 0;
  private nextTrace = 0;
  private takes = 0;
  private landed = 0;
  private refusals: number[] = [];
  private logs: number[] = [];
  private states = new Map<number, FishState>();

  push(moment: DrillMoment): void {
    const { state, advice } = moment;
    this.lastT = state.t;
    this.keepTrace(moment);
    this.watchFish(moment);
    for (const open of this.open) this.follow(open, moment);
    this.open = this.open.filter(({ decision, actMs }) => state.t - decision.t < Math.max(actMs, drillLimits.answerMs));
    if (!advice || (advice.ruleId === this.lastRule && advice.sinceMs === this.lastSince)) return;
    this.lastRule = advice.ruleId;
    this.lastSince = advice.sinceMs;
    if (this.decisions.length < drillLimits.decisions) this.begin(moment, advice);
  }

  took(): void {
    this.takes++;
  }

  struck(isLanded: boolean): void {
    if (isLanded) this.landed++;
  }

  logged(kind: ReactionKind): void {
    if (kind === 'refused' || kind === 'fled') this.logs.push(this.lastT);
  }

  review(): DrillReview {
    const { decisions } = this;
    const spare = [...this.logs];
    let logged = 0;
    for (const t of this.refusals) {
      const at = spare.findIndex((l) => l >= t && l - t < drillLimits.logMs);
      if (at < 0) continue;
      spare.splice(at, 1);
      logged++;
    }
    return {
      decisions: [...decisions],
      trace: [...this.trace],
      score: decisions.length === 0 ? null : Math.round(decisions.reduce((sum, d) => sum + d.score, 0) / decisions.length),
      takes: this.takes,
      landed: this.landed,
      refusals: this.refusals.length,
      logged,
      seconds: Math.round(this.lastT / 1000),
    };
  }

  private begin({ state, fish, lineM, cadence }: DrillMoment, advice: Advice): void {
    const decision: Decision = {
      t: state.t,
      ruleId: advice.ruleId,
      reason: advice.reason,
      advice,
      wouldM: advice.jigM,
      wouldCadence: advice.cadence.id as CadenceId,
      didM: lineM,
      didCadence: cadence,
      fishDid: 'nothing',
      score: 0,
      remarks: [],
    };
    judge(decision);
    this.decisions.push(decision);
    this.open.push({ decision, before: new Map(fish.map((f) => [f.id, f.state])), actMs: this.decisions.length === 1 ? drillLimits.firstActMs : drillLimits.actMs });
  }

  private follow(open: Open, { state, fish, lineM, cadence }: DrillMoment): void {
    const { decision, before, actMs } = open;
    // The learner is judged by what stands after the time there was to act.
    if (state.t - decision.t <= actMs) {
      decision.didM = lineM;
      decision.didCadence = cadence;
      judge(decision);
    }
    for (const f of fish) {
      const now = did[f.state];
      if (now && state.t - decision.t < drillLimits.answerMs && f.state !== before.get(f.id) && rank[now] > rank[decision.fishDid]) decision.fishDid = now;
    }
  }

  private watchFish({ state, fish }: DrillMoment): void {
    const next = new Map<number, FishState>();
    for (const f of fish) {
      const was = this.states.get(f.id);
      if (was && was !== f.state && (f.state === 'refuse' || f.state === 'flee' || (f.state === 'leave' && was !== 'commit'))) this.refusals.push(state.t);
      next.set(f.id, f.state);
    }
    this.states = next;
  }

  private keepTrace({ state }: DrillMoment): void {
    if (state.t < this.nextTrace || this.trace.length >= drillLimits.tracePoints) return;
    this.nextTrace = state.t + drillLimits.traceEveryMs;
    this.trace.push({ t: state.t, bottomM: state.bottomM, jigM: state.jigM, marksM: state.marks.filter((m) => m.kind === 'fish' || m.kind === 'school').map((m) => m.depthM) });
  }
}

/** Scores a decision by depth and cadence against what the coach would have done; where it searches, any depth that it searches is right. */
function judge(decision: Decision): void {
  const { fromM, toM } = decision.advice.search ?? { fromM: decision.wouldM, toM: decision.wouldM };
  const offM = decision.didM - clamp(decision.didM, Math.min(fromM, decision.wouldM), Math.max(toM, decision.wouldM));
  const [right, worthless] = drillLimits.depthM;
  const depth = clamp(1 - (Math.abs(offM) - right) / (worthless - right), 0, 1);
  const lively = cadences[decision.didCadence].intensity - cadences[decision.wouldCadence].intensity;
  const isSame = decision.didCadence === decision.wouldCadence;
  const cadence = isSame ? 1 : clamp(1 - Math.abs(lively) / drillLimits.livelyOff, 0, 0.9);
  decision.score = Math.round(100 * (drillLimits.depthShare * depth + (1 - drillLimits.depthShare) * cadence));
  decision.remarks = [
    depth >= 0.999 ? { kind: 'depth-right' } : { kind: offM > 0 ? 'too-deep' : 'too-high', byM: Math.abs(offM) },
    cadence >= 0.75 ? { kind: 'cadence-right' } : { kind: lively > 0 ? 'too-lively' : 'too-quiet' },
  ];
}
