import { placesOf, riverMarksOf } from '@burrow/contract/formats';
import { speciesOf } from '@burrow/core/fish';
import { dropFeet, findFeatures, type LonLat } from '@burrow/core/ground';
import { FishDensity, firstPlaces, firstPlaceWords, isNearShore, PlaceScore, type FirstPlace } from '@burrow/core/holes';
import { stageRuleOf } from '@burrow/core/outlook';
import { feedingLies, lieReasons, winteringPools } from '@burrow/core/river';
import { placesOfNow } from '@burrow/core/situation';
import { goals } from '@burrow/core/tie-on';
import { metric } from '@burrow/core/units';
import { BadInput } from '../bad-input';
import { knownWater, knownWaterOptions, type KnownWater } from '../known-water';
import { readArgs, round, within, wordOption } from '../options';

/** As far as one fishes from the bank, by casting and with a pole, m. */
const reachesM = { cast: 60, pole: 16 } as const;
const crafts = ['bank', 'boat', 'kayak', 'foot'] as const;
/** Places named. */
const count = 6;

/**
 * `burrow where --water F --species id --method m --at ISO [--weather F.csv] [--log F.ndjson] [--temp-c T] [--craft bank|boat|kayak|foot] [--level-m X]
 * [--goal numbers|size|supper]`: places to fish, best first, as GeoJSON points.
 */
export function where(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { ...knownWaterOptions, 'temp-c': text, craft: text, 'level-m': text, goal: text });
  const goal = values.goal === undefined ? 'numbers' : wordOption('goal', values.goal, goals);
  const craft = values.craft === undefined ? null : wordOption('craft', values.craft, crafts);
  const known = knownWater(values, {
    ...(values['level-m'] === undefined ? {} : { levelM: within(values, 'level-m', -100, 100) }),
    ...(values['temp-c'] === undefined ? {} : { tempC: within(values, 'temp-c', -2, 40) }),
    goal,
  });
  if (!known.map || !known.area) throw new BadInput(`${values.water}: expected soundings of its bed to say where, found none`);
  const method = values.method!;
  const reachM = method === 'pole' ? reachesM.pole : craft === 'bank' ? reachesM.cast : Infinity;
  const places = known.isMoving ? liesWithin(known, reachM) : placesWithin(known, reachM, goal === 'supper');
  const { band } = known.situation;
  const features = places.map(({ at, depthM, isInBand, why, rules }) => ({
    type: 'Feature',
    geometry: { type: 'Point', coordinates: [round(at[0], 7), round(at[1], 7)] },
    properties: { role: 'spot', depthM: round(depthM, 2), bandM: band && [round(band.value.fromM, 2), round(band.value.toM, 2)], inBand: isInBand, why, rules },
  }));
  process.stdout.write(`${JSON.stringify({ type: 'FeatureCollection', features })}\n`);
}

interface Named {
  at: LonLat;
  depthM: number;
  isInBand: boolean;
  why: string;
  rules: string[];
}

/** Places of standing water: of the species scorer, within its band. */
function placesWithin({ map, area, levelM, stays, situation, file }: KnownWater, reachM: number, keepsAll: boolean): Named[] {
  const species = speciesOf(situation.species.value);
  const features = findFeatures(map!);
  const look = situation.band?.value ?? null;
  const marks = { inflows: placesOf(file, 'inflow'), cover: placesOf(file, 'cover') };
  const score = new PlaceScore(map!, features, {
    group: species.group,
    stage: situation.stage.value,
    look,
    phase: situation.phase?.value ?? 'steady',
    ...marks,
    isPressed: false,
    ...placesOfNow(situation),
    levelM,
  });
  const feet = stageRuleOf(situation.stage.value, species.group).place.atFoot ? dropFeet(map!) : [];
  const isNear = reachM === Infinity ? null : isNearShore([area!.ring, ...area!.islands], score.frame, reachM);
  // What the log has of holes here moves places up and down, as it does on the map.
  const seen = stays.map(({ at, ...stay }) => {
    const [x, y] = score.frame.toMetres(at);
    return { x, y, ...stay };
  });
  const ground = {
    map: map!,
    features,
    feet,
    score,
    perHour: new FishDensity(score.prior, seen).layer(),
    ...(isNear ? { isBarred: (spot: { x: number; y: number }) => !isNear(spot) } : {}),
  };
  // Where nothing suits the fish all of the water is as bad, which is said.
  const band = look ?? { fromM: 0, toM: map!.deepest.depthM };
  return firstPlaces(ground, { speciesId: species.id, band, keepsAll, units: metric }, count).map((place: FirstPlace) => ({
    ...place,
    isInBand: look !== null && place.isInBand,
    why: look === null ? 'No depth here suits them now.' : firstPlaceWords(place, map!, species, metric).detail,
    rules: place.reasons.filter((r) => r.weight > 0).map((r) => r.ruleId),
  }));
}

/** Places of moving water: its feeding lies, the deepest of its pools where none is known. */
function liesWithin({ map, area, situation, file }: KnownWater, reachM: number): Named[] {
  const pools = winteringPools(map!);
  const score = new PlaceScore(map!, [], { group: 'roach-like', stage: situation.stage.value, look: null, phase: 'steady', inflows: [], cover: [], isPressed: false });
  const isNear = isNearShore([area!.ring, ...area!.islands], score.frame, reachM);
  const { fromM, toM } = situation.band!.value;
  const isIn = (at: LonLat) => {
    const [x, y] = score.frame.toMetres(at);
    return isNear({ x, y });
  };
  const lies = feedingLies(map!, riverMarksOf(file), pools, 30).map((lie) => ({ at: lie.at, depthM: lie.depthM, reasons: lieReasons(lie, metric) }));
  const deep = pools.map((pool) => ({ at: pool.at, depthM: pool.depthM, reasons: [{ ruleId: 'river.pool', text: 'A wintering pool: the deepest quiet water near.' }] }));
  return [...lies, ...deep]
    .filter(({ at }) => isIn(at))
    .slice(0, count)
    .map(({ at, depthM, reasons }) => ({
      at,
      depthM,
      isInBand: depthM >= fromM - 0.05 && depthM <= toM + 0.05,
      why: reasons.map((r) => r.text).join(' '),
      rules: reasons.map((r) => r.ruleId),
    }));
}
