import { speciesOf } from '../fish';
import { clockText, depthFigure, depthText, hourMs, tempText, type UnitPreference } from '../units';
import { valueAt } from '../water';
import { phaseAtInstant, sunDay } from '../weather';
import type { Outlook, OutlookInput } from './answer';
import { fishDepth, seasonStage, type Band } from './band';

/** What a reading must be off the model to be worth a word, °C, and a stretch of depth to have moved, m. Convention. */
const [worthC, worthM] = [0.3, 0.3] as const;

/** What the last thermometer reading changed: from what to what. Null without one of late, or where the model had it right. */
export function thermometerWords(input: OutlookInput, outlook: Outlook, units: UnitPreference): string | null {
  const last = input.readings?.at(-1);
  const { column, nowMs, place, speciesId } = input;
  if (!last || !column || !outlook.column) return null;
  const modelC = valueAt(column.now, 'tempC', last.depthM);
  if (Math.abs(last.tempC - modelC) < worthC) return null;
  const words = [
    `Your thermometer, ${clockText(last.atMs, place.timeZone)}: ${tempText(last.tempC, units)} at ${depthText(last.depthM, units)}, where the model had ${tempText(modelC, units)}.`,
  ];
  const today = sunDay(nowMs, place);
  const stage = seasonStage(column, (today.sunsetMs - today.sunriseMs) / hourMs);
  const before = fishDepth(speciesId, column.now, { deepestM: column.deepestM, footM: input.footM ?? null }, stage, phaseAtInstant(outlook.phases, nowMs)?.name).look;
  const after = outlook.depth;
  if (after && after.stage !== stage) words.push(`That makes it ${after.stage}, not ${stage}.`);
  if (after?.look && before && isElsewhere(after.look, before)) words.push(`${speciesOf(speciesId).short}: ${bandText(after.look, units)} instead of ${bandText(before, units)}.`);
  return words.join(' ');
}

const isElsewhere = (a: Band, b: Band) => Math.abs(a.fromM - b.fromM) > worthM || Math.abs(a.toM - b.toM) > worthM;
const bandText = ({ fromM, toM }: Band, units: UnitPreference) => `${depthFigure(fromM, units)} to ${depthText(toM, units)}`;
