import fc from 'fast-check';
import { Coach } from '@burrow/core/coach';
import { SimulatedFlasher } from '@burrow/core/simulator';
import { EchoReader } from '@burrow/core/sonar';
import { base64Of, EchoLogReader, FormatError, headerLine, lineLine, pingLine } from '../src/formats';

const flasher = new SimulatedFlasher({ seed: 3, sceneId: 'stack', start: '2027-01-16T06:40:00.000-09:00' });
const header = { ...flasher.header, bins: 200 };
const pings = Array.from({ length: 40 }, () => flasher.next().ping).map(({ t, a }) => ({ t, a: a.slice(300, 500) }));
const lines = [headerLine(header), lineLine(0, 7), ...pings.map(pingLine)];

/** Reads a log to its end or to its first bad line, coach and all; answers how many pings were read and what was wrong. */
function readAll(text: readonly string[]): { read: number; error: FormatError | null } {
  const log = new EchoLogReader();
  let reader: EchoReader | null = null;
  const coach = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 });
  let read = 0;
  for (const line of text) {
    try {
      const record = log.push(line);
      if (!record || !log.header) continue;
      reader ??= new EchoReader(log.header);
      if (record.type === 'line') reader.line(record.m);
      if (record.type !== 'ping') continue;
      const state = reader.ping(record.ping);
      for (const m of [state.bottomM, state.jigM, ...state.marks.flatMap((k) => [k.depthM, k.levelDb, k.riseMs])]) if (m !== null) expect(Number.isFinite(m)).toBe(true);
      const advice = coach.update(state);
      if (advice) expect(Number.isFinite(advice.jigM)).toBe(true);
      read++;
    } catch (error) {
      // Whatever is wrong is said as a format error with its line, never as a crash.
      expect(error).toBeInstanceOf(FormatError);
      return { read, error: error as FormatError };
    }
  }
  return { read, error: null };
}

test('the log itself is read to its end', () => {
  expect(readAll(lines)).toEqual({ read: 40, error: null });
});

test('a log with any line cut, doubled, swapped or scribbled on is read up to it, and the line is named', () => {
  const harm = fc.constantFrom<(text: string[], at: number, n: number) => void>(
    (text, at, n) => void (text[at] = text[at].slice(0, n % text[at].length)),
    (text, at) => void text.splice(at, 0, text[at]),
    (text, at) => void ([text[at], text[at + 1]] = [text[at + 1] ?? '', text[at]]),
    (text, at, n) => void (text[at] = text[at].replace(/[A-Za-z0-9]/g, (c, i: number) => (i % 7 === n % 7 ? '#' : c))),
    (text, at) => void (text[at] = '\u0000\ud800{"type":'),
  );
  fc.assert(
    fc.property(harm, fc.integer({ min: 0, max: lines.length - 2 }), fc.nat(5000), (spoil, at, n) => {
      const text = [...lines];
      spoil(text, at, n);
      const { read, error } = readAll(text);
      if (error) {
        const line = Number(/line (\d+)/.exec(error.message)![1]);
        expect(line).toBeGreaterThanOrEqual(at + 1);
        expect(line).toBeLessThanOrEqual(at + 2);
        expect(read).toBeGreaterThanOrEqual(Math.max(0, at - 3));
      }
    }),
    { numRuns: 300, seed: 4 },
  );
});

test('headers out of range, without bins or too large are refused for what they are', () => {
  const field = fc.constantFrom('bins', 'binM', 'pingRateHz', 'soundSpeedMs', 'beamDeg', 'dbPerStep', 'transducerM', 'freqKHz', 'pulseUs');
  const value = fc.oneof(fc.constantFrom(0, -1, 1e9, null, 'many', [], 0.5), fc.double());
  fc.assert(
    fc.property(field, value, (name, wrong) => {
      const { error } = readAll([JSON.stringify({ ...JSON.parse(lines[0]), [name]: wrong }), ...lines.slice(1)]);
      if (error) expect(error.message).toMatch(/line \d+: /);
    }),
    { numRuns: 300, seed: 5 },
  );
  for (const [name, wrong] of [
    ['bins', 0],
    ['bins', 100_000],
    ['pingRateHz', 0],
    ['binM', -0.02],
  ] as const)
    expect(readAll([JSON.stringify({ ...JSON.parse(lines[0]), [name]: wrong })]).error!.message).toMatch(new RegExp(`line 1: .*${name}`));
  expect(readAll([lines[0], JSON.stringify({ type: 'ping', t: 0, a: '' })]).error!.message).toMatch(/expected 200 bins, found 0/);
  expect(readAll([lines[0], JSON.stringify({ type: 'ping', t: 0, a: base64Of(new Uint8Array(4000)) })]).error!.message).toMatch(/expected 200 bins, found 4000/);
});

test('gaps, another rate than the header says, and silence do not upset reader or coach', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 20_000 }), { minLength: 5, maxLength: 40 }), fc.constantFrom(0, 128, 255), (steps, level) => {
      let t = 0;
      const text = [lines[0], ...steps.map((step, i) => pingLine({ t: (t += step), a: i % 3 === 0 ? new Uint8Array(200).fill(level) : pings[i % pings.length].a }))];
      expect(readAll(text)).toEqual({ read: steps.length, error: null });
    }),
    { numRuns: 120, seed: 6 },
  );
});
