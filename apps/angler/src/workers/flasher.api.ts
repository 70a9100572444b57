import { bytesOf } from '@burrow/contract/formats/echo-log';
import { Coach, drawSpeedMs, emptyMemory, rodFor, SteadyAdvice, type CadenceId, type CoachHere, type CoachMemory } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import { DrillLog, type DrillReview } from '@burrow/core/practice';
import { simulatedBottom, SimulatedFlasher, stillRod, type RodMotion } from '@burrow/core/simulator';
import { clamp } from '@burrow/core/units';
import { EchoReader, type EchoHeader } from '@burrow/core/sonar';
import { soundSpeed } from '@burrow/core/water';
import { DeviceSession } from './device-session';
import type { FlasherSource, Frame, SessionConfig } from './frame';
import { KeptPings } from './kept-pings';
import { LogSession } from './log-session';

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
  private calm: SteadyAdvice;
  private header: EchoHeader | null = null;
  private local: SimulatedFlasher | null = null;
  private localTimer: ReturnType<typeof setInterval> | null = null;
  private stream: EventSource | null = null;
  private watchdog: ReturnType<typeof setInterval> | null = null;
  private lastPingAt = 0;
  private lastT = 0;
  private lastTryAt = 0;
  private lineM: number | null = null;
  private here: CoachHere = {};
  private rod: RodMotion | null = null;
  private taken = false;
  private drill: DrillLog | null = null;
  private cadence: CadenceId = 'bounce';
  private readonly kept = new KeptPings();

  constructor(
    private readonly watch: SessionConfig,
    private readonly show: (frame: Frame) => void,
  ) {
    this.calm = new SteadyAdvice(watch.stepM);
    if (watch.mode !== 'live') {
      if (watch.mode === 'drill') this.drill = new DrillLog();
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

  setLine(depthM: number, handMs: number | null = null): void {
    this.lineM = depthM;
    this.reader?.line(depthM);
    this.coach?.line(depthM);
    this.local?.setJig(depthM, handMs);
    if (!this.local) void this.post('line', { depthM });
  }

  setRod(rod: RodMotion): void {
    this.rod = rod;
    this.local?.setRod(rod);
    if (!this.local && this.lineM !== null) void this.post('line', { depthM: this.lineM, rod });
  }

  /** Works the rod in a cadence; drawing away takes the line up slowly, with the beat there is. */
  work(cadence: CadenceId, waterTempC: number, drawM: number): void {
    this.cadence = cadence;
    if (cadence !== 'slow-lift') this.setRod(rodFor(cadence, waterTempC));
    else if (this.lineM !== null) this.setLine(Math.max(0.4, this.lineM - drawM), drawSpeedMs);
  }

  /** Depths that the fish are looked for in here, and what hangs on the line. */
  knows(here: CoachHere): void {
    this.here = here;
    this.coach?.knows(here);
  }

  /** What the angler tells of the fish. */
  reacted(kind: ReactionKind | 'landed'): void {
    this.coach?.reacted(kind, this.lastT, this.lineM);
    if (kind !== 'landed') this.drill?.logged(kind);
  }

  get memory(): CoachMemory {
    return this.coach?.memory ?? this.watch.memory ?? emptyMemory();
  }

  review(): DrillReview | null {
    return this.drill?.review() ?? null;
  }

  /** The last minutes as an echo log; null before the first ping. */
  log(): string | null {
    return this.kept.log(this.header);
  }

  async strike(): Promise<{ lengthMm: number; depthM: number } | null> {
    if (this.local) {
      const take = this.local.strike();
      this.drill?.struck(take !== null);
      if (take) this.coach?.reacted('landed', this.lastT, take.depthM);
      return take;
    }
    const answer = await this.post('strike', {});
    return ((await answer?.json()) as { take: { lengthMm: number; depthM: number } | null } | undefined)?.take ?? null;
  }

  private connect(): void {
    this.lastTryAt = Date.now();
    this.stream?.close();
    // What is simulated reaches no deeper; a deeper sounding stays what it is in the log.
    const { bottomM } = this.watch;
    const bottom = bottomM === undefined ? '' : `?bottomM=${clamp(bottomM, simulatedBottom.leastM, simulatedBottom.mostM)}`;
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
    const { seed, sceneId } = this.watch;
    const bottomM = this.watch.bottomM === undefined ? undefined : clamp(this.watch.bottomM, simulatedBottom.leastM, simulatedBottom.mostM);
    const local = new SimulatedFlasher({ seed, sceneId, start: new Date(0).toISOString(), bottomM, trueSoundSpeedMs: soundSpeed(this.soundTempC) });
    if (this.lineM !== null) local.setJig(this.lineM);
    if (this.rod) local.setRod(this.rod);
    this.local = local;
    this.begin(local.header, this.lineM ?? local.jig.commandedM);
    this.localTimer = setInterval(() => {
      const { ping, take } = local.next();
      if (take && !take.isNip) this.taken = true;
      if (take) this.drill?.took();
      this.read(ping.t, ping.a, 'local');
    }, 1000 / local.header.pingRateHz);
  }

  /** Temperature for the speed of sound, °C: a thermometer may read a little under what liquid fresh water can be. */
  private get soundTempC(): number {
    return Math.max(0, this.watch.waterTempC);
  }

  private endLocal(): void {
    if (this.localTimer) clearInterval(this.localTimer);
    this.localTimer = null;
    this.local = null;
  }

  private begin(sounder: EchoHeader, lineM: number): void {
    // The flasher shows depths by the speed of sound it is set to; what is known of the water makes them true.
    const header = { ...sounder, waterTempC: this.soundTempC };
    this.header = header;
    this.lineM = lineM;
    this.reader = new EchoReader(header);
    this.reader.line(lineM);
    // Another source of the same outing goes on from what it has told.
    this.coach = new Coach({ speciesId: this.watch.speciesId, waterTempC: this.watch.waterTempC, beamDeg: header.beamDeg }, this.coach?.memory ?? this.watch.memory);
    this.coach.knows(this.here);
    this.coach.line(lineM);
    // Another source counts its time anew.
    this.calm = new SteadyAdvice(this.watch.stepM);
    this.kept.clear();
    this.lastPingAt = Date.now();
  }

  private read(t: number, a: Uint8Array, source: FlasherSource): void {
    const state = this.reader!.ping({ t, a });
    this.lastT = t;
    const advice = this.coach!.update(state);
    this.kept.push(t, a, this.lineM!);
    this.drill?.push({
      state,
      advice,
      lineM: this.lineM!,
      cadence: this.cadence,
      fish: this.local!.water.fish.map(({ id, depthM, state: fishState }) => ({ id, depthM, state: fishState })),
    });
    this.show({
      source,
      isSimulated: true,
      state,
      advice: this.calm.push(advice, t),
      stillS: advice?.stillS ?? 0,
      levels: a,
      header: this.header!,
      lineM: this.lineM!,
      taken: this.taken,
    });
    this.taken = false;
  }

  private post(path: string, body: unknown): Promise<Response | null> {
    // A lost request shows as a lost stream, which the watchdog sees.
    return fetch(`/api/flasher/${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }).catch(() => null);
  }
}

let current: FlasherSession | DeviceSession | null = null;
let playback: LogSession | null = null;

const simulated = (): FlasherSession | null => (current instanceof FlasherSession ? current : null);

/** What the flasher worker does. */
export const flasherApi = {
  /** @param say why nothing comes from a flasher of one's own; null when it comes again */
  start(watch: SessionConfig, show: (frame: Frame) => void, say: (why: string | null) => void = () => undefined): void {
    flasherApi.stop();
    current = watch.mode === 'device' ? new DeviceSession(watch.url!, watch, show, say) : new FlasherSession(watch, show);
  },
  stop(): void {
    current?.stop();
    playback?.stop();
    current = null;
    playback = null;
  },
  setLine: (depthM: number, handMs?: number | null): void => current?.setLine(depthM, handMs ?? null),
  /** The rod of what is simulated; one's own is in one's own hand. */
  setRod: (rod: RodMotion | null): void => simulated()?.setRod(rod ?? stillRod),
  work: (cadence: CadenceId, waterTempC: number, drawM: number): void => simulated()?.work(cadence, waterTempC, drawM),
  knows: (here: CoachHere): void => current?.knows(here),
  reacted: (kind: ReactionKind | 'landed'): void => current?.reacted(kind),
  memory: (): CoachMemory => current?.memory ?? emptyMemory(),
  strike: async (): Promise<{ lengthMm: number; depthM: number } | null> => (await simulated()?.strike()) ?? null,
  review: (): DrillReview | null => simulated()?.review() ?? null,
  log: (): string | null => current?.log() ?? null,
  /** Opens a recorded log and answers its length, ms. Throws what is wrong with it and where. */
  open(text: string, watch: SessionConfig, show: (frame: Frame) => void): number {
    flasherApi.stop();
    playback = new LogSession(text, watch, show);
    return playback.lengthMs;
  },
  play: (speed: number): void => playback?.play(speed),
  seek: (ms: number): void => playback?.seek(ms),
};
export type FlasherApi = typeof flasherApi;
