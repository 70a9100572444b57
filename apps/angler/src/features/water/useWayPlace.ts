import type { WaterDetail } from '@burrow/contract/api';
import { standWords } from '@burrow/core/casting';
import { depthAt, type LonLat } from '@burrow/core/ground';
import { passPlaceWords } from '@burrow/core/troll';
import { bearingDeg, compassPoint, depthText, distanceM } from '@burrow/core/units';
import { useCastSetting, useFirstStand } from '@/data/casting';
import { usePegPlace } from '@/data/peg';
import { usePreferences } from '@/data/preferences';
import type { Ground } from '@/workers/ground.api';
import type { OutingHere } from './useOutingHere';

/** Where the way one fishes begins on a water with a map. */
export interface WayPlace {
  /** Null while it is worked out, and where there is none. */
  at: LonLat | null;
  words: { headline: string; detail: string };
  /** What is said of the place itself; null for its depth. */
  title: string | null;
}

/** Where the outing's way begins; null without an outing, and where the water itself says where: under the line. */
export function useWayPlace(water: WaterDetail, ground: Ground, { outing, method }: OutingHere, position: LonLat | null): WayPlace | null {
  const { units } = usePreferences();
  const casting = useCastSetting(water, ground);
  const isFan = outing !== undefined && method.picture === 'fan';
  const stand = useFirstStand(water, ground, casting, isFan);
  const peg = usePegPlace(water, ground, method, outing !== undefined);
  if (!outing) return null;
  if (peg) return { at: peg.place?.at ?? null, words: peg.words, title: peg.place && `Within reach ${depthText(peg.place.depthM, units)}` };
  if (method.picture === 'lane') return { at: position, words: passPlaceWords(position !== null), title: null };
  if (!isFan) return null;
  const toward = stand.at &&
    stand.toward && { what: stand.toward.words.place, awayM: distanceM(stand.at, stand.toward.at), point: compassPoint(bearingDeg(stand.at, stand.toward.at)) };
  const stance = stand.isPending ? 'seeking' : stand.at && { underM: depthAt(ground.map, stand.at)?.depthM ?? null, toward };
  return { at: stand.at, words: standWords(stance, casting.band, casting.query.castM, casting.isAshore, units), title: null };
}
