import { speciesOf } from '../fish';
import type { Surface, WaterTurn } from '../outlook';
import { betweenDeg, currentText, depthFigure, depthText, dayText, tempStepText, tempText, windText, type UnitPreference } from '../units';
import type { Situation } from './situation';

/** What a measurement must differ from the plan's to be worth a word. Convention. */
const worth = { tempC: 0.4, windMs: 1.5, windDeg: 40, clarityTimes: 1.25, levelM: 0.15, flowMs: 0.03, bandM: 0.3 } as const;

const surfaceWords: Record<Surface, string> = { ice: 'ice', skin: 'a skin of ice', open: 'open water', moving: 'moving water', unknown: 'not known' };

/** One thing that the plan took for something and that one finds on arrival. */
export interface ArrivalRow {
  what: 'surface' | 'wind' | 'temperature' | 'clarity' | 'level' | 'flow';
  /** In words, as the plan has it, and who says so. */
  planned: string;
}

/** What the plan takes the water for, row by row, so that each can be looked at on arrival. */
export function arrivalRows(s: Situation, units: UnitPreference): ArrivalRow[] {
  const isMoving = s.surface.value === 'moving';
  return [
    ...(isMoving ? [] : [{ what: 'surface' as const, planned: `${surfaceWords[s.surface.value]}${s.surface.by === 'assumed' ? '' : `, ${s.surface.by}`}` }]),
    { what: 'wind', planned: s.wind ? `${windWords(s, units)}, ${s.wind.by}` : 'not known' },
    { what: 'temperature', planned: `${tempText(s.temperature.value, units)}, ${s.temperature.by}` },
    { what: 'clarity', planned: `${depthText(s.clarity.value, units)}, ${s.clarity.by}` },
    { what: 'level', planned: `${levelWords(s.level.value, units)}, ${s.level.by}` },
    ...(isMoving ? [{ what: 'flow' as const, planned: s.flow ? `${currentText(Math.abs(s.flow.value), units)}, ${s.flow.by}` : 'not timed' }] : []),
  ];
}

/** What was found other than planned, and what that changes; both empty where it is as planned. */
export function arrivalWords(before: Situation, after: Situation, units: UnitPreference, timeZone = 'UTC'): { differs: string[]; changes: string[] } {
  const differs: string[] = [];
  const [was, is] = [before, after];
  if (was.surface.value !== is.surface.value) differs.push(`${upperFirst(surfaceWords[is.surface.value])}, not ${surfaceWords[was.surface.value]}.`);
  if (is.wind && isOtherWind(was.wind?.value ?? null, is.wind.value))
    differs.push(`Wind ${windWords(is, units)}, ${was.wind ? `not ${windWords(was, units)}` : 'not known before'}.`);
  const [wasC, isC] = [was, is].map((s) => surfaceC(s));
  if (Math.abs(isC - wasC) >= worth.tempC) differs.push(`Water ${tempText(isC, units)}, not ${tempText(wasC, units)}.`);
  const times = is.clarity.value / was.clarity.value;
  if (Math.max(times, 1 / times) >= worth.clarityTimes) differs.push(`Sight ${depthText(is.clarity.value, units)}, not ${depthText(was.clarity.value, units)}.`);
  const levelM = is.level.value - was.level.value;
  if (Math.abs(levelM) >= worth.levelM) differs.push(`Water ${levelWords(is.level.value, units)}, not ${levelWords(was.level.value, units)}.`);
  if (is.flow && Math.abs(is.flow.value - (was.flow?.value ?? 0)) >= worth.flowMs)
    differs.push(`Flow ${currentText(Math.abs(is.flow.value), units)}, ${was.flow ? `not ${currentText(Math.abs(was.flow.value), units)}` : 'not timed before'}.`);
  return { differs, changes: changesOf(was, is, units, timeZone) };
}

function changesOf(was: Situation, is: Situation, units: UnitPreference, timeZone: string): string[] {
  const changes: string[] = [];
  if (is.surface.value === 'skin') return ['Neither stand nor cast here: another water that is open, or sort the box.'];
  if (was.stage.value !== is.stage.value) changes.push(`That makes it ${is.stage.value}, not ${was.stage.value}.`);
  if (is.turn && is.turn.value.kind !== was.turn?.value.kind) changes.push(turnWords(is.turn.value, units, timeZone));
  const fish = speciesOf(is.species.value).short;
  const [a, b] = [was.band?.value, is.band?.value];
  const text = ({ fromM, toM }: NonNullable<typeof a>) => `${depthFigure(fromM, units)} to ${depthText(toM, units)}`;
  if (a && b && Math.max(Math.abs(a.fromM - b.fromM), Math.abs(a.toM - b.toM)) > worth.bandM) changes.push(`${fish}: ${text(b)} instead of ${text(a)}.`);
  if (isOtherWind(was.wind?.value ?? null, is.wind?.value ?? null)) changes.push('Banks, casts, line and float go by this wind from now on.');
  if (Math.abs(is.level.value - was.level.value) >= worth.levelM) changes.push('The map stands on this level from now on.');
  return changes;
}

/** A rise or fall in words: what it is worth and until when. */
export function turnWords({ kind, stepC, untilMs }: WaterTurn, units: UnitPreference, timeZone: string): string {
  if (kind === 'cooled') return `Down ${tempStepText(stepC, units)} from its warmest: the rise is over, back to the deep and to the pool.`;
  const until = untilMs === null ? 'for as long as it lasts' : `until about ${dayText(untilMs, timeZone)}, by the forecast`;
  return `Up ${tempStepText(stepC, units)}: an event in winter. The first 100 to 150 m of pockets and the hard cover in them first, ${until}.`;
}

type Wind = NonNullable<Situation['wind']>['value'];

function isOtherWind(was: Wind | null, is: Wind | null): boolean {
  if (!is) return false;
  if (!was || Math.abs(is.speedMs - was.speedMs) >= worth.windMs) return true;
  return is.fromDeg !== null && (was.fromDeg === null || betweenDeg(was.fromDeg, is.fromDeg) >= worth.windDeg);
}

/** Of the water near the surface, where a thermometer is held on arrival, °C. */
const surfaceC = ({ column }: Situation) => column.profile.tempC[0];
const windWords = ({ wind }: Situation, units: UnitPreference) => [wind!.value.quarter, windText(wind!.value.speedMs, units)].filter(Boolean).join(' ');
const levelWords = (levelM: number, units: UnitPreference) =>
  Math.abs(levelM) < 0.05 ? 'as when it was sounded' : `${depthText(Math.abs(levelM), units)} ${levelM < 0 ? 'lower' : 'higher'} than sounded`;
const upperFirst = (text: string) => text[0].toUpperCase() + text.slice(1);
