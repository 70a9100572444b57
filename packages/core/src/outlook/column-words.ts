import { counted, depthFigure, depthText, inOwnUnits, tempStepText, tempText, type UnitPreference } from '../units';
import { valueAt } from '../water';
import type { ColumnProfile, WinterFit } from '../winter';
import type { FishDepth } from './band';
import type { ColumnAnswer } from '../column';

export interface ColumnWords {
  /** What the column says, as a title. */
  title: string;
  /** Where to be in it, and why. */
  detail: string;
  /** How it was come by: modelled, and how far measurements have spoken. */
  source: string;
}

/** Waters this far apart in temperature are told apart, °C. */
const apartC = 0.8;

/** The column in words, in the angler's units. */
export function columnWords(answer: ColumnAnswer, depth: FishDepth, fish: string, units: UnitPreference): ColumnWords {
  const { now, deepestM, fit } = answer;
  return {
    title: `${warmthWords(now, deepestM)}, ${breathWords(depth, units)}`,
    detail: `${lookWords(depth, fish, units)}${slownessOf(now, depth)}${hurtWords(depth, units)}`,
    source: sourceWords(fit, units),
  };
}

/** What slows them in the middle of the stretch they are looked for in. */
function slownessOf(now: ColumnProfile, { look }: FishDepth): string {
  if (!look) return '';
  const middleM = (look.fromM + look.toM) / 2;
  return slowWords(valueAt(now, 'tempC', middleM), valueAt(now, 'oxygenMgL', middleM));
}

function warmthWords(now: ColumnProfile, deepestM: number): string {
  const top = valueAt(now, 'tempC', Math.min(1, deepestM / 3));
  const bottom = valueAt(now, 'tempC', deepestM);
  if (bottom - top > apartC) return 'Warmest at the bottom';
  if (top - bottom > apartC) return 'Warmest at the top';
  return 'One temperature all the way down';
}

/** Below this fish are slow whatever the oxygen, °C; from so much oxygen on it is not what slows them, mg/L. Heuristic; source: fieldcraft §2. */
const [slowC, plentyMgL] = [7, 6] as const;

/** What slows them, where they are looked for: the cold or the oxygen; empty where neither does. Others hold the other for it. */
export function slowWords(tempC: number, oxygenMgL: number): string {
  if (oxygenMgL < plentyMgL) return ' Slow for want of oxygen, more than for the cold.';
  return tempC < slowC ? ' Slow for the cold, not for want of oxygen.' : '';
}

const breathWords = ({ spentBelowM, habitable }: FishDepth, units: UnitPreference) =>
  habitable === null ? 'too little oxygen anywhere' : spentBelowM === null ? 'oxygen to the bottom' : `breathable to ${depthText(spentBelowM, units)}`;

function lookWords({ look, rule, tempC, stage, risenC }: FishDepth, fish: string, units: UnitPreference): string {
  if (!look || tempC === null) return `No depth here suits ${fish.toLowerCase()} now.`;
  const at = `${fish}, ${stage}: ${depthFigure(look.fromM, units)} to ${depthText(look.toM, units)}, ${tempText(tempC, units)}`;
  if (risenC !== null) return `${at}, in pockets and hard cover. The water rose ${tempStepText(risenC, units)}: they come up while it lasts.`;
  return `${at}, ${rule.where}. ${inOwnUnits(rule.reason, units)}`;
}

const hurtWords = ({ hurtBelowM }: FishDepth, units: UnitPreference) =>
  hurtBelowM === null ? '' : ` From deeper than ${depthText(hurtBelowM, units)} they are often hurt on the way up.`;

function sourceWords(fit: WinterFit | null, units: UnitPreference): string {
  if (!fit) return 'Modelled from the weather since autumn; nothing measured yet. A thermometer drop or an ice reading corrects it.';
  const temps = fit.residuals.filter((r) => r.kind === 'tempC').length;
  const ice = fit.residuals.filter((r) => r.kind === 'iceClearM').length;
  const closer = fit.tempRms ? `, ${tempStepText(fit.tempRms.after, units)} off them instead of ${tempStepText(fit.tempRms.before, units)}` : '';
  return `Modelled, corrected by your ${counted(temps, 'thermometer reading')} and ${counted(ice, 'ice reading')}${closer}.`;
}

/** Rows of the column for those who read figures rather than lines: every so many metres. */
export function columnTable(answer: ColumnAnswer, units: UnitPreference): { depth: string; temp: string; oxygen: string; light: string }[] {
  const stepM = units.depth === 'ft' ? 4 * 0.3048 : 1;
  const rows = [];
  for (let z = stepM; z <= answer.deepestM; z += stepM) {
    rows.push({
      depth: depthText(z, units),
      temp: units.temp === 'F' ? `${(valueAt(answer.now, 'tempC', z) * 1.8 + 32).toFixed(1)} °F` : `${valueAt(answer.now, 'tempC', z).toFixed(1)} °C`,
      oxygen: `${valueAt(answer.now, 'oxygenMgL', z).toFixed(1)} mg/L`,
      light: lightText(valueAt(answer.now, 'light', z)),
    });
  }
  return rows;
}

const lightText = (share: number) => (share < 0.0001 ? 'dark' : share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(1)} %`);
