import { FormatError } from './format-error';
import { parseGpx } from './gpx';
import { parsePlacesGeoJson } from './places-geojson';
import type { LeftOut, Places } from './places';
import { parseSoundingsCsv } from './soundings-csv';

/** Reads places from a file by its ending: GPX, GeoJSON or soundings CSV. Throws FormatError for another ending or text that is not what it says. */
export function readPlaces(name: string, text: string): Places & { leftOut: LeftOut[] } {
  if (/\.gpx$/i.test(name)) return parseGpx(text);
  if (/\.(geo)?json$/i.test(name)) return parsePlacesGeoJson(text);
  if (/\.csv$/i.test(name)) return { ...parseSoundingsCsv(text), tracks: [] };
  throw new FormatError(null, `expected a file ending in .csv, .gpx or .geojson, found ${name}`);
}
