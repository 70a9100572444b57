import { foldLedger } from '@burrow/contract';
import { parseLedger, parseWaterFile, placesOf } from '@burrow/contract/formats';
import { placesLike } from '@burrow/core/holes';
import { bitesAndBlanks } from '@burrow/core/season';
import { BadInput } from '../bad-input';
import { numberOption, readArgs, readFormat, readText, round } from '../options';
import { soundedWater } from '../sounded-water';

/** `burrow like --water F.geojson --log F.ndjson --count N`: places of a water like those where fish bit, as GeoJSON points, best first. */
export function like(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { water: text, log: text, count: text });
  const file = readFormat(values.water, parseWaterFile, readText(values.water, 'a water in GeoJSON (--water)'));
  const { map } = soundedWater(values.water);
  const count = numberOption(values, 'count');
  if (!Number.isInteger(count) || count < 1 || count > 200) throw new BadInput(`--count: expected a whole number from 1 to 200, found ${count}`);
  const { outings } = foldLedger(readFormat(values.log, parseLedger, readText(values.log, 'a ledger in NDJSON (--log)')));
  const named = outings.filter((o) => o.waterName.toLowerCase() === file.water.name.toLowerCase());
  // A log of one water is of this one, whatever it is called there.
  const here = named.length > 0 || new Set(outings.map((o) => o.water)).size > 1 ? named : outings;
  const { bites, blanks } = bitesAndBlanks(here);
  if (bites.length === 0) throw new BadInput(`${values.log}: expected a bite on ${file.water.name} to find more places like it, found none`);
  const marks = { cover: placesOf(file, 'cover'), hard: placesOf(file, 'hard'), inflows: [...placesOf(file, 'inflow'), ...placesOf(file, 'outflow')] };
  const features = placesLike(map, marks, bites, blanks, count).map(({ at, depthM, score, shares, differs, isFished }, k) => ({
    type: 'Feature',
    geometry: { type: 'Point', coordinates: [round(at[0], 7), round(at[1], 7)] },
    properties: { role: 'spot', rank: k + 1, score: round(score, 3), shares, differs, depthM: round(depthM, 2), fished: isFished },
  }));
  process.stdout.write(`${JSON.stringify({ type: 'FeatureCollection', features })}\n`);
}
