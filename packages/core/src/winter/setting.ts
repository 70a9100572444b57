import { requireWithin } from '../units';
import type { Hypsography } from './hypsography';

/** What a measurement at the water can correct. Everything else is fixed below. */
export interface WinterParameters {
  /** Factor on the wind's stirring of open water: sets the heat left at freeze-up. */
  windMixing: number;
  /** Factor on the heat that the bed gives back. */
  sediment: number;
  /** Share of the snow on land that stays on the lake. */
  snowShare: number;
}

export const winterPrior: WinterParameters = { windMixing: 1, sediment: 1, snowShare: 0.5 };
/** How far each parameter may go. */
export const winterBounds: { [K in keyof WinterParameters]: readonly [number, number] } = { windMixing: [0.1, 6], sediment: [0.15, 3], snowShare: [0, 1.2] };

/** Soft constants of the column, with where they come from. */
export const winterConstants = {
  /** Heat capacity of water per volume, J/(m³·K). */
  waterHeat: 4.205e6,
  /** Exchange of ice or snow with the air, W/(m²·K): 10–30. Ashton 1986. */
  airExchange: 20,
  snowConductivity: 0.2,
  whiteIceConductivity: 2,
  /** Density of settled snow, kg/m³. */
  snowDensity: 250,
  /** White ice from a metre of flooded snow, m: soaked snow sinks together. */
  slushPerSnow: 0.6,
  /** Diffusivity of heat in still water, m²/s, and how much internal motion under ice raises it. */
  molecular: 1.4e-7,
  underIce: 5,
  /** Diffusivity of oxygen under ice, m²/s: slopes and slow seiches carry it on. 1e-7–1e-6. */
  oxygenUnderIce: 4e-7,
  /** Background diffusivity of open water, m²/s. */
  openBackground: 2e-7,
  /** Bed: exchange W/(m²·K), heat stored to the depth that a winter reaches, J/(m²·K), its temperature at the start, °C. */
  bedExchange: 0.35,
  bedHeat: 4.5e6,
  bedStartC: 8,
  /** Share of the sun's radiation that is light; the rest is absorbed at the surface. */
  visible: 0.5,
  albedo: { snow: 0.8, ice: 0.3, water: 0.08 },
  /** Attenuation, 1/m. Poole & Atkins 1929 for water; snow 10–40. */
  attenuation: { snow: 20, white: 3.5, clear: 1.5 },
  /** Snow thinner than this lets the ice's albedo through in part, m. */
  patchySnowM: 0.03,
  /** Oxygen demand at 4 °C: bed g/(m²·d) 0.08–0.23 (Mathias & Barica 1980), water g/(m³·d); Q10 = 2. */
  bedDemand: 0.2,
  waterDemand: 0.01,
  /** Greatest production by light, g/(m³·d), at half of it this light, W/m². */
  production: 0.12,
  productionHalf: 6,
  /** Reaeration of open water, m/s. */
  reaeration: 1e-5,
} as const;

/** One water for the model. */
export interface ColumnSetting {
  hypsography: Hypsography;
  /** Thickness of a layer, m: at most 0.25. */
  layerM: number;
  secchiM: number;
  latDeg: number;
  /** Pressure at the water over that of sea level. */
  pressureShare: number;
  parameters: WinterParameters;
}

/** Checks a setting; RangeError says what was expected. */
export function requireSetting(setting: ColumnSetting): ColumnSetting {
  const deepest = setting.hypsography.depthsM.at(-1) ?? 0;
  requireWithin(deepest, 0.5, 500, 'greatest depth', 'm');
  requireWithin(setting.layerM, 0.01, 0.25, 'layer', 'm');
  requireWithin(setting.secchiM, 0.1, 40, 'Secchi depth', 'm');
  requireWithin(setting.latDeg, -90, 90, 'latitude', '°');
  requireWithin(setting.pressureShare, 0.4, 1.1, 'pressure share', '');
  for (const [name, [least, most]] of Object.entries(winterBounds)) requireWithin(setting.parameters[name as keyof WinterParameters], least, most, name, '');
  return setting;
}
