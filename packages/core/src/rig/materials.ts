import { requireWithin } from '../units';

/** Density of lure materials, g/cm³. */
export const materials = { tungsten: 17.5, lead: 11.3, bismuth: 9.8, brass: 8.5, zinc: 7.1 } as const;
export type Material = keyof typeof materials;

/** Drag coefficient of a lure falling, by shape. Sphere: standard drag curve; the others: fieldcraft, adjustable by a timed fall. */
export const shapes = { sphere: 0.47, teardrop: 0.35, tube: 0.9, spoon: 1.2 } as const;
export type Shape = keyof typeof shapes;

export const gravity = 9.80665;
/** Density of cold water, kg/m³. */
export const coldWaterDensity = 999.9;

export interface Lure {
  massG: number;
  material: Material;
  shape: Shape;
  /** How many times the drag of its bare shape, as with a soft trailer on a head; 1 where left out. */
  dragTimes?: number;
}

/** Volume, m³, frontal area of the sphere of that volume, m², and weight in water, N. Mass 0.05 to 500 g. */
export function bodyOf(lure: Lure) {
  requireWithin(lure.massG, 0.05, 500, 'lure mass', 'g');
  const density = materials[lure.material];
  if (!density) throw new RangeError(`material must be one of ${Object.keys(materials).join(', ')}, found ${lure.material}`);
  const dragCoefficient = shapes[lure.shape] * (lure.dragTimes ?? 1);
  if (!dragCoefficient) throw new RangeError(`shape must be one of ${Object.keys(shapes).join(', ')}, found ${lure.shape}`);
  const massKg = lure.massG / 1000;
  const volumeM3 = massKg / (density * 1000);
  const radius = Math.cbrt((3 * volumeM3) / (4 * Math.PI));
  return { massKg, volumeM3, areaM2: Math.PI * radius * radius, wetWeightN: (massKg - coldWaterDensity * volumeM3) * gravity, dragCoefficient };
}
