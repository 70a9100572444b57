import type { WeatherFile } from '@burrow/contract/formats/weather-file';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ApiError, OfflineError } from './api';
import { nowMs } from './clock';
import { readWeather } from './column';
import { openFile } from './files';

/** A file of weather that was read, to be looked at before it is taken in. */
export interface ReadWeather {
  name: string;
  /** Null where it is no weather, and why. */
  file: WeatherFile | null;
  why: string | null;
}

/** Asks for a file of weather and reads it; null when the user turns back. */
export async function pickWeather(): Promise<ReadWeather | null> {
  const picked = await openFile('.csv,.metar,.txt,text/csv,text/plain');
  return picked && { name: picked.name, ...(await readWeather(picked.text, nowMs())) };
}

/** Takes weather of one's own in for a water, or forgets it; what rests on it is asked for anew. */
export function useOwnWeather(waterId: string) {
  const client = useQueryClient();
  const onSuccess = () => Promise.all(['weather', 'season-weather', 'winter'].map((name) => client.invalidateQueries({ queryKey: [name, waterId] })));
  const bring = useMutation({
    mutationFn: ({ name, file }: { name: string; file: WeatherFile }) => api.bringWeather(waterId, { source: name.slice(0, 120), series: file.series }),
    onSuccess,
  });
  const forget = useMutation({ mutationFn: () => api.forgetWeather(waterId), onSuccess });
  return { bring, forget };
}

/** Why it did not go, in words. */
export function whyNot(error: Error | null): string | null {
  if (error === null) return null;
  if (error instanceof OfflineError) return 'No signal: weather from a file goes to the server first. Nothing was taken in.';
  if (error instanceof ApiError) return `${error.message} Nothing was taken in.`;
  throw error;
}
