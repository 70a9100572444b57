import type { ColumnAnswer } from '@burrow/core/column';
import type { Band } from '@burrow/core/outlook';
import { metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import type { Measurement } from '@burrow/core/winter';

interface Wanted {
  width: number;
  height: number;
  deepestM: number;
  answer: ColumnAnswer;
  casts: readonly Measurement[];
  units: UnitPreference;
}

/** Height of the legend over the drawing. */
const legend = 28;
const faintest = 1e-4;

/** Where things stand in the column's drawing, px. Light runs over four powers of ten. */
export function columnScale({ width, height, deepestM, answer, casts, units }: Wanted) {
  const [left, right, top, base] = [44, width - 8, 18, height - 54];
  const temps = [...answer.now.tempC, ...casts.map((c) => c.value)];
  const lowC = Math.floor(Math.min(0, ...temps));
  const highC = Math.max(lowC + 4.5, Math.ceil(Math.max(...temps) + 0.5));
  const mostOxygen = 15;
  const span = right - left;
  const pad = 10;
  const share = (value: number, low: number, high: number) => left + pad + ((value - low) / (high - low)) * (span - 2 * pad);
  const x = {
    temp: (c: number) => share(c, lowC, highC),
    oxygen: (mgl: number) => share(mgl, 0, mostOxygen),
    light: (fraction: number) => share(Math.max(0, 1 + Math.log10(Math.max(faintest, fraction)) / 4), 0, 1),
  };
  const y = (depthM: number) => top + (depthM / deepestM) * (base - top);
  const unit = metresPerDepthUnit(units);
  const step = [1, 2, 4, 8, 10, 20, 40].find((s) => deepestM / (s * unit) <= 6.5) ?? 50;
  const ticks: number[] = [];
  for (let d = step; d * unit < deepestM - 0.3 * step * unit; d += step) ticks.push(d * unit);
  return {
    left,
    right,
    top,
    base,
    x,
    y,
    ticks,
    tempTicks: tempTicks(lowC, highC, units),
    oxygenTicks: [0, 5, 10],
    chipTop: (band: Band, iceM: number) => legend + chipAt(y, band, iceM),
  };
}

/** A label stands inside its band where there is room, else just under it, and clear of the ice's own. */
function chipAt(y: (m: number) => number, band: Band, iceM: number): number {
  const [from, to] = [y(band.fromM), y(band.toM)];
  const middle = (from + to) / 2 - 10;
  return Math.max(middle, iceM > 0 ? y(0.917 * iceM) + 30 : 0);
}

function tempTicks(lowC: number, highC: number, units: UnitPreference): { c: number; text: string }[] {
  const toUnit = (c: number) => (units.temp === 'F' ? c * 1.8 + 32 : c);
  const toC = (u: number) => (units.temp === 'F' ? (u - 32) / 1.8 : u);
  const [low, high] = [toUnit(lowC), toUnit(highC)];
  const step = [1, 2, 5, 10].find((s) => (high - low) / s <= 5.5) ?? 20;
  const ticks = [];
  for (let u = Math.ceil(low / step) * step; u <= high; u += step) ticks.push({ c: toC(u), text: `${u}` });
  return ticks;
}
