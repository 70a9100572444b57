import { parsePlacesGeoJson } from '@burrow/contract/formats';
import { LocalFrame } from '@burrow/core/ground';
import { shortTour, type Spot } from '@burrow/core/holes';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText, round } from '../options';

/** `burrow route F.geojson|F.csv(x,y in metres) [--closed]` */
export function route(args: string[]): void {
  const { values, positionals } = readArgs(args, { closed: { type: 'boolean' } });
  const [path] = positionals;
  const text = readText(path, 'places in GeoJSON, or x,y in metres in CSV');
  const spots = path.endsWith('.csv') ? metresOf(path, text) : placesOf(path, text);
  if (spots.length < 2) throw new BadInput(`${path}: expected at least 2 places, found ${spots.length}`);
  const { order, lengthM } = shortTour(spots, { isClosed: values.closed === true });
  process.stdout.write(`${JSON.stringify({ order, lengthM: round(lengthM, 3) })}\n`);
}

function placesOf(path: string, text: string): Spot[] {
  const { points, leftOut } = readFormat(path, parsePlacesGeoJson, text);
  if (leftOut.length > 0) throw new BadInput(`${path}: ${leftOut[0].where}: ${leftOut[0].why}`);
  if (points.length === 0) return [];
  const frame = LocalFrame.about(points.map((p) => p.at));
  return points.map((p) => {
    const [x, y] = frame.toMetres(p.at);
    return { x, y };
  });
}

/** Rows of two numbers, with or without a header of x,y. */
function metresOf(path: string, text: string): Spot[] {
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  const spots: Spot[] = [];
  lines.forEach((line, i) => {
    if (line.trim() === '' || (i === 0 && /^\s*"?x"?\s*,\s*"?y"?\s*$/i.test(line))) return;
    const [x, y, ...more] = line.split(',').map((cell) => (cell.trim() === '' ? NaN : Number(cell)));
    if (!Number.isFinite(x) || !Number.isFinite(y) || more.length > 0) throw new BadInput(`${path}: line ${i + 1}: expected x,y in metres, found "${line.trim()}"`);
    spots.push({ x, y });
  });
  return spots;
}
