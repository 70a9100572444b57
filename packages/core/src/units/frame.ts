/** Longitude and latitude, degrees. */
export type LonLat = readonly [lon: number, lat: number];

/** A place as it is typed: latitude, longitude, to a tenth of a metre. */
export const placeText = ([lon, lat]: LonLat): string => `${Number(lat.toFixed(6))}, ${Number(lon.toFixed(6))}`;

const metresPerDegree = 111_195;

/** A longitude within −180 to 180. */
const wrapped = (lon: number): number => (lon > 180 ? lon - 360 : lon < -180 ? lon + 360 : lon);
/** How far east one longitude lies of another, degrees, the shorter way round. */
const eastOf = (from: number, lon: number): number => wrapped(lon - from);

/** A flat frame in metres about a water's middle: x east, y north. Good to 0.1 % within 20 km. */
export class LocalFrame {
  private readonly kx: number;

  constructor(
    readonly lon0: number,
    readonly lat0: number,
  ) {
    this.kx = metresPerDegree * Math.cos((lat0 * Math.PI) / 180);
  }

  static about(ring: readonly LonLat[]): LocalFrame {
    // Counted from the first place on, so that a water across the date line has its middle in it.
    const lons = ring.map((p) => ring[0][0] + eastOf(ring[0][0], p[0]));
    const lats = ring.map((p) => p[1]);
    return new LocalFrame(wrapped((Math.min(...lons) + Math.max(...lons)) / 2), (Math.min(...lats) + Math.max(...lats)) / 2);
  }

  toMetres([lon, lat]: LonLat): [x: number, y: number] {
    return [eastOf(this.lon0, lon) * this.kx, (lat - this.lat0) * metresPerDegree];
  }

  toLonLat(x: number, y: number): [lon: number, lat: number] {
    return [wrapped(this.lon0 + x / this.kx), this.lat0 + y / metresPerDegree];
  }
}

/** Distance between two places, m. */
export function distanceM(a: LonLat, b: LonLat): number {
  const [x, y] = new LocalFrame(a[0], a[1]).toMetres(b);
  return Math.hypot(x, y);
}

/** The place of several that is nearest to another. Throws RangeError for none. */
export function nearestPlace(places: readonly LonLat[], to: LonLat): LonLat {
  if (places.length === 0) throw new RangeError('expected at least one place, found none');
  return places.reduce((best, p) => (distanceM(p, to) < distanceM(best, to) ? p : best));
}

const points = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;

/** Bearing from `a` to `b`, degrees from north. */
export function bearingDeg(a: LonLat, b: LonLat): number {
  const [x, y] = new LocalFrame(a[0], a[1]).toMetres(b);
  return ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;
}

/** Angle between two bearings, 0–180°. */
export const betweenDeg = (a: number, b: number): number => Math.abs(((((a - b) % 360) + 540) % 360) - 180);

/** Nearest of the eight points of the compass. */
export const compassPoint = (deg: number) => points[Math.round(((deg % 360) + 360) / 45) % 8];

/** The place so far out along a compass bearing. */
export function placeAlong(from: LonLat, bearing: number, outM: number): LonLat {
  const angle = (bearing * Math.PI) / 180;
  return new LocalFrame(from[0], from[1]).toLonLat(outM * Math.sin(angle), outM * Math.cos(angle));
}

/** From a point to the nearest of a stretch between two others, in their own unit. */
export function toSegment(x: number, y: number, a: { x: number; y: number }, b: { x: number; y: number }): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - a.x - t * dx, y - a.y - t * dy);
}

/** How far a place lies from the nearest of some closed outlines, m; Infinity for none. */
export function offOutlinesM(outlines: readonly (readonly LonLat[])[], at: LonLat): number {
  const frame = new LocalFrame(at[0], at[1]);
  let least = Infinity;
  for (const outline of outlines) {
    const corners = outline.map((p) => {
      const [x, y] = frame.toMetres(p);
      return { x, y };
    });
    corners.forEach((b, k) => (least = Math.min(least, toSegment(0, 0, corners[(k + corners.length - 1) % corners.length], b))));
  }
  return least;
}
