import { parseFishedDepths } from '@burrow/contract/formats';
import { planLane, spreadDepths, startWithinM, type Lane } from '@burrow/core/troll';
import { BadInput } from '../bad-input';
import { bandOption, lonLatOption, readArgs, readFormat, readText, round, within } from '../options';
import { soundedWater } from '../sounded-water';

const text = { type: 'string' } as const;
/** What a lane is planned with where it is not said, m. */
const usual = { clearanceM: 0.6, turnM: 15, lengthM: 500 } as const;

/** A lane without a bend has a circle of no end: said as this radius, m. */
const straightM = 100_000;

/** `burrow lane --water F --band LO,HI --bait-m D [--clearance-m C] [--turn-m R] [--start lon,lat] [--length-m L]`: a way along the depths, as GeoJSON. */
export function lane(args: string[]): void {
  const names = ['water', 'band', 'bait-m', 'clearance-m', 'turn-m', 'start', 'length-m'];
  const { values, positionals } = readArgs(args, Object.fromEntries(names.map((n) => [n, text]))) as { values: Record<string, string | undefined>; positionals: string[] };
  if (positionals.length > 0) throw new BadInput(`lane: expected --name value pairs, found "${positionals[0]}"`);
  const band = bandOption(values.band);
  const baitM = within(values, 'bait-m', 0, 200);
  const clearanceM = within(values, 'clearance-m', 0, 50, usual.clearanceM);
  const turnM = within(values, 'turn-m', 2, 200, usual.turnM);
  const lengthM = within(values, 'length-m', 20, 5000, usual.lengthM);
  const { water } = soundedWater(values.water);
  if (band.fromM >= water.deepestM) throw new BadInput(`--band: expected depths of this water, ${round(water.deepestM, 1)} m at its deepest, found ${band.fromM} to ${band.toM} m`);
  if (baitM + clearanceM >= water.deepestM)
    throw new BadInput(`--bait-m: expected a bait over the bed, ${round(water.deepestM, 1)} m at its deepest with ${clearanceM} m of clearance, found ${baitM} m`);
  const start = values.start === undefined ? null : water.spot(lonLatOption(values, 'start'));
  const way = found();
  process.stdout.write(
    `${JSON.stringify({
      type: 'Feature',
      geometry: { type: 'LineString', coordinates: way.spots.map((s) => water.place(s).map((d) => round(d, 7))) },
      properties: {
        lengthM: round(way.lengthM, 1),
        inBandShare: round(way.inBandShare, 4),
        leastClearanceM: round(way.leastClearanceM, 3),
        tightestTurnM: round(Math.min(straightM, way.tightestTurnM), 2),
      },
    })}\n`,
  );

  function found(): Lane {
    try {
      return planLane(water, { band, baitM, clearanceM, turnM, lengthM, start });
    } catch (error) {
      if (error instanceof RangeError) throw new BadInput(`lane: ${error.message}${start ? '' : `; try a --start, within ${startWithinM} m of which it may begin`}`);
      throw error;
    }
  }
}

/** `burrow spread --band LO,HI --rods N --baits M [--bites F.csv]`: depths for the baits of each line. */
export function spread(args: string[]): void {
  const names = ['band', 'rods', 'baits', 'bites'];
  const { values, positionals } = readArgs(args, Object.fromEntries(names.map((n) => [n, text]))) as { values: Record<string, string | undefined>; positionals: string[] };
  if (positionals.length > 0) throw new BadInput(`spread: expected --name value pairs, found "${positionals[0]}"`);
  const band = bandOption(values.band);
  const [rods, baitsPerRod] = [within(values, 'rods', 1, 12), within(values, 'baits', 1, 3)];
  for (const [name, n] of [
    ['rods', rods],
    ['baits', baitsPerRod],
  ] as const)
    if (!Number.isInteger(n)) throw new BadInput(`--${name}: expected a whole number, found ${n}`);
  const fished = values.bites === undefined ? [] : readFormat(values.bites, parseFishedDepths, readText(values.bites, 'a CSV of depth_m,bites,minutes (--bites)'));
  process.stdout.write(`${JSON.stringify({ depths: spreadDepths({ band, rods, baitsPerRod, fished }) })}\n`);
}
