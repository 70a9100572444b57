import { bearingText } from '@burrow/core/casting';
import type { EventKind } from '@burrow/core/ledger';
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

/** Kinds that are nothing but figures at a place. */
export type FigureKind = Extract<
  EventKind,
  'ice-measured' | 'temperature-measured' | 'clarity-measured' | 'level-measured' | 'plumbed' | 'flow-timed' | 'bag-weighed' | 'fed' | 'cast' | 'felt'
>;

const toSide = (alongM: number, units: UnitPreference) =>
  Math.abs(alongM) < 0.05 ? 'where the float goes in' : `${depthText(Math.abs(alongM), units)} ${alongM > 0 ? 'right' : 'left'}`;

/** The figures of an entry by its kind, and how each is set with a glove on. */
export function figuresOf(kind: FigureKind, units: UnitPreference): Figure[] {
  const unitM = metresPerDepthUnit(units);
  const depthBy = depthStepM(units);
  const iceBy = metresPerIceUnit(units) * (units.ice === 'in' ? 0.5 : 1);
  const degree = units.temp === 'F' ? 1 / 1.8 : 1;
  const poundOrKg = units.weight === 'lb' ? gramsPerPound : 1000;
  const depth = { field: 'depthM', label: 'Depth', text: (m: number) => depthText(m, units), stepBy: depthBy, bigBy: 10 * depthBy, from: 0, to: 300, start: 3 };
  const out = { field: 'outM', label: 'Distance out', text: (m: number) => depthText(m, units), stepBy: unitM, bigBy: 5 * unitM, from: 0.5, to: 100, start: 5 };
  const bearing = { field: 'bearingDeg', label: 'Bearing', text: bearingText, stepBy: 5, bigBy: 45, from: 0, to: 360, start: 0 };
  switch (kind) {
    case 'ice-measured':
      return [
        { field: 'clearM', label: 'Clear ice', text: (m) => iceText(m, units), stepBy: iceBy, from: 0, to: 3, start: 0 },
        { field: 'whiteM', label: 'White ice', text: (m) => iceText(m, units), stepBy: iceBy, from: 0, to: 3, start: 0 },
      ];
    case 'temperature-measured':
      return [
        {
          field: 'tempC',
          label: 'Temperature',
          text: (c) => (units.temp === 'F' ? `${(c * 1.8 + 32).toFixed(1)} °F` : `${c.toFixed(1)} °C`),
          stepBy: degree / 2,
          bigBy: 5 * degree,
          bigText: tempStepText(5 * degree, units),
          from: -2,
          to: 40,
          start: 4,
        },
        { ...depth, label: 'Measured at a depth of' },
      ];
    case 'clarity-measured':
      return [{ ...depth, field: 'secchiM', label: 'The disc was lost at', from: 0.1, to: 40, start: 2 }];
    case 'level-measured':
      return [
        {
          field: 'levelM',
          label: 'The water stood',
          text: (m) => (Math.abs(m) < 0.005 ? 'as when it was sounded' : `${depthFine(Math.abs(m), units)} ${m < 0 ? 'lower' : 'higher'}`),
          stepBy: unitM / 10,
          bigBy: unitM,
          bigText: depthText(unitM, units),
          from: -100,
          to: 100,
          start: 0,
        },
      ];
    case 'plumbed':
      return [
        { ...out, from: 0, to: 30 },
        { ...depth, text: (m) => depthFine(m, units), stepBy: units.depth === 'ft' ? unitM / 4 : 0.05, bigBy: unitM / 2, from: 0.05, to: 20, start: 1.5 },
      ];
    case 'flow-timed':
      return [
        {
          field: 'alongM',
          label: 'The float went',
          text: (m) => (m === 0 ? 'nowhere: it stood' : toSide(m, units)),
          stepBy: unitM / 2,
          bigBy: 2 * unitM,
          bigText: depthText(2 * unitM, units),
          from: -30,
          to: 30,
          start: 2,
        },
        { field: 'seconds', label: 'In', text: (s) => `${Math.round(s)} s`, stepBy: 1, bigBy: 10, from: 1, to: 900, start: 20 },
      ];
    case 'bag-weighed':
      return [
        { field: 'count', label: 'Fish weighed together', text: (n) => String(n), stepBy: 1, bigBy: 10, from: 1, to: 1000, start: 10 },
        { field: 'massG', label: 'They weigh', text: (g) => weightText(g, units), stepBy: poundOrKg / 16, bigBy: poundOrKg, from: 1, to: 100_000, start: poundOrKg },
      ];
    case 'fed':
      return [
        {
          field: 'alongM',
          label: 'Dropped',
          text: (m) => toSide(m, units),
          stepBy: unitM / 2,
          bigBy: 2 * unitM,
          bigText: depthText(2 * unitM, units),
          from: -30,
          to: 30,
          start: 0,
          isOptional: true,
        },
      ];
    case 'cast':
      return [bearing, { ...out, field: 'distanceM', label: 'Length', to: 150, start: 20 }];
    case 'felt':
      return [bearing, { ...out, to: 150 }];
  }
}

const kinds: readonly string[] = ['ice-measured', 'temperature-measured', 'clarity-measured', 'level-measured', 'plumbed', 'flow-timed', 'bag-weighed', 'fed', 'cast', 'felt'];
export const isFigureKind = (kind: string): kind is FigureKind => kinds.includes(kind);

/** A figure moved by one step or a larger one, kept in its range; the first step sets what was not known. A bearing goes round. */
export function stepped(figure: Figure, value: number | null, direction: 1 | -1, isBig = false): number {
  if (value === null) return figure.start;
  const next = value + direction * (isBig ? (figure.bigBy ?? figure.stepBy) : figure.stepBy);
  const fine = Math.round(next * 1000) / 1000;
  return figure.field === 'bearingDeg' ? (fine + 360) % 360 : clamp(fine, figure.from, figure.to);
}
