import { columnDays } from '@burrow/core/outlook';
import { hourMs } from '@burrow/core/units';
import { middleOfWater } from '@burrow/contract/formats/water-geojson';
import { withSeen } from '@burrow/core/weather';
import { nowMs } from './clock';
import { columnWorker } from './column';
import { useComputed } from './computed';
import { useLedger } from './session';
import { useSeasonWeather, useWater } from './water';

/** Latitude where none is known: it only decides which way fronts turn. */
const usualLat = 45;

/** The weather of the season at the water that is shown, with what was seen; and what else of it the log is held against. */
function useSeasonOf() {
  const { state, ready } = useLedger();
  const { detail } = useWater();
  const water = detail.data?.value;
  const [lon, lat] = water ? middleOfWater(water.file) : [0, usualLat];
  const season = useSeasonWeather(water?.id, water ? columnDays(nowMs(), lat) : 0);
  const station = season.data?.value.series;
  // Without a signal and without a copy there is no weather: what can be told is told without.
  const isSettled = ready && (water === undefined || station !== undefined || season.isError);
  const caught = state.outings.reduce((sum, o) => sum + o.entries.length, 0);
  return {
    state,
    water,
    place: { lon, lat, timeZone: water?.file.water.timezone ?? 'UTC' },
    series: station ?? [],
    isSettled,
    of: `${caught}/${state.weather.length}/${season.data?.keptMs}`,
  };
}

/** What goes with more bites in one way of fishing, all together; computed in a worker. */
export function useFactors(method: string) {
  const { state, place, series, isSettled, of } = useSeasonOf();
  return useComputed({
    key: ['factors', method],
    of,
    enabled: isSettled,
    compute: async () => (await columnWorker()).factors(state, method, series.length > 0 ? withSeen(series, state.weather) : [], place.lat, nowMs()),
  });
}

/** Whether the Outlook of the water that is shown was right; computed in a worker. */
export function useCalibration() {
  const { state, water, place, series, isSettled, of } = useSeasonOf();
  const computed = useComputed({
    key: ['calibration', water?.id],
    of,
    enabled: isSettled && water !== undefined,
    compute: async () => (await columnWorker()).calibration(state, water!.id, place, withSeen(series, state.weather), null, Math.floor(nowMs() / hourMs) * hourMs),
  });
  return { ...computed, waterName: water?.file.water.name ?? null };
}
