import { z } from 'zod';
import { parseBoundedJson } from '../bounded-json';
import { listOf } from '../bounded-list';
import { firstProblem } from '../problem-words';
import { FormatError } from './format-error';
import { placeRoles, type LeftOut, type MarkedPlace, type Places, type ReadOptions, type Shore, type Track } from './places';

const position = z.tuple([z.number().min(-180, 'expected a longitude of −180 to 180').max(180), z.number().min(-90, 'expected a latitude of −90 to 90').max(90)]).rest(z.number());
const depth = z.number().min(0).max(1000).optional();
const time = z
  .string()
  .refine((t) => !Number.isNaN(Date.parse(t)), 'expected ISO 8601')
  .optional();
const place = z.object({
  geometry: z.object({ type: z.literal('Point'), coordinates: position }),
  properties: z
    .looseObject({
      role: z.enum(placeRoles).optional(),
      depth_m: depth.nullable(),
      depth: z.number().min(0).optional().nullable(),
      name: z.string().optional(),
      note: z.string().optional(),
      kind: z.string().optional(),
      time,
    })
    .nullable(),
});
const track = z.object({
  geometry: z.object({ type: z.literal('LineString'), coordinates: listOf(position, { least: 1, most: 1_000_000 }) }),
  properties: z
    .looseObject({
      role: z.literal('track').optional(),
      name: z.string().optional(),
      times: z.array(z.string().nullable()).optional(),
      depths_m: z.array(z.number().nullable()).optional(),
    })
    .nullable(),
});
const shore = z.object({
  geometry: z.object({ type: z.literal('Polygon'), coordinates: listOf(listOf(position, { least: 4, most: 150_000 }), { least: 1, most: 2000 }) }),
  properties: z.looseObject({ name: z.string().optional() }).nullable(),
});
const collection = z.object({ type: z.literal('FeatureCollection'), features: listOf(z.looseObject({ type: z.literal('Feature') }), { most: 150_000 }) });

/**
 * Reads places, tracks and polygons from GeoJSON (RFC 7946), a water file among them, whose banks and seams are passed over; a bare geometry or feature is read as well. Points
 * without a role of ours are spots. What cannot be read is left out and listed. Throws FormatError for text that is no GeoJSON.
 */
export function parsePlacesGeoJson(text: string, { metresPerUnit }: ReadOptions = {}): Places & { leftOut: LeftOut[] } {
  let value: unknown;
  try {
    value = parseBoundedJson(text.replace(/^\uFEFF/, ''), { depth: 12, containers: 2_000_000 });
  } catch (error) {
    throw new FormatError(null, `expected GeoJSON, ${error instanceof RangeError ? error.message : 'found text that is not JSON'}`);
  }
  const parsed = collection.safeParse(collected(value));
  if (!parsed.success) throw new FormatError(null, `expected a GeoJSON FeatureCollection, ${firstProblem(parsed.error)}`);
  const found: Places & { leftOut: LeftOut[] } = { points: [], tracks: [], shores: [], leftOut: [] };
  for (const [i, feature] of parsed.data.features.flatMap((f, k) => single(f).map((part) => [k, part] as const))) {
    const kind = (feature.geometry as { type?: string } | null)?.type;
    const role = (feature.properties as { role?: string } | null)?.role;
    if (kind === 'Point') take(place, feature, i, found.leftOut, (f) => found.points.push(pointOf(f, metresPerUnit)));
    else if (kind === 'Polygon' && (role === 'outline' || role === undefined)) take(shore, feature, i, found.leftOut, (f) => found.shores!.push(shoreOf(f)));
    else if (kind === 'LineString' && (role === 'track' || role === undefined)) take(track, feature, i, found.leftOut, (f) => found.tracks.push(trackOf(f)));
  }
  const { shores, ...rest } = found;
  return shores!.length > 0 ? found : rest;
}

type Feature = z.infer<typeof collection>['features'][number];

function take<S extends z.ZodType>(schema: S, feature: unknown, index: number, leftOut: LeftOut[], keep: (value: z.infer<S>) => void): void {
  const parsed = schema.safeParse(feature);
  if (parsed.success) keep(parsed.data);
  else leftOut.push({ where: `feature ${index + 1}`, why: firstProblem(parsed.error) });
}

/** A bare feature or geometry as a collection of one. */
function collected(value: unknown): unknown {
  const type = (value as { type?: unknown } | null)?.type;
  if (type === 'Feature') return { type: 'FeatureCollection', features: [value] };
  if (type === 'Polygon' || type === 'LineString' || type === 'Point') return { type: 'FeatureCollection', features: [{ type: 'Feature', properties: null, geometry: value }] };
  return value;
}

/** A feature as other programs write it: multi-geometries in their parts, and properties without a value left out. */
function single(feature: Feature): Feature[] {
  // Our GPX depth under the name that converters flatten it to.
  const given = feature.properties as Record<string, unknown> | null | undefined;
  const properties = given ? Object.fromEntries(Object.entries({ ...given, depth_m: given.depth_m ?? given.burrow_depth_m }).filter(([, value]) => value != null)) : null;
  const geometry = feature.geometry as { type?: unknown; coordinates?: unknown } | null;
  const part = /^Multi(Point|LineString|Polygon)$/.exec(String(geometry?.type))?.[1];
  if (part === undefined || !Array.isArray(geometry?.coordinates)) return [{ ...feature, properties }];
  return geometry.coordinates.map((coordinates: unknown) => ({ ...feature, properties, geometry: { type: part, coordinates } }));
}

function shoreOf({ geometry, properties }: z.infer<typeof shore>): Shore {
  const [ring, ...islands] = geometry.coordinates.map((r) => r.map(([lon, lat]): [number, number] => [lon, lat]));
  return { ...(properties?.name === undefined ? {} : { name: properties.name }), ring, ...(islands.length > 0 ? { islands } : {}) };
}

function pointOf({ geometry, properties }: z.infer<typeof place>, metresPerUnit: number | undefined): MarkedPlace {
  const { role, depth_m: inMetres, depth: inUnit, name, kind, note = kind, time: at } = properties ?? {};
  const depth_m = inMetres ?? (metresPerUnit !== undefined && inUnit != null ? Math.round(1000 * metresPerUnit * inUnit) / 1000 : undefined);
  return {
    role: role ?? 'spot',
    at: [geometry.coordinates[0], geometry.coordinates[1]],
    ...(depth_m === undefined ? {} : { depthM: depth_m }),
    ...(name === undefined ? {} : { name }),
    ...(note === undefined ? {} : { note }),
    ...(at === undefined ? {} : { time: at }),
  };
}

function trackOf({ geometry, properties }: z.infer<typeof track>): Track {
  const { name, times, depths_m } = properties ?? {};
  return {
    ...(name === undefined ? {} : { name }),
    points: geometry.coordinates.map(([lon, lat], i) => ({
      at: [lon, lat],
      ...(depths_m?.[i] == null ? {} : { depthM: depths_m[i] }),
      ...(times?.[i] == null ? {} : { time: times[i] }),
    })),
  };
}

/** Writes places and tracks as a GeoJSON FeatureCollection, with a shore where one is given, its rings closed. */
export function placesGeoJson({ points, tracks }: Places, shore?: Shore): string {
  const features = [
    ...(shore === undefined ? [] : [{ type: 'Feature', geometry: { type: 'Polygon', coordinates: [shore.ring, ...(shore.islands ?? [])] }, properties: { role: 'outline' } }]),
    ...points.map(({ role, at, depthM, name, note, time: when }) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: at },
      properties: { role, depth_m: depthM, name, note, time: when },
    })),
    ...tracks.map((t) => ({
      type: 'Feature',
      geometry: { type: 'LineString', coordinates: t.points.map((p) => p.at) },
      properties: {
        role: 'track',
        name: t.name,
        ...(t.points.some((p) => p.time !== undefined) ? { times: t.points.map((p) => p.time ?? null) } : {}),
        ...(t.points.some((p) => p.depthM !== undefined) ? { depths_m: t.points.map((p) => p.depthM ?? null) } : {}),
      },
    })),
  ];
  return `${JSON.stringify({ type: 'FeatureCollection', features })}\n`;
}
