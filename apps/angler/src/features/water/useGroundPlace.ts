import { canStand, CastWater } from '@burrow/core/casting';
import { depthAt, type LonLat } from '@burrow/core/ground';
import { expectedText } from '@burrow/core/holes';
import type { Method } from '@burrow/core/methods';
import { useMemo } from 'react';
import { usePreferences } from '@/data/preferences';
import type { Ground } from '@/workers/ground.api';
import type { FishableGround } from './useStandpoint';
import { way } from './words';

/** What a map says of its places: their depth, in words too, and whether they can be fished from in a way. */
export function useGroundPlace(ground: Ground, method: Method) {
  const { units } = usePreferences();
  const water = useMemo(() => new CastWater(ground.map), [ground.map]);
  const isOn = (at: LonLat) => !ground.isShore || depthAt(ground.map, at) !== null;
  const fishable: FishableGround = { isOn, shores: ground.isShore ? [ground.ring, ...ground.islands] : [], bankM: method.bankM };
  const title = (at: LonLat) => {
    const expected = depthAt(ground.map, at);
    if (expected) return `Expect ${expectedText(expected.depthM, expected.sdM, units)}`;
    return ground.isShore ? 'Not on this water' : 'Depth not known here';
  };
  return {
    fishable,
    title,
    expectedM: (at: LonLat) => depthAt(ground.map, at)?.depthM ?? null,
    canOpen: (at: LonLat) => (method.bankM > 0 ? canStand(water, ground, at) : isOn(at)),
    wayText: (from: LonLat | null, to: LonLat) => way(from, to, units),
  };
}
