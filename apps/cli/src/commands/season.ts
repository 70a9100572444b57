import { foldLedger } from '@burrow/contract';
import { middleOfWater, parseLedger, parseWaterFile, parseWeatherCsv, soundingsOf } from '@burrow/contract/formats';
import { instantOf, type LedgerState } from '@burrow/core/ledger';
import { calibrationLimits, factorLimits, factorsOf, lossesOf, outlookAgainstLog, stretchesOf, summariseSeason, type Calibration, type Times } from '@burrow/core/season';
import type { Place, WeatherHour } from '@burrow/core/weather';
import { BadInput } from '../bad-input';
import { readArgs, readFormat, readText, round } from '../options';

/**
 * `burrow season F.ndjson [--weather F.csv --water F.geojson]`: effort, rates and comparisons of a ledger, what goes with more bites, where fish are lost, and with
 * the weather of a water whether its Outlook was right.
 */
export function season(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values, positionals } = readArgs(args, { weather: text, water: text });
  if ((values.weather === undefined) !== (values.water === undefined))
    throw new BadInput(`season: expected --weather and --water together, found --${values.weather === undefined ? 'water' : 'weather'} alone`);
  const events = parseLedger(readText(positionals[0], 'a ledger in NDJSON'));
  const lastMs = events.reduce((ms, e) => Math.max(ms, instantOf(e.at)), 0);
  const ledger = foldLedger(events);
  const known = values.water === undefined ? null : weathered(values.water, values.weather!, ledger);
  const { outings, lineMin, bites, fish, clump, comparisons } = summariseSeason(ledger, lastMs);
  const effort = { outings: outings.length, lineMin: Math.round(lineMin), bites, fish, catchesPerVisit: clump };
  const rates = comparisons.flatMap((c) => c.rows.map((row) => ({ by: c.by, of: c.count, ...row })));
  const { steps, leak } = lossesOf(ledger.outings);
  const answer = {
    effort,
    rates,
    comparisons: comparisons.map(({ by, count, finding }) => ({ by, of: count, ...finding })),
    outings,
    factors: factorRows(ledger, lastMs, known),
    losses: {
      steps: steps.map((s) => ({ ...s, share: round(s.share, 4), low: round(s.low, 4), high: round(s.high, 4) })),
      ...(leak ? { leak: { ...leak, probability: round(leak.probability, 4) } } : {}),
    },
    ...(known ? { calibration: calibrationRow(outlookAgainstLog(ledger, known.waterId, known.place, known.series, known.deepestM, lastMs)) } : {}),
  };
  process.stdout.write(`${JSON.stringify(answer)}\n`);
}

interface Weathered {
  waterId: string;
  place: Place;
  series: WeatherHour[];
  deepestM: number | null;
}

function weathered(waterFile: string, weatherFile: string, ledger: LedgerState): Weathered {
  const file = readFormat(waterFile, parseWaterFile, readText(waterFile, 'a water in GeoJSON (--water)'));
  const series = readFormat(weatherFile, parseWeatherCsv, readText(weatherFile, 'a weather CSV (--weather)'));
  const [lon, lat] = middleOfWater(file);
  const named = ledger.outings.find((o) => o.waterName.toLowerCase() === file.water.name.toLowerCase());
  if (!named && ledger.outings.length > 0)
    throw new BadInput(`${waterFile}: expected a water of the ledger, one of ${[...new Set(ledger.outings.map((o) => o.waterName))].join(', ')}, found ${file.water.name}`);
  const depths = soundingsOf(file).map((s) => s.depthM);
  return { waterId: named?.water ?? '', place: { lon, lat, timeZone: file.water.timezone }, series, deepestM: depths.length > 0 ? Math.max(...depths) : null };
}

/** Factors of the way that most line was in the water by: ways are not compared. */
function factorRows(ledger: LedgerState, lastMs: number, known: Weathered | null) {
  const minutes = new Map<string, number>();
  const methods = new Set(ledger.outings.flatMap((o) => o.stations.map((s) => s.method)));
  const byMethod = new Map([...methods].map((method) => [method, stretchesOf(ledger, method, lastMs, known?.series ?? [], known?.place.lat ?? 45)]));
  for (const [method, stretches] of byMethod)
    minutes.set(
      method,
      stretches.reduce((sum, s) => sum + s.minutes, 0),
    );
  const [main] = [...minutes].sort((a, b) => b[1] - a[1]);
  if (!main) return [];
  const stretches = byMethod.get(main[0])!;
  const outings = new Set(stretches.map((s) => s.outing)).size;
  if (outings < factorLimits.outings) process.stderr.write(`burrow: no factors: expected ${factorLimits.outings} outings of one way or more, found ${outings}: not enough yet\n`);
  return factorsOf(stretches).map(({ isNamed, alone, together, ...rest }) => ({ ...rest, alone: rounded(alone), together: rounded(together), named: isNamed }));
}

const rounded = ({ factor, low, high }: Times) => ({ factor: round(factor, 4), low: round(low, 4), high: round(high, 4) });

function calibrationRow({ outings, visits, skill, bins, isClaimed }: Calibration) {
  if (!skill) process.stderr.write(`burrow: the Outlook is not judged: expected ${calibrationLimits.outings} outings with bites and weather, found ${outings}: not enough yet\n`);
  return {
    outings,
    visits,
    ...(skill ? { skill } : {}),
    bins: bins.map((b) => ({ foretold: round(b.foretold, 4), came: round(b.came, 4), low: round(b.low, 4), high: round(b.high, 4), hours: round(b.hours, 2) })),
    claimed: isClaimed,
  };
}
