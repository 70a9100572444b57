import type { WaterFile } from './water-geojson';

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
export const isFlowing = (kind: WaterFile['water']['kind']): boolean => kind === 'river' || kind === 'channel';
