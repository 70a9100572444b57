import { beamLossDb, firstBottomReturn, rangeResolution, type EchoHeader } from '../sonar';
import { normal, seededRandom, type Random } from '../units';

/** Noise and bottom of the simulated water. */
export interface AcousticSetting {
  header: EchoHeader;
  /** Plumbed depth below the surface, m, and slope of the bottom. */
  bottomM: number;
  slopeDeg: number;
  /** Level of the noise at 1 m after time-varied gain, dB; it grows by 40 log R. */
  noiseDb: number;
  bottomDb: number;
  /** Speed of sound in the water itself, m/s; the header's where the sounder is set to it. */
  trueSoundSpeedMs: number;
}

/** A point target: place in metres off the axis and depth below the surface, and its strength on the axis. */
export interface Target {
  offAxisM: number;
  depthM: number;
  strengthDb: number;
}

/** Settings of a sounder that a simulation may take other than its own. */
export type SounderSetting = Partial<Pick<EchoHeader, 'soundSpeedMs' | 'pingRateHz' | 'binM' | 'bins' | 'pulseUs' | 'beamDeg' | 'transducerM'>>;

/** The header of the simulated flasher: 14 m of range, and more over deeper bottoms. */
export const simulatedHeader = (start: string, bottomM: number, sounder: SounderSetting = {}): EchoHeader => ({
  start,
  soundSpeedMs: 1463,
  pingRateHz: 10,
  binM: 0.02,
  bins: Math.max(700, Math.ceil((bottomM * 1.1) / (sounder.binM ?? 0.02))),
  pulseUs: 80,
  beamDeg: 12,
  freqKHz: 200,
  transducerM: 0.1,
  dbFloor: -90,
  dbPerStep: 0.5,
  ...sounder,
});

const deg = 180 / Math.PI;

/** Mean noise, dB, at a range. */
export const noiseAt = (setting: AcousticSetting, rangeM: number) => setting.noiseDb + 40 * Math.log10(Math.max(0.5, rangeM));

/** Range on the sounder's own scale of what is `rangeM` away: it takes its set speed of sound for the true one. */
const shownRange = (setting: AcousticSetting, rangeM: number) => (rangeM * setting.header.soundSpeedMs) / setting.trueSoundSpeedMs;

/** True range and noise-free level of a target with its loss off the axis. */
export function echoOf(setting: AcousticSetting, target: Target): { rangeM: number; levelDb: number } {
  const below = target.depthM - setting.header.transducerM;
  return {
    rangeM: Math.hypot(below, target.offAxisM),
    levelDb: target.strengthDb + beamLossDb(Math.atan2(Math.abs(target.offAxisM), below) * deg, setting.header.beamDeg),
  };
}

/** Depth below the surface at which the bottom first answers, m. */
export const firstBottomDepth = (setting: AcousticSetting) =>
  firstBottomReturn(setting.bottomM - setting.header.transducerM, setting.slopeDeg, setting.header.beamDeg) + setting.header.transducerM;

/** Exponentially distributed numbers of mean one, to draw noise from at any offset: drawing each anew would cost most of a ping. */
const exponentials = (() => {
  const random = seededRandom(20270116);
  return Float32Array.from({ length: 1 << 16 }, () => -Math.log(1 - random()));
})();

/** The same as decibels, for bins that hold nothing but noise. */
const exponentialDb = exponentials.map((x) => 10 * Math.log10(x + 1e-12));

/** Draws pings of one setting into arrays made once. */
export class PingDrawing {
  private readonly power: Float64Array;
  private readonly noise: Float64Array;
  private readonly noiseDb: Float64Array;
  private readonly pulseM: number;

  constructor(readonly setting: AcousticSetting) {
    const { header } = setting;
    this.power = new Float64Array(header.bins);
    this.noise = Float64Array.from({ length: header.bins }, (_, i) => 10 ** (noiseAt(setting, (i + 0.5) * header.binM) / 10));
    this.noiseDb = this.noise.map((x) => 10 * Math.log10(x));
    this.pulseM = rangeResolution(header.soundSpeedMs, header.pulseUs);
  }

  /**
   * The echo of one ping: targets with a raised-cosine pulse and fading, the bottom with its tail and second echo,
   * exponentially distributed noise, now and then a burst from a neighbour's sounder.
   */
  draw(targets: readonly Target[], random: Random): Uint8Array {
    const { power, noise, setting } = this;
    const { header } = setting;
    power.fill(0);
    for (const target of targets) {
      const { rangeM, levelDb } = echoOf(setting, target);
      this.addPulse(shownRange(setting, rangeM), 10 ** ((levelDb + 1.5 * normal(random)) / 10));
    }
    this.addBottom(random);
    if (random() < 0.03) {
      const at = Math.floor(random() * header.bins);
      for (let i = at; i < Math.min(header.bins, at + 2 + 6 * random()); i++) power[i] += 10 ** (-4.2 - random());
    }
    const a = new Uint8Array(header.bins);
    const mask = exponentials.length - 1;
    let at = Math.floor(random() * exponentials.length);
    const stride = 1 + 2 * Math.floor(random() * 500);
    const perDb = 1 / header.dbPerStep;
    const { noiseDb } = this;
    for (let i = 0; i < header.bins; i++) {
      at = (at + stride) & mask;
      const db = power[i] === 0 ? noiseDb[i] + exponentialDb[at] : 10 * Math.log10(power[i] + exponentials[at] * noise[i]);
      const level = Math.round((db - header.dbFloor) * perDb);
      a[i] = level < 0 ? 0 : level > 255 ? 255 : level;
    }
    return a;
  }

  private addPulse(rangeM: number, peak: number): void {
    const { power, pulseM } = this;
    const { binM } = this.setting.header;
    const last = Math.min(power.length - 1, Math.floor((rangeM + pulseM) / binM));
    for (let i = Math.max(0, Math.floor(rangeM / binM)); i <= last; i++) {
      const into = ((i + 0.5) * binM - rangeM) / pulseM;
      if (into > 0 && into < 1) power[i] += peak * Math.sin(Math.PI * into) ** 2;
    }
  }

  /** The bottom answers from its nearest point outward; each ring further off is weakened by the beam. The second echo went twice. */
  private addBottom(random: Random): void {
    const { power, setting, pulseM } = this;
    const { header } = setting;
    const first = shownRange(setting, firstBottomDepth(setting) - header.transducerM);
    for (const [rangeM, dropDb, stretch] of [
      [first, 0, 1],
      [2 * first, 22, 2],
    ] as const) {
      for (let i = Math.max(0, Math.floor(rangeM / header.binM)); i < power.length; i++) {
        const beyond = (i + 0.5) * header.binM - rangeM;
        if (beyond < 0) continue;
        // The pulse lights a whole ring at once; its inner edge answers most.
        const inner = Math.max(0, beyond - pulseM) / stretch;
        const offDeg = Math.acos(rangeM / (rangeM + inner)) * deg;
        const rise = Math.min(1, beyond / pulseM);
        const db = setting.bottomDb - dropDb + beamLossDb(Math.max(0, offDeg - setting.slopeDeg), header.beamDeg) * 0.6;
        if (db < setting.bottomDb - dropDb - 45) break;
        power[i] += rise * 10 ** (db / 10) * (0.5 - Math.log(1 - random()) * 0.5);
      }
    }
  }
}
