import type { UnitPreference } from '../units';
import { calibrationLimits, type Calibration } from './calibration';
import { factorLimits, type Factor } from './factors';
import type { Losses, LossStep } from './losses';
import { rowLabel } from './wording';

const hours: Readonly<Record<string, string>> = { dawn: 'Dawn', day: 'Full day', dusk: 'Dusk', night: 'Night' };
const numbers: Readonly<Record<string, string>> = { depth: 'Deeper water', cloud: 'More cloud', 'water-temp': 'Warmer water', clarity: 'Clearer water' };
const capital = (text: string) => `${text[0].toUpperCase()}${text.slice(1)}`;

/** What a factor is called: "Dawn", "Deeper water", a bait by its name. */
export function factorLabel({ factor, level }: Pick<Factor, 'factor' | 'level'>, units: UnitPreference): string {
  if (factor === 'height') return rowLabel({ by: 'height' }, level, units, (id) => id);
  if (factor === 'hour') return hours[level] ?? level;
  return numbers[factor] ?? capital(level);
}

const times = (factor: number) => factor.toFixed(1);

/** What surely goes with more or fewer bites, strongest first; what would tell where nothing does. */
export function factorWords(factors: readonly Factor[], outings: number, units: UnitPreference): { headline: string; detail: string } {
  if (factors.length === 0)
    return outings < factorLimits.outings
      ? { headline: 'Not enough yet', detail: `What goes together is told apart from ${factorLimits.outings} outings of one way; ${outings} so far.` }
      : { headline: 'Nothing to weigh', detail: 'One bait, one height and one hour throughout: there is nothing to hold against each other.' };
  const [best] = factors.filter((f) => f.isNamed).sort((a, b) => Math.abs(Math.log(b.together.factor)) - Math.abs(Math.log(a.together.factor)));
  if (!best)
    return { headline: 'Nothing that could not be luck', detail: 'Weighed all together, no difference is sure yet. More outings, and one thing changed at a time, would tell.' };
  const { factor, low, high } = best.together;
  const than = best.against === 'less' ? 'than less of it' : best.against === 'rest' ? 'than the rest' : `than ${best.against.toLowerCase()}`;
  return {
    headline: `${factorLabel(best, units)}: ${times(factor)} times the bites`,
    detail: `${times(low)} to ${times(high)} times, ${than}, all the others weighed beside it.`,
  };
}

/** The factor that looks most different alone: what one would have believed. Null where none does. */
export function aloneWords(factors: readonly Factor[], units: UnitPreference): string | null {
  const gap = (f: Factor) => Math.abs(Math.log(f.alone.factor) - Math.log(f.together.factor));
  const [most] = [...factors].sort((a, b) => gap(b) - gap(a));
  if (!most || gap(most) < Math.log(1.2)) return null;
  return `Alone, ${factorLabel(most, units).toLowerCase()} looks like ${times(most.alone.factor)}; beside the others it is ${times(most.together.factor)}.`;
}

const stepWords: Readonly<Record<LossStep['to'], string>> = { bit: 'of those seen bit', hooked: 'of those that bit were hooked', landed: 'of those hooked were landed' };
export const lossLabel = (step: Pick<LossStep, 'to'>): string => stepWords[step.to];

/** What to change first at a step that leaks. Source: fieldcraft. */
const leakRemedies: Readonly<Record<LossStep['to'], string>> = {
  bit: 'They look and do not take: change the cadence first, then the size.',
  hooked: 'They take and are not hooked: a smaller or sharper hook, a shorter bait, strike at the first weight.',
  landed: 'They come off on the way: a softer tip, the drag looser, no slack line at the hole.',
};

/** Where fish are lost, in words; what to change first where one step leaked on the last outing. */
export function lossWords({ steps, leak }: Losses): { headline: string; detail: string } {
  if (leak) {
    const name = { bit: 'before they bite', hooked: 'at the strike', landed: 'on the way in' }[leak.step];
    return { headline: `Last time you lost them ${name}`, detail: `${leakRemedies[leak.step]} ${Math.floor(100 * leak.probability)} in 100 that it was not a bad day's luck.` };
  }
  return steps.every((s) => s.of === 0)
    ? { headline: 'No bites logged yet', detail: 'Looks, bites, fish on and fish lost show where they go.' }
    : { headline: 'No step leaks more than it does on your other days', detail: 'A step that halves on a day is named, mostly from forty to a hundred fish seen.' };
}

/** Whether the Outlook was right, in words. */
export function calibrationWords({ outings, skill, isClaimed }: Calibration): { headline: string; detail: string } {
  if (!skill) return { headline: 'Not enough yet', detail: `Whether the Outlook was right is told from ${calibrationLimits.outings} outings on this water; ${outings} so far.` };
  const share = (value: number) => `${Math.round(100 * Math.abs(value))} % ${value >= 0 ? 'better' : 'worse'}`;
  const { constant, dawnDusk } = skill;
  const detail = `${share(constant.value)} than the same all day, ${share(dawnDusk.value)} than dawn and dusk only.`;
  return isClaimed ? { headline: 'The Outlook told more than chance', detail } : { headline: 'The Outlook has not proved itself here', detail };
}
