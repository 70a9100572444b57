import { speciesOf } from '../fish';
import { holeSigns } from '../holes';
import type { OutingState, StationState } from '../ledger';
import type { HolePrior } from '../patch';
import { sinkTime, windBow, woodLineText, type MeasuredDive } from '../rig';
import type { Known, Situation } from '../situation';
import { familyOf, lureOf, type TacklePiece } from '../tackle';
import { betweenDeg, weightText, type UnitPreference } from '../units';
import { takesOf } from '../visits';
import { whatAfter, type AfterRule, type CastSign, type NextAim } from './after';
import { aimAfter, castAlong } from './aim';
import { chooseCadence, type BedKind } from './cadences';
import { castClock, castMinutes, paceMin, type CastClock } from './clock';
import { assumedLineMm, floatFamily, floatWork, type FloatWork } from './float-work';
import { fishedPlaces, signsAt, type castsOf } from './from-log';
import { backTo, type BackTo } from './rest';
import { castSection, diveAlong, type CastSection, type StandAnswer } from './stand';
import { unshown, unshownText } from './sides';
import { passesAlong } from './strike';
import { castPlaceRows, oneSidedText, type CastPlaceRow } from './cast-places';
import { biteMomentText, mudText } from './moments';
import { passedBy, type CastTarget } from './targets';
import { outAlong, type CastWater, type Spot } from './water';
import { ofFish, ruleWithBait, workedOn, type WorkedWay } from './working';
import { backToText, bowText, castWords, diveText, fallCountText, floatWords } from './wording';

/** Seconds down where the bait's mass is not known: assumed. */
const assumedFallS = 10;
/** Depth under the bed of the landing from which fish are met in open water, m. */
const suspendedM = 1.5;
/** A point counts for a stand within so many casts of it. Heuristic. */
const pointReach = 3;
/** The bow of a line is worked out up to this wind, m/s, and from this length of cast, m. */
const [mostWindMs, leastBowM] = [30, 2];

/** What hangs on the line: the piece where it is described, and how deep it was seen to dive. */
export interface CastBait {
  tackle: Omit<TacklePiece, 'piece'> | null;
  dive: MeasuredDive | null;
  /** Diameter of the line, mm; null where no rod is written down. */
  lineMm: number | null;
  /** What the line holds, kg; null or absent where nobody said. */
  strengthKg?: number | null;
}

/** What is cast for: the band, the water in it, what holds fish, and how far a fish moves to a bait. */
export interface CastFor {
  band: { fromM: number; toM: number };
  temp: Known<number>;
  targets: readonly CastTarget[];
  /** Ends of points, where the bed has some. */
  points?: readonly Spot[];
  castM: number;
  strikeM: number;
  isMoving: boolean;
}

export interface CastAdviceSetting {
  situation: Situation;
  outing: OutingState;
  stand: StationState;
  /** The bed of today; its map is that of the section. */
  bed: CastWater;
  seeks: CastFor;
  /** All casts of the outing. */
  casts: ReturnType<typeof castsOf>;
  /** The fan of the stand; null while it is worked out. */
  fan: StandAnswer | null;
  bait: CastBait;
  /** The bearing that the angler chose, degrees; null to follow the advice. */
  ownDeg: number | null;
  prior: HolePrior;
  nowMs: number;
  /** Dusk of today, ms; null where it is not known. */
  duskMs: number | null;
  units: UnitPreference;
}

/** A cast from the side: its section, what it passes, and what wind and a diving bait do along it. */
export interface AimedCast {
  section: CastSection;
  passed: { target: CastTarget; outM: number }[];
  dived: ReturnType<typeof diveAlong>;
  divedText: string | null;
  bowText: string | null;
}

/** How it is brought back. `fallS` is null where the bait's mass is not in the box. */
export interface CastRetrieve extends WorkedWay {
  fallS: number | null;
  /** Before the first move, s: a bait that dives is brought back at once. */
  waitS: number;
}

/** All that is said at a stand: where to cast, how to bring it back, for how long, and what comes after. */
export interface CastAdvice {
  rule: AfterRule;
  bearingDeg: number;
  words: { headline: string; detail: string } | null;
  cast: AimedCast;
  retrieve: CastRetrieve;
  /** The float and its stop, where one is on the line. */
  float: FloatWork | null;
  clock: CastClock;
  back: BackTo | null;
  backText: string | null;
  /** Whether one should leave: the casts are made, or what was felt says so. */
  isGoing: boolean;
  /** Depth under the stand, m; null on land. */
  underM: number | null;
  /** What is said of line too weak for the cover that the cast comes by; null where it is strong enough, or nobody said. */
  woodText: string | null;
  /** Casts of the outing by what they were made at; empty where the bed has no points. */
  places: CastPlaceRow[];
}

/** What a cast runs over where something there is known. */
function bedOf(passed: AimedCast['passed']): BedKind {
  const [main] = passed.filter((p) => p.target.kind === 'hard' || p.target.kind === 'cover');
  if (!main) return 'unknown';
  return main.target.kind === 'hard' ? 'hard' : 'wood';
}

/** Slack that the wind puts into the line, m; null where the wind or the cast gives none to speak of. */
function bowOf({ situation, bait }: CastAdviceSetting, lengthM: number, bearingDeg: number): number | null {
  const wind = situation.wind?.value;
  if (!wind || wind.fromDeg === null || lengthM <= leastBowM) return null;
  return windBow(lengthM, bait.lineMm ?? assumedLineMm, Math.min(mostWindMs, wind.speedMs), betweenDeg(wind.fromDeg, bearingDeg)).slackM;
}

/** A float from this stand, by what is known of it. */
function floatOf(
  { situation, outing, stand, seeks, bait, nowMs, units }: CastAdviceSetting,
  rule: AfterRule,
  signs: readonly CastSign[],
  way: WorkedWay,
  bedM: number | null,
): FloatWork {
  const windMs = situation.wind?.value.speedMs ?? null;
  return floatWork({
    outing,
    stand,
    signs,
    rule,
    band: seeks.isMoving ? null : seeks.band,
    bedM,
    way,
    massG: bait.tackle?.massG ?? null,
    lineMm: bait.lineMm ?? null,
    windMs,
    nowMs,
    units,
  });
}

/** The next cast and how it is brought back. */
function castOf(setting: CastAdviceSetting, bearingDeg: number, rule: AfterRule, signs: readonly CastSign[]): Pick<CastAdvice, 'cast' | 'retrieve' | 'float'> {
  const { situation, outing, bed, seeks, bait, stand, units } = setting;
  const { band } = seeks;
  const tempC = seeks.temp.value;
  const from = bed.spot(stand.at);
  const lengthM = bed.clearM(from, bearingDeg, seeks.castM, 0.5);
  const passed = passedBy(seeks.targets, from, bearingDeg, Math.max(1, lengthM), Math.max(1.5, seeks.strikeM));
  const end = outAlong(from, bearingDeg, lengthM);
  const isSuspended = !seeks.isMoving && bed.depth(end.x, end.y) > band.toM + suspendedM;
  const heldM = isSuspended ? (band.fromM + band.toM) / 2 : null;
  const chosen = chooseCadence({
    tempC,
    secchiM: situation.clarity.value,
    bed: bedOf(passed),
    group: speciesOf(outing.species[0]).group,
    goal: situation.goal.value,
    isSuspended,
    bites: ofFish(signs).length,
  });
  const bedM = bed.depth(end.x, end.y);
  const way = workedOn({
    tackle: bait.tackle,
    diveM: bait.dive?.depthM ?? null,
    tempC,
    depthM: Number.isNaN(bedM) ? band.toM : bedM,
    bed: bedOf(passed),
    goal: situation.goal.value,
    signs,
    rule,
    chosen,
  });
  const float = bait.tackle?.family === floatFamily ? floatOf(setting, rule, signs, way, Number.isNaN(bedM) ? null : bedM) : null;
  const { cadence } = way;
  const dives = bait.dive !== null && bait.tackle !== null && familyOf(bait.tackle.family).dives;
  const dive = dives ? { measured: bait.dive!, lineMm: bait.lineMm ?? bait.dive!.lineMm } : null;
  const section = castSection(bed.map, stand.at, bearingDeg, seeks.castM, band, { liftM: cadence.liftM, takeM: cadence.takeM, atM: float?.stopM ?? heldM, dive });
  const dived = dive ? diveAlong(section) : null;
  const slackM = bowOf(setting, section.lengthM, bearingDeg);
  const massG = bait.tackle?.massG;
  const sinksS = massG && section.landsM > 0.1 ? sinkTime(lureOf(familyOf(bait.tackle!.family), massG), section.landsM, bait.lineMm ?? assumedLineMm) : null;
  const fallS = float ? float.standsS : sinksS;
  return {
    cast: { section, passed, dived, divedText: dived && diveText(dived, heldM, units), bowText: slackM === null ? null : bowText(slackM, units) },
    retrieve: {
      ...way,
      fallS,
      waitS: dive ? 0 : (fallS ?? assumedFallS),
    },
    float,
  };
}

/** Casts that look for fish: what no bait has come by is named with them, and not where the next cast is settled. */
const seeking: readonly NextAim[] = ['best', 'beside', 'far-side'];

/** Ways of working a bait that is moved at once, or hangs where it is. */
const notCounted: readonly string[] = ['pull-hang', 'along-cover', 'pull-settle'];

/** A bait that sinks is counted down: what stops it before its count took it. Nothing is counted of one that dives, hangs or is on a float. */
function countWords<W extends { detail: string }>(words: W, { fallS, worked }: CastRetrieve, { dived }: AimedCast, { aim }: AfterRule): W {
  if (fallS === null || fallS < 2 || dived !== null || (worked !== null && notCounted.includes(worked.cadence.id)) || aim === 'straight-down' || aim === 'move') return words;
  return { ...words, detail: `${fallCountText(fallS)} ${words.detail}` };
}

/** The casts of the outing by what they were made at, where one of them could have been at a point. */
function placesOf({ outing, bed, seeks, casts }: CastAdviceSetting): CastPlaceRow[] {
  const placed = casts.map((c) => ({ id: c.id, from: bed.spot(c.from), bearingDeg: c.bearingDeg, lengthM: c.lengthM }));
  const near = (seeks.points ?? []).filter((p) => placed.some((c) => Math.hypot(c.from.x - p.x, c.from.y - p.y) <= pointReach * seeks.castM));
  if (near.length === 0) return [];
  const bitten = new Set(
    takesOf(outing)
      .flatMap((t) => (t.isBite ? [...t.reactions.map((r) => r.cast), t.fish?.cast ?? null] : []))
      .filter((id) => id !== null),
  );
  return castPlaceRows(placed, bitten, near, seeks.targets);
}

/** What was learned on this water, or what from here was not shown yet, in a sentence before the cast; null where there is neither. */
function learnedText({ outing }: CastAdviceSetting, places: readonly CastPlaceRow[], left: ReturnType<typeof unshown>, isSeeking: boolean): string | null {
  const learned = mudText(outing) ?? biteMomentText(outing);
  if (learned !== null || !isSeeking) return learned;
  return left ? unshownText(left) : oneSidedText(places, places.length > 0);
}

/** What is said of the next cast: that the casts are made, else the cast with what was learned, its count, and the stop of a float. Null without a fan. */
function wordsOf(
  setting: CastAdviceSetting,
  made: CastAdviceSetting['casts'],
  { rule, bearingDeg, cast, retrieve, float, clock, places }: Pick<CastAdvice, 'rule' | 'bearingDeg' | 'cast' | 'retrieve' | 'float' | 'clock' | 'places'>,
): CastAdvice['words'] {
  const { outing, stand, bed, seeks, fan, ownDeg, units } = setting;
  if (!fan) return null;
  const isOwn = ownDeg !== null;
  const isSeeking = seeking.includes(rule.aim);
  const shown = fan.isReached || isOwn ? castAlong(cast.section, bearingDeg, fan, made, seeks.strikeM) : null;
  // After a blank by a log its other sides come first; a bite asks for the same again.
  const left = ofFish(signsAt(outing, stand)).length === 0 ? unshown(seeks.targets, bed.spot(stand.at), made) : null;
  // The casts are made and nothing asks for another one: what comes next is the move. Where somebody aims, one casts there.
  const isOver = clock.castsLeft === 0 && made.length > 0 && shown !== null && left === null;
  if (isOver && isSeeking && !isOwn) return { headline: 'Move on', detail: clock.reason };
  const said = castWords(isOwn ? { ...rule, aim: 'best' } : rule, shown, fan, cast.passed, units, !seeks.isMoving);
  const learned = rule.aim === 'move' || rule.aim === 'straight-down' ? null : learnedText(setting, places, left, isSeeking);
  const counted = countWords(learned === null ? said : { ...said, detail: `${learned} ${said.detail}` }, retrieve, cast, rule);
  return floatWords(float, rule, counted, `${counted.headline}.`);
}

/** What to cast, how to bring it back, for how many casts, and where to go then, by all that is known here and was felt from this stand. */
export function castAdvice(setting: CastAdviceSetting): CastAdvice {
  const { outing, stand, bed, seeks, fan, ownDeg, prior, nowMs, duskMs, units } = setting;
  const made = setting.casts.filter((c) => c.station === stand.id);
  const last = made.at(-1);
  const signs = signsAt(outing, stand);
  const from = bed.spot(stand.at);
  const under = bed.depth(from.x, from.y);
  const underM = Number.isNaN(under) ? null : under;
  const first = whatAfter({ signs, nowMs, underM, passes: last ? passesAlong(made, last.bearingDeg, seeks.strikeM, seeks.castM) : 0 });
  const bearingDeg = ownDeg ?? (fan && aimAfter(first, fan, last, seeks.strikeM)) ?? last?.bearingDeg ?? 0;
  const { cast, retrieve, float } = castOf(setting, bearingDeg, first, signs);
  const rule = ruleWithBait(first, retrieve.worked, signs, setting.bait.tackle, setting.situation.goal.value);
  const expectedMin = castMinutes(Math.max(5, cast.section.lengthM), retrieve.waitS, retrieve.paceSPerM);
  const pace = paceMin(
    made.map((c) => c.ms),
    expectedMin,
  );
  const gains = (fan?.casts ?? []).map((c) => c.gain);
  const clock = castClock({ ...holeSigns(outing, stand), awaitsWarmth: setting.situation.awaitsWarmth }, prior, nowMs, pace, gains);
  const back = backTo(fishedPlaces(outing), nowMs, seeks.temp.by === 'measured' ? seeks.temp.value : null, duskMs);
  const advised = { rule, bearingDeg, cast, retrieve, float, clock, places: placesOf(setting) };
  return {
    ...advised,
    words: wordsOf(setting, made, advised),
    woodText: cast.passed.some((p) => p.target.kind === 'cover') ? woodLineText(setting.bait.strengthKg ?? null, (kg) => weightText(1000 * kg, units)) : null,
    back,
    backText: back && backToText(back, units),
    isGoing: clock.castsLeft === 0 || rule.aim === 'move',
    underM,
  };
}
