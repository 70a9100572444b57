import { bestStance, canStand, planFrom, shoresOfToday, stances, type CastWater, type CastSetting, type Spot } from '@burrow/core/casting';
import type { LonLat, SurveyedArea } from '@burrow/core/ground';
import { BadInput } from '../bad-input';
import { bandOption, lonLatOption, readArgs, round, within } from '../options';
import { soundedWater } from '../sounded-water';

/** Strike radius where none is said, m: water of about 5 °C, clear. */
const usualStrikeM = 0.5;

/** `burrow casts --water F --band LO,HI --cast-m L --count N [--from lon,lat] [--bank] [--strike-m R] [--level-m X]`: where to stand and along which bearings. */
export function casts(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values, positionals } = readArgs(args, {
    water: text,
    band: text,
    'cast-m': text,
    count: text,
    from: text,
    bank: { type: 'boolean' },
    'strike-m': text,
    'level-m': text,
  });
  if (positionals.length > 0) throw new BadInput(`casts: expected --name value pairs, found "${positionals[0]}"`);
  const band = bandOption(values.band);
  const castM = within(values, 'cast-m', 2, 150);
  const strikeM = within(values, 'strike-m', 0.05, 5, usualStrikeM);
  const levelM = within(values, 'level-m', -100, 100, 0);
  const count = within(values, 'count', 1, 60);
  if (!Number.isInteger(count)) throw new BadInput(`--count: expected a whole number of casts, found ${count}`);

  const { water, map, area } = soundedWater(values.water, levelM);
  if (!(water.deepestM > 0)) throw new BadInput(`--level-m: expected a level that leaves water, found ${levelM}: the deepest of this map is ${round(map.deepest.depthM, 1)} m`);
  if (band.fromM >= water.deepestM)
    throw new BadInput(`--band: expected depths of this water, ${round(Math.max(0, water.deepestM), 1)} m at its deepest, found ${band.fromM} to ${band.toM} m`);
  const acrossM = spanM(water, area.ring);
  if (castM > acrossM) throw new BadInput(`--cast-m: expected a cast no longer than the water, ${round(acrossM, 0)} m from end to end, found ${castM} m`);

  const setting: CastSetting = { band, castM, strikeM };
  const stance = values.from === undefined ? found(water, area, setting, count, values.bank === true) : given(water, area, lonLatOption(values, 'from'));
  const plan = planFrom(water, stance, setting, count);
  if (plan.casts.length === 0)
    throw new BadInput(`--from: expected a place from which a cast of ${castM} m reaches water of ${band.fromM} to ${band.toM} m, found none of it within reach`);
  if (values['strike-m'] === undefined) process.stderr.write(`burrow: no --strike-m: ${usualStrikeM} m is assumed, clear water of 5 °C\n`);
  process.stdout.write(
    `${JSON.stringify({
      stance: plan.stance.map((d) => round(d, 7)),
      casts: plan.casts.map((c) => ({ bearingDeg: round(c.bearingDeg, 1), lengthM: round(c.lengthM, 1), inBandShare: round(c.inBandShare), gain: round(c.gain, 4) })),
      covered: round(plan.covered, 4),
      across: { bearingDeg: round(plan.across.bearingDeg, 1), inBandShare: round(plan.across.inBandShare) },
    })}\n`,
  );
}

/** From end to end of a water, m. */
function spanM(water: CastWater, ring: readonly LonLat[]): number {
  const spots = ring.map((p) => water.spot(p));
  return spots.reduce((far, a) => spots.reduce((best, b) => Math.max(best, Math.hypot(a.x - b.x, a.y - b.y)), far), 0);
}

function given(water: CastWater, area: SurveyedArea, at: LonLat): Spot {
  if (!canStand(water, area, at)) throw new BadInput(`--from: expected a place on the water or at its edge, found ${at.join(',')}, which lies on land`);
  return water.spot(at);
}

function found(water: CastWater, area: SurveyedArea, setting: CastSetting, count: number, isAshore: boolean): Spot {
  const stance = bestStance(water, setting, count, stances(water, shoresOfToday(water, area), isAshore), !isAshore);
  if (!stance)
    throw new BadInput(
      `--band: expected depths that a cast of ${setting.castM} m reaches${isAshore ? ' from the bank' : ''}, found no water of ${setting.band.fromM} to ${setting.band.toM} m there`,
    );
  return stance;
}
