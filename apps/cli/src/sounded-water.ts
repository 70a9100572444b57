import { islandsOf, parseWaterFile, shoreOf, soundingsOf } from '@burrow/contract/formats';
import { CastWater } from '@burrow/core/casting';
import { buildDepthMap, surveyedArea, type DepthMap, type SurveyedArea } from '@burrow/core/ground';
import { BadInput } from './bad-input';
import { readFormat, readText } from './options';

/** The bed of a water's file. Throws BadInput for a file that is none, and one without soundings. */
export function soundedWater(path: string | undefined, levelM = 0): { water: CastWater; map: DepthMap; area: SurveyedArea } {
  const file = readFormat(path, parseWaterFile, readText(path, 'a water in GeoJSON (--water)'));
  const soundings = soundingsOf(file);
  if (soundings.length === 0) throw new BadInput(`${path}: expected soundings of its bed, found none`);
  const area = surveyedArea(shoreOf(file), soundings, islandsOf(file));
  const map = buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands });
  return { water: new CastWater(map, levelM), map, area };
}
