import { type OutingState, type QuietReason, type StationState } from '../ledger';
import { clamp, minuteMs } from '../units';
import { biteMsOf, takesOf } from '../visits';
import { coolingC, floatRule, quietRules } from './changes';
import { flowOfTimedFloat } from '../water';
import { isOtherFloat } from './float';
import { bedAt, type PlumbedDepth } from './peg';
import type { SwimLog } from './swims';

/** A swim of a peg with all that its log says. */
export interface PegSwim extends SwimLog {
  station: StationState;
  /** How far out, m, and the depth that was plumbed there; null where nobody has said. */
  outM: number | null;
  depthM: number | null;
  feeds: OutingState['feeds'];
  /** Of the flow as it is now: where along the run its bites came, m, of those that have a place, and what was fed. */
  alongM: number[];
  feedsNow: OutingState['feeds'];
  bites: number;
  fish: number;
  /** Changes tried for a bite since the last one, by id: a float that the flow asked for is none. */
  tried: string[];
}

/** A peg: the bed in front of it, the flow, and its swims, nearest first. */
export interface Peg {
  id: string;
  at: readonly [number, number];
  label: string;
  plumbed: PlumbedDepth[];
  /** Depth-mean flow, m/s, and when it was timed; null where nobody has. `beforeMs` is the timing before it. */
  flow: { ms: number; flowMs: number; earlierMs: number | null; sinceMs: number } | null;
  swims: PegSwim[];
  hereId: string;
  fish: OutingState['fish'];
  sinceMs: number;
}

/** Fastest flow that floats and feed are reckoned for, m/s. */
const fastestMps = 3;

/** Bites of a station in time order, landed or not, each with where on the run it came. */
function bitesOf(outing: OutingState, station: string): { ms: number; alongM: number | null }[] {
  return takesOf(outing).flatMap((take) => {
    const ms = biteMsOf(take);
    if (take.station !== station || ms === null) return [];
    return [{ ms, alongM: take.reactions.find((r) => r.alongM !== null)?.alongM ?? take.fish?.alongM ?? null }];
  });
}

function swimOf(outing: OutingState, station: StationState, plumbed: readonly PlumbedDepth[], flowSinceMs: number, nowMs: number): PegSwim {
  const bites = bitesOf(outing, station.id);
  const stays = outing.lines.filter((l) => l.station === station.id).map((l) => ({ fromMs: l.downMs, toMs: Math.min(nowMs, l.upMs ?? nowMs) }));
  const fedMs = outing.feeds.filter((f) => f.station === station.id).map((f) => f.ms);
  const lastBite = bites.at(-1)?.ms ?? -Infinity;
  return {
    id: station.id,
    sinceMs: Math.min(station.openedMs, ...fedMs, ...stays.map((s) => s.fromMs)),
    fedMs,
    stays,
    bitesMs: bites.map((b) => b.ms),
    fishMs: outing.fish.filter((f) => f.station === station.id).map((f) => f.ms),
    station,
    outM: station.outM,
    depthM: station.outM === null ? null : (bedAt(plumbed, station.outM) ?? station.depthM),
    feeds: outing.feeds.filter((f) => f.station === station.id),
    alongM: bites.flatMap((b) => (b.alongM === null || b.ms < flowSinceMs ? [] : [b.alongM])),
    feedsNow: outing.feeds.filter((f) => f.station === station.id && f.ms >= flowSinceMs),
    bites: bites.length,
    fish: outing.fish.filter((f) => f.station === station.id).length,
    tried: outing.changes.filter((c) => c.station === station.id && c.ms > lastBite && c.what !== floatRule.id).map((c) => c.what),
  };
}

/** The peg that a swim belongs to, as its log has it at a moment. */
export function pegOf(outing: OutingState, here: StationState, nowMs: number): Peg {
  const stations = outing.stations.filter((s) => s.peg === here.peg);
  const first = stations.find((s) => s.id === here.peg) ?? here;
  const ids = new Set(stations.map((s) => s.id));
  // Plumbed anew at the same distance, the later depth holds.
  const byOut = new Map(outing.plumbed.filter((p) => ids.has(p.station)).map((p) => [Math.round(p.outM * 10), { outM: p.outM, depthM: p.depthM }]));
  const plumbed = [...byOut.values()].sort((a, b) => a.outM - b.outM);
  const flows = outing.flows
    .filter((f) => f.station === null || ids.has(f.station))
    .map((f) => ({
      ms: f.ms,
      // A slip of the finger makes a torrent: nothing that is fished with a float runs faster.
      flowMs: clamp(flowOfTimedFloat(f.alongM, f.seconds), -fastestMps, fastestMps),
    }));
  const last = flows.at(-1);
  // Another flow lays food and fish elsewhere: what is known of the run begins with the first timing like the last.
  let like = flows.length - 1;
  while (like > 0 && Math.sign(flows[like - 1].flowMs) === Math.sign(flows[like].flowMs) && !isOtherFloat(flows[like - 1].flowMs, last!.flowMs)) like--;
  const sinceMs = like > 0 ? flows[like].ms : -Infinity;
  return {
    id: first.id,
    at: first.at,
    label: first.label,
    plumbed,
    flow: last ? { ...last, earlierMs: flows.at(-2)?.flowMs ?? null, sinceMs } : null,
    swims: stations.map((s) => swimOf(outing, s, plumbed, sinceMs, nowMs)).sort((a, b) => (a.outM ?? 0) - (b.outM ?? 0)),
    hereId: here.id,
    fish: outing.fish.filter((f) => ids.has(f.station)),
    sinceMs: Math.min(...stations.map((s) => s.openedMs)),
  };
}

/** The pegs of an outing whose swims were chosen, as they stood at a moment; `hereId` is the swim fished last. */
export function pegsOf(outing: OutingState, atMs: number): Peg[] {
  const swims = outing.stations.filter((s) => s.outM !== null);
  return [...new Set(swims.map((s) => s.peg))].map((id) => {
    const own = swims.filter((s) => s.peg === id);
    const last = outing.lines.findLast((l) => own.some((s) => s.id === l.station))?.station;
    return pegOf(outing, own.find((s) => s.id === last) ?? own[0], atMs);
  });
}

/** A bite so soon after a change, before another one, is laid to it, ms. Heuristic. */
const answeredWithinMs = 15 * minuteMs;

/** What each change that was tried came to, over outings: times tried, and times it won a bite. */
export function changesAnswered(outings: readonly OutingState[]): Map<string, { tried: number; won: number }> {
  const found = new Map<string, { tried: number; won: number }>();
  for (const outing of outings)
    outing.changes.forEach((change, k) => {
      const next = outing.changes.find((c, i) => i > k && c.station === change.station)?.ms ?? Infinity;
      const isWon = bitesOf(outing, change.station).some((b) => b.ms > change.ms && b.ms < next && b.ms - change.ms <= answeredWithinMs);
      const so = found.get(change.what) ?? { tried: 0, won: 0 };
      found.set(change.what, { tried: so.tried + 1, won: so.won + (isWon ? 1 : 0) });
    });
  return found;
}

/** A reason that was tapped holds for so long, ms; cooling counts against the warmest of the hours before. Heuristic. */
const seenForMs = 45 * minuteMs;
const coolingWithinMs = 6 * 60 * minuteMs;
/** Rain of an hour that is felt in the water, mm. */
const leastRainMm = 0.2;

export interface RainNow {
  precipMm: number;
  airC: number;
}

/** Why it may be quiet now: what was tapped, water measured colder than before, and rain colder than the water. Each with who says so. */
export function quietReasons(
  outing: Pick<OutingState, 'quiet' | 'temperatures'>,
  nowMs: number,
  rain: RainNow | null,
  waterC: number | null,
): { id: QuietReason; by: 'seen' | 'measured' | 'weather' }[] {
  const found = new Map<QuietReason, 'seen' | 'measured' | 'weather'>();
  for (const q of outing.quiet) if (q.ms <= nowMs && nowMs - q.ms < seenForMs) found.set(q.what, 'seen');
  const temps = outing.temperatures.filter((t) => t.ms <= nowMs && nowMs - t.ms < coolingWithinMs);
  const last = temps.at(-1);
  if (last && Math.max(...temps.map((t) => t.tempC)) - last.tempC >= coolingC - 1e-9) found.set('cooling', 'measured');
  if (rain && waterC !== null && rain.precipMm >= leastRainMm && rain.airC > 0 && rain.airC < waterC && !found.has('cold-rain')) found.set('cold-rain', 'weather');
  return quietRules.filter((r) => found.has(r.id)).map((r) => ({ id: r.id, by: found.get(r.id)! }));
}

/** Distances to plumb so that six depths tell the bed, m: even from near the bank to the pole's end, the pole's end included. */
export const plumbingPlan = (reachM: number, count = 6): number[] => Array.from({ length: count }, (_, k) => Math.round(2 * (1 + ((reachM - 1) * k) / (count - 1))) / 2);

/** The far swim is the deepest within reach, the near one the first with this share of its depth, so much nearer at least, m. Heuristic. */
const [nearShare, apartM] = [0.65, 3];

/** Two swims that the bed offers; null before three depths are plumbed. `nearM` is null where all that is deep enough lies too near the far one. */
export function suggestedSwims(plumbed: readonly PlumbedDepth[], reachM: number): { nearM: number | null; farM: number } | null {
  const within = plumbed.filter((p) => p.outM <= reachM).sort((a, b) => a.outM - b.outM);
  if (within.length < 3) return null;
  const deepest = Math.max(...within.map((p) => p.depthM));
  // Of depths nearly alike the further: it is the quieter one.
  const far = within.findLast((p) => p.depthM >= 0.95 * deepest)!;
  let nearM: number | null = null;
  for (let out = within[0].outM; out <= far.outM - apartM; out += 0.5)
    if ((bedAt(within, out) ?? 0) >= nearShare * far.depthM) {
      nearM = clamp(Math.round(2 * out) / 2, 1, far.outM - apartM);
      break;
    }
  return { nearM, farM: far.outM };
}

/** Where a further swim has most room, m: in the middle of the widest gap between the bank, the others and the pole's end; half metres. */
export function freeDistanceM(takenM: readonly number[], reachM: number): number {
  const ends = [1, ...[...takenM].sort((a, b) => a - b), reachM];
  let best = { fromM: ends[0], gapM: -1 };
  for (let k = 1; k < ends.length; k++) if (ends[k] - ends[k - 1] > best.gapM) best = { fromM: ends[k - 1], gapM: ends[k] - ends[k - 1] };
  return clamp(Math.round(2 * (best.fromM + best.gapM / 2)) / 2, 1, Math.max(1, reachM));
}

/** The planned distance nearest to a place along the pole, m. */
export const nearestPlanned = (planned: readonly number[], outM: number): number => planned.reduce((a, b) => (Math.abs(b - outM) < Math.abs(a - outM) ? b : a));
