import type { OutingState } from '@burrow/core/ledger';
import { XMLBuilder, type X2jOptions } from 'fast-xml-parser';
import { FormatError } from './format-error';
import { placeRoles, type LeftOut, type MarkedPlace, type PlaceRole, type Places, type ReadOptions, type Track } from './places';
import { readXml } from './xml';

const depthSpace = 'urn:vivid-burrow:depth:1';

interface Node {
  lat?: string;
  lon?: string;
  name?: unknown;
  desc?: unknown;
  cmt?: unknown;
  time?: unknown;
  type?: unknown;
  extensions?: unknown;
}

/** Our own depth element, under whatever prefix the file gives it. */
const ownDepth = 'own:depth_m';

/** Element names without their prefix, but for those of our own namespace. */
function optionsFor(text: string): X2jOptions {
  const ours = new Set([...text.matchAll(/xmlns:([\w.-]+)\s*=\s*["']([^"']*)["']/g)].flatMap(([, prefix, space]) => (space === depthSpace ? [prefix] : [])));
  return {
    ignoreAttributes: false,
    attributeNamePrefix: '',
    transformTagName: (tag) => {
      const [local, prefix] = tag.split(':').reverse();
      return prefix !== undefined && ours.has(prefix) ? `own:${local}` : local;
    },
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
    processEntities: true,
    isArray: (name) => ['wpt', 'rte', 'rtept', 'trk', 'trkseg', 'trkpt'].includes(name),
  };
}

/**
 * Reads GPX 1.1 (and 1.0): waypoints and route points as places, tracks as ways. Any namespace prefix is taken; a depth is read from our
 * own extension, and from others where the unit is given, since they do not tell it, a role of ours from `type`, else the place is a spot. Points that cannot be
 * read, and depths of other extensions, are left out and listed. Throws FormatError for text that is no GPX.
 */
export function parseGpx(text: string, { metresPerUnit }: ReadOptions = {}): Places & { leftOut: LeftOut[] } {
  const plain = text.replace(/^\uFEFF/, '');
  const { gpx } = readXml(plain, 'GPX', optionsFor(plain)) as { gpx?: Record<string, unknown> };
  if (gpx === undefined || typeof gpx !== 'object') throw new FormatError(null, 'expected GPX with an element gpx at its root, found none');
  const leftOut: LeftOut[] = [];
  const ways = list<{ name?: unknown; rtept?: Node[] }>(gpx.rte);
  const points = [...list<Node>(gpx.wpt), ...ways.flatMap((r) => list<Node>(r.rtept))].flatMap((node, i): MarkedPlace[] => {
    const base = pointOf(node, `waypoint ${i + 1}`, leftOut, metresPerUnit);
    if (!base) return [];
    const type = words(node.type);
    const note = words(node.desc) ?? words(node.cmt);
    return [{ role: isRole(type) ? type : 'spot', ...base, ...given('name', words(node.name)), ...given('note', note) }];
  });
  const tracks = list<{ name?: unknown; trkseg?: { trkpt?: Node[] }[] }>(gpx.trk).map((trk, t): Track => {
    const nodes = list<{ trkpt?: Node[] }>(trk.trkseg).flatMap((seg) => list<Node>(seg.trkpt));
    return { ...given('name', words(trk.name)), points: nodes.flatMap((node, i) => pointOf(node, `track ${t + 1}, point ${i + 1}`, leftOut, metresPerUnit) ?? []) };
  });
  // Their points are listed among the waypoints where they cannot be read.
  const routes = ways.map((r): Track => ({ ...given('name', words(r.name)), points: list<Node>(r.rtept).flatMap((node) => pointOf(node, '', [], metresPerUnit) ?? []) }));
  const foreign = foreignDepths(gpx);
  if (foreign.count > 0 && metresPerUnit === undefined)
    leftOut.push({
      where: foreign.count === 1 ? '1 depth' : `${foreign.count} depths`,
      why: `expected burrow:depth_m in metres, found extension elements called ${foreign.name}, which do not tell their unit; their places are read without a depth`,
    });
  return { points, tracks, ...(routes.length > 0 ? { routes } : {}), leftOut };
}

const list = <T>(value: unknown): T[] => (value === undefined || value === '' ? [] : Array.isArray(value) ? (value as T[]) : [value as T]);
const isRole = (text: string | undefined): text is PlaceRole => (placeRoles as readonly string[]).includes(text ?? '');
const given = <K extends string, V>(key: K, value: V | undefined) => (value === undefined ? {} : ({ [key]: value } as Record<K, V>));

function words(value: unknown): string | undefined {
  const text = typeof value === 'object' && value !== null ? (value as { '#text'?: string })['#text'] : value;
  return typeof text === 'string' && text !== '' ? text : undefined;
}

function pointOf(node: Node, where: string, leftOut: LeftOut[], metresPerUnit: number | undefined): { at: [number, number]; depthM?: number; time?: string } | null {
  const lat = degrees(node.lat, 'lat', 90);
  const lon = degrees(node.lon, 'lon', 180);
  if (typeof lat === 'string' || typeof lon === 'string') {
    const turned = typeof lat === 'string' && Math.abs(Number(node.lat)) <= 180 && Math.abs(Number(node.lon)) <= 90 ? '; lat and lon look swapped' : '';
    leftOut.push({ where, why: `${typeof lat === 'string' ? lat : (lon as string)}${turned}` });
    return null;
  }
  const time = words(node.time);
  if (time !== undefined && Number.isNaN(Date.parse(time))) {
    leftOut.push({ where, why: `time: expected ISO 8601, found "${time}"` });
    return null;
  }
  const own = depthIn(node);
  const depth = own ?? (metresPerUnit === undefined ? undefined : foreignDepth(node));
  const depthM = Number(depth) * (own === undefined ? (metresPerUnit ?? 1) : 1);
  if (depth !== undefined && !(depthM >= 0 && depthM <= 1000)) {
    leftOut.push({ where, why: `depth: expected 0 to 1000 m with a decimal point, found "${depth}"` });
    return null;
  }
  return { at: [lon, lat], ...given('depthM', depth === undefined ? undefined : Math.round(depthM * 1000) / 1000), ...given('time', time) };
}

function degrees(text: string | undefined, name: string, most: number): number | string {
  const value = text === undefined || text.trim() === '' ? NaN : Number(text);
  return Math.abs(value) <= most ? value : `${name}: expected −${most} to ${most} with a decimal point, found ${text === undefined ? 'nothing' : `"${text}"`}`;
}

/** Every element within a value, with its name. */
function* elementsOf(value: unknown): Generator<[name: string, value: unknown]> {
  if (typeof value !== 'object' || value === null) return;
  for (const [name, inner] of Object.entries(value)) {
    if (!Array.isArray(value)) yield [name, inner];
    yield* elementsOf(inner);
  }
}

const isOwnDepth = (name: string, value: unknown) => name === ownDepth || (name === 'depth_m' && (value as { xmlns?: string } | null)?.xmlns === depthSpace);

/** The depth of our own extension, in `extensions` or, where another program has moved it, beside them. */
function depthIn(node: unknown): string | undefined {
  for (const [name, value] of elementsOf(node)) if (isOwnDepth(name, value)) return words(value);
  return undefined;
}

/** The first depth of another extension. */
function foreignDepth(node: unknown): string | undefined {
  for (const [name, value] of elementsOf(node)) if (/depth/i.test(name) && !isOwnDepth(name, value) && words(value) !== undefined) return words(value);
  return undefined;
}

/** Elements of other extensions that are called after a depth. */
function foreignDepths(gpx: unknown): { count: number; name: string } {
  const names = [...elementsOf(gpx)].flatMap(([name, value]) => (/depth/i.test(name) && !isOwnDepth(name, value) && words(value) !== undefined ? [name] : []));
  return { count: names.length, name: [...new Set(names)].join(', ') };
}

/** Writes places and tracks as GPX 1.1, depths in an extension of our own. */
export function gpxText({ points, tracks }: Places): string {
  const extension = (depthM: number | undefined) => (depthM === undefined ? {} : { extensions: { 'burrow:depth_m': depthM } });
  const position = ([lon, lat]: [number, number]) => ({ '@lat': lat, '@lon': lon });
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true, suppressEmptyNode: true, processEntities: true });
  const body = builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': 'Vivid Burrow',
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      '@xmlns:burrow': depthSpace,
      // The order of the elements is that of the schema.
      wpt: points.map((p) => ({ ...position(p.at), ...given('time', p.time), ...given('name', p.name), ...given('desc', p.note), type: p.role, ...extension(p.depthM) })),
      trk: tracks.map((t) => ({
        ...given('name', t.name),
        trkseg: { trkpt: t.points.map((p) => ({ ...position(p.at), ...given('time', p.time), ...extension(p.depthM) })) },
      })),
    },
  }) as string;
  return body;
}

/** The passes of an outing as GPX tracks, each place with its time. */
export const passTracksGpx = (outing: OutingState): string =>
  gpxText({
    points: [],
    tracks: outing.stations
      .filter((s) => s.track !== null && s.track.length > 0)
      .map((s) => ({
        name: `${outing.waterName}, pass ${s.label}`,
        points: s.track!.map((at, k) => ({ at, ...(s.trackMs[k] === undefined ? {} : { time: new Date(s.trackMs[k]).toISOString() }) })),
      })),
  });
