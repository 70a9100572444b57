import { DepthSurvey, type Contour, type DepthMap, type DropFoot, type GroundFeature, type LonLat, type Sounding, type SurveyedArea } from '@burrow/core/ground';
import { PlaceScore, type PlaceSetting } from '@burrow/core/holes';
import type { Hypsography } from '@burrow/core/winter';

/** A water as it is drawn and asked about. */
export interface Ground {
  /** The water's id. */
  water: string;
  map: DepthMap;
  /** Where the map is drawn, and whether its edge is the shore. */
  ring: LonLat[];
  islands: LonLat[][];
  isShore: boolean;
  contours: Contour[];
  features: GroundFeature[];
  /** Feet of drops with deep water in front, the one to begin at first. */
  feet: DropFoot[];
  /** The water over the level its soundings were made at, m; the map has the depths of this level. */
  levelM: number;
  /** Area by depth, for the column. */
  hypsography: Hypsography;
}

/** When this share of soundings has come since the fit, the variogram is fitted anew. */
const refitShare = 0.1;

/** Waters kept at the same time. */
const mostKept = 12;

/** A water's survey, its map and the scores last made on it. */
interface KeptWater {
  survey: DepthSurvey;
  /** The outline it was built in. */
  shore: string;
  /** Soundings taken in, and as many as the variogram was fitted to. */
  taken: number;
  fitted: number;
  ground: Ground | null;
  scored: { setting: PlaceSetting; ground: Ground; score: PlaceScore } | null;
}

/** The waters last looked at, kept between questions. */
export class SurveyCache {
  private readonly waters = new Map<string, KeptWater>();

  /** Soundings that come on top of those known are taken in one by one; anything else, and many at once, is built anew: the bed may be rougher than was thought. */
  surveyed(key: string, { ring, islands, isShore }: SurveyedArea, soundings: Sounding[]): KeptWater {
    const shore = JSON.stringify([isShore, ring, islands]);
    const last = this.waters.get(key);
    const known = last?.shore === shore ? last : undefined;
    const added = known ? soundings.length - known.taken : 0;
    if (known && added >= 0 && soundings.length - known.fitted <= Math.max(20, refitShare * known.fitted)) {
      for (const sounding of soundings.slice(known.taken)) known.survey.add(sounding);
      known.taken = soundings.length;
      return known;
    }
    const water: KeptWater = {
      survey: new DepthSurvey(ring, soundings, { shore: isShore, islands }),
      shore,
      taken: soundings.length,
      fitted: soundings.length,
      ground: null,
      scored: null,
    };
    this.waters.delete(key);
    this.waters.set(key, water);
    if (this.waters.size > mostKept) this.waters.delete(this.waters.keys().next().value!);
    return water;
  }

  /** The map last built of a water; null where there is none. */
  known(key: string): DepthMap | null {
    return this.waters.get(key)?.ground?.map ?? null;
  }

  ground(key: string): Ground {
    const ground = this.waters.get(key)?.ground;
    if (!ground) throw new RangeError('expected a depth map to work on, found none');
    return ground;
  }

  score(key: string, setting: PlaceSetting): { score: PlaceScore; ground: Ground } {
    const ground = this.ground(key);
    const water = this.waters.get(key)!;
    if (water.scored?.ground !== ground || JSON.stringify(water.scored.setting) !== JSON.stringify(setting))
      water.scored = { setting, ground, score: new PlaceScore(ground.map, ground.features, setting) };
    return water.scored;
  }
}
