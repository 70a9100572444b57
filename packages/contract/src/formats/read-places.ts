import { FormatError } from './format-error';
import { parseGpx } from './gpx';
import { parsePlacesGeoJson } from './places-geojson';
import { parseKml } from './kml';
import { parseNmea } from './nmea';
import type { LeftOut, Places, ReadOptions } from './places';
import { parseSoundingsCsv } from './soundings-csv';

/**
 * Reads places from a file by its ending: GPX, KML, GeoJSON, an NMEA 0183 log or soundings CSV. Throws FormatError for another ending or text that is not what it says.
 */
export function readPlaces(name: string, text: string, options: ReadOptions = {}): Places & { leftOut: LeftOut[] } {
  if (/\.gpx$/i.test(name)) return parseGpx(text, options);
  if (/\.kml$/i.test(name)) return parseKml(text, options);
  if (/\.nmea$/i.test(name)) return parseNmea(text);
  if (/\.(geo)?json$/i.test(name)) return parsePlacesGeoJson(text, options);
  if (/\.(csv|tsv|txt|xyz)$/i.test(name)) return { ...parseSoundingsCsv(text, options), tracks: [] };
  throw new FormatError(null, `expected a file ending in .csv, .tsv, .txt, .xyz, .gpx, .kml, .nmea or .geojson, found ${name}`);
}
