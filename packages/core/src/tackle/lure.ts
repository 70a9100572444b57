import type { Lure } from '../rig';
import type { TackleFamily } from './families';

/** A piece as it falls. */
export const lureOf = (family: TackleFamily, massG: number): Lure => ({ massG, material: family.material, shape: family.shape });
