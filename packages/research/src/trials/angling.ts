import { EchoReader, type EchoState } from '@burrow/core/sonar';
import { sceneOf, SimulatedFlasher, type SimulatedWater, type RodMotion } from '@burrow/core/simulator';
import { fishKinds, type DecisionModel } from '../decision-models';
import { TrueMarks } from './true-marks';

/** What an angler sees at a moment: the reader's state, or the water itself for those who know it. */
export interface View {
  t: number;
  state: EchoState | null;
  water: SimulatedWater;
}

/** What the hand does. */
export interface Hand {
  jigM: number;
  rod: RodMotion;
  /** Speed at which the line is moved, m/s; as reel and fall go where not said. */
  handMs?: number;
}

/** A way to fish an hour. */
export interface Angler {
  /** Whether it looks at the flasher; one that does not is not drawn echoes. */
  looks: boolean;
  act: (view: View) => Hand;
  /** Responses of a bite that was struck, of one that let go, and of a fish landed. */
  reacted?: (kind: 'bite' | 'nipped' | 'landed' | 'missed', ms: number, depthM: number) => void;
}

/** The same hands for every angler. Times in s. */
export const hands = {
  pingRateHz: 5,
  /** From seeing to doing. */
  delayS: 1,
  /** From the take to the strike. */
  strikeS: 0.8,
  /** To bring a fish up, unhook it and be ready to go down again. */
  landS: 40,
} as const;

export interface HourResult {
  landed: number;
  takes: number;
  nips: number;
}

/**
 * One seeded spell of a scene, fished by an angler. Deterministic for a seed and an angler.
 * @param setting `sees`: by echoes that are drawn and read, or straight from the water
 */
export function fishSpell(
  angler: (water: SimulatedWater, reader: EchoReader | null) => Angler,
  setting: { sceneId: string; seed: number; model: DecisionModel; minutes: number; sees?: 'echoes' | 'marks' },
): HourResult {
  const bins = Math.ceil((sceneOf(setting.sceneId).bottomM + 0.6) / 0.02);
  const flasher = new SimulatedFlasher({
    sceneId: setting.sceneId,
    seed: setting.seed,
    Kind: fishKinds[setting.model],
    start: '2027-01-16T06:40:00.000-09:00',
    sounder: { pingRateHz: hands.pingRateHz, bins },
  });
  const { water } = flasher;
  const reader = new EchoReader(flasher.header);
  const who = angler(water, reader);
  const marks = setting.sees === 'marks' ? new TrueMarks(water) : null;
  const hasEchoes = who.looks && marks === null;
  const result: HourResult = { landed: 0, takes: 0, nips: 0 };
  const steps = Math.round(setting.minutes * 60 * hands.pingRateHz);
  const waiting: { at: number; hand: Hand }[] = [];
  let strikeAt = Infinity;
  let busyUntil = -1;
  let lineM = Number.NaN;
  for (let i = 0; i < steps; i++) {
    const s = i / hands.pingRateHz;
    const { take, state, t } = hasEchoes ? look(flasher, reader) : pass(water, who.looks ? marks : null, Math.round(s * 1000));
    if (take?.isNip) {
      result.nips++;
      who.reacted?.('nipped', t, take.depthM);
    } else if (take) {
      result.takes++;
      strikeAt = s + hands.strikeS;
    }
    if (s >= strikeAt) {
      strikeAt = Infinity;
      const landed = water.strike();
      if (landed) {
        result.landed++;
        who.reacted?.('bite', t, landed.depthM);
        who.reacted?.('landed', t + 1000 * hands.landS, landed.depthM);
        busyUntil = s + hands.landS;
        waiting.length = 0;
        water.jig.rod = { liftM: 0, beatPerMin: 0, pauseS: 0 };
        water.setJig(0.3);
        water.takeOut();
      }
    }
    if (s < busyUntil) {
      lineM = Number.NaN;
      if (hasEchoes) reader.line(0.3);
      continue;
    }
    water.putIn();
    waiting.push({ at: s + hands.delayS, hand: who.act({ t, state, water }) });
    while (waiting.length > 0 && waiting[0].at <= s) {
      const { hand } = waiting.shift()!;
      water.jig.rod = hand.rod;
      // A hand does not chase centimetres.
      if (Number.isNaN(lineM) || Math.abs(hand.jigM - lineM) > 0.08) {
        lineM = hand.jigM;
        water.setJig(hand.jigM, hand.handMs ?? null);
        if (hasEchoes) reader.line(water.jig.commandedM);
      }
    }
  }
  return result;
}

function look(flasher: SimulatedFlasher, reader: EchoReader) {
  const { ping, take } = flasher.next();
  return { take, state: reader.ping(ping), t: ping.t };
}

function pass(water: SimulatedWater, marks: TrueMarks | null, t: number) {
  const take = water.step(1 / hands.pingRateHz);
  return { take, state: marks?.state(t) ?? null, t };
}
