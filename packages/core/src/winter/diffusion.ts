/**
 * Implicit diffusion down a column of layers of unequal area: (V + a + c)·x − a·x_above − c·x_below = V·x_old + source, eliminated
 * from the bottom up. While only the top layer changes, as under growing ice, the elimination below it is kept.
 */
export class Diffusion {
  private readonly pull: Float64Array;
  private readonly inverse: Float64Array;
  private readonly below: Float64Array;
  private readonly carried: Float64Array;
  private keptVersion = -1;
  private keptFrom = -1;
  private stepS = 0;

  constructor(
    private readonly count: number,
    private readonly layerM: number,
    private readonly areas: Float64Array,
    private readonly volumes: Float64Array,
  ) {
    this.pull = new Float64Array(count);
    this.inverse = new Float64Array(count);
    this.below = new Float64Array(count);
    this.carried = new Float64Array(count);
  }

  /**
   * One step of `x` in place.
   * @param source added to each layer over the step, in units of x times m³
   * @param first top layer, `firstM` thick with volume `firstM3`
   * @param diffusivity at each face, m²/s; `version` changes when any of it does
   * @param topM3 conductance of the top face toward x = 0 over the step, m³
   * @param stepS length of the step, s
   */
  step(x: Float64Array, source: Float64Array, first: number, firstM: number, firstM3: number, diffusivity: Float64Array, version: number, topM3: number, stepS: number): void {
    const { count, pull, inverse, below, carried, volumes } = this;
    const start = version === this.keptVersion && stepS === this.stepS && this.keptFrom <= first + 2 && this.keptFrom >= 0 ? Math.min(count - 1, first + 1) : count - 1;
    this.stepS = stepS;
    this.eliminate(start, first, firstM, firstM3, diffusivity, topM3);
    this.keptVersion = version;
    this.keptFrom = Math.min(count, first + 2);
    carried[count - 1] = ((count - 1 === first ? firstM3 : volumes[count - 1]) * x[count - 1] + source[count - 1]) * inverse[count - 1];
    for (let i = count - 2; i > first; i--) carried[i] = (volumes[i] * x[i] + source[i] + below[i] * carried[i + 1]) * inverse[i];
    if (first < count - 1) carried[first] = (firstM3 * x[first] + source[first] + below[first] * carried[first + 1]) * inverse[first];
    x[first] = carried[first];
    for (let i = first + 1; i < count; i++) x[i] = pull[i] * x[i - 1] + carried[i];
  }

  /** From layer `start` up. The conductance of a face is its area times diffusivity over the way between the layers' middles. */
  private eliminate(start: number, first: number, firstM: number, firstM3: number, diffusivity: Float64Array, topM3: number): void {
    const { count, pull, inverse, below, volumes, areas } = this;
    const perM = this.stepS / this.layerM;
    const firstPerM = (2 * this.stepS) / (firstM + this.layerM);
    let down = start === count - 1 ? 0 : (start === first ? firstPerM : perM) * diffusivity[start + 1] * areas[start + 1];
    let pulled = start === count - 1 ? 0 : pull[start + 1];
    for (let i = start; i > first; i--) {
      const up = (i === first + 1 ? firstPerM : perM) * diffusivity[i] * areas[i];
      const over = 1 / (volumes[i] + up + down - down * pulled);
      inverse[i] = over;
      pull[i] = pulled = up * over;
      below[i] = down;
      down = up;
    }
    inverse[first] = 1 / (firstM3 + topM3 + down - down * pulled);
    pull[first] = 0;
    below[first] = down;
  }
}
