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
  /** Stations whose reports the file holds, where one has to be named. */
  stations?: readonly { station: string; reports: number }[];
  text: string;
}

/** Asks for a file of weather and reads it; null when the user turns back. */
export async function pickWeather(): Promise<ReadWeather | null> {
  const picked = await openFile('.csv,.metar,.txt,text/csv,text/plain');
  return picked && { ...picked, ...(await readWeather(picked.text, nowMs())) };
}

/** The same file, of one of its stations. */
export const ofStation = async ({ name, text }: ReadWeather, station: string): Promise<ReadWeather> => ({
  name: `${name}, ${station}`,
  text,
  ...(await readWeather(text, nowMs(), station)),
});

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
