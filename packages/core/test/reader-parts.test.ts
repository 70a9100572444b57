import { BottomTracker } from '../src/sonar/bottom';
import { EchoList } from '../src/sonar/echoes';
import { NoiseFloor } from '../src/sonar/noise';
import { Track } from '../src/sonar/track';
import { Tracker } from '../src/sonar/tracker';
import { trackerLimits } from '../src/sonar/tracker-limits';
import { seededRandom } from '../src/units';

const binM = 0.02;
const rate = 10;
const dbOf = (byte: number) => -90 + byte * 0.5;

describe('noise floor', () => {
  /** Bytes of exponentially distributed noise at a mean level, dB. */
  const noise = (meanDb: number, random: () => number) =>
    Uint8Array.from({ length: 320 }, () => Math.max(0, Math.round((10 * Math.log10(-Math.log(1 - random()) * 10 ** (meanDb / 10)) + 90) / 0.5)));

  const settled = (paint?: (a: Uint8Array) => void) => {
    const floor = new NoiseFloor(320, -90, 0.5, 9);
    const random = seededRandom(3);
    for (let i = 0; i < 300; i++) {
      const a = noise(-70, random);
      paint?.(a);
      floor.update(a, 320);
    }
    return floor;
  };

  test('finds the mean of the noise and sets the threshold its margin above', () => {
    for (const i of [20, 150, 300]) expect(10 * Math.log10(settled().threshold[i])).toBeCloseTo(-61, 0);
  });

  test('a stack of fish that fills half of the cells raises it by the quartile’s shift, where a mean would follow the fish', () => {
    const fishByte = 110;
    const crowded = settled((a) => {
      for (let i = 100; i < 220; i++) if (i % 8 < 4) a[i] = fishByte;
    });
    const rise = 10 * Math.log10(crowded.threshold[160] / settled().threshold[160]);
    expect(rise).toBeLessThan(5);
    expect(dbOf(fishByte) - 3 - -70).toBeGreaterThan(30);
  });

  test('the bottom is not learnt as noise, not even at the first ping', () => {
    const floor = new NoiseFloor(320, -90, 0.5, 9);
    const a = noise(-70, seededRandom(1));
    a.fill(150, 240);
    floor.update(a, 320);
    expect(10 * Math.log10(floor.threshold[300])).toBeLessThan(-25);
    expect(dbOf(150)).toBeGreaterThan(10 * Math.log10(floor.threshold[300]) + 9);
  });
});

describe('echoes of a ping', () => {
  const find = (peaks: [bin: number, db: number][]) => {
    const power = new Float32Array(200).fill(1e-7);
    for (const [bin, db] of peaks) for (const d of [-1, 0, 1]) power[bin + d] += 10 ** (db / 10) * (d === 0 ? 1 : 0.5);
    const list = new EchoList();
    list.find(power, new Float32Array(200).fill(1e-6), 1, 199, binM, 0);
    return Array.from({ length: list.count }, (_, i) => ({ rangeM: list.rangeM[i], levelDb: list.levelDb[i] }));
  };

  test('each peak is one echo at its range', () => {
    const echoes = find([
      [40, -40],
      [90, -35],
    ]);
    expect(echoes.map((e) => e.rangeM)).toEqual([expect.closeTo(0.81, 2), expect.closeTo(1.81, 2)]);
    expect(echoes[1].levelDb).toBeCloseTo(-35, 1);
  });

  test('neighbours are told apart by a dip, and a lone peak is not split', () => {
    expect(
      find([
        [60, -40],
        [65, -42],
      ]),
    ).toHaveLength(2);
    expect(
      find([
        [60, -40],
        [61, -41],
      ]),
    ).toHaveLength(1);
    expect(find([])).toHaveLength(0);
  });

  test('more echoes than it has room for are left out, not written beyond', () => {
    const power = new Float32Array(400);
    for (let i = 2; i < 400; i += 4) power[i] = 1;
    const list = new EchoList(16);
    list.find(power, new Float32Array(400).fill(0.1), 1, 399, binM, 0);
    expect(list.count).toBe(16);
  });
});

describe('bottom', () => {
  const threshold = new Float32Array(600).fill(1e-6);
  const ping = (bottomM: number | null, fish?: number) => {
    const power = new Float32Array(600).fill(1e-7);
    if (fish !== undefined) for (let i = 0; i < 3; i++) power[Math.round(fish / binM) + i] = 10 ** -3.5;
    if (bottomM !== null) for (let i = Math.round(bottomM / binM); i < 600; i++) power[i] = 10 ** -1.5 * Math.exp(-(i * binM - bottomM) / 0.15);
    return power;
  };
  const follow = (tracker: BottomTracker, pings: Float32Array[]) => pings.map((p) => tracker.update(p, threshold, 18)).at(-1)!;

  test('is the front of the lasting echo, not the fish above it', () => {
    expect(follow(new BottomTracker(binM, rate), Array(10).fill(ping(8, 7.6)))).toBeCloseTo(8, 1);
  });

  test('a jump is believed only after it has lasted', () => {
    const tracker = new BottomTracker(binM, rate);
    follow(tracker, Array(10).fill(ping(8)));
    expect(follow(tracker, Array(4).fill(ping(6)))).toBeCloseTo(8, 1);
    expect(follow(tracker, Array(10).fill(ping(6)))).toBeCloseTo(6, 1);
  });

  test('is held through a loss and given up after it', () => {
    const tracker = new BottomTracker(binM, rate);
    follow(tracker, Array(10).fill(ping(8)));
    expect(follow(tracker, Array(15).fill(ping(null)))).toBeCloseTo(8, 1);
    expect(follow(tracker, Array(30).fill(ping(null)))).toBeNull();
  });

  test('a fish alone is no bottom', () => {
    expect(new BottomTracker(binM, rate).update(ping(null, 5), threshold, 18)).toBeNull();
  });
});

describe('tracks', () => {
  /** Shows a tracker targets by their range at each ping. */
  function follow(seconds: number, targets: (s: number) => { rangeM: number; levelDb?: number }[], lineM?: number) {
    const tracker = new Tracker(rate, 0.117, 0.35);
    if (lineM !== undefined) tracker.expectJig(lineM);
    const list = new EchoList();
    const ids = new Set<number>();
    for (let t = 0; t < seconds * 1000; t += 100) {
      const seen = targets(t / 1000);
      list.count = seen.length;
      seen.forEach(({ rangeM, levelDb = -40 }, i) => {
        list.rangeM[i] = rangeM;
        list.levelDb[i] = levelDb;
      });
      tracker.update(list, t, null);
      for (const track of tracker.confirmed()) ids.add(track.id);
    }
    return { tracker, ids, tracks: [...tracker.confirmed()] };
  }

  test('a target keeps its id and its speed is learnt', () => {
    const { ids, tracks } = follow(6, (s) => [{ rangeM: 6 - 0.1 * s }]);
    expect(ids.size).toBe(1);
    expect(tracks[0].speedMs).toBeCloseTo(-0.1, 2);
  });

  test('two that cross stay two', () => {
    const { ids, tracks } = follow(
      12,
      (s) => [
        { rangeM: 5 + 0.12 * s, levelDb: -38 },
        { rangeM: 6.5 - 0.12 * s, levelDb: -42 },
      ],
      20,
    );
    expect(ids.size).toBe(2);
    expect(tracks.map((t) => Math.sign(t.speedMs)).sort()).toEqual([-1, 1]);
  });

  test('a burst of a ping or two is nothing', () => {
    const { ids } = follow(4, (s) => (Math.round(s * 10) === 12 || Math.round(s * 10) === 13 ? [{ rangeM: 4 }] : []));
    expect(ids.size).toBe(0);
  });

  test.each([
    [5, 3],
    [10, 4],
    [20, 4],
  ])('at %d pings a second a target counts from its hit number %d on, since fewer pings tell more each', (pingRateHz, hits) => {
    const tracker = new Tracker(pingRateHz, 0.117, 0.35);
    const list = new EchoList();
    list.count = 1;
    list.rangeM[0] = 4;
    list.levelDb[0] = -40;
    for (let ping = 0; ping < hits; ping++) {
      expect(tracker.confirmed()).toEqual([]);
      tracker.update(list, (1000 * ping) / pingRateHz, null);
    }
    expect(tracker.confirmed()).toHaveLength(1);
  });

  test('a target that fades for half a second comes back as itself, one that goes is dropped', () => {
    const { ids } = follow(5, (s) => (s > 2 && s < 2.5 ? [] : [{ rangeM: 4 }]));
    expect(ids.size).toBe(1);
    expect(follow(6, (s) => (s > 3 ? [] : [{ rangeM: 4 }])).tracks).toEqual([]);
  });

  test('the jig is the target at its line, and a fish that swims past does not take it along', () => {
    const { tracker, ids } = follow(
      10,
      (s) =>
        [
          { rangeM: 5.02, levelDb: -46 },
          { rangeM: 4 + 0.2 * s, levelDb: -44 },
        ].filter((x, i) => i === 0 || Math.abs(x.rangeM - 5.02) > 0.05),
      5,
    );
    expect(tracker.jig!.rangeM).toBeCloseTo(5.02, 1);
    expect(ids.size).toBeLessThanOrEqual(2);
  });

  test('without a line counter the target that never fades becomes the jig', () => {
    const random = seededRandom(4);
    const { tracker } = follow(12, () => [{ rangeM: 5 + 0.01 * random() }, ...(random() < 0.7 ? [{ rangeM: 6.2 }] : [])]);
    expect(tracker.jig?.rangeM).toBeCloseTo(5, 1);
  });

  test('a filter grows unsure while it predicts and surer when it is corrected', () => {
    const track = new Track(5, -40, 0, trackerLimits.fish);
    track.predict(0.1);
    const before = track.innovationVariance;
    track.predict(0.5);
    expect(track.innovationVariance).toBeGreaterThan(before);
    track.correct(5.1, -41);
    expect(track.innovationVariance).toBeLessThan(before);
    expect(track.rangeM).toBeGreaterThan(5);
    expect(track.rangeM).toBeLessThan(5.1);
  });
});
