import { speciesOf, type Species } from '../fish';
import { depthAt, type DepthMap, type DropFoot, type GroundFeature, type LocalFrame, type LonLat } from '../ground';
import type { Band } from '../outlook';
import { bearingDeg, clamp, compassPoint, depthFigure, depthText, distanceM, type UnitPreference } from '../units';
import type { PlaceReason, PlaceScore } from './place-score';
import type { Spot } from './tour';
import { featureNames } from './wording';

/** Where to begin on standing water, and why there. */
export interface FirstPlace {
  at: LonLat;
  /** Of the water there, with its standard deviation, m. */
  depthM: number;
  sdM: number;
  /** Depths that were asked for, m. */
  band: Band;
  /** Whether the water there is as deep as one of them. */
  isInBand: boolean;
  /** Why it is not. */
  short: 'deeper-than-they-live' | 'no-such-depth' | 'out-of-reach' | null;
  /** What the bed does there; null where nothing stands out. */
  feature: Pick<GroundFeature, 'kind' | 'side' | 'depthM'> | null;
  /** The drop that it lies at the foot of; null elsewhere. */
  foot: DropFoot | null;
  reasons: PlaceReason[];
}

/** The bed, and what it is worth by rules and log. */
export interface FirstGround {
  map: DepthMap;
  features: readonly GroundFeature[];
  /** Feet of drops, the best first: of fish that are looked for there; empty for others. */
  feet: readonly DropFoot[];
  score: PlaceScore;
  /** Fish to expect an hour, cell by cell of the map. */
  perHour: Float32Array;
  /** Where not to drill: ice measured too thin. */
  isBarred?: (spot: Spot) => boolean;
}

export interface FirstQuery {
  speciesId: string;
  band: Band;
  /** Whether what is caught is kept, so that depth does no harm. */
  keepsAll: boolean;
  units: UnitPreference;
}

/** A place belongs to a feature this near to it, m; fish that are let go again are not sought deeper than they live through, less this, m. */
const [nearM, spareM] = [30, 0.3] as const;
/** Least stretch that is fished, m. Convention. */
const leastSoughtM = 1;
/** The foot of a drop draws the fish that keep to it so strongly, over so many metres. Heuristic. */
const footDraw = { times: 6, reachM: 15 } as const;

/** How deep fish of a species are sought, m: those that are let go again no deeper than they live through. Infinity where depth does no harm. */
export function deepestSoughtM(speciesId: string, keepsAll: boolean): number {
  const { injuryDepthM } = speciesOf(speciesId);
  return keepsAll || injuryDepthM === null ? Infinity : injuryDepthM - spareM;
}

/** What of a stretch is fished, m: of fish that are let go again no deeper than they live through, at least a metre of it. */
export function soughtBand(speciesId: string, keepsAll: boolean, band: Band): Band {
  const toM = deepestSoughtM(speciesId, keepsAll);
  return band.toM <= toM ? band : { fromM: Math.min(band.fromM, toM - leastSoughtM), toM };
}

/** Why holes are kept shallower than the fish are looked for; null where they are not. */
export function shallowerText(speciesId: string, keepsAll: boolean, band: Band | null, units: UnitPreference): string | null {
  const deepestM = deepestSoughtM(speciesId, keepsAll);
  return band === null || band.toM <= deepestM
    ? null
    : `Kept to ${depthText(deepestM, units)} and shallower: let go from deeper they seldom live. Fish for supper, and the deep ones are named.`;
}

/**
 * Places to begin at, best first: where the score is best among water as deep as the fish are looked for; of fish that will be let go again no deeper than they
 * live through. Where the water has no such depth, the nearest that it has. Empty for a map without water.
 * @param count so many at most, no two nearer than 30 m to each other
 */
export function firstPlaces(ground: FirstGround, { speciesId, band, keepsAll, units }: FirstQuery, count: number): FirstPlace[] {
  const { map, features, feet, score, perHour, isBarred } = ground;
  const deepestM = deepestSoughtM(speciesId, keepsAll);
  const wanted: Band = { fromM: Math.min(band.fromM, deepestM), toM: Math.min(band.toM, deepestM) };
  // In steps of 10 cm, so that of places as near to the stretch the better one is taken; what lies outside by a hair is not within.
  const offM = (depthM: number) => Math.ceil(10 * Math.max(0, wanted.fromM - depthM, depthM - wanted.toM) - 0.1) / 10;
  const { nx, x0, y0, cellM } = score.prior;
  const spotOf = (cell: number): Spot => ({ x: x0 + (cell % nx) * cellM, y: y0 + Math.floor(cell / nx) * cellM });
  const footSpots = feet.map((f) => score.frame.toMetres(f.at));
  // Of several feet the first is the one to begin at.
  const drawnTo = ({ x, y }: Spot) =>
    1 + footSpots.reduce((most, [fx, fy], k) => Math.max(most, (footDraw.times * Math.exp(-(((x - fx) ** 2 + (y - fy) ** 2) / footDraw.reachM ** 2))) / (1 + k)), 0);
  const open: { cell: number; offM: number; worth: number }[] = [];
  perHour.forEach((fish, cell) => {
    if (fish >= 0 && !isBarred?.(spotOf(cell))) open.push({ cell, offM: offM(map.depthM[cell]), worth: fish * drawnTo(spotOf(cell)) });
  });
  const isElsewhere = perHour.some((fish, cell) => fish >= 0 && offM(map.depthM[cell]) === 0);
  open.sort((a, b) => a.offM - b.offM || b.worth - a.worth);
  const chosen: Spot[] = [];
  for (const { cell } of open) {
    if (chosen.length === count) break;
    const spot = spotOf(cell);
    if (chosen.every((c) => Math.hypot(c.x - spot.x, c.y - spot.y) >= nearM)) chosen.push(spot);
  }
  return chosen.map((spot) => {
    const at = score.frame.toLonLat(spot.x, spot.y);
    const { depthM, sdM } = depthAt(map, at)!;
    const isInBand = depthM >= band.fromM - 0.05 && depthM <= band.toM + 0.05;
    const short = isInBand ? null : band.fromM > deepestM ? 'deeper-than-they-live' : isElsewhere ? 'out-of-reach' : 'no-such-depth';
    return { at, depthM, sdM, band, isInBand, short, feature: featureAt(features, at, depthM), foot: footNear(feet, at, depthM), reasons: score.reasonsAt(at, units) };
  });
}

/** Tells whether a spot lies within reach of a shore, m: the outline of a water, those of its islands. */
export function isNearShore(shores: readonly (readonly LonLat[])[], frame: LocalFrame, reachM: number): (spot: Spot) => boolean {
  const edges = shores.flatMap((outline) => {
    const corners = outline.map((at) => frame.toMetres(at));
    return corners.map((a, k): [number, number, number, number] => [...a, ...corners[(k + 1) % corners.length]]);
  });
  return ({ x, y }) =>
    edges.some(([ax, ay, bx, by]) => {
      // Most edges are far off: told by their box alone.
      if (x < Math.min(ax, bx) - reachM || x > Math.max(ax, bx) + reachM || y < Math.min(ay, by) - reachM || y > Math.max(ay, by) + reachM) return false;
      const [dx, dy] = [bx - ax, by - ay];
      const along = clamp(((x - ax) * dx + (y - ay) * dy) / Math.max(1e-9, dx * dx + dy * dy), 0, 1);
      return Math.hypot(x - ax - along * dx, y - ay - along * dy) <= reachM;
    });
}

/** The foot that a place lies at: the nearest of about its depth. */
const footNear = (feet: readonly DropFoot[], at: LonLat, depthM: number): DropFoot | null =>
  feet.find((f) => distanceM(at, f.at) <= nearM && Math.abs(f.depthM - depthM) <= Math.max(1, 0.15 * depthM)) ?? null;

/** The feature that a place belongs to: the nearest of about its depth. */
function featureAt(features: readonly GroundFeature[], at: LonLat, depthM: number): FirstPlace['feature'] {
  const near = features
    .map((feature) => ({ feature, awayM: distanceM(at, feature.at) }))
    .filter(({ feature, awayM }) => awayM <= nearM && Math.abs(feature.depthM - depthM) <= Math.max(1.5, 0.3 * depthM))
    .sort((a, b) => a.awayM - b.awayM);
  return near.at(0)?.feature ?? null;
}

/** The first place in words: how deep, what makes it one, and where it is not what was wanted, why. */
export function firstPlaceWords(place: FirstPlace, map: DepthMap, species: Species, units: UnitPreference): { headline: string; detail: string; place: string } {
  const { feature, foot, band, reasons, short } = place;
  const what = foot ? ', foot of the drop' : feature ? `, ${featureNames[feature.kind]}` : '';
  const side = compassPoint(bearingDeg(map.deepest.at, place.at));
  const where = distanceM(map.deepest.at, place.at) < nearM ? ' at the deepest' : ` ${side} of the deepest`;
  const looked = `${species.short} are looked for at ${depthFigure(band.fromM, units)} to ${depthText(band.toM, units)}`;
  const [rule] = reasons.filter((r) => r.weight > 0 && r.ruleId !== 'place.depth-band');
  const why =
    short === 'deeper-than-they-live'
      ? `${looked}. From deeper than ${depthText(species.injuryDepthM!, units)} they are often hurt on the way up: begin here, or keep what you catch.`
      : short === 'no-such-depth'
        ? `${looked}, and the map has no such depth: this is the nearest to it.`
        : short === 'out-of-reach'
          ? `${looked}, and no such depth lies within reach: this is the nearest to it.`
          : `${looked}.`;
  // Why it is not where they are looked for is reason enough.
  const more = short !== null ? null : foot ? footText(foot, units) : rule?.text;
  const named = `${depthText(place.depthM, units)}${what}`;
  return { headline: `Start in ${named}${where}`, detail: [why, more].filter(Boolean).join(' '), place: named };
}

/** What makes the foot of a drop one: the shelf behind it and the water in front. */
const footText = ({ shelfM, frontM }: DropFoot, units: UnitPreference) => `Shelf ${depthText(shelfM, units)} behind, ${depthText(frontM, units)} in front: they hunt along it.`;
