import { FormatError, parseMetars } from '../src/formats';

const read = (text: string, month = '2027-01') => parseMetars(text, month);

test('a report becomes an hour of weather in SI', () => {
  const { series, bad } = read('METAR UPLD 161540Z 31012G20KT 10SM -SN FEW020 BKN045 M06/M09 A3002 RMK AO2 SLP165');
  expect(bad).toEqual([]);
  expect(series).toHaveLength(1);
  expect(series[0]).toMatchObject({ atMs: Date.UTC(2027, 0, 16, 15, 40), airC: -6, windFromDeg: 310, cloud: 0.75, precipMm: 0.4, snowCm: null });
  expect(series[0].windMs).toBeCloseTo(6.17, 2);
  expect(series[0].pressureHpa).toBeCloseTo(1016.6, 1);
});

test('other units, calm, varying wind, clear and hidden skies', () => {
  const { series, bad } = read(
    ['UPLD 160000Z 00000KT CAVOK M10/M12 Q1031', 'UPLD 160100Z VRB03MPS 9999 NSC M11/M13 Q1030 NOSIG', 'UPLD 160200Z 18010KMH 0400 +SHSN VV002 M02/M02 Q0998='].join('\n'),
  );
  expect(bad).toEqual([]);
  expect(series.map((r) => r.cloud)).toEqual([0, 0, 1]);
  expect(series.map((r) => r.windMs?.toFixed(2))).toEqual(['0.00', '3.00', '2.78']);
  expect(series[1].windFromDeg).toBeNull();
  expect(series[2]).toMatchObject({ pressureHpa: 998, precipMm: 5 });
});

test('the month turns when the days fall back, the year with it', () => {
  const { series } = read('UPLD 312300Z 31005KT M06/M09 Q1014\nUPLD 010000Z 31005KT M06/M09 Q1014', '2026-12');
  expect(series.map((r) => new Date(r.atMs).toISOString())).toEqual(['2026-12-31T23:00:00.000Z', '2027-01-01T00:00:00.000Z']);
});

/** Two hundred reports, every tenth with something wrong. */
const faults: readonly [string, string, RegExp][] = [
  ['31012KT', '3101XKT', /wind/],
  ['BKN045', 'BKN0Z5', /cloud/],
  ['M06/M09', 'M6/M0X', /temperature/],
  ['Q1014', 'Q10l4', /pressure/],
  ['Q1014', 'Q0300', /850 to 1100/],
];

test('of 200 reports with wrong and odd groups what is right is read, and line and group of what is not are named', () => {
  const wanted: { line: number; group: string; expected: RegExp }[] = [];
  const lines = Array.from({ length: 200 }, (_, i) => {
    const at = `${String(1 + Math.floor(i / 24)).padStart(2, '0')}${String(i % 24).padStart(2, '0')}00Z`;
    const report = `METAR UPLD ${at} AUTO 31012KT 280V340 9999 R09L/1200 -SN BKN045 M06/M09 Q1014 NOSIG`;
    if (i % 10 !== 3) return report;
    const [good, broken, expected] = faults[Math.floor(i / 10) % faults.length];
    wanted.push({ line: i + 1, group: broken === 'Q0300' ? 'pressure 300' : broken, expected });
    return report.replace(good, broken);
  });
  const { series, bad } = read(lines.join('\r\n'));
  expect(series).toHaveLength(200);
  expect(bad.map(({ line, group }) => ({ line, group }))).toEqual(wanted.map(({ line, group }) => ({ line, group })));
  bad.forEach((b, k) => expect(b.expected).toMatch(wanted[k].expected));
  // Whatever else stood in a broken report is there.
  for (const { line, group } of wanted) {
    const row = series[line - 1];
    const isGone = { '3101XKT': 'windMs', BKN0Z5: 'cloud', 'M6/M0X': 'airC', Q10l4: 'pressureHpa', 'pressure 300': 'pressureHpa' }[group];
    for (const key of ['windMs', 'cloud', 'airC', 'pressureHpa'] as const) expect(row[key] === null).toBe(key === isGone);
  }
});

test('a report without a time is left out and named; a file without any is refused', () => {
  const { series, bad } = read('UPLD 31012KT M06/M09 Q1014\nUPLD 161500Z M06/M09 Q1014\nUPLD 421500Z M06/M09 Q1014');
  expect(series).toHaveLength(1);
  expect(bad.map((b) => b.line)).toEqual([1, 3]);
  expect(() => read('hello there')).toThrow(FormatError);
  expect(() => read('\n# nothing\n')).toThrow('expected METAR reports, found none');
  expect(() => read('UPLD 161500Z', 'January')).toThrow('month: expected a year and month');
});

test('one odd group costs no more than itself, wherever in the file it stands', () => {
  const odd = ['2500W', '0800NE', '1 1/2SM', 'P6SM', '////', '300V010'];
  const { series, bad } = read(odd.map((group, h) => `UPLD 16${String(h).padStart(2, '0')}00Z 31012KT ${group} BKN020 M06/M09 Q1014`).join('\n'));
  expect(series.map((r) => [r.airC, r.cloud, r.pressureHpa])).toEqual(odd.map(() => [-6, 0.75, 1014]));
  expect(bad).toEqual([]);
});

test('a clear sky by an automatic station and a temperature without a dew point are read', () => {
  const { series, bad } = read('UPLD 160000Z 31012KT CLR M07/ A3002\nUPLD 160100Z 31012KT CLR 03/// A3002\nUPLD 160200Z 31012KT BKN020 M00/M02 A3002');
  expect(bad).toEqual([]);
  expect(series.map((r) => [r.airC, r.cloud])).toEqual([
    [-7, 0],
    [3, 0],
    [-0, 0.75],
  ]);
});
