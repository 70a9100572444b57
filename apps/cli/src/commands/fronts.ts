import { parseWeatherCsv } from '@burrow/contract/formats';
import { findFronts, findPhases } from '@burrow/core/weather';
import { BadInput } from '../bad-input';
import { numberOption, readArgs, readText } from '../options';

/** `burrow fronts F.csv [--lat N]` */
export function fronts(args: string[]): void {
  const { values, positionals } = readArgs(args, { lat: { type: 'string' } });
  const path = positionals[0];
  if (path?.endsWith('.metar')) throw new BadInput(`${path}: METAR text is not read yet, expected a weather CSV`);
  const series = parseWeatherCsv(readText(path, 'a weather CSV'));
  if (series.length < 2) throw new BadInput(`${path}: expected at least 2 rows of weather, found ${series.length}`);
  const lat = numberOption(values, 'lat', 45);
  if (lat < -90 || lat > 90) throw new BadInput(`--lat: expected −90 to 90, found ${lat}`);
  const found = findFronts(series, lat);
  const iso = (ms: number) => new Date(ms).toISOString();
  const phases = findPhases(series, found, series[series.length - 1].atMs);
  process.stdout.write(
    `${JSON.stringify({
      fronts: found.map((f) => ({ at: iso(f.atMs), kind: f.kind, uncertaintyH: f.uncertaintyH, evidence: f.evidence })),
      phases: phases.map((p) => ({ from: iso(p.fromMs), to: iso(p.toMs), phase: p.name, confidence: p.confidence })),
    })}\n`,
  );
}
