import type { RuleCard } from '@burrow/core/law';
import { LocalFrame } from '@burrow/core/units';
import { z } from 'zod';
import { parseBoundedJson } from '../bounded-json';
import { listOf } from '../bounded-list';
import { firstProblem } from '../problem-words';
import { storableText, valueProblem } from '../storable';
import { FormatError } from './format-error';

const position = z.tuple([z.number().min(-180, 'expected a longitude of −180 to 180').max(180), z.number().min(-90, 'expected a latitude of −90 to 90').max(90)]);
const point = z.object({ type: z.literal('Point'), coordinates: position });
/** Most features of a water, and most points of a line or ring. */
const most = { features: 150_000, points: 150_000, rings: 2000 };
const line = z.object({ type: z.literal('LineString'), coordinates: listOf(position, { least: 2, most: most.points }) });
const polygon = z.object({ type: z.literal('Polygon'), coordinates: listOf(listOf(position, { least: 4, most: most.points }), { least: 1, most: most.rings }) });

const featureOf = <R extends string, G extends z.ZodType, P extends z.ZodRawShape>(role: R, geometry: G, properties: P) =>
  z.object({ type: z.literal('Feature'), geometry, properties: z.looseObject({ role: z.literal(role), ...properties }) });

const features = {
  outline: featureOf('outline', polygon, {}),
  sounding: featureOf('sounding', point, { depth_m: z.number().min(0).max(1000) }),
  inflow: featureOf('inflow', point, {}),
  outflow: featureOf('outflow', point, {}),
  cover: featureOf('cover', z.union([point, polygon]), { kind: z.string() }),
  hard: featureOf('hard', z.union([point, polygon]), {}),
  seam: featureOf('seam', line, {}),
  bank: featureOf('bank', line, { height_m: z.number().min(0).max(300), steepness: z.enum(['flat', 'sloping', 'steep', 'wall']).optional() }),
  spot: featureOf('spot', point, {}),
  hole: featureOf('hole', point, {}),
} as const;
type Feature = z.output<(typeof features)[keyof typeof features]>;
const isRole = (role: unknown): role is keyof typeof features => typeof role === 'string' && Object.hasOwn(features, role);

/** A feature by its role; a union of all roles would try each, and say of a bad one only that none fits. */
const feature = z.unknown().transform((value, context): Feature => {
  const role = (value as { properties?: { role?: unknown } | null } | null)?.properties?.role;
  const complain = (message: string, path: PropertyKey[]) => {
    context.issues.push({ code: 'custom', message, path, input: value });
    return z.NEVER;
  };
  if (!isRole(role)) return complain(`expected one of ${Object.keys(features).join(', ')}, found ${role === undefined ? 'nothing' : shortJson(role)}`, ['properties', 'role']);
  const parsed = features[role].safeParse(value);
  // The feature itself, not the checker's copy: of a large map there is one in memory, not two.
  if (parsed.success) return value as Feature;
  return complain(parsed.error.issues[0].message, parsed.error.issues[0].path);
});

const shortJson = (value: unknown) => {
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 60)}…` : text;
};

/** Of a water's file: room for a hundred and fifty thousand soundings. */
export const waterJsonLimits = { depth: 10, containers: 1_000_000 };
const fileLimits = { depth: waterJsonLimits.depth, values: 6_000_000 };

const upTo = (most: number) => z.number().int().min(0).max(most).optional();
const ruleCard = z.object({
  fish: z.array(z.object({ species: storableText(1, 60), bag: upTo(1000), possession: upTo(5000), leastMm: upTo(3000), mostMm: upTo(3000) })).max(60),
  lines: upTo(50),
  hooks: upTo(50),
  points: upTo(100),
  keepnet: z.enum(['allowed', 'not allowed']).optional(),
  liveBait: z.enum(['allowed', 'not allowed']).optional(),
  text: storableText(0, 2000).optional(),
  source: storableText(0, 200).optional(),
  seenOn: z.iso.date(),
}) satisfies z.ZodType<RuleCard>;

/** A water in GeoJSON with its own member `water`. */
export const waterFile = z
  .object({
    type: z.literal('FeatureCollection'),
    water: z.object({
      name: storableText(1, 120),
      kind: z.enum(['lake', 'reservoir', 'river', 'channel']),
      /** Where it lies, while nobody has drawn its shore. */
      at: position.optional(),
      timezone: z.string().refine(isTimeZone, 'expected an IANA time zone'),
      elevation_m: z.number().min(-430).max(6000),
      secchi_m: z.number().min(0.1).max(40),
      /** Which of these figures nobody measured. */
      assumed: z
        .array(z.enum(['elevation_m', 'secchi_m']))
        .max(2)
        .optional(),
      /** Ids of the fish that live in it; without them its kind and the log say which are offered. */
      species: z.array(storableText(1, 60)).max(40).optional(),
      /** Whether its fish are used to bait: anglers feed there all year. */
      baited: z.boolean().optional(),
      surfaceArea_m2: z.number().positive().optional(),
      /** What the angler wrote down of its law; never the law itself. */
      rules: ruleCard.optional(),
    }),
    features: listOf(feature, { most: most.features }),
  })
  .refine((file) => file.water.at !== undefined || file.features.some((f) => f.properties.role === 'outline'), {
    path: ['features'],
    error: 'expected a feature of role outline, or in water.at the place of a water whose shore is not known, found neither',
  })
  .superRefine((file, context) => {
    const problem = valueProblem(file, fileLimits);
    if (problem) context.addIssue({ code: 'custom', message: problem });
  });
export type WaterFile = z.infer<typeof waterFile>;

function isTimeZone(zone: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
  } catch {
    return false;
  }
}

/** Reads a water file. Throws FormatError naming the feature and what was expected of it. */
export function parseWaterFile(text: string): WaterFile {
  let value: unknown;
  try {
    value = parseBoundedJson(text, waterJsonLimits);
  } catch (error) {
    throw new FormatError(null, `expected a GeoJSON file, ${error instanceof RangeError ? error.message : 'found text that is not JSON'}`);
  }
  const parsed = waterFile.safeParse(value);
  if (!parsed.success) throw new FormatError(null, `expected a water in GeoJSON, ${firstProblem(parsed.error)}`);
  const turned = swappedNotice(
    soundingsOf(parsed.data).map((s) => s.at),
    shoreOf(parsed.data) ?? [middleOfWater(parsed.data)],
  );
  if (turned) throw new FormatError(null, turned);
  return parsed.data;
}

/** Outer ring of the water's shore; null while nobody has drawn one. */
export function shoreOf(file: WaterFile): [number, number][] | null {
  for (const { properties, geometry } of file.features) if (properties.role === 'outline' && geometry.type === 'Polygon') return geometry.coordinates[0];
  return null;
}

/** Rings of land within the water's shore. */
export function islandsOf(file: WaterFile): [number, number][][] {
  for (const { properties, geometry } of file.features) if (properties.role === 'outline' && geometry.type === 'Polygon') return geometry.coordinates.slice(1);
  return [];
}

/** Outer ring of the water's outline. Throws FormatError where there is none. */
export function outlineOf(file: WaterFile): [number, number][] {
  const shore = shoreOf(file);
  if (!shore) throw new FormatError(null, 'expected a feature of role outline, found none');
  return shore;
}

/** Middle of the water: of its shore, or the place that was pointed at. */
export function middleOfWater(file: WaterFile): [number, number] {
  const shore = shoreOf(file);
  if (!shore) return file.water.at!;
  const { lon0, lat0 } = LocalFrame.about(shore);
  return [lon0, lat0];
}

/** All soundings of the water. */
export function soundingsOf(file: WaterFile): { at: [number, number]; depthM: number }[] {
  return file.features.flatMap(({ properties, geometry }) =>
    properties.role === 'sounding' && geometry.type === 'Point' ? [{ at: geometry.coordinates, depthM: (properties as { depth_m: number }).depth_m }] : [],
  );
}

/**
 * What to say when places lie off the water as they stand but on it with longitude and latitude the other way round; null when all is well.
 * @param outline of the water they belong to
 */
export function swappedNotice(places: readonly (readonly [number, number])[], outline: readonly (readonly [number, number])[]): string | null {
  if (places.length === 0) return null;
  const lons = outline.map((p) => p[0]);
  const lats = outline.map((p) => p[1]);
  const [west, east, south, north] = [Math.min(...lons), Math.max(...lons), Math.min(...lats), Math.max(...lats)];
  const slack = 0.02;
  const isNear = (lon: number, lat: number) => lon > west - slack && lon < east + slack && lat > south - slack && lat < north + slack;
  const near = places.filter(([lon, lat]) => isNear(lon, lat)).length;
  const turned = places.filter(([lon, lat]) => isNear(lat, lon)).length;
  return turned > places.length / 2 && near < places.length / 2
    ? `expected longitude before latitude, found them the other way round: ${turned} of ${places.length} soundings would lie on the water if they were swapped`
    : null;
}
