import { readFileSync } from 'node:fs';
import path from 'node:path';
import { placesOf } from '@burrow/contract/formats/water-marks';
import { islandsOf, middleOfWater, parseWaterFile, shoreOf, soundingsOf } from '@burrow/contract/formats/water-geojson';
import { parseWeatherCsv } from '@burrow/contract/formats/weather-csv';
import { castAdvice, castsOf, CastWater, retrieveOf, shyDistanceM, strikeRadiusM, takeChance } from '@burrow/core/casting';
import { adviceWords, adviseReading } from '@burrow/core/coach';
import { answerColumn, type ColumnAnswer } from '@burrow/core/column';
import { speciesOf, speciesTable } from '@burrow/core/fish';
import { deepestSoughtM, soughtBand } from '@burrow/core/holes';
import { fold, type EventKind, type Goal } from '@burrow/core/ledger';
import { methodOf, waysNow } from '@burrow/core/methods';
import { answerOutlook, columnWords, outlookWords, recentReadings, surfaceSeen, thermometerWords } from '@burrow/core/outlook';
import { assumedPole, pegBy, pegPlaceWords } from '@burrow/core/pole';
import { placesOfNow, situationAt, temperatureAt } from '@burrow/core/situation';
import { tackleFamilies, tackleWays } from '@burrow/core/tackle';
import { pickByZone, tieOnHere, whatToTieOn } from '@burrow/core/tie-on';
import { spreadDepths } from '@burrow/core/troll';
import { dayMs, depthFigure, depthText, hourMs, metric, seededRandom } from '@burrow/core/units';
import { groundApi } from '@/workers/ground.api';
import { event, testId } from '../../../packages/core/test/events';

/*
 * Days by chance on the waters of the demo: every screen is asked of the same day, and what each says of place, depth, temperature, bait and fish is held
 * against what the others say.
 */

const read = (name: string) => readFileSync(path.resolve(__dirname, `../../../demo/${name}`), 'utf8');
const series = parseWeatherCsv(read('weather.csv'));
const names = ['tamber-lake', 'verrin-reservoir', 'cobble-pond', 'perrow-pool'];
const fishes = speciesTable.filter((s) => s.group !== undefined).map((s) => s.id);
const ways = ['ice', 'vertical', 'cast', 'troll'];
const days = process.env.BURROW_LONG ? 200 : 24;

const box = tackleFamilies.flatMap((f) =>
  ['black', 'white', 'green'].map((colour, k) => ({
    ...{ piece: `${f.id} ${colour}`, family: f.id, massG: f.massG[k % 2], sizeMm: f.sizeMm[k % 2], colour, hooks: 1, points: 1, rattle: null, suspends: null },
  })),
);

interface Drawn {
  water: string;
  species: string;
  way: string;
  goal: Goal;
  nowMs: number;
  /** Hours before now, and what was read near the surface, °C. */
  temps: [number, number][];
  isOpenSeen: boolean;
  isAshore: boolean;
}

function drawn(seed: number): Drawn {
  const random = seededRandom(7919 * seed + 13);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)];
  const first = 1 + 10 * random();
  const temps: Drawn['temps'] = pick([[], [[1, first]], [[9, first], [1, first + 4 * random() - 1]]]); // prettier-ignore
  return {
    water: names[seed % names.length],
    species: pick(fishes),
    way: pick(ways),
    goal: pick(['numbers', 'size', 'supper'] as const),
    nowMs: Date.UTC(2026, 9, 20, 18) + 14 * Math.floor(6 * random()) * dayMs + Math.floor(random() * 8) * hourMs,
    temps: temps.map(([h, c]) => [h, Math.round(10 * c) / 10]),
    isOpenSeen: random() < 0.3,
    isAshore: random() < 0.4,
  };
}

const waters = new Map(
  names.map((name) => {
    const file = parseWaterFile(read(`${name}.geojson`));
    return [name, { file, ground: groundApi.build(name, shoreOf(file), soundingsOf(file), 1, 0, islandsOf(file)) }];
  }),
);
const columns = new Map<string, ColumnAnswer>();

/** What the water, its log and its weather come to on a day. */
function knownOn(day: Drawn) {
  const { water, species, way, goal, nowMs, temps, isOpenSeen } = day;
  const { file, ground } = waters.get(water)!;
  const [lon, lat] = middleOfWater(file);
  const place = { lon, lat, timeZone: file.water.timezone };
  const outing = testId();
  const logged = (hoursAgo: number, kind: EventKind, body: object) => ({ ...event(outing, 0, kind, body as never), at: new Date(nowMs - hoursAgo * hourMs).toISOString() });
  const events = [
    logged(12, 'outing-started', { water: 'here', waterName: file.water.name, species: [species], goal, method: way }),
    ...temps.map(([h, tempC]) => logged(h, 'temperature-measured', { depthM: 0.3, tempC })),
    ...(isOpenSeen ? [logged(2, 'surface-seen', { surface: 'open' })] : []),
  ];
  const state = fold(events);
  const key = `${water} ${nowMs}`;
  const { hypsography, map } = ground;
  if (!columns.has(key)) columns.set(key, answerColumn({ hypsography, secchiM: file.water.secchi_m, elevationM: file.water.elevation_m, place, series, measurements: [], nowMs }));
  const footM = ground.feet.at(0)?.depthM ?? null;
  const readings = recentReadings(state, 'here', nowMs);
  const seen = surfaceSeen(state, 'here', nowMs);
  const input = { speciesId: species, nowMs, place, series, column: columns.get(key)!, readings, seen, deepestM: map.deepest.depthM, footM };
  const outlook = answerOutlook(input);
  const here = { id: 'here', place, isMoving: false, secchiM: file.water.secchi_m, isSecchiMeasured: true, deepestM: map.deepest.depthM, footM };
  const situation = situationAt({ state, nowMs, outlook, water: here, species, method: way, goal, bait: null, ownBand: null, isOnIce: methodOf(way)!.isOnIce });
  return { day, file, ground, state, events, logged, input, outlook, words: outlookWords(outlook, input, metric), situation, band: situation.band?.value ?? null };
}

type Known = ReturnType<typeof knownOn>;

const bandText = ({ fromM, toM }: { fromM: number; toM: number }) => `${depthFigure(fromM, metric)} to ${depthText(toM, metric)}`;

/** What each check found told in two ways; empty where all agree. */
const checks: Record<string, (known: Known) => string[]> = {
  'Outlook names the depths that all others go by': ({ outlook, words, band }) => {
    const told = /, ([\d.]+(?: to [\d.]+)? c?m) down/.exec(words.why)?.[1];
    return told === undefined || outlook.depth === null || band === null || told === bandText(band) ? [] : [`${told} beside ${bandText(band)}`];
  },
  'the column names the same depths and stage': ({ outlook, input, band, situation }) => {
    if (!outlook.column || !outlook.depth || band === null) return [];
    const { detail } = columnWords(outlook.column, outlook.depth, speciesOf(input.speciesId).short, metric);
    return detail.includes(bandText(band)) && detail.includes(situation.stage.value) ? [] : [`${detail} beside ${bandText(band)}, ${situation.stage.value}`];
  },
  'the thermometer moves it to what the others say': ({ input, outlook, band, situation }) => {
    const said = thermometerWords(input, outlook, metric) ?? '';
    const [, stage] = /makes it ([^,]+),/.exec(said) ?? [];
    const [, to] = /: ([\d.]+ to [\d.]+ m) instead/.exec(said) ?? [];
    return [
      ...(stage !== undefined && stage !== situation.stage.value ? [`${stage} beside ${situation.stage.value}`] : []),
      ...(to !== undefined && band !== null && to !== bandText(band) ? [`${to} beside ${bandText(band)}`] : []),
    ];
  },
  'nobody has ice where the water was read warm or seen open, nor names another surface': ({ outlook, words, situation, day }) => {
    const { method } = waysNow(outlook, words, { load: 'foot', craft: 'boat', units: metric });
    const isWarm = day.temps.some(([h, c]) => h < 12 && c >= 5);
    return [
      ...(outlook.surface !== situation.surface.value ? [`${outlook.surface} beside ${situation.surface.value}`] : []),
      ...(method?.isOnIce && situation.surface.value !== 'ice' ? [`${method.id} on ${situation.surface.value}`] : []),
      ...((isWarm || day.isOpenSeen) && situation.surface.value === 'ice' ? ['ice on water that was read warm'] : []),
    ];
  },
  'the first place lies where they are looked for, or it is said why not, and no reason contradicts it': (known) => {
    const first = firstOf(known);
    if (!first) return [];
    const { band } = known;
    const { short, isInBand, depthM, reasons, words } = first;
    const shown = Number(depthText(depthM, metric).replace(' m', ''));
    const ends = [band!.fromM, band!.toM].map((m) => Number(depthFigure(m, metric)));
    return [
      ...(words.detail.includes(bandText(band!)) ? [] : [`${words.detail} beside ${bandText(band!)}`]),
      ...(isInBand && (shown < ends[0] || shown > ends[1]) ? [`${words.headline} beside ${bandText(band!)}`] : []),
      ...(isInBand && reasons.some((r) => r.text.startsWith('Too shallow')) ? [`too shallow within ${bandText(band!)}: ${depthM}`] : []),
      ...(short === null && !isInBand ? ['out of its depths without a reason'] : []),
      ...(!words.detail.includes(speciesOf(known.day.species).short) ? [words.detail] : []),
      ...(depthM > deepestSoughtM(known.day.species, known.day.goal === 'supper') + 0.05 ? [`${depthM} m, deeper than they live through`] : []),
    ];
  },
  'a peg is fished within those depths, or it is said that none of them can be reached': (known) => {
    const first = firstOf(known, assumedPole.reachM);
    if (!first) return [];
    const { band, ground } = known;
    const peg = pegBy(first, [ground.ring, ...ground.islands]);
    const { detail } = pegPlaceWords(peg, assumedPole.reachM, metric, true, first.words.detail);
    return [
      ...(peg.outM > assumedPole.reachM + 0.1 ? [`${peg.outM} m out`] : []),
      ...(detail.includes(bandText(band!)) && !detail.includes('no deeper') ? [] : [`${detail} beside ${bandText(band!)}`]),
      ...(first.isInBand || first.short !== null ? [] : ['out of its depths without a reason']),
    ];
  },
  'the first look at a hole there is within those depths, or over the bed of it': (known) => {
    const first = firstOf(known);
    if (!first || known.band === null) return [];
    const { situation, band, day } = known;
    const bottomM = first.depthM;
    const reading = { bottomM, jigM: Math.min(bottomM - 0.1, Math.max(0.2, band.fromM)), topMarkM: null, did: 'none' as const };
    const { instruction } = adviceWords(adviseReading(reading, { speciesId: day.species, waterTempC: situation.temperature.value, beamDeg: 20, band }), metric);
    const at = Number(/([\d.]+) m$/.exec(instruction)?.[1] ?? NaN);
    const [lo, hi] = [Math.min(band.fromM, bottomM - 0.6), Math.min(band.toM, bottomM)];
    return at >= lo - 0.35 && at <= hi + 0.35 ? [] : [`${instruction} over ${bottomM.toFixed(1)} m beside ${bandText(band)}`];
  },
  'what is tied on works in this way, at the temperature and of the depth that the others go by, and no reason denies another': (known) => {
    const { day, situation, band } = known;
    const { query, temp } = tied(known);
    const best = whatToTieOn(box, query).at(0);
    const picks = [best, ...pickByZone(box, query).map((p) => p.pick)].filter((p) => p != null);
    return [
      ...(Math.abs(temp.value - situation.temperature.value) > 0.05 ? [`tied on for ${temp.value} °C beside ${situation.temperature.value}`] : []),
      ...(band !== null && Math.abs(query.depthM! - (band.fromM + band.toM) / 2) > 0.1 ? [`tied on for ${query.depthM} m beside ${bandText(band)}`] : []),
      ...picks.flatMap((p) => {
        const family = tackleFamilies.find((f) => f.id === box.find((b) => b.piece === p.piece)!.family)!;
        const why = p.why.join(' ');
        return [
          ...(day.way in tackleWays && !family.methods.includes(day.way) ? [`${p.piece} in ${day.way}`] : []),
          ...(/Silent/.test(why) && /loud/i.test(why.replace(/Bulky or loud/, 'loud')) ? [`silent and loud: ${why}`] : []),
          ...(/Slow: cold fish/.test(why) && situation.temperature.value > 12 ? [`slow at ${situation.temperature.value} °C`] : []),
        ];
      }),
    ];
  },
  'a stand casts where the place is, within those depths, and works what was tied on': (known) => {
    if (known.day.way !== 'cast') return [];
    const { cast, seeks, bait, first } = castOn(known);
    if (cast === null || first === null) return [];
    const { retrieve, words } = cast;
    const own = bait && retrieveOf({ family: bait.family, tempC: seeks.temp.value, depthM: Math.max(0.3, cast.cast.section.landsM || seeks.band.toM), goal: known.day.goal });
    const most = deepestSoughtM(known.day.species, known.day.goal === 'supper');
    return [
      ...(seeks.band.toM > most + 0.01 ? [`casts into ${bandText(seeks.band)}, deeper than they live through`] : []),
      ...(words && /through the band|along the edge/.test(words.headline) && cast.cast.section.bandM < 0.5 ? [`${words.headline}, and ${cast.cast.section.bandM} m of it`] : []),
      ...(own && retrieve.cadence.id !== own.cadence.id ? [`${retrieve.cadence.id} beside ${own.cadence.id} of ${bait.family}`] : []),
      ...(bait && /suspending|crank|diver/.test(bait.family) && /\bfalls?\b|\bsinks?\b/.test(retrieve.why.reason) ? [`${bait.family}: ${retrieve.why.reason}`] : []),
      ...(own && Math.abs(retrieve.paceSPerM / own.paceSPerM - 1) > 0.1 ? [`${retrieve.paceSPerM} s/m beside ${own.paceSPerM}`] : []),
    ];
  },
  'a stand whose casts are made says so in its heading as on its clock': (known) => {
    if (known.day.way !== 'cast') return [];
    const { cast } = castOn(known, 60);
    if (!cast?.words || !['best', 'beside', 'far-side'].includes(cast.rule.aim)) return [];
    const isOver = cast.clock.castsLeft === 0;
    return isOver === /^(Move on|All shown|Nothing to reach)/.test(cast.words.headline) ? [] : [`${cast.words.headline} beside ${cast.clock.castsLeft} casts left`];
  },
  'lines of a pass run within those depths': ({ band, day }) => {
    if (band === null || day.way !== 'troll') return [];
    const depths = spreadDepths({ band, rods: 2, baitsPerRod: 1, fished: [] }).flat();
    return depths.every((d) => d >= band.fromM - 0.05 && d <= band.toM + 0.05) ? [] : [`${depths.join(', ')} beside ${bandText(band)}`];
  },
};

const firsts = new Map<string, ReturnType<typeof groundApi.first>>();

function firstOf(of: Known, shoreReachM: number | null = null) {
  const { day, file, situation, band } = of;
  if (band === null) return null;
  const key = `${known.indexOf(of)} ${shoreReachM}`;
  const keepsAll = day.goal === 'supper';
  const deepestM = deepestSoughtM(day.species, keepsAll);
  const { group } = speciesOf(day.species);
  const marks = { inflows: placesOf(file, 'inflow'), cover: placesOf(file, 'cover') };
  const setting = { group, stage: situation.stage.value, look: band, phase: situation.phase?.value ?? ('steady' as const), ...marks, isPressed: false, ...placesOfNow(situation) };
  const query = { water: day.water, setting, stays: [], drilled: [], thin: [], noDeeperM: Number.isFinite(deepestM) ? deepestM : null, units: metric };
  if (!firsts.has(key)) firsts.set(key, groundApi.first(query, { speciesId: day.species, band, keepsAll }, shoreReachM));
  return firsts.get(key)!;
}

const tied = ({ day, state, situation }: Known) =>
  tieOnHere({ situation, outing: state.outings[0], outings: state.outings, species: day.species, method: day.way, goal: day.goal, forage: null, lineMm: null, soldG: [] });

function castOn(known: Known, castsMade = 0) {
  const { day, ground, events, logged, situation, band: looked } = known;
  const band = soughtBand(day.species, day.goal === 'supper', looked ?? { fromM: 0.4, toM: ground.map.deepest.depthM });
  const temp = temperatureAt(situation, (band.fromM + band.toM) / 2);
  const clarityM = situation.clarity.value;
  const seeks = { band, temp, targets: [], castM: 25, strikeM: strikeRadiusM(temp.value, clarityM), isMoving: false };
  const query = { band, castM: 25, strikeM: seeks.strikeM, shyM: shyDistanceM(clarityM), chance: takeChance(temp.value), targets: [], base: 1, count: 6, casts: [] };
  const first = firstOf(known, day.isAshore ? 21 : null);
  const stand = first && groundApi.firstStand(day.water, query, day.isAshore, first.at);
  const best = whatToTieOn(box, tied(known).query).at(0);
  const bait = box.find((b) => b.piece === best?.piece) ?? null;
  if (!stand) return { cast: null, seeks, bait, first };
  const station = testId();
  // Blanks all round, a minute apart.
  const made = Array.from({ length: castsMade }, (_, k) =>
    logged((castsMade - k) / 60, 'cast', { cast: testId(), station, line: testId(), bearingDeg: Math.round((360 * k) / castsMade), distanceM: 25 }),
  );
  const state = fold([...events, logged(2, 'station-opened', { station, kind: 'stand', label: '1', at: stand.at }), ...made]);
  const [outing] = state.outings;
  const cast = castAdvice({
    ...{ situation, outing, stand: outing.stations[0], bed: new CastWater(ground.map), seeks, casts: castsOf(outing) },
    fan: groundApi.stand(day.water, { ...query, at: stand.at }),
    bait: { tackle: bait, dive: null, lineMm: null },
    ownDeg: null,
    prior: methodOf('cast')!.clockPriors[speciesOf(day.species).group],
    nowMs: day.nowMs,
    duskMs: null,
    units: metric,
  });
  return { cast, seeks, bait, first };
}

const known = Array.from({ length: days }, (_, seed) => knownOn(drawn(seed)));

test.each(Object.entries(checks))('%s', (_, check) => {
  const found = known.flatMap((k, seed) => check(k).map((what) => `day ${seed}, ${k.day.species}, ${k.day.way}, ${k.day.water}: ${what}`));
  expect(found).toEqual([]);
});
