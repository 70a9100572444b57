import { parsePlaceText } from '@burrow/contract/formats/place-text';
import type { LonLat } from '@burrow/core/ground';
import { readFix } from '@/data/position';

/** Where the phone says it is. Rejects with what to do instead, in words. */
export const whereAmI = (): Promise<LonLat> => readFix().then((fix) => fix.at);

/** A place as written: "44.05, -121.31", "44°03'N 121°19'W" and the like. Throws with what was expected for text that is none. */
export function placeFrom(text: string): LonLat {
  const { lat, lon } = parsePlaceText(text);
  return [lon, lat];
}
