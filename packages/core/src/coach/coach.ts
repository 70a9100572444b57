import { speciesOf, type Species } from '../fish';
import { reactionMeanings, type ReactionKind } from '../ledger';
import { edgeDepthError, type EchoState, type Mark } from '../sonar';
import { clamp } from '../units';
import { cadences, closingIn, drawSpeedMs, pauseSeconds, type Cadence, type CadenceId } from './cadence';
import { Encounter, refusedAlike } from './encounter';
import { suggestionRules } from './suggestions';
import { sightingRules } from './sighting-table';
import type { SightingId, SightingRule, SightingLimits } from './sighting';
import { emptyMemory, memoryLimits, remember, tellingOf, type CoachMemory } from './memory';
import { whileItLooks } from './offers';
import { searchDepth, searchLimits, searchSpan, type Span } from './search';
import { chooseCadence, hasAnswers, preferenceToday } from './action-preference';
import { withBait } from './bait-table';
import { Observer, isOfBottom, type Observation, type Features } from './observer';

/** The next ten seconds, with everything it rests on. Depths below the surface, m. */
export interface Advice {
  sighting: SightingId;
  ruleId: string;
  cadence: Cadence;
  /** The beat of the rod: the cadence's own, and while the jig is drawn away the one before it, kept up. */
  rod: Cadence;
  pauseS: number;
  /** Where the jig should hang. */
  jigM: number;
  /** Where it is drawn up from, m, for a bait that goes through them; null for one that does not, and absent of advice that was kept before there was one. */
  fromM?: number | null;
  /** How fast to take it there, m/s: by hand where a fish is near or a lift is to be drawn; null as reel and fall go. */
  handMs: number | null;
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
  /** How the cadence differs from fieldcraft's first for this look, where the answers have spoken for another. */
  byAnswers: 'quieter' | 'livelier' | null;
  /** One thing more to change or do, with its rule. */
  suggestion: { ruleId: string; text: string; viewpoint?: string } | null;
  jigSeenM: number | null;
  baitM: number | null;
  /** The stretch that is searched where nothing shows: elsewhere in it would do as well. */
  search: Span | null;
}

/** How the coach advises. Heuristic. */
export const coachLimits = {
  /** No instruction is shorter than this, s, unless a fish comes. */
  leastS: 4,
  /** Marks fainter than this are taken to be near the edge of the cone, dB. */
  weakDb: -46,
  /** With a mark this near, m, the jig is moved no faster than this, m/s: a dart sends it off, and so does one dropped on its head. */
  shyM: 1.5,
  shyMs: 0.3,
  /**
   * Over a fish that is near, the jig is kept this high, m. A fish that looks hangs a hand under the jig, so each time it closes the jig goes up by another
   * few centimetres: it is drawn away again and again. Held still instead, kept a hand over it, or 40 cm over it, the jig lands fewer with every decision model tuned on
   * (docs/science.md).
   */
  hoverM: 0.27,
  /**
   * Over fish of the bottom the jig gives way upward, but is let down only where it would be by this much, m: they lie a hand apart, and who follows every
   * hand's breadth that a mark sinks, or seems to, drops the jig on their heads and stirs it all the while.
   */
  dropM: 0.4,
  /** A cadence is given this long with one school before another may be tried, s. */
  encounterS: 25,
  /** Live bait is lowered this far under a top mark, no nearer to the bottom than that, and drawn up at this speed: m, m, m/s. Source: fieldcraft, live minnow straight down. */
  underM: 1,
  offBedM: 0.3,
  throughMs: 0.1,
  /** A cadence this much off fieldcraft's first in intensity is said to be quieter or livelier. */
  otherwise: 0.15,
} as const;

export interface CoachSetting {
  speciesId: string;
  /** Water temperature at the fishing depth, °C; sets the pauses. */
  waterTempC: number;
  beamDeg: number;
  /** Depths that the fish are looked for in here, m; left out where nobody knows them. */
  band?: Span | null;
  /** Family of what hangs on the line; left out where nobody said. */
  family?: string | null;
  /** Live bait hangs over the fish, instead of being drawn up through them. */
  hangsAbove?: boolean;
}

/** What of a setting changes while one fishes. */
export type CoachHere = Pick<CoachSetting, 'band' | 'family' | 'hangsAbove'>;

/**
 * Turns what the reader sees into the next move. One echo state in, one advice out; the same states and the same memory give the
 * same advice, wherever they come from. All decisions are rows of tables.
 */
export class Coach {
  private readonly species: Species;
  private readonly observer = new Observer();
  private readonly encounter = new Encounter();
  private advice: Advice | null = null;
  private count = 0;
  private lineM: number | null = null;
  private here: CoachHere;
  private refusedAt = 0;
  private chosenMs = -Infinity;
  private beat: CadenceId | null = null;
  private preference: { answered: number; mean: number | null } = { answered: 0, mean: null };

  /**
   * Throws RangeError for a species without habits in the table.
   * @param memory what this outing has told so far; the coach adds to it
   */
  constructor(
    private readonly setting: CoachSetting,
    readonly memory: CoachMemory = emptyMemory(),
  ) {
    this.species = speciesOf(setting.speciesId);
    this.here = setting;
  }

  /** Depths that are searched while no top has shown itself, and what hangs on the line. */
  knows(here: CoachHere): void {
    this.here = here;
  }

  /** Depth the line was let out to, m, where a counter tells. */
  line(depthM: number): void {
    this.lineM = depthM;
  }

  /** What the angler tells of the fish: a tap on the Hole screen, or a fish landed. */
  reacted(kind: ReactionKind | 'landed', ms: number, depthM: number | null): void {
    const { memory } = this;
    const cadence = this.advice?.cadence.id as CadenceId | undefined;
    const answer = kind === 'landed' ? undefined : tellingOf(kind);
    if (answer && this.encounter.isWatching) this.encounter.settle(memory, answer.won, answer.lost);
    else if (answer && cadence) remember(memory, 'close', cadence, answer.won, answer.lost, memoryLimits.answerS);
    if (kind !== 'landed' && reactionMeanings[kind].answer === 'turned down' && cadence) refusedAlike(memory, cadence);
    if (kind === 'landed' || reactionMeanings[kind].isBite) {
      memory.refused = null;
      memory.refusals = 0;
      this.encounter.end();
    }
    memory.last = { kind, ms, depthM };
  }

  /** Advice after a state; null until bottom or jig has been seen. */
  update(state: EchoState): Advice | null {
    if (state.bottomM === null && state.jigM === null) return this.advice;
    const seen = this.observer.observe(state, this.lineM, this.memory);
    const { features } = seen;
    const arrived = features.marks > 0 && this.count === 0;
    this.count = features.marks;
    const before = this.advice;
    const young = before !== null && state.t - before.sinceMs < coachLimits.leastS * 1000;
    const look = young && !arrived ? sightingRules.find((r) => r.id === before.ruleId)! : this.choose(features);
    const rule = withBait(look, this.here.family, this.here.hangsAbove);
    const isFresh = before?.ruleId !== rule.id;
    const sinceMs = isFresh ? state.t : before.sinceMs;
    const refused = this.memory.refused?.count ?? 0;
    const cadence = this.cadenceFor(rule, before, isFresh, refused, state.t);
    this.refusedAt = refused;
    this.beat = this.beatFor(rule, cadence);
    this.advice = this.compose(rule, cadence, seen, state, sinceMs, isFresh ? null : before);
    this.encounter.watch(seen, state.bottomM, state.t, cadence, rule.situation, this.memory);
    return this.advice;
  }

  /** The beat that goes on while a jig is drawn away; a bait that is drawn up through them has none. */
  private beatFor({ aim, situation }: SightingRule, cadence: CadenceId): CadenceId {
    if (aim === 'through') return 'deadstick';
    return cadence === 'slow-lift' ? (this.beat ?? chooseCadence(this.memory, situation, whileItLooks, situation)) : cadence;
  }

  /** One cadence for one encounter: kept while the next look offers it too, until it is refused or has had its time. */
  private cadenceFor(rule: SightingRule, before: Advice | null, isFresh: boolean, refused: number, t: number): CadenceId {
    const was = before ? (before.cadence.id as CadenceId) : null;
    const isOffered = was !== null && rule.offers.some((o) => o.cadence === was);
    const isRefused = refused > this.refusedAt;
    const isSpent = t - this.chosenMs > 1000 * coachLimits.encounterS;
    if (isOffered && !isRefused && (!isFresh || !isSpent)) return was;
    if (rule.offers.length > 1) this.chosenMs = t;
    return chooseCadence(this.memory, rule.situation, rule.offers, rule.situation);
  }

  private choose(features: Features): SightingRule {
    return sightingRules.find((rule) => this.holds(rule.when, features)) ?? sightingRules[sightingRules.length - 1];
  }

  private holds(when: SightingLimits, features: Features): boolean {
    const { feeds, species, after, ...limits } = when;
    if (feeds && feeds !== this.species.feeds) return false;
    if (species && species !== this.species.id) return false;
    if (after && !after.some((kind) => kind === this.memory.last?.kind)) return false;
    for (const key of Object.keys(limits) as (keyof Features)[]) {
      const limit = limits[key]!;
      const value = features[key];
      if (value === null || value < (limit.least ?? -Infinity) || value > (limit.most ?? Infinity)) return false;
    }
    return true;
  }

  private compose(rule: SightingRule, id: CadenceId, seen: Observation, state: EchoState, sinceMs: number, before: Advice | null): Advice {
    const { features } = seen;
    const cadence: Cadence = cadences[id];
    const rod: Cadence = closingIn(cadences[this.beat ?? id], features.gapM);
    const keepsDepth = before !== null && (rule.aim === 'hold' || rule.aim === 'draw' || rule.aim === 'again');
    const { family } = this.here;
    const suggestion = suggestionRules.find((r) => this.holds(r.when, features) && (r.families === undefined || (family != null && r.families.includes(family))));
    return {
      sighting: rule.sighting,
      ruleId: rule.id,
      cadence,
      rod,
      pauseS: Math.round(pauseSeconds(this.setting.waterTempC) * rod.pauseFactor),
      jigM: keepsDepth && (rule.aim !== 'draw' || id === before.cadence.id) ? before.jigM : this.noDrop(rule, this.depthFor(rule, id, seen, state), seen, state.bottomM),
      fromM: rule.aim === 'through' && seen.top ? Math.min(seen.top.depthM + coachLimits.underM, (state.bottomM ?? Infinity) - coachLimits.offBedM) : null,
      handMs: this.handFor(rule, id, features),
      forS: rule.forS,
      sinceMs,
      ...this.topOf(seen, before),
      bottomM: state.bottomM,
      then: rule.then,
      reason: rule.reason,
      changesMind: rule.changesMind,
      byAnswers: this.byAnswers(rule, cadence),
      suggestion: suggestion ? { ruleId: suggestion.id, text: suggestion.text, ...(suggestion.viewpoint ? { viewpoint: suggestion.viewpoint } : {}) } : null,
      jigSeenM: state.jigM ?? before?.jigSeenM ?? null,
      baitM: seen.bait?.topM ?? before?.baitM ?? null,
      search: this.spanFor(rule, seen, state.bottomM),
    };
  }

  /** The mark that the words speak of: advice that outlasts its mark still speaks of where it was, and one that began with a stall of how long that was. */
  private topOf({ features, top }: Observation, before: Advice | null): Pick<Advice, 'topMarkM' | 'gapM' | 'stillS' | 'marks'> {
    if (!top && before) return { topMarkM: before.topMarkM, gapM: before.gapM, stillS: before.stillS, marks: before.marks };
    return { topMarkM: top?.depthM ?? null, gapM: features.gapM ?? before?.gapM ?? null, stillS: Math.max(features.stillS, before?.stillS ?? 0), marks: features.marks };
  }

  private byAnswers({ offers }: SightingRule, { intensity }: Cadence): Advice['byAnswers'] {
    const more = intensity - cadences[offers[0].cadence].intensity;
    if (!hasAnswers(this.memory) || Math.abs(more) < coachLimits.otherwise) return null;
    return more < 0 ? 'quieter' : 'livelier';
  }

  private depthFor(rule: SightingRule, cadence: CadenceId, seen: Observation, state: EchoState): number {
    const { top } = seen;
    const floor = state.bottomM ?? Infinity;
    const hasFloor = Number.isFinite(floor);
    const jig = state.jigM ?? (hasFloor ? floor - 1 : 1);
    const over = top ? aboveMark(top, this.species.offsetM, this.setting.beamDeg) : jig;
    const lowest = hasFloor ? floor - 0.05 : 300;
    const hold = this.lineM !== null && Math.abs(this.lineM - jig) < 0.6 ? this.lineM : jig;
    const aims = {
      bottom: hasFloor ? floor - this.species.offsetM : jig,
      lifted: hasFloor ? floor - rule.byM : jig,
      bed: hasFloor ? floor - 0.05 : jig,
      'above-top': over,
      through: over,
      over: top ? aboveMark(top, coachLimits.hoverM, this.setting.beamDeg) : jig,
      hold,
      // Only a lift draws; whoever tries another cadence instead stays where it is.
      draw: cadence === 'slow-lift' ? jig - rule.byM : hold,
      again: this.memory.last?.depthM ?? jig,
    };
    if (rule.aim !== 'search' && rule.aim !== 'under-bait') return clamp(aims[rule.aim], 0.4, lowest);
    const span = this.spanFor(rule, seen, state.bottomM);
    return clamp(span ? searchDepth(span, seen.features.emptyS, seen.lastM, this.preferenceNow()) : jig, 0.4, lowest);
  }

  /** Over fish of the bottom: no lower than the jig is now, unless it would be by much. */
  private noDrop({ aim }: SightingRule, jigM: number, { top }: Observation, bottomM: number | null): number {
    const nowM = this.lineM ?? this.advice?.jigM;
    if (aim !== 'over' || !top || !isOfBottom(top, bottomM) || nowM === undefined) return jigM;
    return jigM > nowM && jigM - nowM < coachLimits.dropM ? nowM : jigM;
  }

  /** What is searched where nothing shows: under the bait, or where tops have shown themselves. Null for a rule that does not search, and without a bottom. */
  private spanFor({ aim, byM }: SightingRule, { bait }: Observation, bottomM: number | null): Span | null {
    if (bottomM === null || (aim !== 'search' && aim !== 'under-bait')) return null;
    if (aim === 'under-bait' && bait) return { fromM: (bait.baseM ?? bait.depthM) + byM, toM: searchLimits.baitToShare * bottomM };
    const span = searchSpan(this.memory.topsM, bottomM, this.here.band ?? null);
    // Chasers are drawn by a bait well off the bottom.
    const lowestM = Math.max(span.fromM, bottomM - byM);
    return byM > 0 && span.toM > lowestM ? { fromM: span.fromM, toM: lowestM } : span;
  }

  /** Gently where a fish is near or the water is searched step by step, slower where a lift is drawn. */
  private handFor(rule: SightingRule, id: CadenceId, { gapM, emptyS }: Features): number | null {
    if (rule.aim === 'through') return coachLimits.throughMs;
    if (id === 'slow-lift') return drawSpeedMs;
    if (gapM !== null) return Math.abs(gapM) < coachLimits.shyM ? coachLimits.shyMs : null;
    return (rule.aim === 'search' || rule.aim === 'under-bait') && emptyS > coachLimits.leastS ? searchLimits.handMs : null;
  }

  /** What they want today; weighed anew only where something more was told. */
  private preferenceNow(): number | null {
    const answered = this.memory.answers.reduce((sum, a) => sum + 7 * a.won + 13 * a.lost + a.seconds, 0);
    if (answered !== this.preference.answered) this.preference = { answered, mean: preferenceToday(this.memory)?.mean ?? null };
    return this.preference.mean;
  }
}

/**
 * Depth for a jig `offsetM` over a mark, m, and as much higher as a faint mark may read too deep because it swims at the edge of the cone.
 */
export function aboveMark(mark: Pick<Mark, 'depthM' | 'levelDb'>, offsetM: number, beamDeg: number): number {
  const edge = mark.levelDb < coachLimits.weakDb ? edgeDepthError(mark.depthM, beamDeg) : 0;
  return mark.depthM - offsetM - edge;
}
