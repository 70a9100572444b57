import { beamLossDb, EchoReader, edgeDepthError, firstBottomReturn, footprint, rangeResolution, shownDepth, targetStrength, truePerShown } from '../src/sonar';
import { SimulatedFlasher } from '../src/simulator';
import { soundSpeed } from '../src/water';

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

test('on a flat bottom a fish off the axis hides once its range passes the bottom’s, on a slope the first return is nearer', () => {
  const hides = (xM: number, heightM: number, depthM: number) => Math.hypot(depthM - heightM, xM) >= depthM - rangeResolution(1463, 80);
  expect(hides(0, 0.1, 6)).toBe(false);
  expect(hides(1, 0.1, 6)).toBe(true);
  expect(hides(1, 0.4, 6)).toBe(false);
  expect(firstBottomReturn(6, 12, 20)).toBeLessThan(firstBottomReturn(6, 0, 20));
});

test('a fish fades toward the edge of the beam: −6 dB at half the angle, gone from sight at 1.9 half-angles', () => {
  expect(beamLossDb(0, 12)).toBeCloseTo(0, 12);
  expect(beamLossDb(6, 12)).toBeCloseTo(-6, 12);
  expect(beamLossDb(1.9 * 6, 12)).toBeLessThan(-20);
  for (let d = 0; d < 12; d++) expect(beamLossDb(d, 12)).toBeGreaterThan(beamLossDb(d + 1, 12));
});

test('the jig is followed when the line is let out and taken in', () => {
  const depths = [5.6, 4.2, 6.8, 3, 5];
  const flasher = new SimulatedFlasher({ seed: 4, sceneId: 'empty', start: 'x' });
  const reader = new EchoReader(flasher.header);
  let found = 0;
  for (let i = 0; i < 1200; i++) {
    if (i % 240 === 0) {
      flasher.setJig(depths[(i / 240) % depths.length]);
      reader.line(flasher.jig.commandedM);
    }
    const { ping, truth } = flasher.next();
    const { jigM } = reader.ping(ping);
    if (jigM !== null && Math.abs(jigM - truth.jigM) <= 0.12) found++;
  }
  // While the reel runs the jig is between two depths; the rest of the time it is where the line says.
  expect(found / 1200).toBeGreaterThanOrEqual(0.85);
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

test('a flasher set to another speed of sound is read true where the water is known, and what it shows itself is told beside it', () => {
  const flasher = new SimulatedFlasher({ seed: 6, sceneId: 'steady', start: 'x', trueSoundSpeedMs: soundSpeed(4) });
  const header = { ...flasher.header, waterTempC: 4 };
  const [known, unknown] = [new EchoReader(header), new EchoReader(flasher.header)];
  let off = 0;
  for (let i = 0; i < 100; i++) {
    const { ping, truth } = flasher.next();
    const { bottomM, marks } = known.ping(ping);
    const shown = unknown.ping(ping);
    if (i < 30) continue;
    expect(Math.abs(bottomM! - truth.bottomM)).toBeLessThan(0.1);
    expect(shown.bottomM!).toBeCloseTo(shownDepth(bottomM!, header), 6);
    if (!marks.some((m) => Math.abs(m.depthM - truth.fish[0].depthM) < 0.1)) off++;
  }
  expect(off).toBeLessThan(7);
  expect(truePerShown(header)).toBeCloseTo(soundSpeed(4) / 1463, 12);
  expect(truePerShown(flasher.header)).toBe(1);
  expect(shownDepth(5, header)).toBeCloseTo(0.1 + (4.9 * 1463) / soundSpeed(4), 12);
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
