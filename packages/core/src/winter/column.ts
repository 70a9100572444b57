import { attenuation } from '../water';
import { Basin } from './basin';
import { oxygenBalance, saturation } from './oxygen-balance';
import { mixUnstable } from './convection';
import { Diffusion } from './diffusion';
import { iceDensity } from './ice';
import { IceSheet } from './ice-sheet';
import { requireSetting, winterConstants, type ColumnSetting } from './setting';
import { stirOpenWater } from './stirring';
import { TopLayer } from './top-layer';

/** Weather of one step over the water. */
export interface ColumnWeather {
  airC: number;
  windMs: number;
  sunWm2: number;
  /** New snow on land, m, and the share of the old that stays. */
  snowfallM: number;
  snowKept: number;
}

/**
 * What changes slowly is carried on in spells of several steps: oxygen and the bed, and the water under ice that is no skin any more
 * (a layer takes a day to follow its neighbour); open water that has not yet turned over in shorter ones, which still show the day.
 * From the turnover to a firm sheet every step counts: the hour of freeze-up decides how much heat is shut in.
 */
const slowSteps = 12;
const iceSteps = 6;
const openSteps = 3;
const openAboveC = 4;
const skinM = 0.1;
/** Light from which the sun turns the water under the ice over, W/m². */
const turnoverWm2 = 1;

/**
 * A water through autumn and winter, layer by layer from its surface down: heat, oxygen and light, and the ice over it.
 * Equations and sources in docs/science.md. One `step` an hour or finer.
 */
export class WinterColumn {
  readonly tempC: Float64Array;
  /** mg/L. */
  readonly oxygen: Float64Array;
  readonly sheet = new IceSheet();
  /** Heat taken in from outside since the start, J: air and sun, snow that came and went. */
  heatInJ = 0;

  private readonly count: number;
  private readonly layerM: number;
  private readonly basin: Basin;
  private readonly top: TopLayer;
  private readonly areas: Float64Array;
  private readonly volumes: Float64Array;
  private readonly bedM2: Float64Array;
  private readonly bedC: Float64Array;
  private readonly lightFade: Float64Array;
  private readonly source: Float64Array;
  private readonly light: Float64Array;
  private readonly lightSum: Float64Array;
  private readonly diffusivity: Float64Array;
  private readonly oxygenUnderIce: Float64Array;
  private version = 0;
  private isStill = false;
  private readonly heatFlow: Diffusion;
  private readonly oxygenFlow: Diffusion;
  private sinceSlow = 0;
  /** Steps whose weather is gathered and not yet carried into the water, and after how many it is. */
  private gathered = 0;
  private spell = 1;
  private readonly sums = { sunJ: 0, lightJ: 0, windMs: 0, exchangeJ: 0, airJ: 0 };
  private lightWm2 = 0;
  private readonly kd: number;

  /** Mixed water at `startC` °C, saturated with oxygen. Throws RangeError for a setting out of range. */
  constructor(
    private readonly setting: ColumnSetting,
    startC: number,
    private readonly stepS = 3600,
  ) {
    requireSetting(setting);
    const deepest = setting.hypsography.depthsM.at(-1)!;
    this.count = Math.max(2, Math.round(deepest / setting.layerM));
    this.layerM = deepest / this.count;
    this.basin = new Basin(setting.hypsography, this.layerM, this.count);
    [this.areas, this.volumes, this.bedM2] = [this.basin.areas, this.basin.volumes, this.basin.bedM2];
    this.kd = attenuation(setting.secchiM);
    this.lightFade = Float64Array.from({ length: this.count + 1 }, (_, i) => Math.exp(-this.kd * i * this.layerM));
    const row = () => new Float64Array(this.count);
    [this.tempC, this.oxygen, this.bedC, this.source] = [row().fill(startC), row().fill(saturation(startC, setting.pressureShare)), row(), row()];
    this.bedC.fill(Math.min(startC, winterConstants.bedStartC));
    [this.light, this.lightSum, this.diffusivity] = [new Float64Array(this.count + 1), new Float64Array(this.count + 1), new Float64Array(this.count + 1)];
    this.oxygenUnderIce = new Float64Array(this.count + 1).fill(winterConstants.oxygenUnderIce);
    this.top = new TopLayer(this.basin, this.layerM, this.tempC, this.oxygen);
    this.heatFlow = new Diffusion(this.count, this.layerM, this.areas, this.volumes);
    this.oxygenFlow = new Diffusion(this.count, this.layerM, this.areas, this.volumes);
  }

  /** Top layer of water: ice lies in the layers above it. */
  get first(): number {
    return this.top.index;
  }

  get isOpen(): boolean {
    return this.sheet.iceM === 0;
  }

  private get slowS(): number {
    return slowSteps * this.stepS;
  }

  /** Depth at which the top layer begins, m: the ice's underside when the water was last fitted to it. */
  private get baseM(): number {
    return (this.top.index + 1) * this.layerM - this.top.thickM;
  }

  /** Heat of water, bed and ice against water at 0 °C, J. */
  get heatJ(): number {
    const { waterHeat, bedHeat } = winterConstants;
    let heat = this.sheet.heatJ * this.areas[0];
    for (let i = 0; i < this.count; i++) heat += bedHeat * this.bedM2[i] * this.bedC[i];
    for (let i = this.top.index; i < this.count; i++) heat += waterHeat * (i === this.top.index ? this.top.volumeM3 : this.volumes[i]) * this.tempC[i];
    return heat;
  }

  /** One step. The ice follows at once; the water within a spell of at most six steps. */
  step(weather: ColumnWeather): void {
    if (this.gathered === 0) this.spell = Math.min(this.steadySteps(), slowSteps - this.sinceSlow);
    const wasOpen = this.isOpen;
    if (wasOpen) this.gatherOpen(weather);
    else this.gatherUnderIce(weather);
    this.gathered++;
    this.sinceSlow++;
    if (this.gathered < this.spell && wasOpen === this.isOpen) return;
    this.source.fill(0);
    if (wasOpen) this.moveOpenWater();
    else this.moveUnderIce();
    const isSlow = this.sinceSlow >= slowSteps;
    if (isSlow) this.warmFromBed();
    mixUnstable(this.tempC, this.oxygen, this.volumes, this.top.index, this.top.volumeM3, this.oxygenTo());
    if (isSlow) this.stepOxygen();
    this.gathered = 0;
    this.sums.sunJ = this.sums.lightJ = this.sums.windMs = this.sums.exchangeJ = this.sums.airJ = 0;
    if (isSlow) this.sinceSlow = 0;
  }

  private steadySteps(): number {
    if (this.isOpen) return this.tempC[0] > openAboveC ? openSteps : 1;
    return this.sheet.iceM > skinM ? iceSteps : 1;
  }

  /** Light under the water's own surface left at a depth, as a share of the light above snow and ice. */
  lightShare(depthM: number): number {
    const top = this.isOpen ? 1 - winterConstants.albedo.water : this.sheet.lightThrough / winterConstants.visible;
    return top * Math.exp(-this.kd * Math.max(0, depthM - this.iceBaseM));
  }

  /** Depth of the ice's underside below the water's surface, m. */
  get iceBaseM(): number {
    return Math.min((iceDensity / 1000) * this.sheet.iceM, this.count * this.layerM - 1.5 * this.layerM);
  }

  /** Middle of a layer of water below the surface, m. */
  depthOf(layer: number): number {
    return layer === this.top.index ? (this.top.index + 1) * this.layerM - this.top.thickM / 2 : (layer + 0.5) * this.layerM;
  }

  private gatherOpen({ airC, windMs, sunWm2 }: ColumnWeather): void {
    const { sums, stepS } = this;
    const skinC = this.tempC[0];
    // Surface exchange of heat by air, vapour and long waves in one coefficient. Source: Edinger, Brady & Geyer 1974.
    const exchangeJ = (4.5 + 0.05 * skinC + (0.35 + 0.015 * skinC + 0.47) * (9.2 + 0.46 * windMs * windMs)) * stepS;
    sums.exchangeJ += exchangeJ;
    sums.airJ += exchangeJ * airC;
    sums.sunJ += sunWm2 * stepS;
    sums.windMs += windMs;
  }

  private moveOpenWater(): void {
    const { waterHeat, visible, albedo } = winterConstants;
    const { tempC, setting, sums, gathered } = this;
    const spellS = gathered * this.stepS;
    const takenJ = sums.sunJ * (1 - albedo.water);
    this.absorb((takenJ * visible) / spellS, spellS);
    const fromAirJ = this.areas[0] * (sums.airJ + takenJ * (1 - visible));
    this.source[0] += fromAirJ / waterHeat;
    stirOpenWater(this.diffusivity, tempC, this.layerM, sums.windMs / gathered, setting.latDeg, setting.parameters.windMixing);
    this.version++;
    this.isStill = false;
    const lossM3 = (this.areas[0] * sums.exchangeJ) / waterHeat;
    this.heatFlow.step(tempC, this.source, 0, this.layerM, this.volumes[0], this.diffusivity, this.version, lossM3, spellS);
    this.heatInJ += fromAirJ - lossM3 * waterHeat * tempC[0];
    this.skin();
  }

  /** Water below 0 °C becomes ice of the same heat. */
  private skin(): void {
    const { waterHeat } = winterConstants;
    let frozenJ = 0;
    for (let i = 0; i < this.count && this.tempC[i] < 0; i++) {
      frozenJ -= waterHeat * this.volumes[i] * this.tempC[i];
      this.tempC[i] = 0;
    }
    if (frozenJ === 0) return;
    this.sheet.freeze(frozenJ / this.areas[0]);
    this.top.settle(this.iceBaseM);
  }

  private gatherUnderIce({ airC, sunWm2, snowfallM, snowKept }: ColumnWeather): void {
    const { sheet, stepS } = this;
    if (sunWm2 > 0) this.sums.lightJ += sunWm2 * sheet.lightThrough * stepS;
    const fromAbove = sheet.step({ airC, sunWm2, snowfallM: snowfallM * this.setting.parameters.snowShare, snowKept }, stepS);
    this.heatInJ += fromAbove * this.areas[0];
  }

  private moveUnderIce(): void {
    const { waterHeat, molecular, underIce } = winterConstants;
    const { tempC, sheet } = this;
    const spellS = this.gathered * this.stepS;
    this.lightWm2 = this.sums.lightJ / spellS;
    this.absorb(this.lightWm2, spellS);
    if (!this.isStill) {
      this.diffusivity.fill(molecular * underIce);
      this.version++;
      this.isStill = true;
    }
    const topM3 = (spellS * molecular * underIce * this.basin.areaAt(this.baseM)) / (this.top.thickM / 2);
    this.heatFlow.step(tempC, this.source, this.top.index, this.top.thickM, this.top.volumeM3, this.diffusivity, this.version, topM3, spellS);
    const toIceJ = topM3 * waterHeat * tempC[this.top.index];
    const leftJ = sheet.meltBelow(toIceJ / this.areas[0]) * this.areas[0];
    if (sheet.iceM === 0 && (sheet.snowM > 0 || sheet.slushM > 0)) {
      // Snow without ice under it goes into the water and melts there.
      this.tempC[this.top.index] += (sheet.heatJ * this.areas[0]) / (waterHeat * this.top.volumeM3);
      [sheet.snowM, sheet.slushM] = [0, 0];
    }
    if (leftJ > 0) this.tempC[this.top.index] += leftJ / (waterHeat * this.top.volumeM3);
    this.top.settle(this.iceBaseM);
    if (this.isOpen) this.skin();
  }

  /**
   * Down to which layer oxygen is mixed with the heat. Under ice the bed's warmth runs down the slopes in thin currents and leaves
   * spent water where it lies; only the sun turns it over, as deep as it shines.
   */
  private oxygenTo(): number {
    if (this.isOpen) return this.count;
    if (this.lightWm2 <= turnoverWm2) return 0;
    let i = this.top.index;
    while (i < this.count && this.light[i + 1] > turnoverWm2) i++;
    return i;
  }

  /** The bed as a finite store of the autumn's heat; layer and bed draw together as far as the time allows. */
  private warmFromBed(): void {
    const { bedExchange, bedHeat, waterHeat } = winterConstants;
    const exchange = bedExchange * this.setting.parameters.sediment * this.slowS;
    for (let i = this.top.index; i < this.count; i++) {
      const perLayer = this.bedM2[i] / (waterHeat * (i === this.top.index ? this.top.volumeM3 : this.volumes[i]));
      const flow = (exchange * (this.bedC[i] - this.tempC[i])) / (1 + exchange * (1 / bedHeat + perLayer));
      this.bedC[i] -= flow / bedHeat;
      this.tempC[i] += flow * perLayer;
    }
  }

  /** Light taken up by each layer: what comes in at its upper face less what leaves below; the rest warms the bed's layer. */
  private absorb(lightWm2: number, spellS: number): void {
    const { waterHeat } = winterConstants;
    if (lightWm2 <= 0) return;
    const { light, lightFade, lightSum, source, areas, gathered, baseM } = this;
    const scale = lightWm2 * Math.exp(this.kd * baseM);
    const perJ = spellS / waterHeat;
    let down = lightWm2 * this.basin.areaAt(baseM);
    this.heatInJ += down * spellS;
    lightSum[this.top.index] += lightWm2 * gathered;
    for (let i = this.top.index; i < this.count; i++) {
      light[i + 1] = scale * lightFade[i + 1];
      lightSum[i + 1] += light[i + 1] * gathered;
      const out = i === this.count - 1 ? 0 : light[i + 1] * areas[i + 1];
      source[i] += (down - out) * perJ;
      down = out;
    }
  }

  private stepOxygen(): void {
    const { reaeration } = winterConstants;
    const { slowS } = this;
    this.source.fill(0);
    for (let i = 0; i <= this.count; i++) this.lightSum[i] /= slowSteps;
    oxygenBalance(this.source, this.oxygen, this.tempC, this.volumes, this.bedM2, this.lightSum, this.top.index, this.top.volumeM3, slowS);
    this.lightSum.fill(0);
    let topM3 = 0;
    if (this.isOpen) {
      topM3 = this.areas[0] * reaeration * slowS;
      this.source[0] += topM3 * saturation(this.tempC[0], this.setting.pressureShare);
    }
    const diffusivity = this.isOpen ? this.diffusivity : this.oxygenUnderIce;
    this.oxygenFlow.step(this.oxygen, this.source, this.top.index, this.top.thickM, this.top.volumeM3, diffusivity, this.isOpen ? this.version : -2, topM3, slowS);
    for (let i = this.top.index; i < this.count; i++) if (this.oxygen[i] < 0) this.oxygen[i] = 0;
  }
}
