import type { Situation } from './situation';

/** Surface water is taken at this depth, m. Convention. */
const surfaceM = 0.5;

/** What of a situation moves the places that are looked at first: a rise by the thermometer, the level, and how warm the water near the surface is. */
export function placesOfNow({ turn, level, surface, column }: Pick<Situation, 'turn' | 'level' | 'surface' | 'column'>): { isWarmed: boolean; levelM: number; tempC: number } {
  const isOpen = surface.value !== 'ice' && surface.value !== 'skin';
  const { depthM, tempC } = column.profile;
  const k = depthM.findIndex((z) => z >= surfaceM);
  return { isWarmed: isOpen && turn?.value.kind === 'warmed', levelM: level.value, tempC: tempC[Math.max(0, k)] };
}
