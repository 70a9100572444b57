import { EchoReader } from '@burrow/core/sonar';
import { SimulatedFlasher, type FlasherOptions } from '@burrow/core/simulator';
import { seededRandom } from '@burrow/core/units';
import { ReaderScore, type ReaderFigures } from './reader-score';

/** What a trial of the reader does to the water while it reads. */
export interface ReaderTrial {
  sceneId: string;
  minutes: number;
  sounder?: FlasherOptions['sounder'];
  trueSoundSpeedMs?: number;
  /** The bottom's echo is lost for this long, s, once a minute. */
  lossS?: number;
  /** Fish that are struck are landed: the line is up for this long, s, then goes down again to where it was. */
  landS?: number;
}

/** Moves the jig and the rod now and then, as an angler does; the reader hears of the line's depth, as from a line counter. */
const moveEveryS = 20;
/** A jig nearer to the bottom than this is in the bottom's own echo, which no reader can part, m. */
const leastOffBottomM = 0.18;
/** Where the jig hangs while a fish is taken off it, m. */
const upM = 0.3;
const rods = [
  { liftM: 0, beatPerMin: 0, pauseS: 0 },
  { liftM: 0.06, beatPerMin: 80, pauseS: 4 },
  { liftM: 0.03, beatPerMin: 50, pauseS: 5 },
  { liftM: 0.45, beatPerMin: 30, pauseS: 12, beats: 3 },
];

/** Reads one seeded log of a scene and scores it. Deterministic for a seed. */
export function runReaderTrial(trial: ReaderTrial, seed: number): ReaderFigures {
  const flasher = new SimulatedFlasher({ seed, sceneId: trial.sceneId, start: '2027-01-16T06:40:00.000-09:00', sounder: trial.sounder, trueSoundSpeedMs: trial.trueSoundSpeedMs });
  const { header } = flasher;
  const reader = new EchoReader(header, { trueSoundSpeedMs: trial.trueSoundSpeedMs });
  const score = new ReaderScore(header);
  const random = seededRandom(seed + 1000);
  const home = flasher.jig.commandedM;
  reader.line(home);
  const pings = Math.round(trial.minutes * 60 * header.pingRateHz);
  const isCheck = flasher.water.scene.kind === 'check';
  const letOut = (depthM: number) => {
    flasher.setJig(depthM);
    reader.line(flasher.jig.commandedM);
  };
  let landedAt = Infinity;
  let wasM = home;
  for (let i = 0; i < pings; i++) {
    if (i % (moveEveryS * header.pingRateHz) === 0) {
      flasher.setRod(rods[Math.floor(random() * rods.length)]);
      if (!isCheck && landedAt === Infinity) letOut(Math.min(home + 0.8 * (random() - 0.5), flasher.water.bottomM - leastOffBottomM));
    }
    if (i >= landedAt) {
      landedAt = Infinity;
      letOut(wasM);
    }
    const { ping, truth, take } = flasher.next();
    const landed = take && !take.isNip && random() < 0.7 ? flasher.strike() : null;
    if (landed && trial.landS !== undefined) {
      landedAt = i + Math.round(trial.landS * header.pingRateHz);
      wasM = flasher.jig.commandedM;
      flasher.setRod(rods[0]);
      letOut(upM);
    }
    const isLost = trial.lossS !== undefined && i > 0 && i % (60 * header.pingRateHz) < trial.lossS * header.pingRateHz && i >= 60 * header.pingRateHz;
    if (isLost) ping.a.fill(30, Math.max(0, Math.floor((truth.bottomM - 0.5) / header.binM)));
    const state = reader.ping(ping);
    score.add(state, truth);
  }
  return score.figures();
}
