import type { LedgerState } from '@burrow/core/ledger';

const columns = ['time', 'outing', 'water', 'hole', 'lon', 'lat', 'species', 'length_mm', 'weight_g', 'depth_m', 'bottom_m', 'presentation', 'fate'] as const;

/** Fish of a ledger as CSV, earliest first; blank where nothing is known. */
export function catchesCsv(ledger: LedgerState): string {
  const rows = ledger.outings.flatMap((outing) =>
    outing.fish.map((fish) => {
      const hole = outing.stations.find((h) => h.id === fish.station);
      const line = outing.lines.find((l) => l.id === fish.line);
      return [
        new Date(fish.ms).toISOString(),
        outing.id,
        outing.waterName,
        hole?.label,
        hole?.at[0],
        hole?.at[1],
        fish.species,
        fish.lengthMm,
        fish.weightG,
        fish.depthM,
        fish.bottomM ?? hole?.depthM,
        line?.presentation,
        fish.fate,
      ]
        .map(cell)
        .join(',');
    }),
  );
  return [columns.join(','), ...rows, ''].join('\n');
}

/** A cell quoted where it must be; a leading sign that a spreadsheet would run as a formula is made text. */
function cell(value: string | number | null | undefined): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'number') return String(Math.round(value * 1e6) / 1e6);
  const text = /^[=+\-@]/.test(value) ? `'${value}` : value;
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
