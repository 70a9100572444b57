import { fileSizeProblem, FormatError } from '@burrow/contract/formats';
import { readFileSync, statSync } from 'node:fs';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { BadInput } from './bad-input';

/** Parses a command's arguments strictly; what is not understood is bad input. */
export function readArgs<T extends NonNullable<ParseArgsConfig['options']>>(args: string[], options: T) {
  try {
    return parseArgs({ args: attachNegatives(args), options, allowPositionals: true, strict: true, allowNegative: false });
  } catch (error) {
    throw new BadInput((error as Error).message.split(/\. |\n/)[0]);
  }
}

/** A number option. Throws BadInput when it is missing (and has no fallback) or no number. */
export function numberOption(values: Record<string, unknown>, name: string, fallback?: number): number {
  const text = values[name];
  if (text === undefined) {
    if (fallback !== undefined) return fallback;
    throw new BadInput(`--${name}: expected a number, found nothing`);
  }
  const value = typeof text === 'string' && text.trim() !== '' ? Number(text) : NaN;
  if (!Number.isFinite(value)) throw new BadInput(`--${name}: expected a number, found "${String(text)}"`);
  return value;
}

/** Two depths `LO,HI`, m. Throws BadInput for anything else. */
export function bandOption(text: string | undefined): { fromM: number; toM: number } {
  const [fromM, toM, ...more] = String(text ?? '')
    .split(',')
    .map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (!(fromM >= 0 && toM > fromM && toM <= 300) || more.length > 0)
    throw new BadInput(`--band: expected two depths LO,HI in metres, the lesser first, found ${text === undefined ? 'nothing' : `"${text}"`}`);
  return { fromM, toM };
}

/** A number option within limits. Throws BadInput when it is missing (and has no fallback), no number or outside. */
export function within(values: Record<string, unknown>, name: string, least: number, most: number, fallback?: number): number {
  const value = numberOption(values, name, fallback);
  if (!(value >= least && value <= most)) throw new BadInput(`--${name}: expected ${least} to ${most}, found ${value}`);
  return value;
}

/** An instant. Throws BadInput for anything but ISO 8601. */
export function instantOption(values: Record<string, unknown>, name: string): number {
  const text = values[name];
  const ms = typeof text === 'string' ? Date.parse(text) : NaN;
  if (Number.isNaN(ms)) throw new BadInput(`--${name}: expected an instant such as 2027-01-16T06:40-09:00, found ${text === undefined ? 'nothing' : `"${String(text)}"`}`);
  return ms;
}

/** One of the words that are allowed. Throws BadInput for anything else. */
export function wordOption<W extends string>(name: string, value: string | undefined, allowed: readonly W[]): W {
  if (!allowed.includes(value as W)) throw new BadInput(`--${name}: expected one of ${allowed.join(', ')}, found ${value === undefined ? 'nothing' : `"${value}"`}`);
  return value as W;
}

/** A place `lon,lat`. Throws BadInput for anything else. */
export function lonLatOption(values: Record<string, unknown>, name: string): [number, number] {
  const [lon, lat, ...more] = String(values[name] ?? '')
    .split(',')
    .map((part) => (part.trim() === '' ? NaN : Number(part)));
  const turned = Math.abs(lat) > 90 && Math.abs(lat) <= 180 && Math.abs(lon) <= 90 ? '; they look swapped' : '';
  if (!(Math.abs(lon) <= 180 && Math.abs(lat) <= 90) || more.length > 0)
    throw new BadInput(`--${name}: expected longitude,latitude in degrees, found "${String(values[name])}"${turned}`);
  return [lon, lat];
}

/** A number for output. */
export const round = (value: number, digits = 3) => Math.round(value * 10 ** digits) / 10 ** digits;

/** The text of a file. Throws BadInput naming it when it cannot be read. */
export function readText(path: string | undefined, what: string): string {
  if (path === undefined) throw new BadInput(`expected ${what}, found nothing`);
  try {
    const tooLarge = fileSizeProblem(path, statSync(path).size);
    if (tooLarge !== null) throw new BadInput(tooLarge);
    return readFileSync(path, 'utf8');
  } catch (error) {
    if (error instanceof BadInput) throw error;
    const code = (error as NodeJS.ErrnoException).code;
    throw new BadInput(`${path}: expected ${what}, ${code === 'ENOENT' ? 'found no such file' : `could not read it (${code})`}`);
  }
}

/** Reads a text by a format's parser; what is wrong with it is said with the file's name. */
export function readFormat<T>(path: string | undefined, parse: (text: string) => T, text: string): T {
  try {
    return parse(text);
  } catch (error) {
    if (error instanceof FormatError) throw new BadInput(`${path}: ${error.message}`);
    throw error;
  }
}

/** `--temp-c -10` as `--temp-c=-10`: a parser of options takes a leading minus for another option. */
function attachNegatives(args: string[]): string[] {
  const joined: string[] = [];
  for (const arg of args) {
    const before = joined[joined.length - 1];
    if (/^-[\d.]/.test(arg) && before?.startsWith('--') && !before.includes('=')) joined[joined.length - 1] = `${before}=${arg}`;
    else joined.push(arg);
  }
  return joined;
}
