import { clearIceConductivity, iceDensity, latentHeat } from './ice';
import { winterConstants } from './setting';

const waterDensity = 1000;

/** Weather of one step as an ice sheet feels it. */
export interface SheetWeather {
  airC: number;
  sunWm2: number;
  /** Snow that comes to lie on the ice, m, and the share of the old that stays. */
  snowfallM: number;
  snowKept: number;
}

/** How the sheet is joined to the air; the laws of growth are tested with other values. */
export interface SheetConstants {
  airExchange: number;
  snowConductivity: number;
  /** Whether a load of snow may press the sheet under and flood it. */
  floods: boolean;
}

/** What melts from the top down, and the heat it takes, J/m³: first what lies loose on the ice, then the ice. */
const loose = [
  ['snowM', latentHeat * winterConstants.snowDensity],
  ['slushM', (latentHeat * winterConstants.snowDensity) / winterConstants.slushPerSnow],
] as const;
const meltOrder = [...loose, ['whiteM', latentHeat * iceDensity], ['clearM', latentHeat * iceDensity]] as const;

const usualConstants: SheetConstants = { airExchange: winterConstants.airExchange, snowConductivity: winterConstants.snowConductivity, floods: true };

/**
 * An ice sheet: from the top snow, slush, white ice and clear ice, m. Grows by conduction through all of them (Ashton 1986),
 * floods under snow, melts from above and below. `heatJ` is its heat content per area against water at 0 °C.
 */
export class IceSheet {
  clearM = 0;
  whiteM = 0;
  snowM = 0;
  /** Soaked snow, as the white ice it will be. */
  slushM = 0;
  /** Degree-hours above 0 °C that the ice carries: it is weaker than it is thin. Freezing takes them back at half the pace. */
  thawDegreeH = 0;
  /** Hours without a break above 0 °C. */
  hoursAbove = 0;

  constructor(private readonly constants: SheetConstants = usualConstants) {}

  get iceM(): number {
    return this.clearM + this.whiteM;
  }

  /** Heat content, J/m², negative: what it would take to melt it all. */
  get heatJ(): number {
    const { snowDensity, slushPerSnow } = winterConstants;
    return -latentHeat * (iceDensity * this.iceM + snowDensity * (this.snowM + this.slushM / slushPerSnow));
  }

  /** Share of the sun's radiation that is thrown back. */
  get albedo(): number {
    const { albedo, patchySnowM } = winterConstants;
    return albedo.ice + (albedo.snow - albedo.ice) * Math.min(1, this.snowM / patchySnowM);
  }

  /** Light under the ice as a share of the sun's radiation above it. */
  get lightThrough(): number {
    const { visible, attenuation: k } = winterConstants;
    return (1 - this.albedo) * visible * Math.exp(-k.snow * this.snowM - k.white * (this.whiteM + this.slushM) - k.clear * this.clearM);
  }

  /** Skins open water with `energyJ` (J/m²) of frozen heat. */
  freeze(energyJ: number): void {
    this.clearM += energyJ / (iceDensity * latentHeat);
  }

  /**
   * One step of `stepS` seconds. Returns the heat taken in from above, J/m² (negative while it grows).
   */
  step(weather: SheetWeather, stepS: number): number {
    const before = this.heatJ;
    const { airC, sunWm2 } = weather;
    this.snowM = this.snowM * weather.snowKept + weather.snowfallM;
    if (this.constants.floods) this.flood();
    // What the sheet keeps of the sun warms its surface: the air as it feels it (sol-air temperature).
    const feltC = sunWm2 > 0 ? airC + (sunWm2 * (1 - this.albedo - this.lightThrough)) / this.constants.airExchange : airC;
    if (feltC < 0) this.grow(-feltC, stepS);
    else this.meltTop(this.constants.airExchange * feltC * stepS, true);
    this.age(airC, stepS / 3600);
    return this.heatJ - before;
  }

  /** Melts from below by `energyJ` (J/m²). Returns what was left over when nothing was left to melt. */
  meltBelow(energyJ: number): number {
    const perM = iceDensity * latentHeat;
    const clear = Math.min(this.clearM, energyJ / perM);
    this.clearM -= clear;
    const white = Math.min(this.whiteM, energyJ / perM - clear);
    this.whiteM -= white;
    const left = energyJ - (clear + white) * perM;
    return left > 1e-9 * energyJ ? this.meltTop(left, false) : 0;
  }

  /** Snow that the ice cannot float is soaked, to freeze as white ice. */
  private flood(): void {
    const { snowDensity, slushPerSnow } = winterConstants;
    const spare = (waterDensity - iceDensity) * this.iceM;
    const load = snowDensity * this.snowM;
    if (load <= spare) return;
    const soaked = Math.min(this.snowM, (load - spare) / (snowDensity + (waterDensity - iceDensity) * slushPerSnow));
    this.snowM -= soaked;
    this.slushM += soaked * slushPerSnow;
  }

  private grow(coldK: number, stepS: number): void {
    const { whiteIceConductivity, snowDensity, slushPerSnow } = winterConstants;
    const cover = 1 / this.constants.airExchange + this.snowM / this.constants.snowConductivity;
    let left = stepS;
    if (this.slushM > 0) {
      // Slush lies over the ice and freezes first; what is snow in it is frozen already.
      const perM = latentHeat * (iceDensity - snowDensity / slushPerSnow);
      const frozen = Math.min(this.slushM, (coldK * left) / (cover * perM));
      this.slushM -= frozen;
      this.whiteM += frozen;
      left -= (frozen * perM * cover) / coldK;
      if (this.slushM > 0) return;
    }
    // Exact over the step for steady cold: h² + 2·k·R·h grows evenly.
    const lead = clearIceConductivity * (cover + this.whiteM / whiteIceConductivity);
    this.clearM = Math.sqrt((lead + this.clearM) ** 2 + (2 * clearIceConductivity * coldK * left) / (iceDensity * latentHeat)) - lead;
  }

  /** Melts snow, slush, white and clear ice in turn; the rest is lost to the melt water that runs off. */
  private meltTop(energyJ: number, all: boolean): number {
    let left = energyJ;
    for (const [layer, perM] of all ? meltOrder : loose) {
      const melted = Math.min(this[layer], left / perM);
      this[layer] -= melted;
      left -= melted * perM;
    }
    return left;
  }

  private age(airC: number, hours: number): void {
    if (airC > 0) {
      this.thawDegreeH += airC * hours;
      this.hoursAbove += hours;
    } else {
      this.thawDegreeH = Math.max(0, this.thawDegreeH + 0.5 * airC * hours);
      this.hoursAbove = 0;
    }
    if (this.iceM === 0) this.thawDegreeH = 0;
  }
}
