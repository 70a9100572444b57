import type { Situation } from '@burrow/core/situation';
import { knownWater, knownWaterOptions } from '../known-water';
import { readArgs, round } from '../options';

/** `burrow situation --water F --species id --method m --at ISO [--weather F.csv] [--log F.ndjson]`: what is known, each value with who says it. */
export function situation(args: string[]): void {
  process.stdout.write(`${JSON.stringify(situationLine(knownWater(readArgs(args, knownWaterOptions).values).situation))}\n`);
}

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
const line = <T>(known: { value: T; by: string; atMs: number | null } | null, shown: (value: T) => unknown = (value) => value) =>
  known && { value: shown(known.value), by: known.by, at: iso(known.atMs) };
const figure = (value: number) => round(value);

/** A situation as it is printed. */
function situationLine(s: Situation): object {
  return {
    at: iso(s.nowMs),
    method: s.method,
    species: line(s.species),
    goal: line(s.goal),
    surface: line(s.surface),
    stage: line(s.stage),
    band: line(s.band, ({ fromM, toM }) => [round(fromM, 2), round(toM, 2)]),
    temperature: { ...line(s.temperature, figure), depthM: round(s.temperature.depthM, 2) },
    clarity: line(s.clarity, figure),
    cloud: line(s.cloud, figure),
    light: line(s.light),
    air: line(s.airC, figure),
    fall: line(s.fallMm, figure),
    wind: line(s.wind),
    flow: line(s.flow, figure),
    level: line(s.level, figure),
    phase: line(s.phase),
    turn: line(s.turn, ({ kind, stepC, sinceMs, untilMs }) => ({ kind, stepC: round(stepC, 2), since: iso(sinceMs), until: iso(untilMs) })),
    ice: line(s.ice, figure),
    onLine: line(s.onLine),
    answers: { today: line(s.answers.today), lately: line(s.answers.lately) },
  };
}
