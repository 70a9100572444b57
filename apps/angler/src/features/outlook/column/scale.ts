import type { ColumnAnswer } from '@burrow/core/column';
import type { Band } from '@burrow/core/outlook';
import { metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { valueAt } from '@burrow/core/water';
import type { Measurement } from '@burrow/core/winter';

interface Wanted {
  width: number;
  height: number;
  deepestM: number;
  answer: ColumnAnswer;
  casts: readonly Measurement[];
  units: UnitPreference;
  /** Label of the band. */
  label: string;
}

/** Height of the legend over the drawing. */
const legend = 28;
const faintest = 1e-4;

/** Where things stand in the column's drawing, px. Light runs over four powers of ten. */
export function columnScale({ width, height, deepestM, answer, casts, units, label }: Wanted) {
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
  /** The band's label stands in the widest gap between the lines and points at its height, in the middle of the band or near it. */
  const chipAt = (band: Band) => {
    const size = label.length * 7.6 + 12;
    let best = { top: 0, left: right - size - 4, width: size, room: -1 };
    for (const part of [0.5, 0.3, 0.7, 0.15, 0.85]) {
      const depthM = band.fromM + part * (band.toM - band.fromM);
      const middle = y(depthM);
      const near = casts.filter((c) => Math.abs(y(c.depthM ?? 0) - middle) < 18).map((c) => x.temp(c.value));
      const lines = [x.temp(valueAt(answer.now, 'tempC', depthM)), x.oxygen(valueAt(answer.now, 'oxygenMgL', depthM)), x.light(valueAt(answer.now, 'light', depthM))];
      const stops = [left - 8, ...[...near, ...lines].sort((a, b) => a - b), right + 8];
      for (let i = 1; i < stops.length; i++) {
        const room = stops[i] - stops[i - 1] - 24;
        if (room > best.room + 6) best = { top: legend + middle - 10, left: (stops[i] + stops[i - 1]) / 2 - size / 2, width: size, room };
      }
    }
    return { top: best.top, left: best.left, width: best.width };
  };
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
    chipAt,
  };
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
