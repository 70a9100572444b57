import type { LedgerState } from '@burrow/core/ledger';

const columns = [
  ...['time', 'outing', 'water', 'hole', 'lon', 'lat', 'species', 'length_mm', 'weight_g', 'depth_m', 'bottom_m', 'presentation', 'fate'],
  ...['way', 'size_class_mm', 'out_m', 'along_m', 'girth_mm', 'note'],
];

/** Fish of a ledger as CSV, earliest first; blank where nothing is known. */
export function catchesCsv(ledger: LedgerState): string {
  const rows = ledger.outings.flatMap((outing) =>
    outing.fish.map((fish) => {
      const place = outing.stations.find((h) => h.id === fish.station);
      const line = outing.lines.find((l) => l.id === fish.line);
      return [
        new Date(fish.ms).toISOString(),
        outing.id,
        outing.waterName,
        place?.label,
        // Where it took, of a pass; elsewhere the place that was fished from.
        (fish.at ?? place?.at)?.[0],
        (fish.at ?? place?.at)?.[1],
        fish.species,
        fish.lengthMm,
        fish.weightG,
        fish.depthM,
        fish.bottomM ?? place?.depthM,
        line?.presentation,
        fish.fate,
        place?.method,
        fish.classMm,
        // A cast fish by how far out it took, one of a swim by how far out the swim lies.
        fish.outM ?? place?.outM,
        fish.alongM,
        fish.girthMm,
        fish.note,
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
