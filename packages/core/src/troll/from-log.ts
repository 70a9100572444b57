import { reactionMeanings, type OutingState } from '../ledger';
import { clamp, minuteMs } from '../units';
import { takesOf, biteMsOf } from '../visits';
import type { FishedDepth } from './spread';

/** Stretches of a line at one depth, ms and m. */
function stretches(line: OutingState['lines'][number], nowMs: number): { fromMs: number; toMs: number; depthM: number }[] {
  const end = Math.min(nowMs, line.upMs ?? nowMs);
  return line.depths.flatMap((d, k) => {
    const [fromMs, toMs] = [Math.max(d.ms, line.downMs), Math.min(end, line.depths[k + 1]?.ms ?? end)];
    return toMs > fromMs ? [{ fromMs, toMs, depthM: d.depthM }] : [];
  });
}

/** Every depth that a bait ran at on the passes of an outing, with its minutes and bites, those without a bite too. A second bait counts at its own depth. */
export function fishedDepths(outing: OutingState, passes: ReadonlySet<string>, nowMs: number): FishedDepth[] {
  const found = new Map<number, FishedDepth>();
  const at = (depthM: number) => {
    const key = Math.round(depthM * 4) / 4;
    const so = found.get(key) ?? { depthM: key, bites: 0, minutes: 0 };
    found.set(key, so);
    return so;
  };
  for (const line of outing.lines.filter((l) => passes.has(l.station)))
    for (const s of stretches(line, nowMs))
      for (const depthM of line.second === null ? [s.depthM] : [s.depthM, Math.max(0, s.depthM - line.second.aboveM)]) at(depthM).minutes += (s.toMs - s.fromMs) / minuteMs;
  for (const bite of bitesOf(outing, passes)) if (bite.depthM !== null) at(bite.depthM).bites++;
  return [...found.values()].sort((a, b) => a.depthM - b.depthM);
}

/** Marks seen, line over them and bites that make a pool an idle one, min. Heuristic; source: fieldcraft §1, wintering pools. */
const idle = { marks: 3, minutes: 60, bites: 1 } as const;

/** Whether many schools were seen of late on passes and an hour of line over them brought hardly a bite. */
export function isIdlePool(outing: OutingState, passes: ReadonlySet<string>, nowMs: number): boolean {
  const marks = outing.felt.filter((f) => f.what === 'school' && passes.has(f.station)).length;
  const fished = fishedDepths(outing, passes, nowMs);
  const minutes = fished.reduce((sum, f) => Math.max(sum, f.minutes), 0);
  return marks >= idle.marks && minutes >= idle.minutes && fished.reduce((sum, f) => sum + f.bites, 0) <= idle.bites;
}

/** A strike, whether its fish was landed or not; a fish whose strike was not tapped is one too. */
export interface PassStrike {
  id: string;
  ms: number;
  station: string;
  line: string | null;
  depthM: number | null;
  at: readonly [number, number] | null;
  turn: 'straight' | 'inside' | 'outside' | null;
  isFish: boolean;
}

/** Strikes of passes in time order. */
export function bitesOf(outing: OutingState, passes: ReadonlySet<string>): PassStrike[] {
  return takesOf(outing).flatMap((take): PassStrike[] => {
    const ms = biteMsOf(take);
    if (!passes.has(take.station) || ms === null) return [];
    const strike = take.reactions.find((r) => reactionMeanings[r.kind].isBite);
    return [
      {
        id: strike?.id ?? take.fish!.eventId,
        ms,
        station: take.station,
        line: take.line,
        depthM: strike?.depthM ?? take.fish?.depthM ?? null,
        at: strike?.at ?? take.fish?.at ?? null,
        turn: strike?.turn ?? null,
        isFish: take.fish !== null,
      },
    ];
  });
}

/** Hours of bait and strikes in a band of depth. */
export interface DepthHours {
  fromM: number;
  toM: number;
  hours: number;
  strikes: number;
}

/** Less than this is not fished yet, h, and less than that is not worth a word. */
const [triedHours, notedHours] = [0.15, 0.05];

/** Whether there is anything to say of a depth. */
export const isNoted = (h: DepthHours): boolean => h.strikes > 0 || h.hours >= notedHours;

/** Hours per band of depth over passes, and strikes there; bands of `stepM` from the surface to `deepestM`. */
export function hoursByDepth(outings: readonly OutingState[], deepestM: number, stepM: number, nowMs: number): DepthHours[] {
  const bands = Array.from({ length: Math.max(1, Math.ceil(deepestM / stepM - 1e-9)) }, (_, k): DepthHours => ({ fromM: k * stepM, toM: (k + 1) * stepM, hours: 0, strikes: 0 }));
  for (const outing of outings) {
    const passes = new Set(outing.stations.filter((s) => s.kind === 'pass').map((s) => s.id));
    for (const f of fishedDepths(outing, passes, nowMs)) {
      const band = bands[clamp(Math.floor(f.depthM / stepM), 0, bands.length - 1)];
      band.hours += f.minutes / 60;
      band.strikes += f.bites;
    }
  }
  return bands;
}

/** The widest stretch of depths that nobody has tried; null where each was, and before anything was fished at all. */
export function untried(bands: readonly DepthHours[]): { fromM: number; toM: number } | null {
  if (bands.every((b) => b.hours < triedHours)) return null;
  let best: { fromM: number; toM: number } | null = null;
  for (let k = 0; k < bands.length; k++) {
    if (bands[k].hours >= triedHours) continue;
    let end = k;
    while (end + 1 < bands.length && bands[end + 1].hours < triedHours) end++;
    const stretch = { fromM: bands[k].fromM, toM: bands[end].toM };
    if (best === null || stretch.toM - stretch.fromM > best.toM - best.fromM) best = stretch;
    k = end;
  }
  return best;
}

/** Bands side by side that nobody has tried as one. */
export function hoursTogether(bands: readonly DepthHours[]): DepthHours[] {
  const rows: DepthHours[] = [];
  for (const band of bands) {
    const last = rows.at(-1);
    if (last && !isNoted(last) && !isNoted(band)) last.toM = band.toM;
    else rows.push({ ...band });
  }
  return rows;
}
