import { gramsPerWeightUnit, metresPerFishUnit, type UnitPreference } from './preference';

/** How a figure is typed and stepped in the angler's own unit. */
export interface TypedForm {
  unit: string;
  /** What one unit is in the unit that is stored. */
  per: number;
  /** One tap, and where stepping begins, in the angler's unit. */
  step: number;
  start: number;
  digits: number;
  /** The largest that is taken, in the stored unit. */
  most: number;
}

/** A fish's weight, stored in g. */
export const weightForm = (units: UnitPreference): TypedForm =>
  units.weight === 'lb'
    ? { unit: 'lb', per: gramsPerWeightUnit(units), step: 0.1, start: 1, digits: 2, most: 200_000 }
    : { unit: 'g', per: 1, step: 50, start: 500, digits: 0, most: 200_000 };

/** A fish's length or girth, stored in mm. */
export const fishLengthForm = (units: UnitPreference): TypedForm => ({
  unit: units.fishLength,
  per: 1000 * metresPerFishUnit(units),
  step: units.fishLength === 'in' ? 0.25 : 1,
  start: units.fishLength === 'in' ? 10 : 25,
  digits: units.fishLength === 'in' ? 2 : 1,
  most: 3000,
});

/** A figure as it stands in the field; empty for none. */
export const writtenFigure = (value: number | null, form: TypedForm): string => (value === null ? '' : String(Number((value / form.per).toFixed(form.digits))));

/** What was typed, in the stored unit: null for an empty field, undefined for what is no figure above 0 and up to the largest. Comma or point. */
export function typedFigure(text: string, form: TypedForm): number | null | undefined {
  const words = text.trim().replace(',', '.');
  if (words === '') return null;
  const value = /^\d*\.?\d+$|^\d+\.$/.test(words) ? Number(words) * form.per : Number.NaN;
  return value > 0 && value <= form.most ? Math.round(10 * value) / 10 : undefined;
}

/** One tap more or less, on the steps of the form; the first sets where stepping begins. */
export function steppedFigure(value: number | null, form: TypedForm, direction: 1 | -1): number {
  if (value === null) return form.start * form.per;
  const steps = Math.round(value / form.per / form.step) + direction;
  return Math.min(Math.max(steps, 1) * form.step * form.per, form.most);
}
