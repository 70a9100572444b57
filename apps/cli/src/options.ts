import { FormatError } from '@burrow/contract/formats';
import { readFileSync } from 'node:fs';
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

/** The text of a file. Throws BadInput naming it when it cannot be read. */
export function readText(path: string | undefined, what: string): string {
  if (path === undefined) throw new BadInput(`expected ${what}, found nothing`);
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
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
