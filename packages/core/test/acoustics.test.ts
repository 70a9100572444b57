import fc from 'fast-check';
import { beamLossDb, targetStrength } from '../src/sonar';
import { echoOf, firstBottomDepth, noiseAt, PingDrawing, simulatedHeader, type AcousticSetting, type Target } from '../src/simulator/acoustics';
import { seededRandom } from '../src/units';

const header = simulatedHeader('x', 8);
const setting: AcousticSetting = { header, bottomM: 8, slopeDeg: 0, noiseDb: -106, bottomDb: -14, trueSoundSpeedMs: header.soundSpeedMs };
const onAxis = (depthM: number, strengthDb = -38): Target => ({ offAxisM: 0, depthM, strengthDb });

/** Mean level of each bin over some pings, dB. */
function levels(targets: readonly Target[], over: Partial<AcousticSetting> = {}, pings = 60): Float64Array {
  const drawing = new PingDrawing({ ...setting, ...over });
  const random = seededRandom(5);
  const power = new Float64Array(header.bins);
  for (let k = 0; k < pings; k++) drawing.draw(targets, random).forEach((v, i) => (power[i] += 10 ** ((header.dbFloor + v * header.dbPerStep) / 10) / pings));
  return power.map((p) => 10 * Math.log10(p));
}
const binOf = (depthM: number) => Math.floor((depthM - header.transducerM) / header.binM);
const highest = (db: Float64Array, fromM: number, toM: number) => {
  let at = binOf(fromM);
  for (let i = at; i < binOf(toM); i++) if (db[i] > db[at]) at = i;
  return { depthM: (at + 0.5) * header.binM + header.transducerM, db: db[at] };
};

describe('one target', () => {
  test('answers with its strength on the axis, and by the beam’s loss less beside it, at its slant range', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 20, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }), (depthM, offAxisM) => {
        const below = depthM - header.transducerM;
        const { rangeM, levelDb } = echoOf(setting, { offAxisM, depthM, strengthDb: -40 });
        expect(rangeM).toBeCloseTo(Math.sqrt(below ** 2 + offAxisM ** 2), 9);
        expect(levelDb).toBeCloseTo(-40 + beamLossDb((Math.atan(offAxisM / below) * 180) / Math.PI, header.beamDeg), 9);
        expect(levelDb).toBeLessThanOrEqual(-40);
      }),
    );
  });

  test('is drawn where it swims, half a pulse deep, at the same level near and far', () => {
    for (const depthM of [2, 4, 6]) {
      const peak = highest(levels([onAxis(depthM)]), 1, 7);
      // A raised-cosine pulse of 5.9 cm peaks in its middle.
      expect(Math.abs(peak.depthM - depthM - 0.029)).toBeLessThan(0.03);
      expect(Math.abs(peak.db - -38)).toBeLessThan(2);
    }
  });

  test('stands in proportion to its length', () => {
    const level = (lengthCm: number) => highest(levels([onAxis(5, targetStrength(lengthCm, header.freqKHz))]), 4, 6).db;
    expect(level(40) - level(10)).toBeGreaterThan(19.1 * Math.log10(4) - 2);
    expect(level(40) - level(10)).toBeLessThan(19.1 * Math.log10(4) + 2);
  });

  test('is shown deeper in water that carries sound slower than the flasher is set for', () => {
    const slow = highest(levels([onAxis(6)], { trueSoundSpeedMs: 1402 }), 5, 7).depthM;
    const right = highest(levels([onAxis(6)]), 5, 7).depthM;
    expect((slow - header.transducerM) / (right - header.transducerM)).toBeCloseTo(header.soundSpeedMs / 1402, 2);
  });
});

describe('noise', () => {
  test('grows by 40 log R, so by 12 dB for twice the range', () => {
    expect(noiseAt(setting, 8) - noiseAt(setting, 4)).toBeCloseTo(40 * Math.log10(2), 9);
    const db = levels([], {}, 400);
    const mean = (fromM: number, toM: number) => db.slice(binOf(fromM), binOf(toM)).reduce((a, b) => a + 10 ** (b / 10), 0) / (binOf(toM) - binOf(fromM));
    // Levels below the lowest byte cannot be written; both of these lie above it, bursts left out by their rarity.
    expect(noiseAt(setting, 7)).toBeGreaterThan(header.dbFloor);
    expect(10 * Math.log10(mean(6.5, 7.5))).toBeGreaterThan(noiseAt(setting, 7) - 3);
  });
});

describe('the bottom', () => {
  test('first answers at its depth when flat, nearer on a slope, and nearer the steeper until the beam’s edge', () => {
    const at = (slopeDeg: number) => firstBottomDepth({ ...setting, bottomM: 10 + header.transducerM, slopeDeg });
    expect(at(0)).toBeCloseTo(10.1, 9);
    for (let s = 1; s <= 20; s++) expect(at(s)).toBeLessThan(at(s - 1));
    expect(10.1 - at(15)).toBeGreaterThan(0.22);
    expect(10.1 - at(15)).toBeLessThan(0.3);
  });

  test('rises above all else at its depth, with a weaker second echo at twice the range', () => {
    const db = levels([]);
    const before = highest(db, 1, 7.8).db;
    const first = highest(db, 7.9, 8.4).db;
    expect(first).toBeGreaterThan(before + 30);
    const short: AcousticSetting = { ...setting, bottomM: 3.6 };
    const random = seededRandom(2);
    const drawing = new PingDrawing(short);
    const power = new Float64Array(header.bins);
    for (let k = 0; k < 40; k++) drawing.draw([], random).forEach((v, i) => (power[i] += v / 40));
    const level = (depthM: number) => Math.max(...power.slice(binOf(depthM), binOf(depthM) + 12));
    const second = 2 * (3.6 - header.transducerM) + header.transducerM;
    expect(level(second)).toBeGreaterThan(level(second - 0.8) + 10);
    expect(level(second)).toBeLessThan(level(3.6) - 10);
  });

  test('hides what lies in it', () => {
    const gap = (heightM: number) => {
      const db = levels([onAxis(8 - heightM)]);
      const fish = binOf(8 - heightM + 0.03);
      return db[fish] - levels([])[fish];
    };
    expect(gap(0.3)).toBeGreaterThan(20);
    expect(gap(0)).toBeLessThan(3);
  });
});

test('the same seed draws the same ping, and every byte is one', () => {
  const ping = (seed: number) => new PingDrawing(setting).draw([onAxis(5), { offAxisM: 0.4, depthM: 6.2, strengthDb: -42 }], seededRandom(seed));
  expect(ping(3)).toEqual(ping(3));
  expect(ping(3)).not.toEqual(ping(4));
  expect(ping(3)).toBeInstanceOf(Uint8Array);
  expect(ping(3)).toHaveLength(header.bins);
});
