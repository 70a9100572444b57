import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-cli-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const file = (name: string) => path.join(dir, name);

function burrow(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });
  return { status, stdout, stderr };
}
const calc = (...args: string[]) => JSON.parse(burrow('calc', ...args).stdout) as { value: number; unit: string; source: string };

test.each([
  ['density --temp-c 10', 999.703, 0.001],
  ['sound-speed --temp-c 4', 1421.63, 0.05],
  ['oxygen --temp-c 4', 13.11, 0.01],
  ['oxygen --temp-c 4 --pressure-hpa 1013.25', 13.11, 0.01],
  ['light-depth --secchi-m 3 --fraction 0.01', 8.13, 0.005],
  ['ice-stefan --fdd 100', 0.355, 0.00355],
  ['wind-chill --temp-c -20 --wind-kmh 30', -32.6, 0.05],
  ['frostbite --temp-c -30 --wind-kmh 30', 6.9, 0.1],
  ['footprint --depth-m 6 --beam-deg 20', 2.12, 0.005],
  ['target-strength --length-cm 25 --freq-khz 200', -37.4, 0.05],
  ['weight --species black-crappie --length-mm 250', 253, 2.5],
  ['gas-expansion --depth-m 10', 1.97, 0.005],
  ['bearing --clear-cm 10 --white-cm 0', 350, 1e-6],
])('calc %s', (line, value, tolerance) => {
  const answer = calc(...line.split(' '));
  expect(Math.abs(answer.value - value)).toBeLessThanOrEqual(tolerance);
  expect(answer.unit).not.toBe('');
  expect(answer.source).not.toBe('');
});

test('calc frostbite answers minutes by the formula or the words of the public band, and says which', () => {
  const at = (tempC: number, windKmh: number) => calc('frostbite', '--temp-c', String(tempC), '--wind-kmh', String(windKmh));
  expect(at(-30, 30)).toMatchObject({ value: expect.closeTo(6.9, 1), source: 'formula of JAG/TI 2001' });
  expect(at(-35, 15)).toEqual({ value: '2 to 5', unit: 'min', source: 'public wind-chill bands' });
  expect(at(-10, 10)).toMatchObject({ value: 'over 30' });
  expect(at(-58, 40)).toMatchObject({ value: 'under 2' });
});

test('fronts of a file that tells too little says so, with what is missing', () => {
  const rows = readFileSync('demo/weather.csv', 'utf8').trim().split('\n');
  const write = (name: string, lines: string[]) => {
    writeFileSync(file(name), `${lines.join('\n')}\n`);
    return JSON.parse(burrow('fronts', file(name)).stdout) as { phases: { phase: string; confidence: number; missing?: string[] }[] };
  };
  for (const [name, lines, missing] of [
    ['short.csv', rows.slice(0, 26), /^48 hours of weather, found 25$/],
    ['sparse.csv', rows.slice(0, 240).filter((_, i) => i === 0 || i % 6 === 1), /^air temperature \(known in \d+ of 100 hours\)/],
  ] as const) {
    const { phases } = write(name, [...lines]);
    expect(phases.map((p) => [p.phase, p.confidence])).toEqual([['not enough to say', 0]]);
    expect(phases[0].missing![0]).toMatch(missing);
  }
  expect(write('far.csv', rows.slice(0, 100)).phases.map((p) => p.phase)).not.toContain('not enough to say');
  writeFileSync(file('year.csv'), `${rows.slice(0, 60).join('\n')}\n9999-01-01T00:00-09:00,1,1010,1,1,0,0,0\n`);
  expect(burrow('fronts', file('year.csv'))).toMatchObject({ status: 2, stderr: expect.stringMatching(/line 61: time: expected a year of 1900 to 2099/) });
});

test('calc sink and line-depth give what the laws give', () => {
  expect(calc(...'sink --mass-g 2 --material tungsten --depth-m 8 --line-mm 0.1'.split(' ')).value).toBeGreaterThan(8 / 1.66);
  expect(calc(...'line-depth --mass-g 3 --material lead --line-mm 0.2 --line-out-m 9 --current-ms 0'.split(' ')).value).toBeCloseTo(9, 6);
});

const tamber = ['--water', 'demo/tamber-lake.geojson', '--weather', 'demo/weather.csv'];

test.each([
  [['calc', 'density', '--temp-c', 'warm'], /--temp-c: expected a number, found "warm"/],
  [['calc', 'viscosity', '--temp-c', '4'], /expected one of density, .* found "viscosity"/],
  [['calc', 'density'], /--temp-c: expected a number, found nothing/],
  [['calc', 'density', '--temp-c', '99'], /must be 0 to 40 °C, found 99/],
  [['calc', 'density', '--temp-f', '40'], /--temp-f/],
  [['calc', 'weight', '--species', 'kraken', '--length-mm', '200'], /--species: expected one of/],
  [['simulate', '--seed', '1', '--minutes', '-3'], /--minutes: expected more than 0/],
  [['simulate', '--seed', '1', '--minutes', '1', '--scene', 'moon'], /--scene: expected one of stack/],
  [['echo', '/no/such/file'], /expected an echo log, found no such file/],
  [['fronts', '/no/such.csv'], /found no such file/],
  [['map'], /expected a water in GeoJSON or soundings in CSV, found nothing/],
  [['map', 'demo/tamber-lake.geojson', '--at', '47,-140'], /--at: expected longitude,latitude in degrees, found "47,-140"; they look swapped/],
  [['map', 'demo/tamber-lake.geojson', '--at', '-139,47'], /--at: expected a place on this water/],
  [['map', 'demo/tamber-lake.geojson', '--cross-validate', '1'], /expected 2 to 4\d\d folds, found 1/],
  [['holes', '--water', 'demo/tamber-lake.geojson', '--species', 'kraken', '--at', '2027-01-16T06:40-09:00', '--count', '4'], /--species: expected one of/],
  [['holes', '--water', 'demo/tamber-lake.geojson', '--species', 'walleye', '--at', '2027-01-16T06:40-09:00', '--count', '99'], /expected 1 to 60 holes, found 99/],
  [['route', '/no/such.csv'], /found no such file/],
  [['convert', 'demo/tamber-lake.geojson', 'x.kml'], /expected a file ending in \.gpx/],
  [['column'], /expected a water in GeoJSON \(--water\), found nothing/],
  [['column', ...tamber, '--at', 'noon'], /--at: expected an instant such as .* found "noon"/],
  [['column', ...tamber, '--at', '2027-06-01T06:00Z'], /--at: expected an instant in the weather series, 2026-10-01.* found 2027-06-01/],
  [
    ['column', ...tamber, '--at', '2027-01-16T06:40-09:00', '--measurements', 'demo/weather.csv'],
    /weather\.csv: line 1: expected the columns time,kind,depth_m,value, missing kind/,
  ],
  [['dance'], /expected one of column, calc/],
])('bad input ends with 2 and one clear line: %j', (args, message) => {
  const { status, stderr, stdout } = burrow(...args);
  expect(status).toBe(2);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).toMatch(message);
  expect(stdout).toBe('');
});

test('simulate writes a log and its truth apart, echo reads the log', () => {
  const made = burrow('simulate', '--seed', '7', '--minutes', '0.5', '--truth', file('t.json'));
  writeFileSync(file('e.ndjson'), made.stdout);
  const truth = JSON.parse(readFileSync(file('t.json'), 'utf8')) as { pings: { bottomM: number }[] };
  const lines = burrow('echo', file('e.ndjson'), '--coach')
    .stdout.trim()
    .split('\n')
    .map((l) => JSON.parse(l) as { bottomM: number | null; advice?: { instruction: string } });
  expect(lines).toHaveLength(300);
  expect(truth.pings).toHaveLength(300);
  expect(lines.filter((l, i) => l.bottomM !== null && Math.abs(l.bottomM - truth.pings[i].bottomM) <= 0.12).length).toBeGreaterThan(296);
  expect(lines.at(-1)!.advice!.instruction).toMatch(/ft$/);
  expect(made.stdout).not.toContain('levelDb');
});

test('a log that is cut short says its line and keeps what was read before', () => {
  const log = burrow('simulate', '--seed', '7', '--minutes', '0.1').stdout;
  writeFileSync(file('cut.ndjson'), log.slice(0, Math.floor(log.length / 2)));
  const { status, stdout, stderr } = burrow('echo', file('cut.ndjson'));
  expect(status).toBe(2);
  const line = Number(/line (\d+): expected a JSON object/.exec(stderr)![1]);
  // A header and a line record stand before the pings.
  expect(stdout.trim().split('\n')).toHaveLength(line - 3);
});

test('fronts of the demo series around the scenario’s morning, phases without gaps', () => {
  const { fronts, phases } = JSON.parse(burrow('fronts', path.resolve('demo/weather.csv'), '--lat', '47').stdout) as {
    fronts: { at: string; kind: string }[];
    phases: { from: string; to: string }[];
  };
  const january = fronts.filter((f) => Date.parse(f.at) > Date.parse('2027-01-03T00:00-09:00'));
  expect(january.map((f) => f.kind)).toEqual(['cold', 'cold', 'cold', 'warm']);
  expect(Math.abs(Date.parse(january[2].at) - Date.parse('2027-01-16T19:00-09:00'))).toBeLessThanOrEqual(3 * 3_600_000);
  for (let i = 1; i < phases.length; i++) expect(phases[i].from).toBe(phases[i - 1].to);
  expect(Date.parse(phases.at(-1)!.to)).toBe(Date.parse('2027-01-21T00:00-09:00'));
});

test('fronts reads METAR, names what it could not read, and wants the month', () => {
  const reports = Array.from({ length: 72 }, (_, h) => {
    const two = (n: number) => String(n).padStart(2, '0');
    return `UPLD ${two(14 + Math.floor(h / 24))}${two(h % 24)}00Z ${h < 40 ? '200' : '320'}08KT ${h === 10 ? 'BKN0Z0' : 'OVC020'} M${two(h < 40 ? 4 : 12)}/M14 Q${1020 - Math.max(0, 9 - Math.abs(h - 40))}`;
  });
  writeFileSync(file('a.metar'), reports.join('\n'));
  const { stdout, stderr, status } = burrow('fronts', file('a.metar'), '--month', '2027-01');
  expect(status).toBe(0);
  expect(stderr).toMatch(/a\.metar: line 11: BKN0Z0: expected cloud/);
  expect((JSON.parse(stdout) as { fronts: { kind: string }[] }).fronts.map((f) => f.kind)).toEqual(['cold']);
  writeFileSync(file('two.metar'), [...reports, reports[0].replace('UPLD', 'WXYZ')].join('\n'));
  expect(burrow('fronts', file('two.metar'), '--month', '2027-01')).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/expected the reports of one station, found those of \w{4} \(\d+\), WXYZ \(1\); say which with --station/),
  });
  expect(burrow('fronts', file('two.metar'), '--month', '2027-01', '--station', 'UPLD').stdout).toBe(stdout);
  expect(burrow('fronts', file('a.metar'))).toMatchObject({ status: 2, stderr: expect.stringMatching(/--month: METAR reports carry no month/) });
});

test('column answers ice, layers and what the measurements made of it', () => {
  const at = ['--at', '2027-01-16T06:40-09:00'];
  const read = (...more: string[]) => {
    const { stdout, stderr } = burrow('column', ...tamber, ...at, ...more);
    expect(stderr).toBe('');
    return JSON.parse(stdout) as {
      iceClearM: number;
      layers: { depthM: number; tempC: number; oxygenMgL: number; lightFraction: number; sdC: number }[];
      fit?: { tempRmsC: { before: number; after: number }; residuals: unknown[] };
    };
  };
  const plain = read();
  expect(plain.fit).toBeUndefined();
  const fitted = read('--measurements', 'demo/measurements.csv');
  expect(fitted.fit!.tempRmsC.after).toBeLessThan(0.5 * fitted.fit!.tempRmsC.before);
  expect(fitted.fit!.residuals.length).toBeGreaterThan(30);
  // The slate said about a foot of clear ice three days before.
  expect(Math.abs(fitted.iceClearM - 0.3)).toBeLessThan(0.04);
  expect(fitted.layers[0].tempC).toBe(0);
  expect(fitted.layers.at(-1)!.tempC).toBeGreaterThan(3.3);
  expect(fitted.layers.at(-1)!.depthM).toBeGreaterThan(13);
  for (let i = 1; i < fitted.layers.length; i++) expect(fitted.layers[i].lightFraction).toBeLessThanOrEqual(fitted.layers[i - 1].lightFraction);
  expect(Math.max(...fitted.layers.map((l) => l.sdC))).toBeLessThan(Math.max(...plain.layers.map((l) => l.sdC)));
});

test('column refuses weather that starts in the frost, long gaps and a water without soundings', () => {
  const weather = readFileSync('demo/weather.csv', 'utf8').trim().split('\n');
  const at = ['--at', '2027-01-16T06:40-09:00'];
  writeFileSync(file('late.csv'), [weather[0], ...weather.slice(1500)].join('\n'));
  expect(burrow('column', '--water', tamber[1], '--weather', file('late.csv'), ...at)).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/weather before freeze-up is missing: expected a series whose first 5 days are above 3 °C/),
  });
  writeFileSync(file('gap.csv'), [...weather.slice(0, 400), ...weather.slice(500)].join('\n'));
  expect(burrow('column', '--water', tamber[1], '--weather', file('gap.csv'), ...at)).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/air temperature is missing from .* for 100 hours/),
  });
  const water = JSON.parse(readFileSync(tamber[1], 'utf8')) as { features: { properties: { role: string } }[] };
  water.features = water.features.filter((f) => f.properties.role !== 'sounding');
  writeFileSync(file('blind.geojson'), JSON.stringify(water));
  expect(burrow('column', '--water', file('blind.geojson'), '--weather', tamber[3], ...at)).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/blind\.geojson: expected soundings to know the water's depth, found none/),
  });
});

test('season reads the demo ledger; convert writes catches and refuses what it cannot', () => {
  const season = JSON.parse(burrow('season', path.resolve('demo/season.ndjson')).stdout) as { effort: { outings: number; fish: number } };
  expect(season.effort.outings).toBeGreaterThanOrEqual(12);
  const catches = burrow('convert', path.resolve('demo/season.ndjson'), file('c.csv'));
  expect(catches.status).toBe(0);
  // A shorter export says what it leaves out.
  expect(catches.stderr).toMatch(/c\.csv: the fish alone, \d+ entries of other kinds have no row in it/);
  expect(readFileSync(file('c.csv'), 'utf8').trim().split('\n')).toHaveLength(season.effort.fish + 1);
  expect(burrow('convert', path.resolve('demo/season.ndjson'), file('c.gpx')).status).toBe(2);
  writeFileSync(file('bad.ndjson'), '{"id":1}\n');
  expect(burrow('convert', file('bad.ndjson'), file('d.csv'))).toMatchObject({ status: 2, stderr: expect.stringMatching(/line 1: expected a ledger event/) });
  expect(() => readFileSync(file('d.csv'))).toThrow(/ENOENT/);
});

describe('on the ground', () => {
  const lake = 'demo/tamber-lake.geojson';
  const json = (...args: string[]) => JSON.parse(burrow(...args).stdout);

  test('map draws lines and names structure, says a depth, and how well it foretells', () => {
    const { features } = json('map', lake, '--contour-m', '2');
    expect(features.filter((f: { properties: { role: string } }) => f.properties.role === 'contour').map((f: { properties: { depth_m: number } }) => f.properties.depth_m)).toEqual(
      [2, 4, 6, 8, 10, 12],
    );
    expect(features.map((f: { properties: { kind?: string } }) => f.properties.kind)).toEqual(expect.arrayContaining(['basin', 'saddle', 'hump', 'point', 'drop-base']));
    const here = json('map', lake, '--at', '-140,47');
    expect(here.depthM).toBeGreaterThan(5);
    expect(here.sdM).toBeLessThan(0.4);
    const check = json('map', lake, '--cross-validate', '5');
    expect(check.rmseM).toBeLessThan(0.7 * check.idwRmseM);
    expect(check.coverage95).toBeGreaterThan(0.9);
  });

  test('depths of a sounder are corrected where its speed is given', () => {
    const at = ['map', lake, '--at', '-139.998,47'];
    const shown = (json(...at) as unknown as { depthM: number }).depthM;
    expect((json(...at, '--sounder-ms', '1500', '--water-temp-c', '4') as unknown as { depthM: number }).depthM / shown).toBeCloseTo(1421.63 / 1500, 2);
    const { status, stderr } = burrow(...at, '--sounder-ms', '15');
    expect([status, stderr]).toEqual([2, expect.stringMatching(/1300 to 1700 m\/s, found 15/)]);
  });

  test('on a river it is the lies, each with the marks it has, from where one stands', () => {
    const { features, walkM } = JSON.parse(
      burrow('holes', '--water', 'demo/ullen-river.geojson', '--species', 'largemouth', '--at', '2027-01-16T08:00-09:00', '--count', '4').stdout,
    ) as {
      walkM: number;
      features: { properties: { name: string; order: number; score: number; ruleIds: string[] } }[];
    };
    expect(features.map((f) => f.properties.order)).toEqual([1, 2, 3, 4]);
    const best = features.reduce((a, b) => (b.properties.score > a.properties.score ? b : a)).properties;
    expect(best.name).toBe('boulder pocket');
    expect(best.ruleIds.sort()).toEqual(['river.cover', 'river.depth', 'river.pocket', 'river.seam']);
    expect(walkM).toBeGreaterThan(36);
    expect(walkM).toBeLessThan(400);
  });

  test('holes come in walking order with reasons and rule ids, and deeper water in midwinter than the lake has on average', () => {
    const { features, walkM, stage } = json(
      'holes',
      '--water',
      lake,
      '--species',
      'black-crappie',
      '--at',
      '2027-01-16T06:40-09:00',
      '--count',
      '6',
      '--weather',
      'demo/weather.csv',
    );
    expect(stage).toBe('midwinter');
    expect(features).toHaveLength(6);
    expect(walkM).toBeLessThan(2000);
    for (const f of features) {
      expect(f.properties.reasons.length).toBeGreaterThan(0);
      expect(f.properties.ruleIds).toContain('place.depth-band');
      expect(json('map', lake, '--at', f.geometry.coordinates.join()).depthM).toBeGreaterThan(7);
    }
    expect(burrow('holes', '--water', lake, '--species', 'walleye', '--at', '2027-01-16T06:40-09:00', '--count', '2').stderr).toMatch(/midwinter and steady weather are assumed/);
  });

  test('route orders metres and places', () => {
    writeFileSync(file('spots.csv'), '\uFEFFx,y\r\n0,0\r\n10,10\r\n10,0\r\n0,10\r\n');
    expect(json('route', file('spots.csv'), '--closed').lengthM).toBe(40);
    expect(json('route', file('spots.csv')).lengthM).toBe(30);
    writeFileSync(file('bad.csv'), 'x,y\n0,0\n1;2\n');
    const { status, stderr } = burrow('route', file('bad.csv'));
    expect(status).toBe(2);
    expect(stderr).toMatch(/bad\.csv: line 3: expected x,y in metres, found "1;2"/);
  });

  test('convert carries places through GPX, GeoJSON and CSV, and leaves nothing out unasked', () => {
    expect(burrow('convert', lake, file('lake.gpx')).status).toBe(0);
    expect(burrow('convert', file('lake.gpx'), file('back.geojson')).status).toBe(0);
    expect(burrow('convert', file('back.geojson'), file('back.csv')).status).toBe(0);
    const rows = readFileSync(file('back.csv'), 'utf8').trim().split('\n');
    const soundings = JSON.parse(readFileSync(lake, 'utf8')).features.filter((f: { properties: { role: string } }) => f.properties.role === 'sounding');
    expect(rows).toHaveLength(soundings.length + 1);
    writeFileSync(file('odd.csv'), 'lon,lat,depth_m\n-140,47,2\n-140,470,2\n');
    const refused = burrow('convert', file('odd.csv'), file('odd.gpx'));
    expect(refused.status).toBe(2);
    expect(refused.stderr).toMatch(/line 3: lat: expected -90 to 90, found 470\. Add --leave-out/);
    expect(() => readFileSync(file('odd.gpx'))).toThrow();
    expect(burrow('convert', file('odd.csv'), file('odd.gpx'), '--leave-out').status).toBe(0);
    expect(readFileSync(file('odd.gpx'), 'utf8').match(/<wpt/g)).toHaveLength(1);
  });

  test('convert takes a sounder’s log, a unit that is said, and a closed way as the shore; what was left out is listed', () => {
    writeFileSync(file('log.nmea'), '$GPGGA,081500,4700.600,N,14000.300,W,1*41\n$SDDPT,5.5,0.4*53\n$GPGGA,081501,4700.700,N,14000.300,W,1*00\n');
    const log = burrow('convert', file('log.nmea'), file('log.csv'));
    expect(log.stderr).toMatch(/log\.nmea: line 3: left out, expected the checksum [0-9A-F]{2}, found 00/);
    expect([log.status, readFileSync(file('log.csv'), 'utf8')]).toEqual([0, 'lon,lat,depth_m,time\n-140.005,47.01,5.9,\n']);

    writeFileSync(file('feet.csv'), 'lon,lat,depth\n-140,47,20\n');
    expect(burrow('convert', file('feet.csv'), file('feet.geojson')).stderr).toMatch(/line 1: expected the column depth_m in metres, found depth/);
    expect(burrow('convert', file('feet.csv'), file('feet.geojson'), '--depth-unit', 'yard').stderr).toMatch(/--depth-unit: expected m, cm, ft, fathom, found "yard"/);
    expect(burrow('convert', file('feet.csv'), file('feet.geojson'), '--depth-unit', 'ft').status).toBe(0);
    expect(JSON.parse(readFileSync(file('feet.geojson'), 'utf8')).features[0].properties.depth_m).toBe(6.096);

    const kml = (coordinates: string) => `<kml><Placemark><name>Walk</name><LineString><coordinates>${coordinates}</coordinates></LineString></Placemark></kml>`;
    writeFileSync(file('open.kml'), kml('0,0 0.01,0 0.01,0.01'));
    expect(burrow('convert', file('open.kml'), file('shore.geojson'), '--outline')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/--outline: expected a polygon, .* "Walk" whose ends are 15\d\d m apart/),
    });
    writeFileSync(file('closed.kml'), kml('0,0 0.01,0 0.01,0.01 0,0.0001'));
    expect(burrow('convert', file('closed.kml'), file('shore.gpx'), '--outline').stderr).toMatch(/expected to go to \.geojson/);
    expect(burrow('convert', file('closed.kml'), file('shore.geojson'), '--outline').status).toBe(0);
    const [shore, ...more] = JSON.parse(readFileSync(file('shore.geojson'), 'utf8')).features;
    expect([shore.properties.role, shore.geometry.coordinates[0].length, more]).toEqual(['outline', 5, []]);
  });
});
