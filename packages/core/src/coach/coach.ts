import { speciesOf, type Species } from '../fish';
import { edgeDepthError, type EchoState, type Mark } from '../sonar';
import { clamp } from '../units';
import { cadences, pauseSeconds, type Cadence } from './cadence';
import { lookRules, type LookId, type LookRule, type LookWhen } from './looks';

/** The next ten seconds, with everything it rests on. Depths below the surface, m. */
export interface Advice {
  look: LookId;
  ruleId: string;
  cadence: Cadence;
  pauseS: number;
  /** Where the jig should hang. */
  jigM: number;
  /** Seconds this holds before it is trusted less. */
  forS: number;
  sinceMs: number;
  topMarkM: number | null;
  gapM: number | null;
  stillS: number;
  marks: number;
  bottomM: number | null;
  then: string;
  reason: string;
  changesMind: string;
}

/** How the coach sees. Soft. */
export const coachLimits = {
  /** No instruction is shorter than this, s, unless a fish comes. */
  leastS: 4,
  /** Marks fainter than this are taken to be near the edge of the cone, dB. */
  weakDb: -46,
  /** A mark moving slower than this hangs still, m/s. */
  stillMs: 0.035,
  leastAgeMs: 600,
} as const;

export interface CoachSetting {
  speciesId: string;
  /** Water temperature at the fishing depth, °C; sets the pauses. */
  waterTempC: number;
  beamDeg: number;
}

interface Sight {
  fish: Mark[];
  top: Mark | null;
  gapM: number | null;
  riseMs: number;
  stillS: number;
  jigRiseMs: number;
  goneS: number;
}

/**
 * Turns what the reader sees into the next move. One echo state in, one advice out; the same states give the same advice,
 * wherever they come from.
 */
export class Coach {
  private readonly species: Species;
  private advice: Advice | null = null;
  private count = 0;
  private stillSince: number | null = null;
  private topId = -1;
  private lastTop: { depthM: number; riseMs: number; t: number } | null = null;
  private jigPast: { t: number; m: number }[] = [];
  private rise = 0;

  /** Throws RangeError for a species without habits in the table. */
  constructor(private readonly setting: CoachSetting) {
    this.species = speciesOf(setting.speciesId);
  }

  /** Advice after a state; null until bottom or jig has been seen. */
  update(state: EchoState): Advice | null {
    if (state.bottomM === null && state.jigM === null) return this.advice;
    const sight = this.look(state);
    const arrived = sight.fish.length > 0 && this.count === 0;
    this.count = sight.fish.length;
    const young = this.advice !== null && state.t - this.advice.sinceMs < coachLimits.leastS * 1000;
    const rule = young && !arrived ? lookRules.find((r) => r.id === this.advice!.ruleId)! : this.choose(sight);
    const fresh = this.advice?.ruleId !== rule.id;
    this.advice = this.compose(rule, sight, state, fresh ? state.t : this.advice!.sinceMs, fresh ? null : this.advice);
    return this.advice;
  }

  private look(state: EchoState): Sight {
    const { t, jigM } = state;
    const fish = state.marks.filter((m) => (m.kind === 'fish' || m.kind === 'school') && m.ageMs >= coachLimits.leastAgeMs);
    const top = this.interested(fish, jigM);
    if (top) {
      this.rise = top.id === this.topId ? this.rise + 0.25 * (top.riseMs - this.rise) : top.riseMs;
      this.topId = top.id;
      this.lastTop = { depthM: top.depthM, riseMs: this.rise, t };
      if (Math.abs(this.rise) > coachLimits.stillMs) this.stillSince = null;
      else this.stillSince ??= t;
    } else {
      this.stillSince = null;
    }
    return {
      fish,
      top,
      gapM: top && jigM !== null ? top.depthM - jigM : null,
      riseMs: top ? this.rise : (this.lastTop?.riseMs ?? 0),
      stillS: this.stillSince === null ? 0 : (t - this.stillSince) / 1000,
      jigRiseMs: this.jigRise(t, jigM),
      goneS: top ? 0 : this.lastTop ? (t - this.lastTop.t) / 1000 : Infinity,
    };
  }

  /** The highest mark, unless another lies just under the jig and is the one that looks. */
  private interested(fish: readonly Mark[], jigM: number | null): Mark | null {
    if (fish.length === 0) return null;
    if (jigM === null) return fish[0];
    const near = fish.filter((m) => m.depthM - jigM > -0.3 && m.depthM - jigM < 1);
    return near[0] ?? fish[0];
  }

  private jigRise(t: number, jigM: number | null): number {
    if (jigM === null) return 0;
    this.jigPast.push({ t, m: jigM });
    while (this.jigPast.length > 1 && t - this.jigPast[0].t > 1500) this.jigPast.shift();
    const first = this.jigPast[0];
    return t > first.t ? ((first.m - jigM) * 1000) / (t - first.t) : 0;
  }

  private choose(sight: Sight): LookRule {
    return lookRules.find((rule) => holds(rule.when, sight, this.species)) ?? lookRules[lookRules.length - 1];
  }

  private compose(rule: LookRule, sight: Sight, state: EchoState, sinceMs: number, before: Advice | null): Advice {
    const cadence: Cadence = cadences[rule.cadence];
    const keepsDepth = before !== null && (rule.aim === 'hold' || rule.aim === 'draw' || rule.aim === 'back');
    return {
      look: rule.look,
      ruleId: rule.id,
      cadence,
      pauseS: Math.round(pauseSeconds(this.setting.waterTempC) * cadence.pauseFactor),
      jigM: keepsDepth ? before.jigM : this.depthFor(rule, sight, state),
      forS: rule.forS,
      sinceMs,
      topMarkM: sight.top?.depthM ?? null,
      gapM: sight.gapM,
      stillS: sight.stillS,
      marks: sight.fish.length,
      bottomM: state.bottomM,
      then: rule.then,
      reason: rule.reason,
      changesMind: rule.changesMind,
    };
  }

  private depthFor(rule: LookRule, sight: Sight, state: EchoState): number {
    const floor = state.bottomM ?? Infinity;
    const jig = state.jigM ?? (Number.isFinite(floor) ? floor - 1 : 1);
    const over = sight.top ? aboveMark(sight.top, this.species, this.setting.beamDeg) : jig;
    const lowest = Number.isFinite(floor) ? floor - 0.05 : 300;
    const aims = {
      search: Number.isFinite(floor) ? floor - clamp(0.16 * floor, 0.6, 1.6) : jig,
      bottom: Number.isFinite(floor) ? floor - this.species.offsetM : jig,
      'above-top': this.bottomSitter(sight, floor) ? floor - this.species.offsetM : over,
      hold: jig,
      draw: jig - rule.byM,
      back: Math.min(over, jig + rule.byM),
    };
    return clamp(aims[rule.aim], 0.4, lowest);
  }

  /** Bottom feeders lying in the lowest half metre are met from the bottom up. */
  private bottomSitter(sight: Sight, floor: number): boolean {
    return this.species.feeds === 'bottom' && sight.top !== null && floor - sight.top.depthM < 0.5;
  }
}

/**
 * Depth for a jig over a mark, m: the species' offset above it, and as much more as a faint mark may read too deep
 * because it swims at the edge of the cone.
 */
export function aboveMark(mark: Pick<Mark, 'depthM' | 'levelDb'>, species: Species, beamDeg: number): number {
  const edge = mark.levelDb < coachLimits.weakDb ? edgeDepthError(mark.depthM, beamDeg) : 0;
  return mark.depthM - species.offsetM - edge;
}

const within = (value: number, limit?: { least?: number; most?: number }) => limit === undefined || (value >= (limit.least ?? -Infinity) && value <= (limit.most ?? Infinity));

function holds(when: LookWhen, sight: Sight, species: Species): boolean {
  if (when.feeds && when.feeds !== species.feeds) return false;
  if (when.gapM && (sight.gapM === null || !within(sight.gapM, when.gapM))) return false;
  return (
    within(sight.fish.length, when.marks) &&
    within(sight.riseMs, when.riseMs) &&
    within(sight.stillS, when.stillS) &&
    within(sight.jigRiseMs, when.jigRiseMs) &&
    within(sight.goneS, when.goneS)
  );
}
