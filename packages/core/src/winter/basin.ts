import { faceAreas, type Hypsography } from './hypsography';

/** The bowl that a water lies in, cut into equal layers: areas at their faces, volumes, and the bed that each layer touches. */
export class Basin {
  /** m², at the upper face of each layer and the bottom. */
  readonly areas: Float64Array;
  /** m³. */
  readonly volumes: Float64Array;
  /** m². */
  readonly bedM2: Float64Array;

  constructor(
    hypsography: Hypsography,
    private readonly layerM: number,
    private readonly count: number,
  ) {
    this.areas = faceAreas(hypsography, layerM, count);
    this.volumes = Float64Array.from({ length: count }, (_, i) => this.volumeBetween(i, i + 1));
    this.bedM2 = Float64Array.from({ length: count }, (_, i) => this.areas[i] - (i === count - 1 ? 0 : this.areas[i + 1]));
  }

  /** Area at a depth, m². */
  areaAt(depthM: number): number {
    const at = Math.max(0, depthM / this.layerM);
    const i = Math.min(this.count - 1, Math.floor(at));
    return this.areas[i] + (this.areas[i + 1] - this.areas[i]) * (at - i);
  }

  /** Volume between two depths counted in layers, m³, with areas straight between faces. */
  volumeBetween(from: number, to: number): number {
    let volume = 0;
    for (let i = Math.max(0, Math.floor(from)); i < to; i++) {
      const a = Math.max(from, i);
      const b = Math.min(to, i + 1);
      const slope = this.areas[i + 1] - this.areas[i];
      volume += (b - a) * this.layerM * (this.areas[i] + slope * ((a + b) / 2 - i));
    }
    return volume;
  }
}
