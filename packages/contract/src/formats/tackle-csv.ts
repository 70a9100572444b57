import { familyOf, type TacklePiece } from '@burrow/core/tackle';
import { csvNumber, csvRows } from './csv-rows';
import { FormatError } from './format-error';

const columns = ['piece', 'family', 'mass_g', 'size_mm', 'colour', 'hooks', 'points', 'rattle', 'suspends'] as const;

/** Reads a tackle box, `piece,family,mass_g,size_mm,colour,hooks,points,rattle,suspends`; blank where it is not known. Throws FormatError with the line of what is wrong. */
export function parseTackleCsv(text: string): TacklePiece[] {
  const seen = new Map<string, number>();
  return csvRows(text, ['piece', 'family']).map(({ line, at }): TacklePiece => {
    const piece = at('piece');
    if (piece === '') throw new FormatError(line, 'piece: expected a name, found nothing');
    if (seen.has(piece)) throw new FormatError(line, `piece: expected a name that no other piece has, found "${piece}" of line ${seen.get(piece)}`);
    seen.set(piece, line);
    try {
      familyOf(at('family'));
    } catch (error) {
      throw new FormatError(line, (error as RangeError).message);
    }
    return {
      piece,
      family: at('family'),
      massG: csvNumber(at('mass_g'), 'mass_g', 0.05, 500, line),
      sizeMm: csvNumber(at('size_mm'), 'size_mm', 1, 500, line),
      colour: at('colour') === '' ? null : at('colour'),
      hooks: whole(at('hooks'), 'hooks', line),
      points: whole(at('points'), 'points', line),
      rattle: yes(at('rattle'), 'rattle', line),
      suspends: yes(at('suspends'), 'suspends', line),
    };
  });
}

function whole(text: string, column: string, line: number): number | null {
  const value = csvNumber(text, column, 0, 12, line);
  if (value !== null && !Number.isInteger(value)) throw new FormatError(line, `${column}: expected a whole number, found ${text}`);
  return value;
}

function yes(text: string, column: string, line: number): boolean | null {
  if (text === '') return null;
  if (text === 'yes') return true;
  if (text === 'no') return false;
  throw new FormatError(line, `${column}: expected yes, no or nothing, found "${text}"`);
}

const cell = (value: string | number | boolean | null): string => {
  if (value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const text = String(value);
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

/** Writes a tackle box as `parseTackleCsv` reads it. */
export const tackleCsv = (box: readonly TacklePiece[]): string =>
  [columns.join(','), ...box.map((p) => [p.piece, p.family, p.massG, p.sizeMm, p.colour, p.hooks, p.points, p.rattle, p.suspends].map(cell).join(',')), ''].join('\n');
