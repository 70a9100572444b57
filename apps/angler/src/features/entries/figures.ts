import { bearingText } from '@burrow/core/casting';
import {
  clamp,
  depthFine,
  depthStepM,
  depthText,
  gramsPerPound,
  iceText,
  metresPerDepthUnit,
  metresPerIceUnit,
  tempStepText,
  weightText,
  type UnitPreference,
} from '@burrow/core/units';

/** One figure of an entry, in the unit the ledger keeps it in. */
export interface Figure {
  field: string;
  label: string;
  text: (value: number) => string;
  stepBy: number;
  /** A larger step, and what it is called. */
  bigBy?: number;
  bigText?: string;
  from: number;
  to: number;
  /** Where setting it begins when it was not known. */
  start: number;
  /** The entry stands without it. */
  isOptional?: boolean;
}

const toSide = (alongM: number, units: UnitPreference) =>
  Math.abs(alongM) < 0.05 ? 'where the float goes in' : `${depthText(Math.abs(alongM), units)} ${alongM > 0 ? 'right' : 'left'}`;

const depth = (units: UnitPreference): Figure => {
  const by = depthStepM(units);
  return { field: 'depthM', label: 'Depth', text: (m) => depthText(m, units), stepBy: by, bigBy: 10 * by, from: 0, to: 300, start: 3 };
};
const out = (units: UnitPreference): Figure => {
  const unitM = metresPerDepthUnit(units);
  return { field: 'outM', label: 'Distance out', text: (m) => depthText(m, units), stepBy: unitM, bigBy: 5 * unitM, from: 0.5, to: 100, start: 5 };
};
const along = (units: UnitPreference): Figure => {
  const unitM = metresPerDepthUnit(units);
  return {
    field: 'alongM',
    label: 'Dropped',
    text: (m) => toSide(m, units),
    stepBy: unitM / 2,
    bigBy: 2 * unitM,
    bigText: depthText(2 * unitM, units),
    from: -30,
    to: 30,
    start: 0,
  };
};
const bearing: Figure = { field: 'bearingDeg', label: 'Bearing', text: bearingText, stepBy: 5, bigBy: 45, from: 0, to: 360, start: 0 };
/** Ice is counted up from nothing: the first tap is one step of clear ice, and of white ice that there is none. */
const ice = (field: string, label: string, units: UnitPreference): Figure => {
  const stepBy = metresPerIceUnit(units) * (units.ice === 'in' ? 0.5 : 1);
  return { field, label, text: (m) => iceText(m, units), stepBy, from: 0, to: 3, start: field === 'clearM' ? stepBy : 0 };
};

export const iceFigures = (units: UnitPreference): Figure[] => [ice('clearM', 'Clear ice', units), ice('whiteM', 'White ice', units)];

export function temperatureFigures(units: UnitPreference): Figure[] {
  const degree = units.temp === 'F' ? 1 / 1.8 : 1;
  const text = (c: number) => (units.temp === 'F' ? `${(c * 1.8 + 32).toFixed(1)} °F` : `${c.toFixed(1)} °C`);
  return [
    { field: 'tempC', label: 'Temperature', text, stepBy: degree / 2, bigBy: 5 * degree, bigText: tempStepText(5 * degree, units), from: -2, to: 40, start: 4 },
    { ...depth(units), label: 'Measured at a depth of' },
  ];
}

export const clarityFigures = (units: UnitPreference): Figure[] => [{ ...depth(units), field: 'secchiM', label: 'The disc was lost at', from: 0.1, to: 40, start: 2 }];

export function levelFigures(units: UnitPreference): Figure[] {
  const unitM = metresPerDepthUnit(units);
  const text = (m: number) => (Math.abs(m) < 0.005 ? 'as when it was sounded' : `${depthFine(Math.abs(m), units)} ${m < 0 ? 'lower' : 'higher'}`);
  return [{ field: 'levelM', label: 'The water stood', text, stepBy: unitM / 10, bigBy: unitM, bigText: depthText(unitM, units), from: -100, to: 100, start: 0 }];
}

export function plumbedFigures(units: UnitPreference): Figure[] {
  const unitM = metresPerDepthUnit(units);
  const stepBy = units.depth === 'ft' ? unitM / 4 : 0.05;
  return [
    { ...out(units), from: 0, to: 30 },
    { ...depth(units), text: (m) => depthFine(m, units), stepBy, bigBy: unitM / 2, from: 0.05, to: 20, start: 1.5 },
  ];
}

export const flowFigures = (units: UnitPreference): Figure[] => [
  { ...along(units), label: 'The float went', text: (m) => (m === 0 ? 'nowhere: it stood' : toSide(m, units)), start: 2 },
  { field: 'seconds', label: 'In', text: (s) => `${Math.round(s)} s`, stepBy: 1, bigBy: 10, from: 1, to: 900, start: 20 },
];

export function bagFigures(units: UnitPreference): Figure[] {
  const poundOrKg = units.weight === 'lb' ? gramsPerPound : 1000;
  return [
    { field: 'count', label: 'Fish weighed together', text: (n) => String(n), stepBy: 1, bigBy: 10, from: 1, to: 1000, start: 10 },
    { field: 'massG', label: 'They weigh', text: (g) => weightText(g, units), stepBy: poundOrKg / 16, bigBy: poundOrKg, from: 1, to: 100_000, start: poundOrKg },
  ];
}

export const fedFigures = (units: UnitPreference): Figure[] => [{ ...along(units), isOptional: true }];
export const castFigures = (units: UnitPreference): Figure[] => [bearing, { ...out(units), field: 'distanceM', label: 'Length', to: 150, start: 20 }];
export const feltFigures = (units: UnitPreference): Figure[] => [bearing, { ...out(units), to: 150 }];

/** A figure moved by one step or a larger one, kept in its range; the first step sets what was not known. A bearing goes round. */
export function stepped(figure: Figure, value: number | null, direction: 1 | -1, isBig = false): number {
  if (value === null) return figure.start;
  const next = value + direction * (isBig ? (figure.bigBy ?? figure.stepBy) : figure.stepBy);
  const fine = Math.round(next * 1000) / 1000;
  return figure.field === 'bearingDeg' ? (fine + 360) % 360 : clamp(fine, figure.from, figure.to);
}
