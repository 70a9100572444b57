import {
  contourDepths,
  contourLines,
  depthAt,
  findFeatures,
  thinnedRing,
  dropFeet,
  hypsographyOf,
  mapAtLevel,
  nearestPlace,
  soundingsAgainst,
  surveyedArea,
  type DepthMap,
  type LocalFrame,
  type LonLat,
  type Sounding,
} from '@burrow/core/ground';
import {
  type PlaceScore,
  chooseHole,
  firstPlaces,
  firstPlaceWords,
  FishDensity,
  isNearShore,
  ownNearby,
  scanPlan,
  thinReachM,
  type FirstPlace,
  type FirstQuery,
  type HoleStay,
  type PlaceReason,
  type PlaceSetting,
  type RestedHole,
  type ScanKind,
  placesLike,
  type LikeMarks,
  type LikePlace,
} from '@burrow/core/holes';
import { stageRuleOf } from '@burrow/core/outlook';
import { speciesOf } from '@burrow/core/fish';
import { CastWater, firstStand, nextStand, standCasts, type FirstStand, type NextStand, type StandAnswer, type StandQuery } from '@burrow/core/casting';
import { feedingLies, winteringPools, type FeedingLie, type RiverMarks, type WinteringPool } from '@burrow/core/river';
import { bankSegments, bankStrip, sunHours, type BankNote, type BankSetting, type BankStrip } from '@burrow/core/banks';
import { deepNear, planLane, type Lane, type LaneQuery } from '@burrow/core/troll';
import { dayMs, type UnitPreference } from '@burrow/core/units';
import type { Place, WeatherHour } from '@burrow/core/weather';
import type { ReadOptions, LeftOut } from '@burrow/contract/formats/places';
import { readPlaces } from '@burrow/contract/formats/read-places';
import { UnknownColumns, type PointTable } from '@burrow/contract/formats/table';
import { shoreAmong } from '@burrow/contract/formats/shore';
import { SurveyCache, type Ground } from './survey-cache';
import { shoresOf } from './shores';

export type { Ground };

/** Where to begin, in words as well: `place` is its depth and what it is. */
export type BegunPlace = FirstPlace & { words: { headline: string; detail: string; place: string } };

/** What is known of a water and its fish when a place is asked for. */
export interface PlaceQuery {
  /** The water's id, under which its map was built. */
  water: string;
  setting: PlaceSetting;
  stays: HoleStay[];
  /** Holes of the outing under way. */
  drilled: RestedHole[];
  /** Where ice was measured too thin. */
  thin: LonLat[];
  /** Fish are sought no deeper than this, m; null where depth does no harm. */
  noDeeperM: number | null;
  units: UnitPreference;
}

/** A place to drill, with what is expected there and why. */
export interface PlannedHole {
  at: LonLat;
  depthM: number;
  sdM: number;
  perHour: number;
  reasons: PlaceReason[];
  /** What the angler's own holes close by have given. */
  own: { visits: number; minutes: number };
}

export interface HolePlan {
  holes: PlannedHole[];
  walkM: number;
  covered: number;
}

export interface NextPlace extends PlannedHole {
  walkM: number;
  isRevisit: boolean;
  /** How much of the rulebook is left after what the holes have shown, 0–1. */
  belief: number;
}

export interface PlanRequest {
  kind: ScanKind;
  count: number;
  spacingM: number;
  walkM: number;
  start: LonLat;
  about?: LonLat;
}

/** Pace over ice, time for a hole, usual stay, and the share of looking where nothing is known. Heuristic; source: fieldcraft. */
const angler = { walkMPerMin: 50, drillMin: 2, stayMin: 15, explore: 0.3, spacingM: 8 } as const;

/** A lane begins no further from where it was asked for, m. */
const laneWithinM = 600;

const surveys = new SurveyCache();

/** The pools of a river where fish winter, and the lies where they come to feed, best first. */
export interface RiverAnswer {
  pools: WinteringPool[];
  lies: FeedingLie[];
}

function density({ stays }: PlaceQuery, score: PlaceScore): FishDensity {
  const results = stays.map(({ at, ...rest }) => {
    const [x, y] = score.frame.toMetres(at);
    return { x, y, ...rest };
  });
  return new FishDensity(score.prior, results);
}

const spotsOf = (places: readonly LonLat[], frame: LocalFrame) =>
  places.map((p) => {
    const [x, y] = frame.toMetres(p);
    return { x, y };
  });

/** Where no hole is drilled: on ice measured too thin, and over water from which fish that are let go again do not live. */
function barring({ thin, noDeeperM }: PlaceQuery, map: DepthMap, frame: LocalFrame): ((s: { x: number; y: number }) => boolean) | undefined {
  const spots = spotsOf(thin, frame);
  const deepestM = noDeeperM ?? Infinity;
  const isBounded = map.deepest.depthM > deepestM && map.depthM.some((d) => d > 1 && d <= deepestM);
  if (spots.length === 0 && !isBounded) return undefined;
  const isTooDeep = (s: { x: number; y: number }) => isBounded && (depthAt(map, frame.toLonLat(s.x, s.y))?.depthM ?? 0) > deepestM;
  return (s) => isTooDeep(s) || spots.some((t) => Math.hypot(t.x - s.x, t.y - s.y) < thinReachM);
}

function described(spot: { x: number; y: number }, fish: FishDensity, score: PlaceScore, map: DepthMap, { units, stays }: PlaceQuery): PlannedHole {
  const at = score.frame.toLonLat(spot.x, spot.y);
  const here = depthAt(map, at) ?? { depthM: 0, sdM: 0 };
  return { at, ...here, perHour: fish.perHourAt(spot.x, spot.y), reasons: score.reasonsAt(at, units), own: ownNearby(stays, at) };
}

export interface BankQuery {
  /** The water's id: where its map was built, its soundings tell how steep a bank is. */
  water: string;
  outline: LonLat[];
  notes: BankNote[];
  series: WeatherHour[];
  place: Place;
  nowMs: number;
  hoursMs: number[];
  setting: BankSetting;
}

/** Sun of this long counts for how warm a bank is, ms. Source: fieldcraft, the last days' sun. */
const bankPastMs = 3 * dayMs;

/** Soundings of a file, and the rows that could not be read. */
export interface SoundingFile {
  soundings: { at: LonLat; depthM: number; time?: string }[];
  /** Places without a depth, which make no sounding. */
  withoutDepth: number;
  leftOut: LeftOut[];
}

/** The places of a file, or its table where its columns have to be said. */
function placesOrTable(name: string, text: string, options: ReadOptions): ReturnType<typeof readPlaces> | { table: PointTable } {
  try {
    return readPlaces(name, text, options);
  } catch (error) {
    if (error instanceof UnknownColumns) return { table: error.table };
    throw error;
  }
}

/** What the ground worker does: a water's depth map and structure, and where to drill on it. */
export const groundApi = {
  /**
   * Reads soundings from GPX, KML, GeoJSON, an NMEA log or a table; of a table whose columns nobody has named, what is to be asked. Throws with what was
   * expected and where for a file that is none.
   */
  read(name: string, text: string, options: ReadOptions = {}): SoundingFile | { table: PointTable } {
    const found = placesOrTable(name, text, options);
    if ('table' in found) return found;
    const { points, leftOut } = found;
    const soundings = points.flatMap(({ at, depthM, time }) => (depthM === undefined ? [] : [{ at, depthM, ...(time === undefined ? {} : { time }) }]));
    return { soundings, withoutDepth: points.length - soundings.length, leftOut };
  },

  /** A shore from a file: its largest polygon with its islands, or way whose ends meet, thinned to what a finger can drag. Throws with what was expected for a file that has none. */
  readShore(name: string, text: string): { ring: LonLat[]; islands: LonLat[][] } {
    const found = shoreAmong(readPlaces(name, text));
    if ('why' in found) throw new RangeError(found.why);
    return { ring: thinnedRing(found.shore.ring), islands: found.shore.islands.map(thinnedRing) };
  },

  /** How soundings to be added lie to the map last built of a water, for each unit their depths may be in. */
  against: (key: string, soundings: Sounding[]) => soundingsAgainst(surveys.ground(key).map, soundings),

  /**
   * The map of a water within its shore, or about its soundings where none is known, at a level against that of its soundings, m.
   * Throws RangeError with fewer than three soundings, and for a level that leaves no water.
   */
  build(key: string, shore: LonLat[] | null, soundings: Sounding[], metresPerUnit: number, levelM: number, islands: LonLat[][] = []): Ground {
    const area = surveyedArea(shore, soundings, islands);
    const water = surveys.surveyed(key, area, soundings);
    const map = mapAtLevel(water.survey.map, levelM);
    water.ground = {
      water: key,
      map,
      ...area,
      // Drawn down, the first line is that of the water's edge.
      contours: contourLines(map, [...(levelM < 0 ? [0.01] : []), ...contourDepths(map.deepest.depthM, metresPerUnit)]),
      levelM,
      features: findFeatures(map),
      feet: dropFeet(map),
      hypsography: hypsographyOf(map),
    };
    return water.ground;
  },

  /** Holes to find fish, in walking order. Throws RangeError for wishes that cannot be met. */
  plan(query: PlaceQuery, request: PlanRequest): HolePlan {
    const { score, ground } = surveys.score(query.water, query.setting);
    const fish = density(query, score);
    const { frame } = score;
    const [start, about] = [request.start, request.about].map((p) => p && spotsOf([p], frame)[0]);
    const plan = scanPlan(ground.map, { ...score.prior, perHour: fish.layer() }, { ...request, start, about, isBarred: barring(query, ground.map, frame) });
    return { ...plan, holes: plan.holes.map((spot) => described(spot, fish, score, ground.map, query)) };
  },

  /**
   * Where to begin on a water of which a fish and its depths are known; null for a map without water.
   * @param shoreReachM no further from the shore than this, m; null for one who goes where the place is
   */
  first(query: PlaceQuery, asked: Omit<FirstQuery, 'units'>, shoreReachM: number | null = null): BegunPlace | null {
    const { score, ground } = surveys.score(query.water, query.setting);
    const { map, features } = ground;
    const { stage, group } = query.setting;
    const feet = stageRuleOf(stage, group).place.atFoot ? ground.feet : [];
    const perHour = density(query, score).layer();
    const isThin = barring({ ...query, noDeeperM: null }, map, score.frame);
    const isNear = shoreReachM === null ? null : isNearShore(shoresOf(ground), score.frame, shoreReachM);
    const isBarred = isNear ? (spot: { x: number; y: number }) => !isNear(spot) || isThin?.(spot) === true : isThin;
    const [place] = firstPlaces({ map, features, feet, score, perHour, isBarred }, { ...asked, units: query.units }, 1);
    return place === undefined ? null : { ...place, words: firstPlaceWords(place, map, speciesOf(asked.speciesId), query.units) };
  },

  /** The next hole after what the others have shown; null where nothing is left. */
  next(query: PlaceQuery, from: LonLat, planned: LonLat[]): NextPlace | null {
    const { score, ground } = surveys.score(query.water, query.setting);
    const fish = density(query, score);
    const { frame } = score;
    const next = chooseHole(fish, {
      ...angler,
      from: spotsOf([from], frame)[0],
      drilled: query.drilled.map(({ at, worth, hasGiven }) => ({ ...spotsOf([at], frame)[0], worth, hasGiven })),
      planned: spotsOf(planned, frame),
      seed: query.drilled.length,
      isBarred: barring(query, ground.map, frame),
    });
    if (!next) return null;
    // A hole gone back to keeps its own place to the last digit.
    const known = next.isRevisit
      ? nearestPlace(
          query.drilled.map((d) => d.at),
          frame.toLonLat(next.x, next.y),
        )
      : null;
    const place = described(next, fish, score, ground.map, query);
    return { ...place, at: known ?? place.at, walkM: next.walkM, isRevisit: next.isRevisit, belief: fish.belief };
  },

  /** The shore unrolled: sun, wind and shelter along it through a day. */
  banks({ water, outline, notes, series, place, nowMs, hoursMs, setting }: BankQuery): BankStrip {
    const map = surveys.known(water);
    const { ring, segments } = bankSegments(outline, notes, (at) => (map && depthAt(map, at)?.depthM) ?? null);
    return bankStrip(ring, segments, sunHours(series, place, nowMs - bankPastMs, nowMs), setting, hoursMs, place);
  },

  /** The pools and feeding lies of a river, on the map last built of it. */
  river(key: string, marks: RiverMarks): RiverAnswer {
    const { map } = surveys.ground(key);
    const pools = winteringPools(map);
    return { pools, lies: feedingLies(map, marks, pools) };
  },

  /** The casts to make from a stand after those that were made. */
  stand: (key: string, query: StandQuery): StandAnswer => standCasts(surveys.ground(key).map, query),

  /** Where to stand next, the walk charged in casts; null where nothing beats staying. */
  nextStand(key: string, query: StandQuery, isAshore: boolean, withinM: number): NextStand | null {
    const ground = surveys.ground(key);
    return nextStand(ground.map, shoresOf(ground), query, isAshore, withinM);
  },

  /** Where to stand first, within a cast of the first place where one is known and can be reached; null where no cast reaches what is cast for. */
  firstStand(key: string, query: Omit<StandQuery, 'at'>, isAshore: boolean, toward: LonLat | null): FirstStand | null {
    const ground = surveys.ground(key);
    return firstStand(ground.map, shoresOf(ground), query, isAshore, toward);
  },

  /** A way to troll along. Rejects with what stands in its way. */
  lane(key: string, { start, ...query }: Omit<LaneQuery, 'start'> & { start: LonLat | null }): Lane {
    const water = new CastWater(surveys.ground(key).map);
    // Begun from the bank it starts where the water is deep enough, and is steered to.
    const from = start && deepNear(water, water.spot(start), query.baitM + query.clearanceM + 0.1, laneWithinM);
    if (start && !from) throw new RangeError(`expected water deep enough for this bait within ${laneWithinM} m, found none`);
    return planLane(water, { ...query, start: from });
  },

  /** Places of a water like those where fish bit, best first. */
  like(key: string, { marks, bites, blanks, count, noDeeperM }: { marks: LikeMarks; bites: LonLat[]; blanks: LonLat[]; count: number; noDeeperM: number | null }): LikePlace[] {
    return placesLike(surveys.ground(key).map, marks, bites, blanks, count, noDeeperM ?? Infinity);
  },

  /** Fish to expect an hour, cell by cell of the map. */
  fish(query: PlaceQuery): Float32Array {
    return density(query, surveys.score(query.water, query.setting).score).layer();
  },
};
export type GroundApi = typeof groundApi;
