import { EchoReader, edgeDepthError, firstBottomReturn, footprint, rangeResolution, targetStrength, type EchoState } from '../src/sonar';
import { SimulatedFlasher, type Truth } from '../src/simulator';

test('a 20° beam covers 2.12 m at 6 m', () => {
  expect(footprint(6, 20)).toBeCloseTo(2.12, 2);
  expect(() => footprint(6, 0)).toThrow(RangeError);
});

test('a fish of 25 cm at 200 kHz answers with −37.4 dB', () => {
  expect(targetStrength(25, 200)).toBeCloseTo(-37.4, 1);
});

test('an 80 µs pulse resolves about 6 cm', () => {
  expect(rangeResolution(1463, 80)).toBeCloseTo(0.0585, 4);
});

test('an edge mark at 6 m reads up to 0.35 m too deep at 20°, 0.12 m at 12°', () => {
  expect(edgeDepthError(6, 20)).toBeCloseTo(0.35, 2);
  expect(edgeDepthError(6, 12)).toBeCloseTo(0.12, 2);
});

test('on a slope of 15° at 10 m the first return is 0.22 to 0.30 m shallower, on the flat not at all', () => {
  const short = 10 - firstBottomReturn(10, 15, 12);
  expect(short).toBeGreaterThanOrEqual(0.22);
  expect(short).toBeLessThanOrEqual(0.3);
  expect(firstBottomReturn(10, 0, 12)).toBe(10);
});

/** Reads a simulated water and scores the reader by the truth it never sees. */
function score(sceneId: string, seed: number, minutes: number, change?: (flasher: SimulatedFlasher, reader: EchoReader, ping: number) => void) {
  const flasher = new SimulatedFlasher({ seed, sceneId, start: '2027-01-16T06:40:00.000-09:00' });
  const reader = new EchoReader(flasher.header);
  reader.line(flasher.jig.commandedM);
  const resolution = 2 * rangeResolution(flasher.header.soundSpeedMs, flasher.header.pulseUs);
  const pings = minutes * 60 * flasher.header.pingRateHz;
  const found = { bottom: 0, jig: 0, required: 0, seen: 0 };
  const ids = new Map<number, { first: number; last: number; hits: number; misses: number }>();
  for (let i = 0; i < pings; i++) {
    change?.(flasher, reader, i);
    const { ping, truth } = flasher.next();
    const state = reader.ping(ping);
    if (state.bottomM !== null && Math.abs(state.bottomM - truth.bottomM) <= 0.12) found.bottom++;
    if (state.jigM !== null && Math.abs(state.jigM - truth.jigM) <= 0.12) found.jig++;
    for (const fish of truth.fish) {
      // Required: 4 dB above the threshold (9 dB over the mean noise), off the bottom and apart from the jig.
      if (fish.levelDb < fish.noiseDb + 13 || fish.rangeFromBottomM <= resolution || Math.abs(fish.depthM - truth.jigM) <= resolution) continue;
      found.required++;
      if (state.marks.some((m) => Math.abs(m.depthM - fish.depthM) <= 0.15)) found.seen++;
    }
    countIds(state, truth, ids);
  }
  const isFalse = (e: { first: number; last: number; hits: number; misses: number }) => e.last - e.first >= 1000 && e.misses > e.hits;
  return {
    bottom: found.bottom / pings,
    jig: found.jig / pings,
    fish: found.seen / found.required,
    required: found.required,
    falsePerMin: [...ids.values()].filter(isFalse).length / minutes,
  };
}

function countIds(state: EchoState, truth: Truth, ids: Map<number, { first: number; last: number; hits: number; misses: number }>) {
  for (const mark of state.marks) {
    const entry = ids.get(mark.id) ?? { first: state.t, last: state.t, hits: 0, misses: 0 };
    entry.last = state.t;
    if (truth.fish.some((f) => Math.abs(f.depthM - mark.depthM) <= 0.25)) entry.hits++;
    else entry.misses++;
    ids.set(mark.id, entry);
  }
}

test.each([7, 8, 9, 10])('one steady fish, seed %d: bottom, jig and fish are found and nothing is made up', (seed) => {
  const s = score('steady', seed, 5);
  expect(s.bottom).toBeGreaterThanOrEqual(0.99);
  expect(s.jig).toBeGreaterThanOrEqual(0.9);
  expect(s.required).toBeGreaterThan(2000);
  expect(s.fish).toBeGreaterThanOrEqual(0.85);
  expect(s.falsePerMin).toBeLessThan(3);
});

test.each([7, 8, 9])('a lively stack about the jig, seed %d: neither jig nor fish is lost, nor taken for the other', (seed) => {
  const s = score('stack', seed, 4);
  expect(s.bottom).toBeGreaterThanOrEqual(0.99);
  expect(s.jig).toBeGreaterThanOrEqual(0.95);
  expect(s.fish).toBeGreaterThanOrEqual(0.85);
  expect(s.falsePerMin).toBeLessThan(3);
});

test.each([1, 2, 3])('empty water, seed %d, stays empty', (seed) => {
  const s = score('empty', seed, 5);
  expect(s.bottom).toBeGreaterThanOrEqual(0.99);
  expect(s.falsePerMin).toBeLessThan(1);
});

test('the jig is followed when the line is let out and taken in', () => {
  const depths = [5.6, 4.2, 6.8, 3, 5];
  const s = score('empty', 4, 2, (flasher, reader, ping) => {
    if (ping % 240 !== 0) return;
    flasher.setJig(depths[(ping / 240) % depths.length]);
    reader.line(flasher.jig.commandedM);
  });
  // While the reel runs the jig is between two depths; the rest of the time it is where the line says.
  expect(s.jig).toBeGreaterThanOrEqual(0.85);
});

test('a ping of the wrong length is refused, and depths follow the true speed of sound', () => {
  const flasher = new SimulatedFlasher({ seed: 1, sceneId: 'empty', start: 'x' });
  const plain = new EchoReader(flasher.header);
  const corrected = new EchoReader(flasher.header, { trueSoundSpeedMs: 1421.63 });
  expect(() => plain.ping({ t: 0, a: new Uint8Array(3) })).toThrow(/must have 700 bins, found 3/);
  const pings = Array.from({ length: 30 }, () => flasher.next().ping);
  const bottom = (reader: EchoReader) => pings.map((p) => reader.ping(p)).at(-1)!.bottomM! - flasher.header.transducerM;
  expect(bottom(corrected) / bottom(plain)).toBeCloseTo(1421.63 / 1463, 6);
});

test('a bottom lost for a second and a half is held, and a fish is not taken for it', () => {
  const flasher = new SimulatedFlasher({ seed: 5, sceneId: 'steady', start: 'x' });
  const reader = new EchoReader(flasher.header);
  let held = 0;
  for (let i = 0; i < 300; i++) {
    const { ping, truth } = flasher.next();
    const lost = i >= 200 && i < 215;
    if (lost) ping.a.fill(30, Math.floor((truth.bottomM - 0.6) / flasher.header.binM));
    const { bottomM } = reader.ping(ping);
    if (lost && bottomM !== null && Math.abs(bottomM - truth.bottomM) < 0.12) held++;
  }
  expect(held).toBe(15);
});

test.each([1, 3, 13.4, 30])('the simulated flasher reaches a bottom at %d m, and no further than it says', (bottomM) => {
  const flasher = new SimulatedFlasher({ seed: 2, sceneId: 'stack', start: 'x', bottomM });
  const reader = new EchoReader(flasher.header);
  let near = 0;
  for (let i = 0; i < 60; i++) {
    const { ping, truth } = flasher.next();
    const { bottomM: read } = reader.ping(ping);
    expect(truth.jigM).toBeLessThan(bottomM);
    if (read !== null && Math.abs(read - truth.bottomM) <= 0.12) near++;
  }
  expect(near).toBeGreaterThanOrEqual(57);
  expect(() => new SimulatedFlasher({ seed: 1, sceneId: 'stack', start: 'x', bottomM: 70 })).toThrow(/bottom must be 0.5 to 60 m, found 70/);
});

test('the simulation is the same for a seed, and another for another', () => {
  const run = (seed: number) => {
    const flasher = new SimulatedFlasher({ seed, sceneId: 'stack', start: 'x' });
    return Array.from({ length: 100 }, () => flasher.next().ping.a.reduce((sum, a, i) => (sum * 31 + a * i) % 1_000_003, 7));
  };
  expect(run(3)).toEqual(run(3));
  expect(run(3)).not.toEqual(run(4));
});

test('fish answer to the jig: some take it, and none take a jig that is far above them', () => {
  const takes = (sceneId: string, jigM: number) => {
    let count = 0;
    for (let seed = 1; seed <= 4; seed++) {
      const flasher = new SimulatedFlasher({ seed, sceneId, start: 'x' });
      flasher.setJig(jigM);
      for (let i = 0; i < 3600; i++) if (flasher.next().take) count++;
    }
    return count;
  };
  expect(takes('stack', 5.4)).toBeGreaterThan(1);
  expect(takes('stack', 0.6)).toBe(0);
});
