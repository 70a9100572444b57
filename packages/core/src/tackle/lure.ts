import type { Lure } from '../rig';
import type { TackleFamily } from './families';

/** A soft trailer on a head falls at half the speed of the bare head: four times its drag. Source: fieldcraft. */
const trailerDrag = 4;

/** A piece as it falls. */
export const lureOf = (family: TackleFamily, massG: number): Lure => ({
  massG,
  material: family.material,
  shape: family.shape,
  ...(family.hasTrailer ? { dragTimes: trailerDrag } : {}),
});
