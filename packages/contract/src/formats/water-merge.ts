import type { WaterFile } from './water-geojson';
import type { Feature } from './water-marks';

/** The same text for the same content, in whatever order its members stand. */
function textOf(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(textOf).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const members = Object.entries(value).filter(([, inner]) => inner !== undefined);
  return `{${members
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, inner]) => `${JSON.stringify(key)}:${textOf(inner)}`)
    .join(',')}}`;
}

/** What a feature is known by: the outline as such, a mark by its id, anything else by what it says. */
function keyOf(feature: Feature): string {
  const { role, id } = feature.properties as { role: string; id?: unknown };
  if (role === 'outline') return 'outline';
  return typeof id === 'string' ? `id ${id}` : textOf(feature);
}

const keyed = (file: WaterFile | null) => new Map((file?.features ?? []).map((f) => [keyOf(f), { feature: f, text: textOf(f) }]));

/**
 * Joins two changes of one water: what either side added is there, what either took away is gone, unless the other changed it. Where
 * both changed the same mark, shore or figure, `mine` stands.
 * @param base the water that both changes were made to; null where it is not known: then nothing counts as taken away
 */
export function mergedWater(base: WaterFile | null, mine: WaterFile, theirs: WaterFile): WaterFile {
  const [before, here, there] = [keyed(base), keyed(mine), keyed(theirs)];
  const changed = (side: ReturnType<typeof keyed>, key: string) => side.get(key)?.text !== before.get(key)?.text;
  const features: Feature[] = [];
  for (const feature of theirs.features) {
    const key = keyOf(feature);
    const own = here.get(key);
    const isTakenAway = !own && before.has(key) && !changed(there, key);
    if (isTakenAway) continue;
    features.push(own && changed(here, key) ? own.feature : feature);
  }
  for (const feature of mine.features) {
    const key = keyOf(feature);
    if (!there.has(key) && (!before.has(key) || changed(here, key))) features.push(feature);
  }
  const water: Record<string, unknown> = { ...theirs.water };
  const own = mine.water as Record<string, unknown>;
  const was = (base?.water ?? {}) as Record<string, unknown>;
  for (const name of new Set([...Object.keys(own), ...Object.keys(was)])) {
    if (textOf(own[name]) === textOf(was[name])) continue;
    if (own[name] === undefined) delete water[name];
    else water[name] = own[name];
  }
  return { ...theirs, water: water as WaterFile['water'], features };
}
