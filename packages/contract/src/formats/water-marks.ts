import type { MarkedPlace, Places } from './places';
import { islandsOf, type WaterFile } from './water-geojson';

type Position = [lon: number, lat: number];
export type Feature = WaterFile['features'][number];

/** What is marked at a place of a water. */
export interface PlaceMark {
  /** Number of its feature in the file. */
  index: number;
  role: 'inflow' | 'outflow' | 'cover' | 'hard' | 'spot';
  at: Position;
  /** Kind of cover. */
  kind?: string;
  name?: string;
  note?: string;
}

/** What is marked along a line: a seam of the current, or a stretch of bank. */
export interface LineMark {
  index: number;
  role: 'seam' | 'bank';
  line: Position[];
  name?: string;
  heightM?: number;
  steepness?: 'flat' | 'sloping' | 'steep' | 'wall';
}

const text = (value: unknown): string | undefined => (typeof value === 'string' && value !== '' ? value : undefined);

/** Middle of a ring's corners. */
function middleOf(ring: readonly Position[]): Position {
  const corners = ring.slice(0, -1);
  return [0, 1].map((axis) => corners.reduce((sum, p) => sum + p[axis], 0) / corners.length) as Position;
}

/** Everything that is marked on a water besides its outline and soundings; an area stands at its middle. */
export function marksOf(file: WaterFile): { places: PlaceMark[]; lines: LineMark[] } {
  const places: PlaceMark[] = [];
  const lines: LineMark[] = [];
  for (const [index, { geometry, properties }] of file.features.entries()) {
    const { role, name: named, note: noted } = properties;
    const said = { ...(text(named) ? { name: text(named) } : {}), ...(text(noted) ? { note: text(noted) } : {}) };
    if (role === 'seam' || role === 'bank') {
      if (geometry.type !== 'LineString') continue;
      const { height_m, steepness } = properties as { height_m?: number; steepness?: LineMark['steepness'] };
      lines.push({ index, role, line: geometry.coordinates, ...said, ...(height_m === undefined ? {} : { heightM: height_m }), ...(steepness ? { steepness } : {}) });
    } else if (role === 'inflow' || role === 'outflow' || role === 'cover' || role === 'hard' || role === 'spot') {
      const at = geometry.type === 'Point' ? geometry.coordinates : geometry.type === 'Polygon' ? middleOf(geometry.coordinates[0]) : null;
      if (at) places.push({ index, role, at, ...said, ...(role === 'cover' ? { kind: (properties as { kind: string }).kind } : {}) });
    }
  }
  return { places, lines };
}

/** Places of one role. */
export const placesOf = (file: WaterFile, role: PlaceMark['role']): Position[] => marksOf(file).places.flatMap((m) => (m.role === role ? [m.at] : []));

/** What lies in and along a river: seams, cover and hard patches. */
export function riverMarksOf(file: WaterFile) {
  const { places, lines } = marksOf(file);
  return {
    seams: lines.filter((l) => l.role === 'seam').map(({ line, name }) => ({ line, ...(name ? { name } : {}) })),
    covers: places.filter((p) => p.role === 'cover').map(({ at, kind = 'cover', name }) => ({ at, kind, ...(name ? { name } : {}) })),
    hard: places.filter((p) => p.role === 'hard').map((p) => p.at),
  };
}

/** Whether a water is fished from its banks by its current rather than by its basins. */
export const isFlowing = (kind: string): boolean => kind === 'river' || kind === 'channel';

/** A mark to be made; its id tells it from others of the same content when two phones' changes are joined. */
export type NewMark = (Omit<PlaceMark, 'index'> | Omit<LineMark, 'index'>) & { id?: string };

function featureOf(mark: NewMark): Feature {
  const said = { role: mark.role, ...(mark.id ? { id: mark.id } : {}), ...(mark.name ? { name: mark.name } : {}) };
  if ('line' in mark) {
    const bank = mark.role === 'bank' ? { height_m: mark.heightM ?? 0, ...(mark.steepness ? { steepness: mark.steepness } : {}) } : {};
    return { type: 'Feature', geometry: { type: 'LineString', coordinates: mark.line }, properties: { ...said, ...bank } } as Feature;
  }
  const more = { ...(mark.note ? { note: mark.note } : {}), ...(mark.role === 'cover' ? { kind: mark.kind ?? 'weeds' } : {}) };
  return { type: 'Feature', geometry: { type: 'Point', coordinates: mark.at }, properties: { ...said, ...more } } as Feature;
}

/** A water with one more mark; the one given stays as it is. */
export const withMark = (file: WaterFile, mark: NewMark): WaterFile => ({ ...file, features: [...file.features, featureOf(mark)] });

/** A water without one of its marks. RangeError for a feature that is none, as the outline or a sounding. */
export function withoutMark(file: WaterFile, index: number): WaterFile {
  const { places, lines } = marksOf(file);
  if (![...places, ...lines].some((m) => m.index === index)) throw new RangeError(`expected the number of a mark, found ${index}`);
  return { ...file, features: file.features.filter((_, k) => k !== index) };
}

/** A water with another shore, or its first, a ring that need not be closed; its islands stay unless others are given. RangeError for fewer than three corners. */
export function withOutline(file: WaterFile, ring: readonly Position[], islands: readonly (readonly Position[])[] = islandsOf(file)): WaterFile {
  if (ring.length < 3) throw new RangeError(`expected at least three corners of a shore, found ${ring.length}`);
  const closed = ([first, ...more]: readonly Position[]) => [first, ...more, ...(first[0] === more.at(-1)?.[0] && first[1] === more.at(-1)?.[1] ? [] : [first])];
  const geometry = { type: 'Polygon', coordinates: [ring, ...islands].map(closed) };
  const drawn = file.features.some((f) => f.properties.role === 'outline');
  return {
    ...file,
    features: drawn
      ? file.features.map((f) => (f.properties.role === 'outline' ? ({ ...f, geometry } as Feature) : f))
      : [{ type: 'Feature', geometry, properties: { role: 'outline' } } as Feature, ...file.features],
  };
}

/** A hole as it goes out with its water. */
export interface DrilledHole {
  at: Position;
  label: string;
  depthM: number | null;
  /** ISO 8601 with offset. */
  time: string;
  fish: number;
}

const fishText = (fish: number) => (fish === 0 ? 'no fish' : fish === 1 ? '1 fish' : `${fish} fish`);

/** Everything on a water that is a place, as GPX and soundings carry it: soundings, marks, and the holes drilled with what they gave. */
export function waterPlaces(file: WaterFile, holes: readonly DrilledHole[]): Places {
  const soundings = file.features.flatMap(({ properties, geometry }): MarkedPlace[] => {
    if (properties.role !== 'sounding' || geometry.type !== 'Point') return [];
    const { depth_m, time } = properties as { depth_m: number; time?: unknown };
    return [{ role: 'sounding', at: geometry.coordinates, depthM: depth_m, ...(typeof time === 'string' ? { time } : {}) }];
  });
  const { places, lines } = marksOf(file);
  const marks = places.map(({ role, at, name, note, kind }): MarkedPlace => {
    const words = [name, kind].filter(Boolean).join(', ');
    return { role, at, ...(words ? { name: words } : {}), ...(note ? { note } : {}) };
  });
  const drilled = holes.map(({ at, label, depthM, time, fish }): MarkedPlace => ({
    role: 'hole',
    at,
    name: `Hole ${label}`,
    note: fishText(fish),
    time,
    ...(depthM === null ? {} : { depthM }),
  }));
  const tracks = lines.map(({ line, role, name }) => ({ name: name ?? role, points: line.map((at) => ({ at })) }));
  return { points: [...soundings, ...marks, ...drilled], tracks };
}

/** The water's own file with the holes drilled on it. */
export const withHoles = (file: WaterFile, holes: readonly DrilledHole[]): WaterFile => ({
  ...file,
  features: [
    ...file.features,
    ...holes.map(
      ({ at, label, depthM, time, fish }) =>
        ({
          type: 'Feature',
          geometry: { type: 'Point', coordinates: at },
          properties: { role: 'hole', name: `Hole ${label}`, time, fish, ...(depthM === null ? {} : { depth_m: depthM }) },
        }) as Feature,
    ),
  ],
});
