import type { CastState, LineState, OutingState, ReactionKind, StationState } from '../ledger';
import { minuteMs } from '../units';
import { takesOf, type Take } from './takes';

/** One stay at a station, with all that was put in the water there and all that came. */
export interface Visit {
  outing: string;
  station: string;
  /** Way of fishing in force when the station was opened. */
  method: string;
  fromMs: number;
  /** When it was left, or its last line came up; null while it goes on. */
  toMs: number | null;
  lines: LineState[];
  /** Minutes of line in the water, summed over lines. */
  minutes: number;
  casts: CastState[];
  fed: OutingState['feeds'];
  takes: Take[];
  /** How often each reaction was logged. */
  answers: Partial<Record<ReactionKind, number>>;
}

/** A line left in an outing that never ended counts no longer than this, min. Heuristic. */
export const longestOpenMin = 240;

/** When a line was out of the water, ms; while it is in, now, but no later than a line is counted that nobody took up. */
export const lineEndMs = (line: Pick<LineState, 'downMs' | 'upMs'>, nowMs: number): number =>
  Math.max(line.downMs, line.upMs ?? Math.min(nowMs, line.downMs + longestOpenMin * minuteMs));

/** The visits of an outing by their beginning. Every line, cast, feed, bite and fish of it is in one of them. */
export function visitsOf(outing: OutingState, nowMs: number): Visit[] {
  const visits: Visit[] = outing.stations.flatMap((station) => station.stays.map((stay) => newVisit(outing, station, stay.fromMs, stay.toMs)));
  visits.sort((a, b) => a.fromMs - b.fromMs);
  const visitAt = (stationId: string, ms: number): Visit => {
    const here = visits.filter((v) => v.station === stationId);
    const found = here.findLast((v) => v.fromMs <= ms) ?? here[0];
    if (found) return found;
    // Of a station whose opening was taken back, or has not come yet, something was logged all the same.
    const made = newVisit(outing, outing.stations.find((s) => s.id === stationId) ?? { id: stationId, method: methodAt(outing, ms) }, ms, outing.endedMs);
    visits.push(made);
    return made;
  };
  const ofLine = new Map<string, Visit>();
  for (const line of outing.lines) {
    const visit = visitAt(line.station, line.downMs);
    ofLine.set(line.id, visit);
    visit.lines.push(line);
    visit.minutes += (lineEndMs(line, nowMs) - line.downMs) / minuteMs;
    if (visit.toMs !== null && line.upMs !== null) visit.toMs = Math.max(visit.toMs, line.upMs);
  }
  for (const cast of outing.casts) visitAt(cast.station, cast.ms).casts.push(cast);
  for (const feed of outing.feeds) visitAt(feed.station, feed.ms).fed.push(feed);
  for (const take of takesOf(outing)) {
    const own = take.line === null ? undefined : ofLine.get(take.line);
    const visit = own?.station === take.station ? own : visitAt(take.station, take.ms);
    visit.takes.push(take);
    for (const { kind } of take.reactions) visit.answers[kind] = (visit.answers[kind] ?? 0) + 1;
  }
  return visits.sort((a, b) => a.fromMs - b.fromMs);
}

function newVisit(outing: OutingState, station: Pick<StationState, 'id' | 'method'>, fromMs: number, toMs: number | null): Visit {
  return { outing: outing.id, station: station.id, method: station.method, fromMs, toMs, lines: [], minutes: 0, casts: [], fed: [], takes: [], answers: {} };
}

const methodAt = (outing: OutingState, ms: number): string => outing.methods.findLast((m) => m.ms <= ms)?.method ?? outing.method;
