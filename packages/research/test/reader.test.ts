import { runReaderTrial, type ReaderFigures, type ReaderTrial } from '../src/trials';

/** Mean of a figure over seeds that the reader was not made with. */
function figures(trial: ReaderTrial, seeds = [9001, 9002, 9003]) {
  const rows = seeds.map((seed) => runReaderTrial(trial, seed));
  const sum = (of: (r: ReaderFigures) => number) => rows.reduce((a, r) => a + of(r), 0);
  return {
    bottom: sum((r) => r.bottom) / rows.length,
    jig: sum((r) => r.jig ?? 0) / rows.length,
    tops: sum((r) => r.tops),
    top:
      sum((r) => (r.top ?? 0) * r.tops) /
      Math.max(
        1,
        sum((r) => r.tops),
      ),
    required: sum((r) => r.required),
    mota:
      1 -
      sum((r) => r.missed + r.wrong + r.switched) /
        Math.max(
          1,
          sum((r) => r.required),
        ),
    falsePerMin: sum((r) => r.falsePerMin) / rows.length,
    bait: rows[0].bait,
  };
}

test.each(['stack', 'wary', 'roaming', 'bottom', 'chasers', 'dusk', 'six', 'steady', 'touching', 'cone-edge', 'off-bottom', 'second-echo'])(
  'scene "%s": bottom, jig and fish are found, keep their names, and nothing is made up',
  (sceneId) => {
    const s = figures({ sceneId, minutes: 3 });
    expect(s.bottom).toBeGreaterThanOrEqual(0.99);
    expect(s.jig).toBeGreaterThanOrEqual(0.95);
    expect(s.required).toBeGreaterThan(300);
    expect(s.mota).toBeGreaterThanOrEqual(0.9);
    if (s.tops > 0) expect(s.top).toBeGreaterThanOrEqual(0.95);
  },
);

test('a stack too thick to count has its top within 15 cm, and a band of bait is told from fish', () => {
  expect(figures({ sceneId: 'thick-stack', minutes: 2 }).top).toBeGreaterThanOrEqual(0.95);
  const bait = figures({ sceneId: 'bait', minutes: 2 });
  expect(bait.bait!).toBeGreaterThanOrEqual(0.9);
  expect(bait.mota).toBeGreaterThanOrEqual(0.85);
});

test('a stray of bait that has taken the jig’s name does not keep it: the jig under it is no fish', () => {
  const log = figures({ sceneId: 'bait', minutes: 3 }, [7020]);
  expect(log.tops).toBeGreaterThan(1000);
  expect(log.top).toBeGreaterThanOrEqual(0.95);
});

test('empty water stays empty', () => {
  const s = figures({ sceneId: 'empty', minutes: 4 }, [1, 2, 3, 4, 5]);
  expect(s.bottom).toBeGreaterThanOrEqual(0.99);
  expect(s.falsePerMin).toBeLessThanOrEqual(1);
});

test.each<[string, ReaderTrial]>([
  ['a sounder set to the wrong speed of sound', { sceneId: 'stack', minutes: 3, sounder: { soundSpeedMs: 1500 }, trueSoundSpeedMs: 1421.6 }],
  ['a transducer deep in the hole', { sceneId: 'stack', minutes: 3, sounder: { transducerM: 0.6 } }],
  ['a wide beam and few pings', { sceneId: 'roaming', minutes: 3, sounder: { beamDeg: 20, pingRateHz: 5 } }],
  ['a long pulse and many pings', { sceneId: 'six', minutes: 1, sounder: { pulseUs: 120, pingRateHz: 20 } }],
  ['fish landed, the line up meanwhile', { sceneId: 'stack', minutes: 4, landS: 20 }],
  ['a bottom that is lost for a second and a half each minute', { sceneId: 'stack', minutes: 3, lossS: 1.5 }],
])('with %s it reads as well', (_, trial) => {
  const s = figures(trial);
  expect(s.bottom).toBeGreaterThanOrEqual(0.99);
  expect(s.jig).toBeGreaterThanOrEqual(0.95);
  expect(s.mota).toBeGreaterThanOrEqual(0.9);
});
