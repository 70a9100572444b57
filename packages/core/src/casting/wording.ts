import type { FeltKind } from '../ledger';
import { clockText, depthText, distanceText, tempStepText, type UnitPreference } from '../units';
import type { AfterRule } from './after';
import type { FloatWork } from './float-work';
import type { BackTo } from './rest';
import type { diveAlong, StandAnswer, StandCast } from './stand';
import type { CastTarget } from './targets';

/** What was felt, as it is said. */
export const feltWords: Readonly<Record<FeltKind, string>> = {
  hard: 'Rock',
  soft: 'Soft bottom',
  wood: 'Wood',
  weeds: 'Weeds',
  snag: 'Snag',
  school: 'School',
  empty: 'Nothing seen',
};

/** A length along a cast in the unit of depths, whole: "82 ft", "25 m". */
export const castText = (lengthM: number, units: UnitPreference): string => `${Math.round(units.depth === 'ft' ? lengthM / 0.3048 : lengthM)} ${units.depth}`;
export const bearingText = (deg: number): string => `${Math.round(((deg % 360) + 360) % 360) % 360}°`;

/** How a bait that sinks is counted down, s: what stops it before its count took it. */
export const fallCountText = (fallS: number): string => `Count to ${Math.round(fallS)}; stopped sooner, strike.`;

/** Below this share of the best cast's a cast straight across is worth naming. */
const acrossShare = 0.7;

/**
 * What to cast now and why, in two sentences.
 * @param hasBand whether a band of depths is cast for; not on moving water
 */
export function castWords(
  rule: AfterRule,
  cast: StandCast | null,
  answer: StandAnswer,
  passed: readonly { target: CastTarget; outM: number }[],
  units: UnitPreference,
  hasBand = true,
): { headline: string; detail: string } {
  if (rule.aim === 'straight-down' || rule.aim === 'move') return { headline: rule.headline, detail: rule.reason };
  if (!cast) {
    return answer.isReached
      ? { headline: 'All shown from here', detail: 'Every cast in reach has been made often enough. Rest this stand and go to the next.' }
      : { headline: 'Nothing to reach from here', detail: 'No water of the depth looked for lies within a cast. Go to where the map shows the band, or change the depths.' };
  }
  const bearing = bearingText(cast.bearingDeg);
  const isAlong = answer.across.inBandShare < acrossShare * cast.inBandShare;
  const [by] = passed;
  const at = by ? `by the ${by.target.name}` : isAlong ? 'along the edge' : 'through the band';
  const pass = cast.pass === 1 ? '' : cast.pass === 2 ? ', again' : `, pass ${cast.pass}`;
  const acrossM = answer.across.inBandShare * cast.lengthM;
  const across = isAlong ? `; straight across only ${castText(acrossM, units)}` : '';
  const own = rule.aim === 'best' ? '' : `${rule.reason} `;
  // A lie and the boulder that makes it have one name: the boulder, where one rests, is what the picture names too.
  const firm = (p: (typeof passed)[number]) => passed.find((o) => o.target.name === p.target.name && (o.target.kind === 'hard' || o.target.kind === 'cover')) ?? p;
  const names = passed
    .filter((p, k) => passed.findIndex((o) => o.target.name === p.target.name) === k)
    .slice(0, 2)
    .map(firm);
  const passedText = names.length === 0 ? '' : ` It passes the ${names.map((p) => `${p.target.name} ${castText(p.outM, units)} out`).join(' and the ')}.`;
  // On moving water they hold to lies, and every depth is looked at.
  const bandText = hasBand ? `${castText(cast.bandM, units)} of ${castText(cast.lengthM, units)} lie in the band${across}.` : `${castText(cast.lengthM, units)} of water.`;
  return {
    headline:
      rule.aim === 'best' || rule.aim === 'beside' || rule.aim === 'far-side' ? `Cast ${hasBand || by ? at : 'over the run'}, ${bearing}${pass}` : `${rule.headline}, ${bearing}`,
    detail: `${own}${bandText}${passedText}`,
  };
}

/**
 * Under a float its stop goes first, and what else was to be said of the cast after that. A miss, going and straight down go before both; but one that rose
 * with the bait tells more of the stop than of the miss.
 */
export function floatWords(float: FloatWork | null, { aim }: AfterRule, cast: { headline: string; detail: string }, after: string): { headline: string; detail: string } {
  const isOther = aim === 'straight-down' || aim === 'move' || (aim === 'let-fall' && !float?.isRising);
  return float === null || isOther ? cast : { headline: float.headline, detail: `${float.reason} ${after}` };
}

/** The rested place to go back to, and why. */
export function backToText({ place, why, gainedC, restedMin }: BackTo, units: UnitPreference): string {
  const because = {
    warmed: `the water has gained ${tempStepText(gainedC, units)} since: what lay idle there may feed`,
    dusk: 'dusk, and it gave today: it gives again as the light goes',
    rested: `rested ${restedMin} min, mostly filled again`,
  }[why];
  return `Back to ${place.label}: ${because}.`;
}

/** A stand to go to. */
export const nextStandText = (walkM: number, side: string, units: UnitPreference): string => `Next stand ${distanceText(walkM, units)} ${side}`;

/** What the wind does to the line, and what to do about it; null while it does nothing that matters. */
export function bowText(slackM: number, units: UnitPreference): string | null {
  if (slackM < 0.15) return null;
  const slack = depthText(slackM, units);
  if (slackM < 0.5) return `Wind bows the line: a strike must take up ${slack}. Tip down to the water.`;
  return `Wind bows the line by ${slack} of slack: go closer, cast with the wind, or take a heavier bait.`;
}

/** "6 casts, until 11:02" */
export const castsText = (casts: number, untilMs: number, zone: string): string => `${casts === 1 ? '1 cast' : `${casts} casts`}, until ${clockText(untilMs, zone)}`;

/** Whose answer an instruction is. */
export const viewpointLine = (viewpoint: string): string => `Viewpoint: ${viewpoint[0].toLowerCase()}${viewpoint.slice(1)}.`;

/** Deeper than this a bait is better let straight down than cast, m. Heuristic. */
const castDeepM = 12;

/**
 * Where to stand first, and why.
 * @param stance the place found, `seeking` while it is worked out, null where no cast reaches the band
 */
export function standWords(
  stance: { underM: number | null; toward: { what: string; awayM: number; point: string } | null } | 'seeking' | null,
  band: { fromM: number; toM: number },
  castM: number,
  isAshore: boolean,
  units: UnitPreference,
): { headline: string; detail: string } {
  const depths = `${depthText(band.fromM, units)} to ${depthText(band.toM, units)}`;
  if (stance === 'seeking') return { headline: 'Working out where to stand', detail: `From where casts of ${castText(castM, units)} show most water of ${depths}.` };
  if (stance === null)
    return {
      headline: 'Nowhere to reach it from',
      detail: `No cast of ${castText(castM, units)}${isAshore ? ' from the bank' : ''} reaches water of ${depths}. Go afloat, or cast for other depths.`,
    };
  const isDeep = (band.fromM + band.toM) / 2 > castDeepM;
  const straightDown = isDeep ? ' So deep a bait is better let straight down from over them.' : '';
  if (stance.toward) {
    const { what, awayM, point } = stance.toward;
    return {
      headline: `Cast to ${what}`,
      detail: `${isAshore ? 'Stand at the ring on the bank' : 'Anchor at the ring'}: it lies ${distanceText(awayM, units)} ${point}. Casts of ${castText(castM, units)} show most water of ${depths} there.${straightDown}`,
    };
  }
  return {
    headline: isAshore ? 'Stand at the ring on the bank' : stance.underM === null ? 'Anchor at the ring' : `Anchor at the ring, over ${depthText(stance.underM, units)}`,
    detail: `From there casts of ${castText(castM, units)} show most water of ${depths}, and of what holds fish in it.${straightDown}`,
  };
}

/** A diving bait that runs so far over where they are is not for them, m. Heuristic. */
const overThemM = 1.5;

/**
 * What a diving bait does along a cast, in words.
 * @param heldM depth that fish hang at in open water, m; null where they lie by the bottom
 */
export function diveText(dive: NonNullable<ReturnType<typeof diveAlong>>, heldM: number | null, units: UnitPreference): string {
  const reach = `It dives to ${depthText(dive.deepestM, units)} on this cast, by the figure you measured`;
  if (dive.over === 'roots') return `${reach}; from ${castText(dive.rootsFromM!, units)} out it roots on the bottom.`;
  const overM = (heldM ?? dive.bedM) - dive.deepestM;
  if (overM > overThemM)
    return `${reach}: ${depthText(overM, units)} over ${heldM === null ? 'the bottom, where they lie in the cold' : 'the depth they hang at'}. Tie on a bait that sinks, or cast where it is shallower.`;
  return dive.over === 'near the bottom' ? `${reach}: it runs near the bottom.` : `${reach}: mid-water, where they hang.`;
}
