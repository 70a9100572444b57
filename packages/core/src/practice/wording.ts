import { adviceWords, cadences } from '../coach';
import { liftText, depthText, type UnitPreference } from '../units';
import type { Decision, FishDid, Remark } from './drill';

const fishWords: Record<FishDid, string> = {
  took: 'It took.',
  fled: 'It flared off.',
  turned: 'It turned away.',
  came: 'It came to the jig.',
  noticed: 'It noticed the jig.',
  nothing: 'The fish did nothing about it.',
};

const remarkWords = (remark: Remark, units: UnitPreference): string => {
  switch (remark.kind) {
    case 'depth-right':
      return 'Depth right.';
    case 'too-deep':
      return `${liftText(remark.byM, units)} too deep.`;
    case 'too-high':
      return `${liftText(remark.byM, units)} too high.`;
    case 'cadence-right':
      return 'Movement right.';
    case 'too-lively':
      return 'Too lively.';
    case 'too-quiet':
      return 'Too quiet.';
  }
};

export interface DecisionWords {
  /** What there was to see. */
  seen: string;
  would: string;
  did: string;
  remarks: string;
  /** What the fish, in truth, went on to do. */
  fish: string;
}

/** A decision in the learner's units. */
export function decisionWords(decision: Decision, units: UnitPreference): DecisionWords {
  const words = adviceWords(decision.advice, units);
  return {
    seen: words.reason,
    would: `${words.instruction}.`,
    did: `${cadences[decision.didCadence].verb} at ${depthText(decision.didM, units)}.`,
    remarks: decision.remarks.map((r) => remarkWords(r, units)).join(' '),
    fish: fishWords[decision.fishDid],
  };
}
