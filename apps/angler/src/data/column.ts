import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import { columnDays, measurementsOf, secchiOf } from '@burrow/core/outlook';
import { hourMs } from '@burrow/core/units';
import { withSeen, type Place } from '@burrow/core/weather';
import type { Hypsography } from '@burrow/core/winter';
import type { Remote } from 'comlink';
import type { ColumnApi } from '@/workers/column.api';
import { useComputed } from './computed';
import { useLedger } from './session';
import { useSeasonWeather } from './water';

let worker: Promise<Remote<ColumnApi>> | null = null;
export const columnWorker = () => (worker ??= import('@/workers/spawn').then(({ spawnColumn }) => spawnColumn()));

/** Reads a file of weather; what is wrong with one that is none, in words. */
export const readWeather = async (text: string, nowMs: number, station?: string) => (await columnWorker()).readWeather(text, nowMs, station);

/** The winter column of a water at this hour, corrected by what was measured there, and the weight of the log; computed in a worker. */
export function useColumn(water: WaterDetail | undefined, hypsography: Hypsography | undefined, place: Place | undefined, speciesId: string, nowMs: number) {
  const { state, ready } = useLedger();
  const season = useSeasonWeather(water?.id, place ? columnDays(nowMs, place.lat) : 0);
  const hour = Math.floor(nowMs / hourMs) * hourMs;
  const measurements = water ? measurementsOf(state, water.id).filter((m) => m.atMs <= nowMs) : [];
  const secchiM = water && secchiOf(state, water.id, nowMs, water.file.water.secchi_m);
  const habit = speciesOf(speciesId).light;
  const caught = state.outings.reduce((sum, o) => sum + o.fish.length + o.reactions.length, 0);
  const series = season.data?.value.series;
  const computed = useComputed({
    key: ['column', water?.id],
    of: [
      hour,
      habit,
      secchiM,
      measurements.map((m) => `${m.atMs} ${m.kind} ${m.depthM ?? ''} ${m.value}`).join(),
      caught,
      state.weather.length,
      hypsography?.areasM2.join(),
      season.data?.keptMs,
    ].join('/'),
    enabled: ready && water !== undefined && hypsography !== undefined && place !== undefined && series !== undefined && series.length > 1,
    compute: async () => {
      const { elevation_m } = water!.file.water;
      const input = {
        hypsography: hypsography!,
        secchiM: secchiM!,
        elevationM: elevation_m,
        place: place!,
        series: withSeen(series!, state.weather),
        measurements,
        nowMs: hour,
      };
      return (await columnWorker()).answer(input, state, water!.id, habit);
    },
  });
  // Without the weather since autumn nothing is computed: why it did not come is the answer, rather than a wait without an end.
  return computed.data === undefined && season.isError ? { ...computed, isPending: false, isError: true, error: season.error as Error } : computed;
}
