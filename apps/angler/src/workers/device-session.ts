import { bytesOf, echoHeader, EchoLogReader } from '@burrow/contract/formats/echo-log';
import { Coach, emptyMemory, SteadyAdvice, type CoachHere, type CoachMemory } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import { EchoReader, type EchoHeader } from '@burrow/core/sonar';
import { createParser } from 'eventsource-parser';
import { z } from 'zod';
import type { Frame, SessionConfig } from './frame';
import { KeptPings } from './kept-pings';

/** Silence longer than this is said, and knocked at again after `retryMs`. */
const [silenceMs, retryMs] = [4000, 3000];

const greeting = z.object({ header: z.unknown(), simulated: z.boolean().optional(), jigM: z.number().min(0).max(300).optional() });
const livePing = z.object({ t: z.number().min(0), a: z.string(), jigM: z.number().min(0).max(300).optional() });

/** What a device said that is no frame, and what was expected. */
class OddFrame extends Error {}

/**
 * A flasher of the angler's own, by its address: an echo log that goes on and on (NDJSON), or server-sent events. The same reader and coach
 * as for any other; nothing stands in for it while it is silent, which is said.
 */
export class DeviceSession {
  private header: EchoHeader | null = null;
  private isSimulated = false;
  private reader: EchoReader | null = null;
  private coach: Coach | null = null;
  private calm: SteadyAdvice;
  private lineM: number | null = null;
  private here: CoachHere = {};
  private lastT = 0;
  private heardAt = Date.now();
  private stopped = false;
  private waiting: ReturnType<typeof setTimeout> | undefined;
  private asking = new AbortController();
  private stream: ReadableStreamDefaultReader<string> | null = null;
  private readonly watchdog: ReturnType<typeof setInterval>;
  private readonly kept = new KeptPings();

  /** @param say why nothing comes, in words; null when pings come again */
  constructor(
    private readonly url: string,
    private readonly watch: SessionConfig,
    private readonly show: (frame: Frame) => void,
    private readonly say: (why: string | null) => void,
  ) {
    this.calm = new SteadyAdvice(watch.stepM);
    void this.listen();
    this.watchdog = setInterval(() => {
      if (Date.now() - this.heardAt > silenceMs) this.say(`No ping from the flasher for ${Math.round((Date.now() - this.heardAt) / 1000)} s. Still trying ${this.url}`);
    }, 1000);
  }

  stop(): void {
    this.stopped = true;
    clearInterval(this.watchdog);
    clearTimeout(this.waiting);
    this.asking.abort();
    // A stream that is held open otherwise keeps this waiting.
    void this.stream?.cancel().catch(() => undefined);
  }

  setLine(depthM: number): void {
    this.lineM = depthM;
    this.reader?.line(depthM);
    this.coach?.line(depthM);
  }

  /** Depths that the fish are looked for in here, and what hangs on the line. */
  knows(here: CoachHere): void {
    this.here = here;
    this.coach?.knows(here);
  }

  reacted(kind: ReactionKind | 'landed'): void {
    this.coach?.reacted(kind, this.lastT, this.lineM);
  }

  get memory(): CoachMemory {
    return this.coach?.memory ?? this.watch.memory ?? emptyMemory();
  }

  /** The last minutes as an echo log; null before the first ping. */
  log(): string | null {
    return this.kept.log(this.header);
  }

  private async listen(): Promise<void> {
    while (!this.stopped) {
      try {
        await this.readOnce();
        if (!this.stopped) this.say('The flasher ended its stream. Knocking again.');
      } catch (error) {
        if (this.stopped) return;
        this.say(error instanceof OddFrame ? error.message : `The flasher at ${this.url} does not answer. Knocking again.`);
      }
      await new Promise((resolve) => {
        this.waiting = setTimeout(resolve, retryMs);
      });
    }
  }

  private async readOnce(): Promise<void> {
    this.asking = new AbortController();
    const answer = await fetch(this.url, { signal: this.asking.signal, headers: { accept: 'text/event-stream, application/x-ndjson' } });
    if (!answer.ok || !answer.body) throw new OddFrame(`The flasher at ${this.url} answers ${answer.status}: expected a stream.`);
    const isEvents = answer.headers.get('content-type')?.includes('text/event-stream') ?? false;
    const push = isEvents ? this.events() : this.lines();
    this.stream = answer.body.pipeThrough(new TextDecoderStream()).getReader();
    for (;;) {
      const { value, done } = await this.stream.read();
      if (done) return;
      push(value);
    }
  }

  /** Server-sent events as docs/formats.md has them. */
  private events(): (text: string) => void {
    const parser = createParser({
      onEvent: ({ event, data }) => {
        let value: unknown;
        try {
          value = JSON.parse(data);
        } catch {
          throw new OddFrame(`event ${event ?? 'message'}: expected JSON, found ${data.slice(0, 60)}`);
        }
        if (event === 'header') this.greet(value);
        if (event === 'ping') this.ping(value);
      },
    });
    return (text) => parser.feed(text);
  }

  /** An echo log, a record a line. */
  private lines(): (text: string) => void {
    const log = new EchoLogReader();
    let rest = '';
    return (text) => {
      const all = (rest + text).split('\n');
      rest = all.pop()!;
      for (const line of all) {
        let record;
        try {
          record = log.push(line);
        } catch (error) {
          throw new OddFrame((error as Error).message);
        }
        if (log.header && this.header === null) this.begin(log.header, false);
        if (record?.type === 'line') this.setLine(record.m);
        if (record?.type === 'ping') this.take(record.ping.t, record.ping.a);
      }
    };
  }

  private greet(value: unknown): void {
    const said = greeting.safeParse(value);
    const header = echoHeader.safeParse({ type: 'header', format: 'echo-log', version: 1, ...((said.data?.header as object | undefined) ?? {}) });
    if (!said.success || !header.success) throw new OddFrame('event header: expected {"header":{…an echo log’s header…}}');
    const { type: _type, format: _format, version: _version, ...sounder } = header.data;
    this.begin(sounder, said.data.simulated === true);
    if (said.data.jigM !== undefined && this.lineM === null) this.setLine(said.data.jigM);
  }

  private ping(value: unknown): void {
    const said = livePing.safeParse(value);
    const levels = said.success ? bytesOf(said.data.a) : null;
    if (!said.success || !levels || levels.length !== this.header?.bins) throw new OddFrame(`event ping: expected t and a base64 of ${this.header?.bins ?? 'as many'} bins`);
    if (said.data.jigM !== undefined && this.lineM === null) this.setLine(said.data.jigM);
    this.take(said.data.t, levels);
  }

  private begin(sounder: EchoHeader, isSimulated: boolean): void {
    const header = { ...sounder, waterTempC: Math.max(0, this.watch.waterTempC) };
    this.header = header;
    this.isSimulated = isSimulated;
    this.reader = new EchoReader(header);
    this.coach = new Coach({ speciesId: this.watch.speciesId, waterTempC: this.watch.waterTempC, beamDeg: header.beamDeg }, this.coach?.memory ?? this.watch.memory);
    this.coach.knows(this.here);
    if (this.lineM !== null) this.setLine(this.lineM);
    // Another stream counts its time anew.
    this.calm = new SteadyAdvice(this.watch.stepM);
    this.kept.clear();
  }

  private take(t: number, a: Uint8Array): void {
    if (!this.reader || !this.coach || !this.header) throw new OddFrame('expected a header before the first ping');
    const isBack = Date.now() - this.heardAt > silenceMs;
    this.heardAt = Date.now();
    if (isBack || this.lastT === 0) this.say(null);
    this.lastT = t;
    const state = this.reader.ping({ t, a });
    const advice = this.coach.update(state);
    const lineM = this.lineM ?? state.jigM ?? 1;
    this.kept.push(t, a, lineM);
    this.show({
      source: 'device',
      isSimulated: this.isSimulated,
      state,
      advice: this.calm.push(advice, t),
      stillS: advice?.stillS ?? 0,
      levels: a,
      header: this.header,
      lineM,
      taken: false,
    });
  }
}
