import type { Situation } from './situation';

/** Surface water is taken at this depth, m. Convention. */
const surfaceM = 0.5;

/** What of a situation moves the places that are looked at first. */
interface PlacesOfNow {
  isWarmed: boolean;
  levelM: number;
  tempC: number;
  sunned: number | null;
}

/** A rise by the thermometer, the level, how warm the water near the surface is, and how much sun open water had. */
export function placesOfNow({ turn, level, surface, column, sunned }: Pick<Situation, 'turn' | 'level' | 'surface' | 'column' | 'sunned'>): PlacesOfNow {
  const isOpen = surface.value !== 'ice' && surface.value !== 'skin';
  const { depthM, tempC } = column.profile;
  const k = depthM.findIndex((z) => z >= surfaceM);
  return { isWarmed: isOpen && turn?.value.kind === 'warmed', levelM: level.value, tempC: tempC[Math.max(0, k)], sunned: isOpen ? (sunned?.value ?? null) : null };
}
