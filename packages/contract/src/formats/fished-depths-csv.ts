import type { FishedDepth } from '@burrow/core/troll';
import { csvNumber, csvRows } from './csv-rows';
import { FormatError } from './format-error';

/** Depths that were fished, `depth_m,bites,minutes`, a row each, those without a bite too. Throws FormatError with the line. */
export function parseFishedDepths(text: string): FishedDepth[] {
  return csvRows(text, ['depth_m', 'bites', 'minutes']).map(({ line, at }) => {
    const figure = (column: string, most: number): number => {
      const value = csvNumber(at(column), column, 0, most, line);
      if (value === null) throw new FormatError(line, `${column}: expected a number, found nothing`);
      return value;
    };
    const bites = figure('bites', 10_000);
    if (!Number.isInteger(bites)) throw new FormatError(line, `bites: expected a whole number, found ${bites}`);
    const minutes = figure('minutes', 100_000);
    if (bites > 0 && minutes === 0) throw new FormatError(line, `minutes: expected how long it was fished, found 0 with ${bites} ${bites === 1 ? 'bite' : 'bites'}`);
    return { depthM: figure('depth_m', 300), bites, minutes };
  });
}
