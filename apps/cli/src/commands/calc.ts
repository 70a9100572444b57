import { bankCadences, pauseS, strikeRadiusM, type BankCadenceId } from '@burrow/core/casting';
import { gasExpansion, standardWeight, weighedSpecies, type WeighedSpecies } from '@burrow/core/fish';
import { lineDepth, materials, shapes, sinkTime, usualTensionN, windBow, type Lure, type Material, type Shape } from '@burrow/core/rig';
import { bearingKg, frostbiteTime, windChill } from '@burrow/core/safety';
import { footprint, targetStrength } from '@burrow/core/sonar';
import { lineOut, trolledLine } from '@burrow/core/troll';
import { depthOfLight, oxygenSaturation, soundSpeed, standardPressureHpa, waterDensity } from '@burrow/core/water';
import { stefanThickness } from '@burrow/core/winter';
import { BadInput } from '../bad-input';
import { numberOption, readArgs } from '../options';

type Read = { number: (name: string, fallback?: number) => number; word: <W extends string>(name: string, allowed: readonly W[], fallback?: W) => W };

interface Quantity {
  unit: string;
  /** Where it comes from; a function where that depends on what it came to. */
  source: string | ((value: number | string) => string);
  /** Names it takes; those in brackets may be left out. */
  names: readonly string[];
  value: (read: Read) => number | string;
}

const lure = (read: Read): Lure => ({
  massG: read.number('mass-g'),
  material: read.word('material', Object.keys(materials) as Material[]),
  shape: read.word('shape', Object.keys(shapes) as Shape[], 'sphere'),
});

const quantities: Record<string, Quantity> = {
  density: { unit: 'kg/m3', source: 'Tanaka et al. 2001', names: ['temp-c'], value: (r) => waterDensity(r.number('temp-c')) },
  'sound-speed': { unit: 'm/s', source: 'Marczak 1997', names: ['temp-c'], value: (r) => soundSpeed(r.number('temp-c')) },
  oxygen: {
    unit: 'mg/L',
    source: 'Benson & Krause 1984',
    names: ['temp-c', '[pressure-hpa]'],
    value: (r) => oxygenSaturation(r.number('temp-c'), r.number('pressure-hpa', standardPressureHpa)),
  },
  'light-depth': { unit: 'm', source: 'Poole & Atkins 1929', names: ['secchi-m', 'fraction'], value: (r) => depthOfLight(r.number('secchi-m'), r.number('fraction')) },
  'ice-stefan': { unit: 'm', source: 'Stefan, in Ashton 1986', names: ['fdd'], value: (r) => stefanThickness(r.number('fdd')) },
  'wind-chill': { unit: '°C', source: 'JAG/TI 2001', names: ['temp-c', 'wind-kmh'], value: (r) => windChill(r.number('temp-c'), r.number('wind-kmh')) },
  frostbite: {
    unit: 'min',
    source: (value) => (typeof value === 'number' ? 'formula of JAG/TI 2001' : 'public wind-chill bands'),
    names: ['temp-c', 'wind-kmh'],
    value: (r) => {
      const time = frostbiteTime(r.number('temp-c'), r.number('wind-kmh'));
      return time.by === 'formula' ? time.minutes : time.text;
    },
  },
  footprint: { unit: 'm', source: '2d·tan(θ/2)', names: ['depth-m', 'beam-deg'], value: (r) => footprint(r.number('depth-m'), r.number('beam-deg')) },
  'target-strength': { unit: 'dB', source: 'Love 1977', names: ['length-cm', 'freq-khz'], value: (r) => targetStrength(r.number('length-cm'), r.number('freq-khz')) },
  weight: {
    unit: 'g',
    source: 'W_s, Neumann, Guy & Willis 2012; roach and European perch pooled',
    names: ['species', 'length-mm'],
    value: (r) => standardWeight(r.word<WeighedSpecies>('species', weighedSpecies), r.number('length-mm')),
  },
  'gas-expansion': {
    unit: 'times',
    source: 'Boyle',
    names: ['depth-m', '[pressure-hpa]'],
    value: (r) => gasExpansion(r.number('depth-m'), r.number('pressure-hpa', standardPressureHpa)),
  },
  bearing: {
    unit: 'kg',
    source: 'Gold 1971, lower bound; says nothing about the next hole',
    names: ['clear-cm', 'white-cm'],
    value: (r) => bearingKg(r.number('clear-cm') / 100, r.number('white-cm') / 100),
  },
  sink: {
    unit: 's',
    source: 'drag balance integrated',
    names: ['mass-g', 'material', 'depth-m', 'line-mm', '[shape]'],
    value: (r) => sinkTime(lure(r), r.number('depth-m'), r.number('line-mm')),
  },
  'strike-radius': {
    unit: 'm',
    source: 'heuristic: 0.1 m per °C, at most 0.4 of the sight',
    names: ['temp-c', 'secchi-m'],
    value: (r) => strikeRadiusM(r.number('temp-c'), r.number('secchi-m')),
  },
  pause: {
    unit: 's',
    source: 'heuristic: doubled for each 4 °C colder',
    names: ['temp-c', 'cadence'],
    value: (r) =>
      pauseS(
        r.number('temp-c'),
        r.word(
          'cadence',
          bankCadences.map((c): BankCadenceId => c.id),
        ),
      ),
  },
  'line-bow': {
    unit: 'm',
    source: 'catenary under an even side wind: slack that a strike takes up',
    names: ['line-out-m', 'line-mm', 'wind-ms', 'angle-deg', '[tension-n]'],
    value: (r) => windBow(r.number('line-out-m'), r.number('line-mm'), r.number('wind-ms'), r.number('angle-deg'), r.number('tension-n', usualTensionN)).slackM,
  },
  'line-depth': {
    unit: 'm',
    source: 'quasi-static line; with speed-ms friction along it too',
    names: ['mass-g', 'material', 'line-mm', 'line-out-m', '[current-ms]', '[speed-ms]', '[shape]'],
    value: (r) => {
      // A line in a current of a few metres; one towed has its friction counted.
      const speedMs = r.number('speed-ms', NaN);
      return Number.isNaN(speedMs)
        ? lineDepth(lure(r), r.number('line-mm'), r.number('line-out-m'), r.number('current-ms')).depthM
        : trolledLine({ lure: lure(r), lineMm: r.number('line-mm') }, r.number('line-out-m'), speedMs).depthM;
    },
  },
  'line-out': {
    unit: 'm',
    source: 'quasi-static line with friction along it, inverted',
    names: ['mass-g', 'material', 'line-mm', 'depth-m', 'speed-ms', '[shape]'],
    value: (r) => lineOut({ lure: lure(r), lineMm: r.number('line-mm') }, r.number('depth-m'), r.number('speed-ms')),
  },
};

/** `burrow calc QUANTITY --name value …` */
export function calc(args: string[]): void {
  const [name, ...rest] = args;
  const quantity = name !== undefined && Object.hasOwn(quantities, name) ? quantities[name] : undefined;
  if (!quantity) throw new BadInput(`calc: expected one of ${Object.keys(quantities).join(', ')}, found ${name === undefined ? 'nothing' : `"${name}"`}`);
  const options = Object.fromEntries(quantity.names.map((n) => [n.replace(/[[\]]/g, ''), { type: 'string' as const }]));
  const { values, positionals } = readArgs(rest, options);
  if (positionals.length > 0) throw new BadInput(`calc ${name}: expected --name value pairs, found "${positionals[0]}"`);
  const read: Read = {
    number: (n, fallback) => numberOption(values, n, fallback),
    word: (n, allowed, fallback) => {
      const text = (values[n] as string | undefined) ?? fallback;
      if (text === undefined || !(allowed as readonly string[]).includes(text)) {
        throw new BadInput(`--${n}: expected one of ${allowed.join(', ')}, found ${text === undefined ? 'nothing' : `"${text}"`}`);
      }
      return text as (typeof allowed)[number];
    },
  };
  const value = quantity.value(read);
  const source = typeof quantity.source === 'string' ? quantity.source : quantity.source(value);
  process.stdout.write(`${JSON.stringify({ value, unit: quantity.unit, source })}\n`);
}
