import { depthCorrectedForSound } from '../water';
import { BandFinder, type Band } from './bands';
import { BottomTracker } from './bottom';
import type { EchoHeader, EchoState, Mark, MarkKind, Ping } from './echo';
import { EchoList } from './echoes';
import { rangeResolution, truePerShown } from './geometry';
import { NoiseFloor } from './noise';
import type { Track } from './track';
import { Tracker } from './tracker';

/** What the reader takes for what. Heuristic. */
export const readerLimits = {
  /** An echo stands this far above the mean noise, dB. */
  marginDb: 8,
  /** Blind zone under the transducer, m. */
  blindM: 0.35,
  /** A weaker band is bait, dB; what stands this far over a band is no part of it. */
  baitDb: -50,
  overBandDb: 8,
  /** A mark that hardly passes the threshold is clutter, dB over it. */
  clutterDb: 0.3,
} as const;

export interface ReaderOptions {
  /** Mean speed of sound in this water, m/s; depths are corrected from the header's. Where not said, that of the header's water temperature. */
  trueSoundSpeedMs?: number;
}

/**
 * Reads a flasher: one ping in, one state out, bounded memory. Knows nothing but the pings and the line counter.
 */
export class EchoReader {
  private readonly power: Float32Array;
  private readonly smooth: Float32Array;
  private readonly linear = new Float32Array(256);
  private readonly noise: NoiseFloor;
  private readonly bottom: BottomTracker;
  private readonly echoes = new EchoList();
  private readonly bands: BandFinder;
  private readonly tracker: Tracker;
  private readonly firstBin: number;
  private readonly leadM: number;
  private readonly scale: number;
  private bottomRange: number | null = null;

  constructor(
    private readonly header: EchoHeader,
    options: ReaderOptions = {},
  ) {
    this.power = new Float32Array(header.bins);
    this.smooth = new Float32Array(header.bins);
    for (let v = 0; v < 256; v++) this.linear[v] = 10 ** ((header.dbFloor + v * header.dbPerStep) / 10);
    this.noise = new NoiseFloor(header.bins, header.dbFloor, header.dbPerStep, readerLimits.marginDb);
    this.bottom = new BottomTracker(header.binM, header.pingRateHz);
    this.tracker = new Tracker(header.pingRateHz, 2 * rangeResolution(header.soundSpeedMs, header.pulseUs), readerLimits.blindM);
    this.bands = new BandFinder(header.bins, header.binM, header.pingRateHz, () => this.tracker.newId());
    this.firstBin = Math.max(1, Math.round(readerLimits.blindM / header.binM));
    this.leadM = rangeResolution(header.soundSpeedMs, header.pulseUs) / 2;
    this.scale = options.trueSoundSpeedMs === undefined ? truePerShown(header) : depthCorrectedForSound(1, header.soundSpeedMs, options.trueSoundSpeedMs);
  }

  /** Tells the reader how deep the line counter holds the jig, m below the surface. */
  line(depthM: number): void {
    this.tracker.expectJig((depthM - this.header.transducerM) / this.scale);
  }

  /** Reads one ping. Throws RangeError when it has not the header's number of bins. */
  ping({ t, a }: Ping): EchoState {
    if (a.length !== this.header.bins) throw new RangeError(`a ping must have ${this.header.bins} bins, found ${a.length}`);
    this.smoothPower(a);
    const floorBin = this.bottomRange === null ? a.length : Math.floor(this.bottomRange / this.header.binM);
    this.noise.update(a, floorBin);
    this.bottomRange = this.bottom.update(this.smooth, this.noise.threshold, this.firstBin);
    // Within a pulse of the bottom nothing can be told from it.
    const end = this.bottomRange === null ? a.length : Math.floor((this.bottomRange - 2 * this.leadM) / this.header.binM);
    this.echoes.find(this.smooth, this.noise.threshold, this.firstBin, Math.max(this.firstBin, end), this.header.binM, this.leadM);
    this.tracker.update(this.echoes, t, this.bottomRange);
    const jigRange = this.tracker.jigRange(this.echoes, this.bottomRange);
    this.bands.update(this.smooth, this.noise.threshold, this.firstBin, Math.max(this.firstBin, end), t, jigRange);
    return {
      t,
      bottomM: this.bottomRange === null ? null : this.depth(this.bottomRange),
      jigM: jigRange === null ? null : this.depth(jigRange),
      marks: this.marks(t),
    };
  }

  private depth(rangeM: number): number {
    return rangeM * this.scale + this.header.transducerM;
  }

  /** Power averaged over three bins, about a pulse. */
  private smoothPower(a: Uint8Array): void {
    const { power, smooth, linear } = this;
    const last = a.length - 1;
    for (let i = 0; i <= last; i++) power[i] = linear[a[i]];
    smooth[0] = power[0];
    smooth[last] = power[last];
    for (let i = 1; i < last; i++) smooth[i] = (power[i - 1] + power[i] + power[i + 1]) / 3;
  }

  private marks(t: number): Mark[] {
    const marks: Mark[] = [];
    for (const band of this.bands.bands) marks.push(this.bandMark(band, t));
    for (const track of this.tracker.confirmed()) {
      const band = this.bands.at(track.rangeM);
      if (band && track.levelDb < band.levelDb + readerLimits.overBandDb) continue;
      marks.push({
        id: track.id,
        depthM: this.depth(track.rangeM),
        kind: this.kindOf(track),
        levelDb: track.levelDb,
        riseMs: -track.speedMs * this.scale,
        ageMs: t - track.bornMs,
      });
    }
    return marks.sort((x, y) => x.depthM - y.depthM);
  }

  private bandMark(band: Band, t: number): Mark {
    const topM = this.depth(band.topM);
    const kind: MarkKind = band.levelDb < readerLimits.baitDb ? 'bait' : 'school';
    return { id: band.id, depthM: topM, kind, levelDb: band.levelDb, riseMs: -band.speedMs * this.scale, ageMs: t - band.bornMs, topM, baseM: this.depth(band.baseM) };
  }

  private kindOf(track: Track): MarkKind {
    const bin = Math.min(this.header.bins - 1, Math.max(0, Math.round(track.rangeM / this.header.binM)));
    return track.levelDb < 10 * Math.log10(this.noise.threshold[bin]) + readerLimits.clutterDb ? 'clutter' : 'fish';
  }
}
