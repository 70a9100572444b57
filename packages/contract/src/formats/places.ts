/** What a place is: a sounding, a spot, a drilled hole, or what a water file marks. */
export const placeRoles = ['sounding', 'spot', 'hole', 'inflow', 'outflow', 'cover', 'hard'] as const;
export type PlaceRole = (typeof placeRoles)[number];

/** A place with what is known of it, as the open formats carry it. */
export interface MarkedPlace {
  role: PlaceRole;
  at: [lon: number, lat: number];
  depthM?: number;
  name?: string;
  note?: string;
  /** ISO 8601 with offset. */
  time?: string;
}

/** A way that was walked. */
export interface Track {
  name?: string;
  points: { at: [lon: number, lat: number]; depthM?: number; time?: string }[];
}

/** A closed line that may be a water's shore. */
export interface Shore {
  name?: string;
  ring: [lon: number, lat: number][];
  /** Rings of land within it. */
  islands?: [lon: number, lat: number][][];
}

export interface Places {
  points: MarkedPlace[];
  tracks: Track[];
  /** Routes of a file, whose points are among `points` as well. */
  routes?: Track[];
  /** Outer rings of its polygons. */
  shores?: Shore[];
}

/** What a file does not say itself. */
export interface ReadOptions {
  /** Metres in the unit of depths that carry none. */
  metresPerUnit?: number;
  /** Which column of a table holds what, counted from 0. */
  columns?: { lon: number; lat: number; depth: number; time?: number };
}

/** A row or point that was left out, and why. */
export interface LeftOut {
  /** Line of a CSV, or number of a point among its kind, from 1. */
  where: string;
  why: string;
}
