import type { WaterDetail } from '@burrow/contract/api';
import type { LonLat } from '@burrow/core/ground';
import type { LineTurn, OutingState, StationState } from '@burrow/core/ledger';
import {
  baitDepths,
  bitesOf,
  depthBandM,
  dragOfTouch,
  fishedDepths,
  hoursByDepth,
  hoursTogether,
  lineOut,
  spreadDepths,
  untried,
  type RunningLine,
  type TrolledRig,
} from '@burrow/core/troll';
import { clamp, depthText } from '@burrow/core/units';
import { useMemo } from 'react';
import { newId } from '@/data/ids';
import { setTroll, tied, usePreferences, type TrollKit } from '@/data/preferences';
import { useLedger } from '@/data/session';
import type { Thing } from '@/features/station/useLogged';

/** A rod leaves the boat so far beside its middle, m, the next further out. Assumed. */
const besideM = (k: number) => 0.8 + 1.2 * Math.floor(k / 2);
/** Of two lines the left one first, then further out. */
const nameOf = (k: number, of: number) => (of === 1 ? 'line' : `${k >= 4 ? 'far ' : k >= 2 ? 'outer ' : ''}${k % 2 === 0 ? 'left' : 'right'}`);
/** Lines asked elsewhere by more than this are drawn there, m. */
const drawByM = 0.5;

/** Line of a thickness that nobody has said, mm: assumed. */
export const assumedLineMm = 0.28;

/** A weight whose mass somebody set, as lead, with the drag that a touch of the bed told, else none. */
const rigOf = ({ massesG, dragsM2, lineMm }: TrollKit, k: number): TrolledRig | null =>
  massesG[k] === undefined ? null : { lure: { massG: massesG[k], material: 'lead', shape: 'sphere' }, lineMm: lineMm ?? assumedLineMm, dragAreaM2: dragsM2[k] ?? 0 };

const cm = (m: number) => Math.round(100 * m) / 100;

interface PassLinesQuery {
  outing: OutingState;
  pass: StationState;
  water: WaterDetail;
  /** Depths that fish are looked for at, and the deepest of the water where that is known, m. */
  band: { fromM: number; toM: number };
  waterM: number | null;
  speedMs: number;
  nowMs: number;
  scope: { id: string; zone: string };
  log: (text: string, things: readonly Thing[]) => Promise<void>;
}

/** The lines of a pass as they run, the depths that the spread asks for, and what is logged of them. */
export function usePassLines({ outing, pass, water, band, waterM, speedMs, nowMs: now, scope, log }: PassLinesQuery) {
  const { troll, units, presentations } = usePreferences();
  const { ledger, state } = useLedger();
  // Lines as they are out.
  const out = outing.lines.filter((l) => l.station === pass.id && l.upMs === null);
  const lines: (RunningLine & { second: number | null })[] = out.map((l, k) => {
    const last = l.depths.at(-1);
    return {
      id: l.id,
      name: l.rod,
      side: k % 2 === 0 ? 'left' : 'right',
      besideM: besideM(k),
      depthM: last?.depthM ?? null,
      lineOutM: last?.lineOutM ?? null,
      rig: rigOf(troll, k),
      second: l.second === null || last === undefined ? null : Math.max(0, last.depthM - l.second.aboveM),
    };
  });
  const passes = useMemo(() => new Set(outing.stations.filter((s) => s.kind === 'pass').map((s) => s.id)), [outing.stations]);
  const legal = water.file.water.rules?.lines;
  const rods = Math.min(troll.rods, legal ?? troll.rods);
  const fished = fishedDepths(outing, passes, now);
  const strikes = bitesOf(outing, passes);
  const mostM = Math.max(band.fromM + 0.5, Math.min(band.toM, waterM === null ? Infinity : waterM - troll.clearanceM - 0.5));
  const spread = spreadDepths({ band: { fromM: Math.min(band.fromM, mostM - 0.5), toM: mostM }, rods: Math.max(1, rods), baitsPerRod: troll.baits, fished });
  const deepestM = lines.length > 0 ? Math.max(...lines.map((l) => l.depthM ?? 0)) : Math.max(...spread.flat());
  const off = lines.flatMap((l, k) => (spread[k] && l.depthM !== null && Math.abs(l.depthM - spread[k][0]) > drawByM ? [spread[k][0]] : []));
  const bites = fished.reduce((s, f) => s + f.bites, 0);
  const drawTo = bites >= 3 && off.length > 0 ? [...off].sort((a, b) => a - b)[Math.floor((off.length - 1) / 2)] : null;

  /** Line to let out for a depth on rod `k`; null where its weight is not known. Throws nothing: too deep is null too. */
  const outFor = (k: number, depthM: number): number | null => {
    const rig = rigOf(troll, k);
    if (rig === null || depthM < 0.1) return null;
    try {
      return Math.round(10 * lineOut(rig, depthM, speedMs)) / 10;
    } catch (error) {
      if (error instanceof RangeError) return null;
      throw error;
    }
  };
  const rigAt = (k: number) => rigOf(troll, k);
  const hours = hoursByDepth(
    state.outings.filter((o) => o.water === water.id),
    Math.min(waterM ?? Infinity, Math.max(band.toM, deepestM) + depthBandM(units)),
    depthBandM(units),
    now,
  );

  const baitOn = (k: number) => presentations.find((p) => p.id === troll.lures[k]) ?? null;
  const withOut = (k: number, depthM: number) => {
    const lineOutM = outFor(k, depthM);
    return lineOutM === null ? {} : { lineOutM };
  };
  const setLines = () =>
    log(
      `Lines out: ${spread.map((s) => depthText(s[0], units)).join(', ')}`,
      spread.map((depths, k): Thing => ({
        kind: 'line-down',
        body: {
          line: newId(),
          station: pass.id,
          rod: nameOf(k, spread.length),
          ...tied(baitOn(k)),
          depthM: cm(depths[0]),
          ...withOut(k, depths[0]),
          ...(depths.length > 1 ? { second: { ...tied(baitOn(k)), aboveM: cm(clamp(depths[0] - depths[1], 0.05, 20)) } } : {}),
        },
      })),
    );
  const setDepth = (id: string, depthM: number) => {
    const k = lines.findIndex((l) => l.id === id);
    return ledger.write(scope, 'depth-set', { line: id, depthM: cm(depthM), ...withOut(k, depthM) });
  };
  /** The bait of line `k` touched the bed: its drag from then on, and the depth it ran at. RangeError where that cannot be. */
  const touchedBed = (k: number, depthM: number) => {
    const [line, rig] = [lines[k], rigAt(k)];
    if (rig === null || line.lineOutM === null) throw new RangeError('expected a line with its weight and the line let out');
    const drag = dragOfTouch(rig, line.lineOutM, depthM, speedMs);
    setTroll({ dragsM2: Array.from({ length: Math.max(k + 1, troll.dragsM2.length) }, (_, i) => (i === k ? drag : (troll.dragsM2[i] ?? null))) });
    return log('Touched the bed', [{ kind: 'depth-set', body: { line: line.id, depthM: cm(depthM), lineOutM: line.lineOutM } }]);
  };
  const drawLines = () =>
    log(
      'Depths set',
      lines.flatMap((l, k): Thing[] => (spread[k] ? [{ kind: 'depth-set', body: { line: l.id, depthM: cm(spread[k][0]), ...withOut(k, spread[k][0]) } }] : [])),
    );
  const liftLines = () =>
    log(
      'Lines in',
      lines.map((l): Thing => ({ kind: 'line-up', body: { line: l.id } })),
    );
  /** A strike on a line with what was known of it: a speed that is assumed is none, and without a place on the lane there is no turn. */
  const strike = (line: RunningLine, known: { at: LonLat | null; speedMs: number | null; bottomM?: number | null; turn?: LineTurn }) =>
    log(`Strike, ${line.name}`, [
      {
        kind: 'reaction',
        body: {
          station: pass.id,
          reaction: 'bite',
          line: line.id,
          ...(line.depthM === null ? {} : { depthM: line.depthM }),
          ...(known.at === null ? {} : { at: [known.at[0], known.at[1]] }),
          ...(known.bottomM == null ? {} : { bottomM: known.bottomM }),
          ...(known.turn === undefined ? {} : { turn: known.turn }),
          ...(known.speedMs === null ? {} : { speedMs: cm(known.speedMs) }),
        },
      },
    ]);
  /** Ends this pass and begins the next from a place, the same lines running on. */
  const nextPass = (begin: LonLat) => {
    const next = newId();
    return log('Next pass', [
      { kind: 'pass-ended', body: { station: pass.id } },
      ...lines.map((l): Thing => ({ kind: 'line-up', body: { line: l.id } })),
      { kind: 'station-opened', body: { station: next, kind: pass.kind, label: String(outing.stations.length + 1), at: [begin[0], begin[1]] } },
      ...out.map((l): Thing => {
        const last = l.depths.at(-1);
        return {
          kind: 'line-down',
          body: {
            line: newId(),
            station: next,
            rod: l.rod,
            ...(l.presentation === null ? {} : { presentation: l.presentation }),
            ...(last ? { depthM: last.depthM, ...(last.lineOutM === null ? {} : { lineOutM: last.lineOutM }) } : {}),
            ...(l.second ? { second: { aboveM: l.second.aboveM, ...(l.second.presentation === null ? {} : { presentation: l.second.presentation }) } } : {}),
          },
        };
      }),
    ]);
  };
  return {
    troll,
    units,
    lines,
    spread,
    legal,
    fished,
    strikes,
    deepestM,
    bites,
    drawTo,
    outFor,
    rows: hoursTogether(hours),
    untried: untried(hours),
    setLines,
    setDepth,
    touchedBed,
    drawLines,
    liftLines,
    strike,
    nextPass,
    baitDepthsOf: (k: number, lineOutM: number, secondAboveM: number | null) => {
      const rig = rigAt(k);
      return rig === null ? null : baitDepths(rig, lineOutM, speedMs, secondAboveM);
    },
  };
}

/** What the sheet of the depths works with, with a map of the bed or without. */
export type PassLines = ReturnType<typeof usePassLines> & { speedMs: number; speedBy: 'measured' | 'estimated' | 'assumed'; underM: number | null; onClose: () => void };
