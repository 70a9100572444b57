import { islandsOf, parseSoundingsCsv, parseWaterFile, shoreOf, soundingsOf } from '@burrow/contract/formats';
import {
  buildDepthMap,
  contourLines,
  crossValidate,
  depthAt,
  findFeatures,
  plumbedSoundings,
  soundingSourceText,
  surveyedArea,
  type LonLat,
  type Sounding,
  type SurveyOptions,
} from '@burrow/core/ground';
import { BadInput } from '../bad-input';
import { lonLatOption, numberOption, readArgs, readFormat, readText, round } from '../options';

interface Surveyed {
  outline: LonLat[];
  soundings: Sounding[];
  options: SurveyOptions;
}

/** A water file as it is; soundings without a shore within an edge about them, which is none. */
function readSurvey(path: string | undefined): Surveyed {
  const text = readText(path, 'a water in GeoJSON or soundings in CSV');
  if (path!.endsWith('.csv')) {
    const { points, leftOut } = readFormat(path, parseSoundingsCsv, text);
    for (const { where, why } of leftOut) process.stderr.write(`burrow: ${path}: ${where}: left out, ${why}\n`);
    const soundings = points.map((p) => ({ at: p.at, depthM: p.depthM! }));
    return within(null, soundings);
  }
  const file = readFormat(path, parseWaterFile, text);
  return within(shoreOf(file), soundingsOf(file), islandsOf(file));
}

function within(shore: LonLat[] | null, soundings: Sounding[], islands: LonLat[][] = []): Surveyed {
  const area = surveyedArea(shore, soundings, islands);
  return { outline: area.ring, soundings, options: { shore: area.isShore, islands: area.islands } };
}

/** `burrow map F.geojson|F.csv [--contour-m 1] [--at lon,lat] [--cross-validate K] [--sounder-ms N --water-temp-c T]` */
export function map(args: string[]): void {
  const { values, positionals } = readArgs(args, {
    'contour-m': { type: 'string' },
    at: { type: 'string' },
    'cross-validate': { type: 'string' },
    'sounder-ms': { type: 'string' },
    'water-temp-c': { type: 'string' },
  });
  const { outline, soundings: shown, options } = readSurvey(positionals[0]);
  // Depths that a sounder showed are made those that a line would find.
  const source = { setMs: values['sounder-ms'] === undefined ? null : numberOption(values, 'sounder-ms'), waterTempC: numberOption(values, 'water-temp-c', 4) };
  const soundings = plumbedSoundings(shown, source);
  if (source.setMs !== null) process.stderr.write(`burrow: ${soundingSourceText(source)}\n`);
  if (values['cross-validate'] !== undefined) {
    const { rmseM, idwRmseM, coverage95 } = crossValidate(outline, soundings, numberOption(values, 'cross-validate'), options);
    return print({ rmseM: round(rmseM, 4), idwRmseM: round(idwRmseM, 4), coverage95: round(coverage95, 4) });
  }
  const built = buildDepthMap(outline, soundings, { ...options, cells: 160 });
  if (values.at !== undefined) {
    const at = lonLatOption(values, 'at');
    const here = depthAt(built, at);
    if (!here) throw new BadInput(`--at: expected a place on this water, found ${values.at}`);
    return print({ depthM: round(here.depthM, 3), sdM: round(here.sdM, 3) });
  }
  const step = numberOption(values, 'contour-m', 1);
  if (!(step >= 0.1 && step <= 100)) throw new BadInput(`--contour-m: expected 0.1 to 100, found ${step}`);
  const depths = Array.from({ length: Math.floor(built.deepest.depthM / step) }, (_, i) => round((i + 1) * step, 6));
  print({
    type: 'FeatureCollection',
    features: [
      ...contourLines(built, depths).map((c) => ({
        type: 'Feature',
        geometry: { type: 'MultiLineString', coordinates: c.rings.map((ring) => ring.map(place)) },
        properties: { role: 'contour', depth_m: c.depthM },
      })),
      ...findFeatures(built).map((f) => ({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: place(f.at) },
        properties: { role: 'feature', kind: f.kind, depth_m: round(f.depthM, 2), relief_m: round(f.reliefM, 2), confidence: round(f.confidence, 3), side: f.side },
      })),
    ],
  });
}

const place = ([lon, lat]: LonLat) => [round(lon, 7), round(lat, 7)];
const print = (value: unknown) => void process.stdout.write(`${JSON.stringify(value)}\n`);
