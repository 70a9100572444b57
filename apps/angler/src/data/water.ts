import type { WaterDetail, WaterSummary, WaterWeather, WaterWinter } from '@burrow/contract/api';
import type { OutingState } from '@burrow/core/ledger';
import { thinnest, type IceMeasurement } from '@burrow/core/safety';
import { createContext, use, useMemo } from 'react';
import { api } from './api';
import { nowMs } from './clock';
import { useKept } from './kept';
import { usePreferences } from './preferences';
import { useAccount, useLedger } from './session';
import { ownVersion } from './water-change';

export { isNone } from './kept';

/** The water that the screens within are about, where that is not the one chosen. */
export const WaterContext = createContext<string | null>(null);

/** The water in use: that of the outing under way on the screens of an outing, else the one chosen last, else the first. */
export function useWater() {
  const waters = useKept<WaterSummary[]>(['waters'], api.waters, 300_000);
  const { water: preferred } = usePreferences();
  const chosen = use(WaterContext) ?? preferred;
  const list = waters.data?.value ?? [];
  const water = list.find((w) => w.id === chosen) ?? list[0];
  return { waters, water, detail: useWaterDetail(water?.id) };
}

/** A water of the account with its map data. */
export function useWaterDetail(id: string | undefined) {
  const { store } = useAccount();
  // A water changed here that has not reached the server goes before the server's own.
  return useKept<WaterDetail>(['water', id ?? ''], async () => (await ownVersion(store, id!)) ?? api.water(id!), 600_000, id !== undefined);
}

/** Weather at a water. */
export const useWeather = (id: string | undefined) => useKept<WaterWeather>(['weather', id ?? ''], () => api.weather(id!), 60_000, id !== undefined);

/** Weather of the season so far, for the column: hourly since autumn, fetched a few times a day. */
export const useSeasonWeather = (id: string | undefined, days: number) =>
  useKept<WaterWeather>(['season-weather', id ?? ''], () => api.weather(id!, days), 6 * 3_600_000, id !== undefined && days > 0);

/** The water's winter day by day, computed on the server. */
export const useWinter = (id: string | undefined) => useKept<WaterWinter>(['winter', id ?? ''], () => api.winter(id!), 3_600_000, id !== undefined);

/** Outings under way beside the one that is shown: two phones of one account began one each without a signal. */
export function useOtherOutings(): OutingState[] {
  const { state } = useLedger();
  const open = state.outings.filter((o) => o.endedMs === null && o.broughtFrom === undefined);
  return open.slice(0, -1);
}

/** The outing under way, if one is. */
export function useOuting(): OutingState | undefined {
  const { state } = useLedger();
  return state.outings.findLast((o) => o.endedMs === null);
}

/** The ice of the last visit to a water where any was measured: the thinnest, with its place. */
export function useLastIce(waterId: string | undefined): IceMeasurement | undefined {
  const { state } = useLedger();
  return useMemo(() => {
    const visits = state.outings.filter((o) => o.water === waterId).map((o) => ({ outing: o, ice: o.ice.filter((i) => i.ms <= nowMs()) }));
    const last = visits.findLast((v) => v.ice.length > 0);
    return last && thinnest(last.ice.map((i) => ({ clearM: i.clearM, whiteM: i.whiteM, atMs: i.ms, at: last.outing.stations.find((h) => h.id === i.station)?.at })));
  }, [state, waterId]);
}
