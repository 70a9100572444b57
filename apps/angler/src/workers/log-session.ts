import { EchoLogReader } from '@burrow/contract/formats/echo-log';
import { Coach, SteadyAdvice } from '@burrow/core/coach';
import { EchoReader, type EchoHeader } from '@burrow/core/sonar';
import type { Frame, SessionConfig } from './frame';

/** Read silently before the place that was sought, ms. */
const warmUpMs = 30_000;

/** Plays a recorded echo log: the same reader and coach, at any speed, from any place. */
export class LogSession {
  private readonly pings: { t: number; a: Uint8Array; lineM: number | null }[] = [];
  private readonly header: EchoHeader;
  private reader: EchoReader;
  private coach: Coach;
  private calm: SteadyAdvice;
  private at = 0;
  private speed = 1;
  private timer: ReturnType<typeof setInterval> | null = null;
  private lastTick = 0;
  private clock = 0;

  /** Throws FormatError naming the line of what is no echo log. */
  constructor(
    text: string,
    private readonly watch: SessionConfig,
    private readonly show: (frame: Frame) => void,
  ) {
    const log = new EchoLogReader();
    let lineM: number | null = null;
    for (const line of text.split('\n')) {
      const record = log.push(line);
      if (record?.type === 'line') lineM = record.m;
      if (record?.type === 'ping') this.pings.push({ ...record.ping, lineM });
    }
    if (!log.header || this.pings.length === 0) throw new RangeError('line 1: expected an echo-log header and pings, found none');
    this.header = log.header;
    this.reader = new EchoReader(this.header);
    this.coach = this.newCoach();
    this.calm = new SteadyAdvice(watch.stepM);
    this.read(0, true);
  }

  get lengthMs(): number {
    return this.pings[this.pings.length - 1].t - this.pings[0].t;
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
  }

  play(speed: number): void {
    this.stop();
    this.speed = speed;
    if (speed === 0) return;
    this.lastTick = Date.now();
    this.timer = setInterval(() => this.tick(), 50);
  }

  /** Goes to a time since the start, ms: what lies before it within half a minute is read first, so that tracks and coach know it. */
  seek(ms: number): void {
    const first = this.pings[0].t;
    let from = 0;
    let to = this.pings.length - 1;
    for (let i = 0; i < this.pings.length; i++) {
      if (this.pings[i].t - first <= ms - warmUpMs) from = i;
      if (this.pings[i].t - first <= ms) to = i;
    }
    this.reader = new EchoReader(this.header);
    this.coach = this.newCoach();
    this.calm = new SteadyAdvice(this.watch.stepM);
    for (let i = from; i <= to; i++) this.read(i, i === to);
    this.clock = this.pings[to].t - first;
  }

  private newCoach(): Coach {
    return new Coach({ speciesId: this.watch.speciesId, waterTempC: this.watch.waterTempC, beamDeg: this.header.beamDeg });
  }

  private tick(): void {
    const now = Date.now();
    this.clock += (now - this.lastTick) * this.speed;
    this.lastTick = now;
    const first = this.pings[0].t;
    while (this.at + 1 < this.pings.length && this.pings[this.at + 1].t - first <= this.clock) this.read(this.at + 1, true);
    if (this.at + 1 >= this.pings.length) this.stop();
  }

  private read(i: number, isShown: boolean): void {
    const { t, a, lineM } = this.pings[i];
    if (lineM !== null) {
      this.reader.line(lineM);
      this.coach.line(lineM);
    }
    const state = this.reader.ping({ t, a });
    const advice = this.coach.update(state);
    const said = this.calm.push(advice, t);
    this.at = i;
    if (isShown)
      this.show({
        source: 'log',
        isSimulated: false,
        state,
        advice: said,
        stillS: advice?.stillS ?? 0,
        levels: a,
        header: this.header,
        lineM: lineM ?? state.jigM ?? 1,
        taken: false,
      });
  }
}
