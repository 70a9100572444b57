import { bytesOf } from '@burrow/contract/formats/echo-log';
import { Coach, type Advice } from '@burrow/core/coach';
import { SimulatedFlasher, stillRod, type RodMotion } from '@burrow/core/simulator';
import { EchoReader, type EchoHeader, type EchoState } from '@burrow/core/sonar';

/** Where pings come from: the flasher over the server, or the simulation on this phone. */
export type FlasherSource = 'live' | 'local';

/** What a screen gets for every ping. */
export interface Frame {
  source: FlasherSource;
  state: EchoState;
  advice: Advice | null;
  /** Levels of the ping, for the echo history. */
  levels: Uint8Array;
  header: EchoHeader;
  /** Depth the line was let out to, m. */
  lineM: number;
  /** A fish took the jig at this ping (the rod tip, simulated). */
  taken: boolean;
}

export interface Watch {
  /** `live` tries the flasher first and falls to the local simulation; `local` simulates from the start. */
  mode: 'live' | 'local';
  speciesId: string;
  waterTempC: number;
  bottomM?: number;
  sceneId: string;
  seed: number;
}

interface LivePing {
  t: number;
  a: string;
  jigM: number;
}

/** Silence longer than this counts as a lost flasher, ms. */
const silenceMs = 2500;
const retryMs = 4000;

/** Reads one flasher and coaches over it. One session at a time. */
class FlasherSession {
  private reader: EchoReader | null = null;
  private coach: Coach | null = null;
  private header: EchoHeader | null = null;
  private local: SimulatedFlasher | null = null;
  private localTimer: ReturnType<typeof setInterval> | null = null;
  private stream: EventSource | null = null;
  private watchdog: ReturnType<typeof setInterval> | null = null;
  private lastPingAt = 0;
  private lastTryAt = 0;
  private lineM: number | null = null;
  private rod: RodMotion | null = null;
  private taken = false;

  constructor(
    private readonly watch: Watch,
    private readonly show: (frame: Frame) => void,
  ) {
    if (watch.mode === 'local') {
      this.startLocal();
      return;
    }
    this.connect();
    this.watchdog = setInterval(() => this.check(), 500);
  }

  stop(): void {
    if (this.watchdog) clearInterval(this.watchdog);
    if (this.localTimer) clearInterval(this.localTimer);
    this.stream?.close();
  }

  setLine(depthM: number): void {
    this.lineM = depthM;
    this.reader?.line(depthM);
    this.local?.setJig(depthM);
    if (!this.local) void this.post('line', { depthM });
  }

  setRod(rod: RodMotion): void {
    this.rod = rod;
    this.local?.setRod(rod);
    if (!this.local && this.lineM !== null) void this.post('line', { depthM: this.lineM, rod });
  }

  async strike(): Promise<{ lengthMm: number; depthM: number } | null> {
    if (this.local) return this.local.strike();
    const answer = await this.post('strike', {});
    return ((await answer?.json()) as { take: { lengthMm: number; depthM: number } | null } | undefined)?.take ?? null;
  }

  private connect(): void {
    this.lastTryAt = Date.now();
    this.stream?.close();
    const bottom = this.watch.bottomM === undefined ? '' : `?bottomM=${this.watch.bottomM}`;
    const stream = new EventSource(`/api/flasher/stream${bottom}`);
    stream.addEventListener('header', (event) => {
      const { header, jigM } = JSON.parse((event as MessageEvent<string>).data) as { header: EchoHeader; jigM: number };
      this.endLocal();
      this.begin(header, this.lineM ?? jigM);
      if (this.lineM !== null && this.lineM !== jigM) void this.post('line', { depthM: this.lineM });
    });
    stream.addEventListener('ping', (event) => {
      const { t, a, jigM } = JSON.parse((event as MessageEvent<string>).data) as LivePing;
      const levels = bytesOf(a);
      if (!this.header || this.local || levels?.length !== this.header.bins) return;
      this.lastPingAt = Date.now();
      if (this.lineM === null) this.lineM = jigM;
      this.read(t, levels, 'live');
    });
    stream.addEventListener('take', () => {
      this.taken = true;
    });
    // The browser's own retry gives up on some errors; the watchdog decides.
    stream.addEventListener('error', () => stream.close());
    this.stream = stream;
  }

  /** Falls to the local simulation when the flasher is silent, and keeps knocking. */
  private check(): void {
    const now = Date.now();
    if (now - this.lastPingAt < silenceMs) return;
    if (!this.local && now - this.lastTryAt >= silenceMs) this.startLocal();
    if (now - this.lastTryAt >= retryMs) this.connect();
  }

  private startLocal(): void {
    const { seed, sceneId, bottomM } = this.watch;
    const local = new SimulatedFlasher({ seed, sceneId, start: new Date(0).toISOString(), bottomM });
    if (this.lineM !== null) local.setJig(this.lineM);
    if (this.rod) local.setRod(this.rod);
    this.local = local;
    this.begin(local.header, this.lineM ?? local.jig.commandedM);
    this.localTimer = setInterval(() => {
      const { ping, take } = local.next();
      if (take) this.taken = true;
      this.read(ping.t, ping.a, 'local');
    }, 1000 / local.header.pingRateHz);
  }

  private endLocal(): void {
    if (this.localTimer) clearInterval(this.localTimer);
    this.localTimer = null;
    this.local = null;
  }

  private begin(header: EchoHeader, lineM: number): void {
    this.header = header;
    this.lineM = lineM;
    this.reader = new EchoReader(header);
    this.reader.line(lineM);
    this.coach = new Coach({ speciesId: this.watch.speciesId, waterTempC: this.watch.waterTempC, beamDeg: header.beamDeg });
    this.lastPingAt = Date.now();
  }

  private read(t: number, a: Uint8Array, source: FlasherSource): void {
    const state = this.reader!.ping({ t, a });
    this.show({ source, state, advice: this.coach!.update(state), levels: a, header: this.header!, lineM: this.lineM!, taken: this.taken });
    this.taken = false;
  }

  private post(path: string, body: unknown): Promise<Response | null> {
    // A lost request shows as a lost stream, which the watchdog sees.
    return fetch(`/api/flasher/${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }).catch(() => null);
  }
}

let current: FlasherSession | null = null;

/** What the flasher worker does. */
export const flasherApi = {
  start(watch: Watch, show: (frame: Frame) => void): void {
    current?.stop();
    current = new FlasherSession(watch, show);
  },
  stop(): void {
    current?.stop();
    current = null;
  },
  setLine: (depthM: number): void => current?.setLine(depthM),
  setRod: (rod: RodMotion | null): void => current?.setRod(rod ?? stillRod),
  strike: async (): Promise<{ lengthMm: number; depthM: number } | null> => (await current?.strike()) ?? null,
};
export type FlasherApi = typeof flasherApi;
