import { FormatError } from './format-error';
import { placeRoles, type LeftOut, type MarkedPlace, type PlaceRole, type Places, type ReadOptions, type Track } from './places';
import { readXml } from './xml';

type Node = Record<string, unknown>;

const repeated = [
  'Document',
  'Folder',
  'Placemark',
  'Point',
  'LineString',
  'LinearRing',
  'Polygon',
  'MultiGeometry',
  'Track',
  'MultiTrack',
  'coord',
  'when',
  'Data',
  'SimpleData',
  'SchemaData',
];
const options = {
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  // gx:Track and others of their own namespaces.
  transformTagName: (tag: string) => tag.split(':').at(-1)!,
  parseTagValue: false,
  parseAttributeValue: false,
  trimValues: true,
  processEntities: true,
  isArray: (name: string) => repeated.includes(name),
};

/**
 * Reads KML 2.2: points as places, lines and tracks as ways, polygons and rings as shores. A depth is read from extended data called `depth_m`, or called after a
 * depth where the unit is given; heights of coordinates are no depths. What cannot be read is left out and listed by placemark. Throws FormatError for text that is no KML.
 */
export function parseKml(text: string, { metresPerUnit }: ReadOptions = {}): Places & { leftOut: LeftOut[] } {
  const { kml } = readXml(text.replace(/^\uFEFF/, ''), 'KML', options) as { kml?: Node };
  if (typeof kml !== 'object') throw new FormatError(null, 'expected KML with an element kml at its root, found none');
  const found: Places & { leftOut: LeftOut[] } = { points: [], tracks: [], shores: [], leftOut: [] };
  let number = 0;
  const descend = (node: Node) => {
    for (const mark of list(node.Placemark)) read(mark, `placemark ${++number}`, found, metresPerUnit);
    for (const inner of [...list(node.Document), ...list(node.Folder)]) descend(inner);
  };
  descend(kml);
  if (number === 0) throw new FormatError(null, 'expected placemarks in the KML, found none');
  const { shores, ...rest } = found;
  return shores!.length > 0 ? found : rest;
}

const list = (value: unknown): Node[] => (value === undefined ? [] : (Array.isArray(value) ? value : [value]).filter((v): v is Node => typeof v === 'object' && v !== null));
const words = (value: unknown): string | undefined => {
  const text = typeof value === 'object' && value !== null ? (value as Node)['#text'] : value;
  return typeof text === 'string' && text !== '' ? text : undefined;
};
const isRole = (text: string | undefined): text is PlaceRole => (placeRoles as readonly string[]).includes(text ?? '');

function read(mark: Node, where: string, found: Places & { leftOut: LeftOut[] }, metresPerUnit: number | undefined): void {
  const name = words(mark.name);
  const named = name === undefined ? {} : { name };
  const data = extendedData(mark);
  const time = words((mark.TimeStamp as Node | undefined)?.when) ?? data.get('time');
  const coordinates = (node: Node, of: string) => {
    const read = positionsOf(words(node.coordinates), `${where}, ${of}`, found.leftOut);
    return read.length > 0 ? read : null;
  };
  const geometry = (node: Node) => {
    for (const point of list(node.Point)) {
      const at = coordinates(point, 'point')?.[0];
      if (!at) continue;
      const depth = depthOf(data, metresPerUnit, where, found.leftOut);
      const role = data.get('role');
      const note = words(mark.description);
      const place: MarkedPlace = { role: isRole(role) ? role : 'spot', at, ...named, ...(depth === undefined ? {} : { depthM: depth }), ...(note === undefined ? {} : { note }) };
      found.points.push(time !== undefined && !Number.isNaN(Date.parse(time)) ? { ...place, time } : place);
    }
    for (const line of list(node.LineString)) {
      const points = coordinates(line, 'line');
      if (points) found.tracks.push({ ...named, points: points.map((at) => ({ at })) });
    }
    for (const track of [...list(node.Track), ...list(node.MultiTrack).flatMap((m) => list(m.Track))]) found.tracks.push({ ...named, ...trackOf(track, where, found.leftOut) });
    for (const polygon of list(node.Polygon)) {
      const islands = list(polygon.innerBoundaryIs).flatMap(rings);
      for (const outer of list(polygon.outerBoundaryIs).flatMap(rings)) found.shores!.push({ ...named, ring: outer, ...(islands.length > 0 ? { islands } : {}) });
    }
    for (const ring of rings(node)) found.shores!.push({ ...named, ring });
    for (const inner of list(node.MultiGeometry)) geometry(inner);
  };
  const rings = (node: Node) =>
    list(node.LinearRing).flatMap((boundary) => {
      const ring = coordinates(boundary, 'ring');
      return ring ? [ring] : [];
    });
  geometry(mark);
}

/** Names and values of a placemark's extended data, in either of its forms. */
function extendedData(mark: Node): Map<string, string> {
  const found = new Map<string, string>();
  for (const extended of list(mark.ExtendedData)) {
    for (const data of list(extended.Data)) found.set(String(data['@name']), words(data.value) ?? '');
    for (const schema of list(extended.SchemaData)) for (const simple of list(schema.SimpleData)) found.set(String(simple['@name']), words(simple) ?? '');
  }
  return found;
}

function depthOf(data: ReadonlyMap<string, string>, metresPerUnit: number | undefined, where: string, leftOut: LeftOut[]): number | undefined {
  const own = data.get('depth_m');
  const [name, text] = own === undefined ? ([...data].find(([key]) => /depth/i.test(key)) ?? []) : ['depth_m', own];
  if (name === undefined || text === undefined || text === '') return undefined;
  if (own === undefined && metresPerUnit === undefined) {
    leftOut.push({ where: `${where}, depth`, why: `expected depth_m in metres, found ${name}, which does not tell its unit; the place is read without a depth` });
    return undefined;
  }
  const depthM = Number(text) * (own === undefined ? metresPerUnit! : 1);
  if (depthM >= 0 && depthM <= 1000) return Math.round(depthM * 1000) / 1000;
  leftOut.push({ where: `${where}, depth`, why: `expected 0 to 1000 m, found "${text}"` });
  return undefined;
}

function positionsOf(text: string | undefined, where: string, leftOut: LeftOut[]): [number, number][] {
  return (text ?? '')
    .split(/\s+/)
    .filter((tuple) => tuple !== '')
    .flatMap((tuple, i): [number, number][] => positionOf(tuple.split(','), `${where}, point ${i + 1}`, leftOut));
}

function positionOf(parts: readonly string[], where: string, leftOut: LeftOut[]): [number, number][] {
  const [lon, lat] = parts.map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (Math.abs(lon) <= 180 && Math.abs(lat) <= 90) return [[lon, lat]];
  leftOut.push({ where, why: `expected longitude,latitude in degrees, found "${parts.join(',')}"` });
  return [];
}

function trackOf(track: Node, where: string, leftOut: LeftOut[]): Pick<Track, 'points'> {
  const whens = (Array.isArray(track.when) ? track.when : []).map(words);
  const coords = (Array.isArray(track.coord) ? track.coord : []).map(words);
  const points = coords.flatMap((text, i) =>
    positionOf((text ?? '').split(/\s+/), `${where}, track point ${i + 1}`, leftOut).map((at) => {
      const time = whens[i];
      return { at, ...(time !== undefined && !Number.isNaN(Date.parse(time)) ? { time } : {}) };
    }),
  );
  return { points };
}
