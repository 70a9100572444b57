/** The units an angler thinks in. Everything inside is SI; only text on screen uses these. */
export interface UnitPreference {
  depth: 'ft' | 'm';
  ice: 'in' | 'cm';
  fishLength: 'in' | 'cm';
  weight: 'lb' | 'g';
  temp: 'F' | 'C';
  wind: 'mph' | 'kmh' | 'ms';
  distance: 'yd' | 'm';
}

export const imperial: UnitPreference = { depth: 'ft', ice: 'in', fishLength: 'in', weight: 'lb', temp: 'F', wind: 'mph', distance: 'yd' };
export const metric: UnitPreference = { depth: 'm', ice: 'cm', fishLength: 'cm', weight: 'g', temp: 'C', wind: 'kmh', distance: 'm' };

/** Countries whose anglers think in feet and degrees Fahrenheit. */
const inFeet: readonly (string | undefined)[] = ['US', 'LR', 'MM'];

/**
 * The units that go with a language tag such as "en-US" or "de", by its country, or the likeliest one where it names none; metric for a tag
 * that is none.
 */
export function unitsOfLocale(tag: string): UnitPreference {
  try {
    return inFeet.includes(new Intl.Locale(tag).maximize().region) ? imperial : metric;
  } catch {
    return metric;
  }
}

export const metresPerFoot = 0.3048;
export const metresPerInch = 0.0254;
export const metresPerYard = 0.9144;
export const gramsPerPound = 453.59237;
const metresPerMile = 1609.344;

/** How many metres one display unit of depth is. */
export const metresPerDepthUnit = (units: UnitPreference) => (units.depth === 'ft' ? metresPerFoot : 1);
/** Least difference of two depths on screen, and what a key moves one by, m: half a foot or a decimetre. */
export const depthStepM = (units: UnitPreference) => metresPerDepthUnit(units) * (units.depth === 'ft' ? 0.5 : 0.1);
/** How many metres one display unit of ice thickness is. */
export const metresPerIceUnit = (units: UnitPreference) => (units.ice === 'in' ? metresPerInch : 0.01);
/** How many metres one display unit of fish length is. */
export const metresPerFishUnit = (units: UnitPreference) => (units.fishLength === 'in' ? metresPerInch : 0.01);

const rounded = (value: number, decimals: number) => {
  const text = value.toFixed(decimals);
  const trimmed = decimals > 0 ? text.replace(/\.?0+$/, '') : text;
  return trimmed.replace(/^-0$/, '0').replace('-', '−');
};

/** Depth as a bare figure in the angler's unit: half feet below 100 ft, decimetres in metres. */
export function depthFigure(depthM: number, units: UnitPreference): string {
  return units.depth === 'ft' ? rounded(Math.round((depthM / metresPerFoot) * 2) / 2, 1) : rounded(depthM, 1);
}

/** Depth with its unit, such as "24.5 ft". */
export const depthText = (depthM: number, units: UnitPreference) => `${depthFigure(depthM, units)} ${units.depth}`;

/** Depth to a tenth of a foot or a centimetre, to tell two near ones apart: "24.6 ft". */
export const depthFine = (depthM: number, units: UnitPreference) => (units.depth === 'ft' ? `${rounded(depthM / metresPerFoot, 1)} ft` : `${rounded(depthM, 2)} m`);

const quarters = ['¼', '½', '¾'] as const;

/** A short length such as a lift or an offset: inches up to two feet, or centimetres up to a metre, else as depth. */
export function liftText(lengthM: number, units: UnitPreference): string {
  const inches = lengthM / metresPerInch;
  if (units.depth === 'ft' && inches > 0.05 && inches < 0.875) return `${quarters[Math.max(0, Math.round(inches * 4) - 1)]} in`;
  if (units.depth === 'ft') return lengthM < 0.6 ? `${rounded(lengthM / metresPerInch, 0)} in` : depthText(lengthM, units);
  return lengthM < 1 ? `${rounded(lengthM * 100, 0)} cm` : depthText(lengthM, units);
}

/** Thickness in display steps: half inches or whole centimetres. */
const iceSteps = (thicknessM: number, units: UnitPreference) => (units.ice === 'in' ? (thicknessM / metresPerInch) * 2 : thicknessM * 100);
const iceFigure = (steps: number, units: UnitPreference) => (units.ice === 'in' ? `${rounded(steps / 2, 1)} in` : `${rounded(steps, 0)} cm`);
/** Forgives what a measurement in the display's own unit loses on its way through metres. */
const iceSlack = 0.05;

/** Measured ice with its unit, never rounded up: "10.5 in" for 10.9. */
export const iceText = (thicknessM: number, units: UnitPreference) => iceFigure(Math.floor(iceSteps(thicknessM, units) + iceSlack), units);
/** Ice that is asked for, with its unit, never rounded down. */
export const iceNeededText = (thicknessM: number, units: UnitPreference) => iceFigure(Math.ceil(iceSteps(thicknessM, units) - iceSlack), units);

/** Temperature with its unit, such as "39 °F". */
export const tempText = (tempC: number, units: UnitPreference) => (units.temp === 'F' ? `${rounded(tempC * 1.8 + 32, 0)} °F` : `${rounded(tempC, 0)} °C`);

/** Wind speed with its unit. */
export function windText(windMs: number, units: UnitPreference): string {
  if (units.wind === 'mph') return `${rounded((windMs * 3600) / metresPerMile, 0)} mph`;
  return units.wind === 'kmh' ? `${rounded(windMs * 3.6, 0)} km/h` : `${rounded(windMs, 1)} m/s`;
}

/** Fish length with its unit: quarter inches, or whole centimetres. */
export const fishLengthText = (lengthMm: number, units: UnitPreference) =>
  units.fishLength === 'in' ? `${rounded(Math.round((lengthMm / 25.4) * 4) / 4, 2)} in` : `${rounded(lengthMm / 10, 0)} cm`;

/** Grams of one unit of a fish's weight as it is typed: a pound, or a gram. */
export const gramsPerWeightUnit = (units: UnitPreference) => (units.weight === 'lb' ? gramsPerPound : 1);

/** Fish weight with its unit: pounds to a tenth (ounces under a pound), grams or kilograms. */
export function weightText(weightG: number, units: UnitPreference): string {
  if (units.weight === 'lb') {
    const pounds = weightG / gramsPerPound;
    return pounds < 1 ? `${rounded(pounds * 16, 0)} oz` : `${rounded(pounds, 1)} lb`;
  }
  return weightG < 1000 ? `${rounded(weightG, 0)} g` : `${rounded(weightG / 1000, 2)} kg`;
}

/** Walking distance with its unit. */
export const distanceText = (distanceM: number, units: UnitPreference) => (units.distance === 'yd' ? `${rounded(distanceM / metresPerYard, 0)} yd` : `${rounded(distanceM, 0)} m`);

const hpaPerInch = 33.8639;
/** A long way: "7.4 mi" or "12 km". */
export function farText(distanceM: number, units: UnitPreference): string {
  const [value, unit] = units.distance === 'yd' ? [distanceM / (1760 * metresPerYard), 'mi'] : [distanceM / 1000, 'km'];
  return `${rounded(value, value < 10 ? 1 : 0)} ${unit}`;
}

/** Barometric pressure as the angler's barometer shows it: inches of mercury with miles, else hectopascals. */
export const pressureText = (hpa: number, units: UnitPreference) => (units.wind === 'mph' ? `${(hpa / hpaPerInch).toFixed(2)} inHg` : `${rounded(hpa, 0)} hPa`);
/** One step of a barometer's scale, hPa. */
export const pressureStepHpa = (units: UnitPreference) => (units.wind === 'mph' ? 0.05 * hpaPerInch : 1);

/** A difference of temperatures with its unit: "3.4 °F". */
export const tempStepText = (stepC: number, units: UnitPreference) => (units.temp === 'F' ? `${(stepC * 1.8).toFixed(1)} °F` : `${stepC.toFixed(1)} °C`);
/** A difference of pressures with its unit: "0.09 inHg" or "3.1 hPa". */
export const pressureStepText = (stepHpa: number, units: UnitPreference) => (units.wind === 'mph' ? `${(stepHpa / hpaPerInch).toFixed(2)} inHg` : `${stepHpa.toFixed(1)} hPa`);
/** Rain or melted snow with its unit. */
export const precipText = (mm: number, units: UnitPreference) => (units.distance === 'yd' ? `${(mm / 25.4).toFixed(2)} in` : `${mm.toFixed(1)} mm`);
/** A slow current with its unit: "0.5 ft/s" or "15 cm/s". */
export const currentText = (currentMs: number, units: UnitPreference) =>
  units.depth === 'ft' ? `${(currentMs / metresPerFoot).toFixed(1)} ft/s` : `${Math.round(currentMs * 100)} cm/s`;
/** The thickness of a line with its unit: "0.006 in" or "0.15 mm". */
export const lineText = (lineMm: number, units: UnitPreference) => (units.fishLength === 'in' ? `${(lineMm / 25.4).toFixed(3)} in` : `${rounded(lineMm, 2)} mm`);

const gramsPerOunce = gramsPerPound / 16;
/** Lures as they are sold by the ounce. */
const soldOunces: Readonly<Record<string, number>> = {
  '1/64': 1 / 64,
  '1/32': 1 / 32,
  '1/16': 1 / 16,
  '1/8': 1 / 8,
  '3/16': 3 / 16,
  '1/4': 1 / 4,
  '3/8': 3 / 8,
  '1/2': 1 / 2,
  '3/4': 3 / 4,
};
const soldGrams = [0.5, 1, 1.5, 2, 3, 5, 7, 10, 14, 20];

/** Masses of lures to choose among, g: as they are sold where the angler thinks in these units. */
export const lureMassesG = (units: UnitPreference): readonly number[] => (units.weight === 'g' ? soldGrams : Object.values(soldOunces).map((oz) => oz * gramsPerOunce));

/** The mass of a lure with its unit: ounces, as a fraction where lures are sold so, or grams. */
export function lureText(massG: number, units: UnitPreference): string {
  if (units.weight === 'g') return `${rounded(massG, 1)} g`;
  const ounces = massG / gramsPerOunce;
  const sold = Object.entries(soldOunces).find(([, oz]) => Math.abs(oz / ounces - 1) < 0.03);
  return sold ? `${sold[0]} oz` : `${rounded(ounces, ounces < 0.1 ? 3 : 2)} oz`;
}

/** A sentence of fieldcraft, written in °C and cm, in the angler's own units. */
export const inOwnUnits = (text: string, units: UnitPreference): string =>
  text
    .replace(/(−|-)?(\d+(?:\.\d+)?) °C/g, (_, sign: string | undefined, figure: string) => tempText(Number(figure) * (sign ? -1 : 1), units))
    .replace(/(\d+) to (\d+) cm\b/g, (_, from: string, to: string) => `${liftText(Number(from) / 100, units).replace(/ (in|cm)$/, '')} to ${liftText(Number(to) / 100, units)}`)
    .replace(/(\d+) cm\b/g, (_, figure: string) => liftText(Number(figure) / 100, units));

/** A round length no longer than some metres, for a scale: 1, 2 or 5 of a power of ten in the angler's unit, m. */
export function niceLengthM(mostM: number, units: UnitPreference): number {
  const unitM = units.distance === 'yd' ? metresPerYard : 1;
  const power = 10 ** Math.floor(Math.log10(Math.max(1e-6, mostM / unitM)));
  const step = [5, 2, 1].find((s) => s * power <= mostM / unitM + 1e-9) ?? 1;
  return step * power * unitM;
}
