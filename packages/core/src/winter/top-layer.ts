import type { Basin } from './basin';

/**
 * The uppermost layer of water, cut to the ice over it. Temperature (°C) and oxygen (mg/L) are the column's own arrays, by layer from
 * the surface down; what a layer holds goes with it.
 */
export class TopLayer {
  index = 0;
  thickM: number;
  volumeM3: number;

  constructor(
    private readonly basin: Basin,
    private readonly layerM: number,
    private readonly tempC: Float64Array,
    private readonly oxygen: Float64Array,
  ) {
    this.thickM = layerM;
    this.volumeM3 = basin.volumes[0];
  }

  /**
   * Fits the layer to the ice, whose underside lies at `baseM` below the surface. What freezes or melts is water at 0 °C, so the layer's
   * heat stays; a layer grown thin is joined with the next, one grown thick is cut.
   */
  settle(baseM: number): void {
    for (;;) {
      const thick = (this.index + 1) * this.layerM - baseM;
      this.resize(thick);
      if (thick < 0.5 * this.layerM) this.join();
      else if (thick > 1.5 * this.layerM && this.index > 0) this.cut();
      else return;
    }
  }

  private resize(thick: number): void {
    const volume = this.basin.volumeBetween(this.index + 1 - thick / this.layerM, this.index + 1);
    if (volume > 0) {
      this.tempC[this.index] *= this.volumeM3 / volume;
      this.volumeM3 = volume;
    }
    this.thickM = thick;
  }

  private join(): void {
    const next = this.index + 1;
    const both = this.volumeM3 + this.basin.volumes[next];
    const share = this.volumeM3 / both;
    this.tempC[next] += share * (this.tempC[this.index] - this.tempC[next]);
    this.oxygen[next] += share * (this.oxygen[this.index] - this.oxygen[next]);
    this.index = next;
    this.thickM += this.layerM;
    this.volumeM3 = both;
  }

  private cut(): void {
    const upper = this.index - 1;
    this.tempC[upper] = this.tempC[this.index];
    this.oxygen[upper] = this.oxygen[this.index];
    this.volumeM3 -= this.basin.volumes[this.index];
    this.thickM -= this.layerM;
    this.index = upper;
  }
}
