import { farText, spanText, type UnitPreference } from '../units';

/** Where weather comes from. */
export interface WeatherSource {
  station: string;
  simulated: boolean;
  observedMs: number;
  awayM?: number;
  brought?: string;
}

/** A service's point nearer than this is the water's own, m. */
const hereM = 2000;
const justNowMs = 60_000;

/** Whose weather it is, how far off it was taken, how old it is, and what an angler brought to it. `isStale`: no fresher could be had. */
export function sourceWords({ station, simulated, observedMs, awayM, brought }: WeatherSource, nowMs: number, isStale: boolean, units: UnitPreference): string {
  const ageMs = Math.max(0, nowMs - observedMs);
  const who = `${station}${simulated ? ', simulated' : ''}${awayM !== undefined && awayM > hereM ? `, ${farText(awayM, units)} away` : ''}`;
  const isOwnAlone = brought === station;
  const age = isOwnAlone
    ? `brought by you, last row ${ageMs < justNowMs ? 'of now' : `${spanText(ageMs)} old`}`
    : `read ${ageMs < justNowMs ? 'just now' : `${spanText(ageMs)} ago`}`;
  return `${who}: ${age}${isStale ? ', no fresher without signal' : ''}.${brought !== undefined && !isOwnAlone ? ` With what you brought: ${brought}.` : ''}`;
}
