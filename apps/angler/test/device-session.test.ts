import { headerLine, lineLine, pingLine, base64Of } from '@burrow/contract/formats/echo-log';
import { SimulatedFlasher } from '@burrow/core/simulator';
import { flasherApi } from '@/workers/flasher.api';
import type { Frame, SessionConfig } from '@/workers/frame';

/** A stream that the test feeds, in the place of a device. */
class Device {
  private readonly encoder = new TextEncoder();
  private controller!: ReadableStreamDefaultController<Uint8Array>;
  readonly body = new ReadableStream<Uint8Array>({ start: (c) => void (this.controller = c) });
  say(text: string) {
    this.controller.enqueue(this.encoder.encode(text));
  }
  end() {
    this.controller.close();
  }
}

const watch: SessionConfig = { mode: 'device', url: 'http://device.invalid/stream', speciesId: 'black-crappie', waterTempC: 4, stepM: 0.1, sceneId: 'stack', seed: 1 };
let frames: Frame[] = [];
let said: (string | null)[] = [];
let devices: Device[] = [];
let type = 'application/x-ndjson';
let status = 200;

beforeEach(() => {
  [frames, said, devices] = [[], [], []];
  [type, status] = ['application/x-ndjson', 200];
  globalThis.fetch = jest.fn(async () => {
    const device = new Device();
    devices.push(device);
    return { ok: status === 200, status, body: device.body, headers: { get: () => type } } as unknown as Response;
  });
  flasherApi.start(
    watch,
    (frame) => frames.push(frame),
    (why) => said.push(why),
  );
});
afterEach(() => flasherApi.stop());

const until = async (holds: () => boolean) => {
  for (let k = 0; k < 3000 && !holds(); k++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(holds()).toBe(true);
};

test('a device that writes an echo log is read as it comes, cut anywhere, by the same reader and coach, and is not called simulated', async () => {
  const flasher = new SimulatedFlasher({ seed: 5, sceneId: 'stack', start: '2027-01-16T07:00:00-09:00', bottomM: 8 });
  await until(() => devices.length === 1);
  let text = `${headerLine(flasher.header)}\n${lineLine(0, 6)}\n`;
  for (let k = 0; k < 60; k++) text += `${pingLine(flasher.next().ping)}\n`;
  for (let at = 0; at < text.length; at += 977) devices[0].say(text.slice(at, at + 977));
  await until(() => frames.length === 60);
  const last = frames.at(-1)!;
  expect(last).toMatchObject({ source: 'device', isSimulated: false, lineM: 6 });
  expect(last.state.bottomM).toBeCloseTo(8, 0);
  expect(last.advice).not.toBeNull();
  expect(flasherApi.log()!.split('\n')).toHaveLength(63);
});

test('server-sent events are read too, and a stream that says it is simulated is shown as such', async () => {
  flasherApi.stop();
  type = 'text/event-stream; charset=utf-8';
  flasherApi.start(
    watch,
    (frame) => frames.push(frame),
    (why) => said.push(why),
  );
  const flasher = new SimulatedFlasher({ seed: 5, sceneId: 'stack', start: '2027-01-16T07:00:00-09:00', bottomM: 8 });
  await until(() => devices.length === 2);
  devices[1].say(`event: header\ndata: ${JSON.stringify({ simulated: true, header: flasher.header, jigM: 5 })}\n\n`);
  for (let k = 0; k < 20; k++) {
    const { ping } = flasher.next();
    devices[1].say(`event: ping\ndata: ${JSON.stringify({ t: ping.t, a: base64Of(ping.a) })}\n\n`);
  }
  await until(() => frames.length === 20);
  expect(frames.at(-1)).toMatchObject({ source: 'device', isSimulated: true, lineM: 5 });
});

test('what is no echo log is said with its line, and a stream that ends is knocked at again with nothing in its stead', async () => {
  await until(() => devices.length === 1);
  devices[0].say('{"type":"header","format":"something"}\n');
  await until(() => said.length > 0);
  expect(said[0]).toMatch(/^line 1: expected an echo-log header/);
  expect(frames).toEqual([]);
  await until(() => devices.length === 2);
  devices[1].end();
  await until(() => said.some((why) => why?.startsWith('The flasher ended its stream') ?? false));
  expect(frames).toEqual([]);
});

test('a device that answers no stream is said so, with what it answers', async () => {
  flasherApi.stop();
  status = 404;
  flasherApi.start(
    watch,
    (frame) => frames.push(frame),
    (why) => said.push(why),
  );
  await until(() => said.length > 0);
  expect(said[0]).toBe('The flasher at http://device.invalid/stream answers 404: expected a stream.');
});
