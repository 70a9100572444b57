import { parsePlaceText } from '@burrow/contract/formats/place-text';
import type { LonLat } from '@burrow/core/ground';

/** Where the phone says it is. Rejects with what to do instead, in words. */
export const whereAmI = (): Promise<LonLat> =>
  new Promise((resolve, reject) => {
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => resolve([Number(coords.longitude.toFixed(7)), Number(coords.latitude.toFixed(7))]),
      () => reject(new Error('The phone does not say where it is.')),
      { enableHighAccuracy: true, timeout: 10_000 },
    );
  });

/** Whether the phone says where it is without asking first. */
export const isWhereKnown = async (): Promise<boolean> => (await navigator.permissions?.query({ name: 'geolocation' }).catch(() => null))?.state === 'granted';

/** A place as written: "44.05, -121.31", "44°03'N 121°19'W" and the like. Throws with what was expected for text that is none. */
export function placeFrom(text: string): LonLat {
  const { lat, lon } = parsePlaceText(text);
  return [lon, lat];
}
