import { speciesOf } from '../fish';
import { iceGuidance, type IceFinding, type IceLoad } from '../safety';
import { clockText, dayMs, dayText, depthFigure, depthText, hourMs, iceNeededText, iceText, inOwnUnits, spanText, startOfDay, tempText, type UnitPreference } from '../units';
import type { Place } from '../weather';
import type { Outlook, OutlookInput } from './answer';
import { injuryWords, type Band } from './band';
import { phaseRules } from './rules';

export interface OutlookWords {
  headline: string;
  why: string;
  ice: { headline: string; detail: string };
  cold: string;
}

const kindWords = { cold: 'cold front', warm: 'warm front', occluded: 'occluded front' } as const;

/** The sentence that opens the Outlook, the reason under it, and the cautions. */
export function outlookWords(outlook: Outlook, input: Pick<OutlookInput, 'speciesId' | 'nowMs' | 'place' | 'load'>, units: UnitPreference): OutlookWords {
  const ice = outlook.surface === 'moving' ? movingWords : iceWords(outlook.ice, units, input.load, outlook.grownM);
  return { ...windowWords(outlook, input, units), ice, cold: coldWords(outlook, input.place, units) };
}

function windowWords(
  { choice, windows, nextFront, sun, depth, choiceLook, phaseNow, setting, knownToMs }: Outlook,
  { speciesId, nowMs, place }: Pick<OutlookInput, 'speciesId' | 'nowMs' | 'place'>,
  units: UnitPreference,
) {
  const fish = speciesOf(speciesId).short;
  const clock = (ms: number) => clockText(ms, place.timeZone);
  // Weather that ends is no forecast of nothing: what comes after it is unknown, not calm.
  const ends =
    knownToMs < nowMs + dayMs
      ? `The weather known here ends at ${clock(knownToMs)}: hours after it are not judged, nor is wind or snow foreseen. Look at the sky, or bring newer weather.`
      : '';
  if (!choice && ends !== '') return { headline: `No forecast to judge hours by`, why: ends };
  if (!choice) return { headline: `No good hours for ${fish.toLowerCase()}`, why: 'Nothing in the next three days stands out over an ordinary hour. The ribbon shows why.' };
  const today = startOfDay(nowMs, place.timeZone) === startOfDay(choice.fromMs, place.timeZone);
  const day = today ? '' : ` on ${dayText(choice.fromMs, place.timeZone).slice(0, 3)}`;
  const headline = choice.fromMs <= nowMs ? `Be over them now, until ${clock(choice.toMs)}` : `Be over them by ${clock(choice.fromMs)}${day}`;
  const front =
    nextFront && nextFront.atMs - choice.fromMs < 24 * hourMs
      ? ` A ${kindWords[nextFront.kind]} comes at ${clock(nextFront.atMs)}${startOfDay(nextFront.atMs, place.timeZone) === startOfDay(nowMs, place.timeZone) ? '' : ` ${dayText(nextFront.atMs, place.timeZone).slice(0, 3)}`}, give or take ${Math.ceil(nextFront.uncertaintyH)} h.`
      : '';
  const dusk = sun.find((s) => s.duskMs > choice.fromMs)?.duskMs;
  const off = dusk ? ` Dark at ${clock(dusk)}.` : '';
  const rule = phaseRules.find((r) => r.phase === choice.phase)!;
  const at = depth?.look ? depthWords(depth.look, choiceLook, units) : '';
  const later = windows.find((w) => w.fromMs > choice.toMs && startOfDay(w.fromMs, place.timeZone) === startOfDay(choice.fromMs, place.timeZone));
  const again = later ? ` and ${clock(later.fromMs)} to ${clock(later.toMs)}` : '';
  // Another day is the answer: say what is against this one.
  const now = !today && phaseNow && setting.viewpoints['pressure-or-light'] !== 'light' ? `Today: ${lowerFirst(phaseRules.find((r) => r.phase === phaseNow.name)!.reason)} ` : '';
  const hurt = depth?.look ? injuryWords(speciesOf(speciesId), depth.look.toM, units) : '';
  return {
    headline,
    why: `${now}${fish} feed best ${clock(choice.fromMs)} to ${clock(choice.toMs)}${day}${again}${at}.${hurt} ${inOwnUnits(rule.reason, units)}${front}${off}${ends && ` ${ends}`}`,
  };
}

/** A stretch that moves by less than this is told as one, m. Convention. */
const movedM = 0.5;

/** Where to fish, the same stretch that every other screen names, and how the weather of the window moves its upper end. Begins with a comma. */
function depthWords(look: Band, then: Band | null, units: UnitPreference): string {
  const at = `, ${depthFigure(look.fromM, units)} to ${depthText(look.toM, units)} down`;
  if (!then || Math.abs(then.fromM - look.fromM) < movedM) return at;
  return then.fromM < look.fromM ? `${at}, in that weather up to ${depthText(then.fromM, units)}` : `${at}, in that weather below ${depthText(then.fromM, units)}`;
}

const lowerFirst = (text: string) => text[0].toLowerCase() + text.slice(1);

/** What stands against going to moving water; nothing measured on it says that it bears. */
export const movingWords = {
  headline: 'Moving water: keep off any ice on it',
  detail:
    'River ice is not lake ice: current thins it from below where nothing shows. From the bank: firm footing, banks undercut and iced over give way. Wading or afloat: flotation worn, cold water takes the breath, somebody knows the plan. Local authorities know more.',
};

/** What may be said of the ice. There is no wording that says it is safe. */
export function iceWords(ice: IceFinding, units: UnitPreference, load: IceLoad = 'foot', grownM: number | null = null): { headline: string; detail: string } {
  const next = 'Check each hole, closer together near inflows. No ice is safe ice; local authorities know more.';
  if (ice.kind === 'not-measured') return { headline: 'Ice not measured', detail: `Nothing is known of the ice here. Measure before every few steps. ${next}` };
  const age = ice.ageMs < hourMs ? 'just now' : `${spanText(ice.ageMs)} ago`;
  const counts = `Counts as ${iceText(ice.countsM, units)}, white ice half.`;
  const { words } = iceGuidance.find((g) => g.load === load)!;
  if (ice.kind === 'thawed') {
    return {
      headline: `Thaw since the ice was measured, ${age}`,
      detail: `${Math.round(ice.hoursAbove)} h above freezing on end: ice loses its strength before it thins, and the old figure is void. Measure anew, or stay off. ${next}`,
    };
  }
  const modelled = modelledWords(grownM, units);
  if (ice.kind === 'not-enough') {
    return {
      headline: `Not enough ice, measured ${age}`,
      detail: `${counts} Common guidance asks ${iceNeededText(ice.leastM, units)} of clear ice for ${words}. Stay off.${modelled} ${next}`,
    };
  }
  return {
    headline: `Ice measured ${age}: ${iceText(ice.countsM, units)}`,
    detail: `${counts} Above common guidance for ${words} there (${iceNeededText(ice.leastM, units)}), and says nothing about the next hole.${modelled} ${next}`,
  };
}

/** Growth or loss since the measurement as the model has it, said to be modelled; nothing where it is under half an inch or a centimetre. */
function modelledWords(grownM: number | null, units: UnitPreference): string {
  if (grownM === null || Math.abs(grownM) < 0.012) return '';
  return grownM > 0
    ? ` The model has it grow some ${iceText(grownM, units)} since, which replaces no measurement.`
    : ` The model has less ice than was measured, by ${iceText(-grownM, units)}: measure anew.`;
}

function coldWords({ coldest, feelsLikeC }: Outlook, place: Place, units: UnitPreference): string {
  if (!coldest || feelsLikeC === undefined) return 'How cold it feels is not known, without temperature or wind: dress for worse than it looks.';
  const bite =
    coldest.frostbite.by === 'formula'
      ? ` Bare skin freezes in about ${Math.round(coldest.frostbite.minutes)} min.`
      : coldest.frostbite.text === 'over 30'
        ? ' Bare skin: over 30 min to frostbite, wet skin sooner.'
        : ` Bare skin freezes in ${coldest.frostbite.text} min, by the public wind-chill bands.`;
  return `Feels like ${tempText(feelsLikeC, units)} now, coldest ${tempText(coldest.feelsLikeC, units)} at ${clockText(coldest.atMs, place.timeZone)}.${bite}`;
}

/**
 * What the thinnest measured ice bears by Gold's lower bound, beside the guidance for machines and
 * only where that guidance is passed too; null else.
 */
export function bearingWords(ice: IceFinding, load: IceLoad, units: UnitPreference): string | null {
  if (ice.kind !== 'above-guidance' || ice.bearsKg === null || load === 'foot') return null;
  const tens = Math.floor(ice.bearsKg / 10) * 10;
  const mass = units.weight === 'lb' ? `${Math.floor((ice.bearsKg * 2.20462) / 10) * 10} lb` : `${tens} kg`;
  return `By the careful end of the published range ice like that bore ${mass} in all, moving and spread out; cracks, springs and standing loads are not in that figure.`;
}
