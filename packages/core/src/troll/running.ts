import type { OutingState, StationState } from '../ledger';
import type { UnitPreference } from '../units';
import { depthBandM, type RunningLine } from './answer';
import { bitesOf, fishedDepths, hoursByDepth, hoursTogether, untried, type DepthHours, type PassStrike } from './from-log';
import { baitDepths, lineOut, type TrolledRig } from './line';
import { spreadDepths, type FishedDepth } from './spread';

/** A rod leaves the boat so far beside its middle, m, the next further out. Assumed. */
const besideM = (k: number) => 0.8 + 1.2 * Math.floor(k / 2);
/** Lines asked elsewhere by more than this are drawn there, m, and only after so many bites. */
const [drawByM, drawAfterBites] = [0.5, 2];

/** Line of a thickness that nobody has said, mm: assumed. */
export const assumedLineMm = 0.28;

/** What one trolls with, as written down; a weight that nobody set is absent. */
export interface TrollTackle {
  rods: number;
  baits: number;
  massesG: readonly number[];
  dragsM2: readonly (number | null)[];
  lineMm: number | null;
  clearanceM: number;
}

export interface PassLinesSetting {
  outing: OutingState;
  pass: StationState;
  /** All outings on this water, for the hours by depth. */
  here: readonly OutingState[];
  tackle: TrollTackle;
  /** Lines that the rule card allows; undefined without a card. */
  legal: number | undefined;
  /** Depths that fish are looked for at, and the deepest of the water where that is known, m. */
  band: { fromM: number; toM: number };
  waterM: number | null;
  speedMs: number;
  nowMs: number;
  units: UnitPreference;
}

/** A line that runs, with the depth of its second bait, m. */
export interface PassLine extends RunningLine {
  second: number | null;
  /** What hangs at its end and above, as the log has it; null where nobody said. */
  bait: string | null;
  upperBait: string | null;
}

/** The lines of a pass as they run, and the depths that the spread asks for. */
export interface PassLines {
  lines: PassLine[];
  spread: number[][];
  fished: FishedDepth[];
  strikes: PassStrike[];
  /** Of the baits that run, else of those that are asked for, m. */
  deepestM: number;
  bites: number;
  /** Where most of the lines that are off go, m; null where none should be drawn. */
  drawTo: number | null;
  rows: DepthHours[];
  untried: { fromM: number; toM: number } | null;
  rigAt: (k: number) => TrolledRig | null;
  /** Line to let out for a depth on rod `k`, m; null where its weight is not known, or no line takes it so deep. */
  outFor: (k: number, depthM: number) => number | null;
  baitDepthsOf: (k: number, lineOutM: number, secondAboveM: number | null) => number[] | null;
}

/** A weight whose mass somebody set, as lead, with the drag that a touch of the bed told, else none. */
function rigOf({ massesG, dragsM2, lineMm }: TrollTackle, k: number): TrolledRig | null {
  if (massesG[k] === undefined) return null;
  return { lure: { massG: massesG[k], material: 'lead', shape: 'sphere' }, lineMm: lineMm ?? assumedLineMm, dragAreaM2: dragsM2[k] ?? 0 };
}

function linesOut({ outing, pass, tackle }: PassLinesSetting): PassLine[] {
  const out = outing.lines.filter((l) => l.station === pass.id && l.upMs === null);
  return out.map((l, k) => {
    const last = l.depths.at(-1);
    return {
      id: l.id,
      name: l.rod,
      side: k % 2 === 0 ? 'left' : 'right',
      besideM: besideM(k),
      depthM: last?.depthM ?? null,
      lineOutM: last?.lineOutM ?? null,
      rig: rigOf(tackle, k),
      bait: l.presentation,
      upperBait: l.second?.presentation ?? null,
      second: l.second === null || last === undefined ? null : Math.max(0, last.depthM - l.second.aboveM),
    };
  });
}

/** The spread over the band, above the bed by the clearance. */
function spreadOf({ band, waterM, tackle, legal }: PassLinesSetting, fished: readonly FishedDepth[]): number[][] {
  const floorM = waterM === null ? Infinity : waterM - tackle.clearanceM - 0.5;
  const toM = Math.max(band.fromM + 0.5, Math.min(band.toM, floorM));
  const rods = Math.max(1, Math.min(tackle.rods, legal ?? tackle.rods));
  return spreadDepths({ band: { fromM: Math.min(band.fromM, toM - 0.5), toM }, rods, baitsPerRod: tackle.baits, fished });
}

/** Where the lines that run elsewhere than asked are to be drawn, m: the middle one of what is asked of them. */
function drawDepth(lines: readonly PassLine[], spread: readonly number[][], bites: number): number | null {
  const off = lines.flatMap((l, k) => (spread[k] && l.depthM !== null && Math.abs(l.depthM - spread[k][0]) > drawByM ? [spread[k][0]] : []));
  if (bites < drawAfterBites || off.length === 0) return null;
  return off.sort((a, b) => a - b)[Math.floor((off.length - 1) / 2)];
}

/** The lines of a pass by the log, and what the depths that were fished and bitten at ask of them. */
export function passLines(setting: PassLinesSetting): PassLines {
  const { outing, here, tackle, band, waterM, speedMs, nowMs, units } = setting;
  const passes = new Set(outing.stations.filter((s) => s.kind === 'pass').map((s) => s.id));
  const lines = linesOut(setting);
  const fished = fishedDepths(outing, passes, nowMs);
  const spread = spreadOf(setting, fished);
  const deepestM = lines.length > 0 ? Math.max(...lines.map((l) => l.depthM ?? 0)) : Math.max(...spread.flat());
  const bites = fished.reduce((s, f) => s + f.bites, 0);
  const stepM = depthBandM(units);
  const hours = hoursByDepth(here, Math.min(waterM ?? Infinity, Math.max(band.toM, deepestM) + stepM), stepM, nowMs);
  const rigAt = (k: number) => rigOf(tackle, k);
  return {
    lines,
    spread,
    fished,
    strikes: bitesOf(outing, passes),
    deepestM,
    bites,
    drawTo: drawDepth(lines, spread, bites),
    rows: hoursTogether(hours),
    untried: untried(hours),
    rigAt,
    outFor: (k, depthM) => {
      const rig = rigAt(k);
      if (rig === null || depthM < 0.1) return null;
      try {
        return Math.round(10 * lineOut(rig, depthM, speedMs)) / 10;
      } catch (error) {
        // Too deep for any line: there is none to let out.
        if (error instanceof RangeError) return null;
        throw error;
      }
    },
    baitDepthsOf: (k, lineOutM, secondAboveM) => {
      const rig = rigAt(k);
      return rig && baitDepths(rig, lineOutM, speedMs, secondAboveM);
    },
  };
}
