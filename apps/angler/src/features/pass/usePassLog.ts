import type { LonLat } from '@burrow/core/ground';
import type { LineTurn, OutingState, StationState } from '@burrow/core/ledger';
import { dragOfTouch, type PassLines, type PassLine } from '@burrow/core/troll';
import { clamp, depthText } from '@burrow/core/units';
import { newId } from '@/data/ids';
import { setTroll, tied, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLogged, type Thing } from '@/features/station/useLogged';

/** Of two lines the left one first, then further out. */
const nameOf = (k: number, of: number) => (of === 1 ? 'line' : `${k >= 4 ? 'far ' : k >= 2 ? 'outer ' : ''}${k % 2 === 0 ? 'left' : 'right'}`);
const cm = (m: number) => Math.round(100 * m) / 100;

/** What was known as something struck: a speed that is assumed is none, and without a place on the lane there is no turn. */
export interface StrikeKnown {
  at: LonLat | null;
  speedMs: number | null;
  bottomM?: number | null;
  turn?: LineTurn;
  /** Whether it was the upper of two baits. */
  isUpper?: boolean;
}

interface PassLogSetting {
  outing: OutingState;
  pass: StationState;
  zone: string;
  running: PassLines;
  speedMs: number;
  onLogged: () => void;
}

/** The lines of a pass let down anew on the next one, as they run. */
const runningOn = (outing: OutingState, pass: StationState, next: string): Thing[] =>
  outing.lines
    .filter((l) => l.station === pass.id && l.upMs === null)
    .map((l): Thing => {
      const last = l.depths.at(-1);
      const at = last ? { depthM: last.depthM, ...(last.lineOutM === null ? {} : { lineOutM: last.lineOutM }) } : {};
      const bait = (presentation: string | null) => (presentation === null ? {} : { presentation });
      const second = l.second ? { second: { aboveM: l.second.aboveM, ...bait(l.second.presentation) } } : {};
      return { kind: 'line-down', body: { line: newId(), station: next, rod: l.rod, ...bait(l.presentation), ...at, ...second } };
    });

/** What can be logged on a pass, each with what is known of it and no more. */
export function usePassLog({ outing, pass, zone, running, speedMs, onLogged }: PassLogSetting) {
  const { troll, presentations, units } = usePreferences();
  const { ledger } = useLedger();
  const scope = { id: outing.id, zone };
  const { said, setSaid, undo, log } = useLogged(scope, onLogged);
  const { lines, spread, outFor, rigAt } = running;
  const pieceOf = (id: string | null | undefined) => presentations.find((p) => p.id === id) ?? null;
  const baitOn = (k: number) => pieceOf(troll.lures[k]);
  const upperOn = (k: number) => pieceOf(troll.upperLures[k]);
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
          ...(depths.length > 1 ? { second: { ...tied(upperOn(k)), aboveM: cm(clamp(depths[0] - depths[1], 0.05, 20)) } } : {}),
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
  const lifted = lines.map((l): Thing => ({ kind: 'line-up', body: { line: l.id } }));
  const liftLines = () => log('Lines in', lifted);
  const strike = (line: PassLine, known: StrikeKnown) => {
    const depthM = known.isUpper ? line.second : line.depthM;
    return log(`Strike, ${line.name}${known.isUpper ? ', upper bait' : ''}`, [
      {
        kind: 'reaction',
        body: {
          station: pass.id,
          reaction: 'bite',
          line: line.id,
          ...(depthM === null ? {} : { depthM: cm(depthM) }),
          ...(known.isUpper ? { bait: 'upper' as const } : {}),
          ...(known.at === null ? {} : { at: [known.at[0], known.at[1]] }),
          ...(known.bottomM == null ? {} : { bottomM: known.bottomM }),
          ...(known.turn === undefined ? {} : { turn: known.turn }),
          ...(known.speedMs === null ? {} : { speedMs: cm(known.speedMs) }),
        },
      },
    ]);
  };
  /** Ends this pass and begins the next from a place, the same lines running on. */
  const nextPass = (begin: LonLat) => {
    const next = newId();
    return log('Next pass', [
      { kind: 'pass-ended', body: { station: pass.id } },
      ...lifted,
      { kind: 'station-opened', body: { station: next, kind: pass.kind, label: String(outing.stations.length + 1), at: [begin[0], begin[1]] } },
      ...runningOn(outing, pass, next),
    ]);
  };
  const landed = (id: string, text: string) => {
    setSaid({ text, undo: [id] });
    onLogged();
  };
  const sounded = (depthM: number, text: string) => log(text, [{ kind: 'depth-sounded', body: { station: pass.id, depthM, source: 'entered' } }]);
  return { said, setSaid, undo, setLines, setDepth, touchedBed, drawLines, liftLines, strike, nextPass, landed, sounded };
}

export type PassEntries = ReturnType<typeof usePassLog>;
