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

/**
 * A place as written: "44.05, -121.31", "44°03'N 121°19'W" and the like, latitude first.
 * Throws with what was expected for text that is none.
 */
export async function placeFrom(text: string): Promise<LonLat> {
  const { convert } = await import('geo-coordinates-parser');
  try {
    const { decimalLatitude, decimalLongitude } = convert(text.trim(), 6);
    return [decimalLongitude, decimalLatitude];
  } catch {
    throw new Error(`expected latitude, then longitude, such as 44.0512, −121.3153 or 44°03'N 121°19'W, found "${text}"`);
  }
}
