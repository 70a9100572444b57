import { FormatError } from '@burrow/contract/formats/format-error';
import { parseWeatherFile, SeveralStations, type WeatherFile } from '@burrow/contract/formats/weather-file';
import type { LedgerState } from '@burrow/core/ledger';
import { answerColumn, type ColumnAnswer, type ColumnInput } from '@burrow/core/column';
import { weighRules, type RuleEvidence } from '@burrow/core/outlook';
import { factorsOf, outlookAgainstLog, stretchesOf, type Calibration, type Factor } from '@burrow/core/season';
import { findFronts, findPhases, type Phase, type Place, type WeatherHour } from '@burrow/core/weather';

export interface ColumnReply {
  /** Null where it cannot be computed, with the reason. */
  column: ColumnAnswer | null;
  why: string | null;
  evidence: RuleEvidence[];
}

/** Phases of the whole season are dear; they stay until the series changes. */
let phases: { key: string; found: Phase[] } | null = null;

/** What the column worker does: the winter column of a water, what the log says of the rules and of the Outlook, and reading weather from files. */
export const columnApi = {
  answer(input: ColumnInput, ledger: LedgerState, water: string, lightHabit: string): ColumnReply {
    const { series, place, nowMs } = input;
    const key = `${series.length}/${series[0]?.atMs}/${Math.floor(nowMs / 3_600_000)}`;
    if (phases?.key !== key) phases = { key, found: findPhases(series, findFronts(series, place.lat), nowMs) };
    const evidence = [...weighRules(ledger, water, phases.found, place, lightHabit, nowMs).values()];
    try {
      return { column: answerColumn(input), why: null, evidence };
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return { column: null, why: error.message, evidence };
    }
  },
  /** What a season of one way of fishing teaches: what goes with more bites, all together. `series` is the weather of a water, or empty. */
  factors(ledger: LedgerState, method: string, series: WeatherHour[], lat: number, nowMs: number): { factors: Factor[]; outings: number } {
    const stretches = stretchesOf(ledger, method, nowMs, series, lat);
    return { factors: factorsOf(stretches), outings: new Set(stretches.map((s) => s.outing)).size };
  },
  /** Whether the Outlook of a water was right. */
  calibration: (ledger: LedgerState, water: string, place: Place, series: WeatherHour[], deepestM: number | null, nowMs: number): Calibration =>
    outlookAgainstLog(ledger, water, place, series, deepestM, nowMs),
  /** A file of weather; what is wrong with one that is none, in words, and of which stations it holds reports where one has to be named. */
  readWeather(text: string, nowMs: number, station?: string): { file: WeatherFile; why: null } | { file: null; why: string; stations?: SeveralStations['stations'] } {
    try {
      return { file: parseWeatherFile(text, nowMs, station), why: null };
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      return { file: null, why: error.message, ...(error instanceof SeveralStations ? { stations: error.stations } : {}) };
    }
  },
};
export type ColumnApi = typeof columnApi;
