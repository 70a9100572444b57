import type { WaterDetail } from '@burrow/contract/api';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { bitesOf, fishedDepths, lineOut, spreadDepths, type RunningLine, type TrolledRig } from '@burrow/core/troll';
import { useMemo } from 'react';
import type { CastSettings } from '@/data/casting';
import { usePreferences, type TrollKit } from '@/data/preferences';
import type { Ground } from '@/workers/ground.api';

/** A rod leaves the boat so far beside its middle, m, the next further out. Assumed. */
const besideM = (k: number) => 0.8 + 1.2 * Math.floor(k / 2);
/** Of two lines the left one first, then further out. */
export const nameOf = (k: number, of: number) => (of === 1 ? 'line' : `${k >= 4 ? 'far ' : k >= 2 ? 'outer ' : ''}${k % 2 === 0 ? 'left' : 'right'}`);
/** Lines asked elsewhere by more than this are drawn there, m. */
const drawByM = 0.5;

/** Line of a thickness that nobody has said, mm: assumed. */
export const assumedLineMm = 0.28;

/** A weight whose mass somebody set, as lead, with the drag that a touch of the bed told, else none. */
const rigOf = ({ massesG, dragsM2, lineMm }: TrollKit, k: number): TrolledRig | null =>
  massesG[k] === undefined ? null : { lure: { massG: massesG[k], material: 'lead', shape: 'sphere' }, lineMm: lineMm ?? assumedLineMm, dragAreaM2: dragsM2[k] ?? 0 };

/** The lines of a pass as they run, and the depths that the spread asks for. */
export function usePassLines(outing: OutingState, pass: StationState, water: WaterDetail, ground: Ground, settings: CastSettings, speedMs: number, now: number) {
  const { troll } = usePreferences();
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
  const { band } = settings;
  const legal = water.file.water.rules?.lines;
  const rods = Math.min(troll.rods, legal ?? troll.rods);
  const fished = fishedDepths(outing, passes, now);
  const strikes = bitesOf(outing, passes);
  const mostM = Math.max(band.fromM + 0.5, Math.min(band.toM, ground.map.deepest.depthM - troll.clearanceM - 0.5));
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
  return { out, lines, spread, legal, fished, strikes, deepestM, bites, drawTo, outFor, rigAt: (k: number) => rigOf(troll, k) };
}
