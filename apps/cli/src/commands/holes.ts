import { isFlowing, islandsOf, parseWaterFile, parseWeatherCsv, placesOf, riverMarksOf, shoreOf, soundingsOf, type WaterFile } from '@burrow/contract/formats';
import { answerColumn } from '@burrow/core/column';
import { speciesOf, speciesTable } from '@burrow/core/fish';
import { buildDepthMap, findFeatures, hypsographyOf, LocalFrame, surveyedArea, type DepthMap, type LonLat } from '@burrow/core/ground';
import { FishDensity, PlaceScore, scanPlan, shortTour, type PlaceSetting } from '@burrow/core/holes';
import { answerOutlook } from '@burrow/core/outlook';
import { feedingLies, lieReasons, winteringPools } from '@burrow/core/river';
import { metric } from '@burrow/core/units';
import { BadInput } from '../bad-input';
import { instantOption, lonLatOption, numberOption, readArgs, readFormat, readText, round } from '../options';

/** `burrow holes --water F --species id --at ISO --count N [--start lon,lat] [--weather F.csv] [--walk-m M]`; on a river or channel its feeding lies. */
export function holes(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = readArgs(args, { water: text, species: text, at: text, count: text, start: text, weather: text, 'walk-m': text });
  const file = readFormat(values.water, parseWaterFile, readText(values.water, 'a water in GeoJSON (--water)'));
  const known = speciesTable.map((s) => s.id as string);
  if (!known.includes(values.species ?? ''))
    throw new BadInput(`--species: expected one of ${known.join(', ')}, found ${values.species === undefined ? 'nothing' : `"${values.species}"`}`);
  const atMs = instantOption(values, 'at');
  const count = numberOption(values, 'count');
  const soundings = soundingsOf(file);
  if (soundings.length === 0) throw new BadInput(`${values.water}: expected soundings to plan holes on, found none`);
  const area = surveyedArea(shoreOf(file), soundings, islandsOf(file));
  const map = buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands });
  if (isFlowing(file.water.kind)) return lies(file, map, count, values.start === undefined ? undefined : lonLatOption(values, 'start'));
  const setting = { ...settingOf(values, file, map, atMs), inflows: placesOf(file, 'inflow'), cover: placesOf(file, 'cover'), isPressed: false };
  const score = new PlaceScore(map, findFeatures(map), setting);
  const metres = (at: LonLat) => {
    const [x, y] = score.frame.toMetres(at);
    return { x, y };
  };
  const start = values.start === undefined ? undefined : metres(lonLatOption(values, 'start'));
  const plan = scanPlan(map, score.prior, { kind: 'free', count, spacingM: 20, walkM: numberOption(values, 'walk-m', 2000), start });
  const fish = new FishDensity(score.prior, []);
  const features = plan.holes.map((spot, i) => {
    const [lon, lat] = score.frame.toLonLat(spot.x, spot.y);
    const reasons = score.reasonsAt([lon, lat], metric);
    return {
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [round(lon, 7), round(lat, 7)] },
      properties: {
        role: 'spot',
        order: i + 1,
        score: round(fish.perHourAt(spot.x, spot.y), 3),
        reasons: reasons.map((r) => r.text),
        ruleIds: [...new Set(reasons.map((r) => r.ruleId))],
      },
    };
  });
  if (values.weather === undefined) process.stderr.write('burrow: no --weather: midwinter and steady weather are assumed, depths are not narrowed\n');
  process.stdout.write(`${JSON.stringify({ type: 'FeatureCollection', walkM: round(plan.walkM, 1), stage: setting.stage, features })}\n`);
}

/** Where to cast on a river: its feeding lies in walking order, with the marks each has. */
function lies(file: WaterFile, map: DepthMap, count: number, start: LonLat | undefined): void {
  const found = feedingLies(map, riverMarksOf(file), winteringPools(map), count);
  const frame = new LocalFrame(map.lon0, map.lat0);
  const places = [...(start ? [start] : []), ...found.map((l) => l.at)].map((at) => {
    const [x, y] = frame.toMetres(at);
    return { x, y };
  });
  const { order, lengthM } = shortTour(places, start ? { start: 0 } : {});
  const features = order
    .map((k) => found[k - (start ? 1 : 0)])
    .filter((lie) => lie !== undefined)
    .map((lie, i) => {
      const reasons = lieReasons(lie, metric);
      return {
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [round(lie.at[0], 7), round(lie.at[1], 7)] },
        properties: {
          role: 'spot',
          order: i + 1,
          name: lie.by,
          depth_m: round(lie.depthM, 2),
          score: round(lie.score, 3),
          toPoolM: round(lie.toPoolM, 1),
          reasons: reasons.map((r) => r.text),
          ruleIds: reasons.map((r) => r.ruleId),
        },
      };
    });
  process.stdout.write(`${JSON.stringify({ type: 'FeatureCollection', walkM: round(lengthM, 1), features })}\n`);
}

/** Stage, depth and phase from the water's column where weather is given; else midwinter in steady weather, which is said. */
function settingOf(values: { species?: string; weather?: string }, file: WaterFile, map: DepthMap, atMs: number): Pick<PlaceSetting, 'group' | 'stage' | 'look' | 'phase'> {
  const { group } = speciesOf(values.species!);
  if (values.weather === undefined) {
    return { group, stage: 'midwinter', look: null, phase: 'steady' };
  }
  const series = readFormat(values.weather, parseWeatherCsv, readText(values.weather, 'a weather CSV (--weather)'));
  const place = { lon: map.lon0, lat: map.lat0, timeZone: file.water.timezone };
  const column = answerColumn({ hypsography: hypsographyOf(map), secchiM: file.water.secchi_m, elevationM: file.water.elevation_m, place, series, measurements: [], nowMs: atMs });
  const { depth, phaseNow } = answerOutlook({ speciesId: values.species!, nowMs: atMs, place, series, column });
  return { group, stage: depth?.stage ?? 'midwinter', look: depth?.look ?? null, phase: phaseNow?.name ?? 'steady' };
}
