import type { Measurement } from '@burrow/core/winter';
import { csvNumber, csvRows, csvTime } from './csv-rows';
import { FormatError } from './format-error';

/** Name in the file, what it is, and how many of the file's units one of ours is; limits in the file's units. */
const kinds = [
  { name: 'temp_c', kind: 'tempC', per: 1, least: -2, most: 40 },
  { name: 'ice_clear_cm', kind: 'iceClearM', per: 100, least: 0, most: 300 },
  { name: 'ice_white_cm', kind: 'iceWhiteM', per: 100, least: 0, most: 300 },
  { name: 'snow_cm', kind: 'snowM', per: 100, least: 0, most: 300 },
  { name: 'oxygen_mgl', kind: 'oxygenMgL', per: 1, least: 0, most: 30 },
] as const satisfies readonly { name: string; kind: Measurement['kind']; per: number; least: number; most: number }[];
const secchi = { name: 'secchi_m', least: 0.1, most: 40 };

export interface MeasurementFile {
  measurements: Measurement[];
  /** Secchi depths, m, which set the light and are not fitted. */
  secchi: { atMs: number; depthM: number }[];
}

/**
 * Reads a measurements CSV (docs/formats.md). Temperatures and oxygen want a depth. Throws FormatError with the line.
 */
export function parseMeasurementsCsv(text: string): MeasurementFile {
  const file: MeasurementFile = { measurements: [], secchi: [] };
  for (const { line, at } of csvRows(text, ['time', 'kind', 'depth_m', 'value'])) {
    const atMs = csvTime(at('time'), line);
    const row = kinds.find((k) => k.name === at('kind')) ?? (at('kind') === secchi.name ? secchi : undefined);
    if (!row) throw new FormatError(line, `kind: expected one of ${[...kinds, secchi].map((k) => k.name).join(', ')}, found "${at('kind')}"`);
    const value = csvNumber(at('value'), 'value', row.least, row.most, line);
    if (value === null) throw new FormatError(line, 'value: expected a number, found nothing');
    if (!('kind' in row)) {
      file.secchi.push({ atMs, depthM: value });
      continue;
    }
    const depthM = csvNumber(at('depth_m'), 'depth_m', 0, 500, line);
    const wantsDepth = row.kind === 'tempC' || row.kind === 'oxygenMgL';
    if (wantsDepth && depthM === null) throw new FormatError(line, `depth_m: expected the depth of this ${row.name}, found nothing`);
    file.measurements.push({ atMs, kind: row.kind, value: value / row.per, ...(depthM === null ? {} : { depthM }) });
  }
  return file;
}

const figure = (value: number) => String(Math.round(value * 1000) / 1000);

/** Writes measurements as CSV, earliest first. */
export function measurementsCsv(measurements: readonly Measurement[]): string {
  const rows = [...measurements]
    .sort((a, b) => a.atMs - b.atMs)
    .map((m) => {
      const { name, per } = kinds.find((k) => k.kind === m.kind)!;
      return [new Date(m.atMs).toISOString(), name, m.depthM === undefined ? '' : figure(m.depthM), figure(m.value * per)].join(',');
    });
  return ['time,kind,depth_m,value', ...rows, ''].join('\n');
}
