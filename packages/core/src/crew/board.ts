import type { LineState, OutingState } from '../ledger';
import { methodOf, usualMethod } from '../methods';
import { trialsOf, trialWords, type PairTrial } from '../season';
import { clockText, counted, depthText, minuteMs, type UnitPreference } from '../units';
import { biteMsOf, lineEndMs, takesOf, visitsOf } from '../visits';

/** One of a crew with the outing that is shared. */
export interface CrewMember {
  name: string;
  outing: OutingState;
}

/** What one of a crew has in the water and what came to it. */
export interface CrewRow {
  name: string;
  /** Where he is: "hole 3"; null before the first station. */
  place: string | null;
  /** Lines that are down now. */
  lines: { rod: string; presentation: string | null; depthM: number | null; sinceMs: number }[];
  /** When any line was in the water, ms; open while one is. */
  spans: { fromMs: number; toMs: number | null }[];
  bites: { ms: number; isFish: boolean }[];
  fish: number;
  lineMin: number;
}

/** A school that one of the crew saw. */
export interface CrewSchool {
  by: string;
  ms: number;
  place: string | null;
  outM: number;
  bearingDeg: number;
  topM: number | null;
}

/** All that a crew shares of its outings: who fishes what where, what came, and which bait leads. */
export interface CrewBoard {
  fromMs: number;
  nowMs: number;
  rows: CrewRow[];
  schools: CrewSchool[];
  trial: PairTrial | null;
}

/** A school seen longer ago than this has gone elsewhere, ms. */
const schoolMs = 90 * minuteMs;

const placeOf = (outing: OutingState, id: string | null): string | null => {
  const station = outing.stations.find((s) => s.id === id);
  return station ? `${(methodOf(station.method) ?? usualMethod).station.toLowerCase()} ${station.label}` : null;
};

function rowOf({ name, outing }: CrewMember, nowMs: number): CrewRow {
  const isDown = (l: LineState) => l.upMs === null && outing.endedMs === null;
  return {
    name,
    place: placeOf(outing, outing.currentStation),
    lines: outing.lines.filter(isDown).map((l) => ({ rod: l.rod, presentation: l.presentation, depthM: l.depths.at(-1)?.depthM ?? null, sinceMs: l.downMs })),
    spans: joined(outing.lines.map((l) => ({ fromMs: l.downMs, toMs: isDown(l) ? null : lineEndMs(l, nowMs) }))),
    bites: takesOf(outing).flatMap((t) => {
      const ms = biteMsOf(t);
      return ms === null ? [] : [{ ms, isFish: t.fish !== null }];
    }),
    fish: outing.fish.length,
    lineMin: Math.round(visitsOf(outing, nowMs).reduce((sum, v) => sum + v.minutes, 0)),
  };
}

/** Spans that touch or overlap as one. */
function joined(spans: CrewRow['spans']): CrewRow['spans'] {
  const all: CrewRow['spans'] = [];
  for (const span of [...spans].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = all.at(-1);
    if (!last || (last.toMs !== null && span.fromMs > last.toMs + minuteMs)) all.push({ ...span });
    else last.toMs = last.toMs === null || span.toMs === null ? null : Math.max(last.toMs, span.toMs);
  }
  return all;
}

/** Outings of a crew as one: what is compared was in the water at the same time, whoever held the rod. */
export function sharedOuting(outings: readonly OutingState[]): OutingState {
  const [first] = outings;
  const all = <K extends 'stations' | 'lines' | 'reactions' | 'fish' | 'casts' | 'feeds'>(key: K) => outings.flatMap((o) => o[key] as unknown[]) as OutingState[K];
  const isOver = outings.every((o) => o.endedMs !== null);
  return {
    ...first,
    startedMs: Math.min(...outings.map((o) => o.startedMs)),
    endedMs: isOver ? Math.max(...outings.map((o) => o.endedMs!)) : null,
    stations: all('stations'),
    lines: all('lines'),
    reactions: all('reactions'),
    fish: all('fish'),
    casts: all('casts'),
    feeds: all('feeds'),
  };
}

/** What a crew sees of itself. RangeError for no member. */
export function crewBoard(members: readonly CrewMember[], nowMs: number): CrewBoard {
  if (members.length === 0) throw new RangeError('crew: expected at least one member, found none');
  const outings = members.map((m) => m.outing);
  const [trial] = trialsOf([sharedOuting(outings)], nowMs, 1);
  return {
    fromMs: Math.min(...outings.map((o) => o.startedMs)),
    nowMs,
    rows: members.map((m) => rowOf(m, nowMs)),
    schools: members
      .flatMap(({ name, outing }) =>
        outing.felt
          .filter((f) => f.what === 'school' && nowMs - f.ms <= schoolMs)
          .map((f): CrewSchool => ({ by: name, ms: f.ms, place: placeOf(outing, f.station), outM: f.outM, bearingDeg: f.bearingDeg, topM: f.topM ?? null })),
      )
      .sort((a, b) => b.ms - a.ms),
    trial: trial ?? null,
  };
}

/** What the board comes to in two sentences: which bait leads, else who has what. */
export function crewWords({ rows, trial }: CrewBoard): { headline: string; detail: string } {
  if (trial) {
    const { headline, detail } = trialWords(trial);
    return { headline: trial.verdict === 'leads' ? `${headline}: everybody change` : headline, detail };
  }
  const [fish, bites] = [rows.reduce((n, r) => n + r.fish, 0), rows.reduce((n, r) => n + r.bites.length, 0)];
  return {
    headline: bites + fish === 0 ? 'No bite yet' : `${fish} fish, ${counted(bites, 'bite')}`,
    detail: 'Two baits that are down at the same time are compared, whoever holds the rod. Put unlike ones on, one thing at a time.',
  };
}

/** Where a school was seen, by whom and when. */
export const crewSchoolText = ({ by, ms, place, outM, topM }: CrewSchool, zone: string, units: UnitPreference): string =>
  `${topM === null ? '' : `top at ${depthText(topM, units)}, `}${outM < 1 ? 'under' : `${depthText(outM, units)} off`} ${place ?? 'the start'}, seen ${clockText(ms, zone)} by ${by}`;
