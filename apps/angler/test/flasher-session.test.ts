import { base64Of } from '@burrow/contract/formats/echo-log';
import { emptyMemory } from '@burrow/core/coach';
import { SimulatedFlasher } from '@burrow/core/simulator';
import { flasherApi } from '@/workers/flasher.api';
import type { Frame, SessionConfig } from '@/workers/frame';

/** The browser's event source, in the hands of the test. */
class FakeSource {
  static last: FakeSource | null = null;
  static opened = 0;
  closed = false;
  private readonly listeners = new Map<string, (event: unknown) => void>();
  constructor(readonly url: string) {
    FakeSource.last = this;
    FakeSource.opened++;
  }
  addEventListener(name: string, listener: (event: unknown) => void) {
    this.listeners.set(name, listener);
  }
  close() {
    this.closed = true;
  }
  emit(name: string, data: unknown = {}) {
    if (!this.closed) this.listeners.get(name)?.({ data: JSON.stringify(data) });
  }
}

const watch: SessionConfig = { mode: 'live', speciesId: 'black-crappie', waterTempC: 4, bottomM: 8, stepM: 0.1, sceneId: 'stack', seed: 1 };
const posts: { url: string; body: unknown }[] = [];
let frames: Frame[] = [];
let device: SimulatedFlasher;

beforeEach(() => {
  jest.useFakeTimers();
  frames = [];
  posts.length = 0;
  FakeSource.opened = 0;
  device = new SimulatedFlasher({ seed: 5, sceneId: 'stack', start: 'x', bottomM: 8 });
  Object.assign(globalThis, {
    EventSource: FakeSource,
    fetch: jest.fn(async (url: string, init: { body: string }) => {
      posts.push({ url, body: JSON.parse(init.body) });
      return { json: async () => ({ take: { lengthMm: 250, depthM: 6 } }) };
    }),
  });
});
afterEach(() => {
  flasherApi.stop();
  jest.useRealTimers();
});

const start = (over: Partial<SessionConfig> = {}) => flasherApi.start({ ...watch, ...over }, (frame) => frames.push(frame));
const greet = () => FakeSource.last!.emit('header', { simulated: true, header: device.header, jigM: device.jig.commandedM });
/** The device pings for a while, ten times a second. */
function ping(seconds: number) {
  for (let i = 0; i < seconds * 10; i++) {
    const { ping: next } = device.next();
    FakeSource.last!.emit('ping', { t: next.t, a: base64Of(next.a), jigM: device.jig.commandedM });
    jest.advanceTimersByTime(100);
  }
}
const sources = () => [...new Set(frames.map((f) => f.source))];

test('depths are true in water colder than the flasher is set for, and the log kept of it says how cold', () => {
  device = new SimulatedFlasher({ seed: 5, sceneId: 'stack', start: 'x', bottomM: 20, trueSoundSpeedMs: 1421.6 });
  start({ bottomM: 20 });
  greet();
  ping(3);
  expect(frames.at(-1)!.state.bottomM).toBeCloseTo(device.next().truth.bottomM, 0);
  expect(frames.at(-1)!.header.waterTempC).toBe(4);
  expect(JSON.parse(flasherApi.log()!.split('\n')[0])).toMatchObject({ waterTempC: 4, soundSpeedMs: 1463 });
});

test('a thermometer that reads under freezing stops neither the live flasher nor the simulated one', () => {
  start({ waterTempC: -1 });
  greet();
  ping(2);
  expect(frames.at(-1)!.header.waterTempC).toBe(0);
  start({ mode: 'local', waterTempC: -1 });
  jest.advanceTimersByTime(1000);
  expect(frames.at(-1)!).toMatchObject({ source: 'local', header: { waterTempC: 0 } });
});

test('live pings are read and coached over', () => {
  start();
  expect(FakeSource.last!.url).toBe('/api/flasher/stream?bottomM=8');
  greet();
  ping(3);
  expect(sources()).toEqual(['live']);
  expect(frames.at(-1)!.state.bottomM).toBeCloseTo(8, 0);
  expect(frames.at(-1)!.advice).not.toBeNull();
});

test('a silent flasher is replaced by the local simulation, which goes over when it speaks again', () => {
  start();
  greet();
  ping(2);
  jest.advanceTimersByTime(3500);
  expect(frames.at(-1)!.source).toBe('local');
  expect(frames.at(-1)!.state.bottomM).toBeCloseTo(8, 0);
  const opened = FakeSource.opened;
  jest.advanceTimersByTime(10_000);
  expect(FakeSource.opened).toBeGreaterThan(opened);
  greet();
  ping(2);
  expect(frames.at(-1)!.source).toBe('live');
  const after = frames.length;
  ping(1);
  // One source only: ten frames a second, none from the simulation beside it.
  expect(frames.length - after).toBe(10);
});

test('with nobody there at all the simulation starts by itself', () => {
  start();
  FakeSource.last!.emit('error');
  jest.advanceTimersByTime(4000);
  expect(sources()).toEqual(['local']);
});

test('the rod goes to the flasher with its beat, and a draw takes up the line and leaves the rod at work', () => {
  start();
  greet();
  ping(1);
  flasherApi.setLine(6);
  posts.length = 0;
  flasherApi.work('tap', 4, 0.6);
  flasherApi.work('slow-lift', 4, 0.6);
  expect(posts).toEqual([
    { url: '/api/flasher/line', body: { depthM: 6, rod: expect.objectContaining({ beatPerMin: 220 }) as unknown } },
    { url: '/api/flasher/line', body: { depthM: 5.4 } },
  ]);
});

test('the jig’s depth goes to the flasher, is kept through a loss, and told again on return', () => {
  start();
  greet();
  ping(1);
  flasherApi.setLine(6.2);
  expect(posts).toEqual([{ url: '/api/flasher/line', body: { depthM: 6.2 } }]);
  jest.advanceTimersByTime(6000);
  expect(frames.at(-1)).toMatchObject({ source: 'local', lineM: 6.2 });
  expect(frames.at(-1)!.state.jigM).toBeCloseTo(6.2, 0);
  posts.length = 0;
  jest.advanceTimersByTime(5000);
  greet();
  expect(posts).toEqual([{ url: '/api/flasher/line', body: { depthM: 6.2 } }]);
});

test('a take is told with the next ping, and a strike asks the source in use', async () => {
  start();
  greet();
  ping(1);
  FakeSource.last!.emit('take', { t: 1 });
  ping(0.2);
  expect(frames.slice(-2).map((f) => f.taken)).toEqual([true, false]);
  await expect(flasherApi.strike()).resolves.toEqual({ lengthMm: 250, depthM: 6 });
});

test('practice never asks the network', async () => {
  start({ mode: 'local', sceneId: 'empty' });
  jest.advanceTimersByTime(2000);
  flasherApi.setLine(3);
  flasherApi.setRod({ liftM: 0.1, beatPerMin: 60, pauseS: 1 });
  flasherApi.setRod(null);
  expect(await flasherApi.strike()).toBeNull();
  jest.advanceTimersByTime(8000);
  expect(sources()).toEqual(['local']);
  expect(frames.at(-1)!.state.jigM).toBeCloseTo(3, 0);
  expect(FakeSource.opened).toBe(0);
  expect(posts).toEqual([]);
});

test('an impossible bottom is said, not swallowed', () => {
  expect(() => start({ mode: 'local', bottomM: Number.NaN })).toThrow(/bottom must be 0.5 to 60 m, found NaN/);
});

test('a new start ends the one before', () => {
  start({ mode: 'local' });
  jest.advanceTimersByTime(1000);
  start({ mode: 'local', sceneId: 'empty' });
  const before = frames.length;
  jest.advanceTimersByTime(1000);
  expect(frames.length - before).toBe(10);
});

describe('what is told goes to the coach', () => {
  test('a coach goes on from what the outing has told, through a loss too', () => {
    start({ mode: 'local', memory: { ...emptyMemory(), refusals: 3 } });
    jest.advanceTimersByTime(500);
    flasherApi.reacted('refused');
    expect(flasherApi.memory().refusals).toBe(4);
    flasherApi.reacted('bite');
    expect(flasherApi.memory().refusals).toBe(0);
  });

  test('a slow lift draws the line up slowly', () => {
    start({ mode: 'local', sceneId: 'empty' });
    jest.advanceTimersByTime(1500);
    flasherApi.setLine(5);
    jest.advanceTimersByTime(3000);
    flasherApi.work('slow-lift', 4, 0.5);
    jest.advanceTimersByTime(2000);
    expect(frames.at(-1)!.lineM).toBeCloseTo(4.5, 6);
    expect(frames.at(-1)!.state.jigM).toBeGreaterThan(4.75);
    jest.advanceTimersByTime(9000);
    expect(frames.at(-1)!.state.jigM).toBeCloseTo(4.5, 1);
  });
});

describe('a drill', () => {
  test('is reviewed: each change of what is seen is a decision', () => {
    start({ mode: 'drill', sceneId: 'stack', seed: 4 });
    jest.advanceTimersByTime(90_000);
    const review = flasherApi.review()!;
    expect(review.seconds).toBeGreaterThanOrEqual(89);
    expect(review.decisions.length).toBeGreaterThan(1);
    expect(review.trace.length).toBeGreaterThan(150);
    expect(review.score).toBeGreaterThanOrEqual(0);
    expect(review.score).toBeLessThanOrEqual(100);
  });

  test('outside a drill there is nothing to review', () => {
    start({ mode: 'local' });
    jest.advanceTimersByTime(1000);
    expect(flasherApi.review()).toBeNull();
  });
});

describe('echo logs', () => {
  /** The last minute of a live reading, as it is kept. */
  function kept(): string {
    start({ mode: 'local', sceneId: 'steady' });
    jest.advanceTimersByTime(40_000);
    flasherApi.setLine(4.8);
    jest.advanceTimersByTime(20_000);
    return flasherApi.log()!;
  }
  const play = (text: string) => {
    frames = [];
    return flasherApi.open(text, watch, (frame) => frames.push(frame));
  };

  test('what was read live plays back with the same advice at its end', () => {
    const text = kept();
    const last = frames.at(-1)!;
    const lengthMs = play(text);
    expect(lengthMs).toBeGreaterThan(58_000);
    flasherApi.play(16);
    jest.advanceTimersByTime(5000);
    expect(frames.at(-1)).toMatchObject({ source: 'log', lineM: 4.8 });
    expect(frames.at(-1)!.state.jigM).toBeCloseTo(last.state.jigM!, 2);
    expect(frames.at(-1)!.advice!.sighting).toBe(last.advice!.sighting);
    const count = frames.length;
    jest.advanceTimersByTime(3000);
    expect(frames.length).toBe(count);
  });

  test('any place is sought, with what came before it known', () => {
    play(kept());
    flasherApi.seek(35_000);
    expect(frames.at(-1)!.state.bottomM).toBeCloseTo(watch.bottomM!, 0);
    expect(frames.at(-1)!.state.marks.filter((m) => m.kind === 'fish')).toHaveLength(1);
    expect(frames.at(-1)!.lineM).not.toBe(4.8);
    flasherApi.seek(58_000);
    expect(frames.at(-1)!.lineM).toBe(4.8);
    flasherApi.play(0);
    const count = frames.length;
    jest.advanceTimersByTime(1000);
    expect(frames.length).toBe(count);
  });

  test('what is no log is said with its line, and nothing plays', () => {
    const text = kept();
    expect(() => play('hello')).toThrow(/line 1: expected a JSON object/);
    expect(() => play(text.split('\n')[0])).toThrow(/expected an echo-log header and pings/);
    expect(() => play(text.slice(0, text.length - 40))).toThrow(/line \d+: expected a JSON object on one line/);
    expect(frames).toEqual([]);
  });
});
