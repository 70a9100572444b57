import { compassPoint, distanceText, type UnitPreference } from '../units';
import { sunPosition, type Place } from '../weather';
import { approachOf, judgeBanks, windRule, type BankSetting, type BankState } from './advice';
import type { BankSegment } from './shore';
import { sunOnBank, type SunHour } from './sun';

/** The shore unrolled: every bank's state now, and which hours of the day the sun reaches it. */
export interface BankStrip {
  hoursMs: number[];
  /** Banks along the shore, and for each whether the sun reaches it at each of the hours. */
  banks: (BankState & { sunlit: boolean[] })[];
  best: number;
}

/** Unrolls the shore over the hours of a day. */
export function bankStrip(
  ring: Float64Array,
  segments: readonly BankSegment[],
  past: readonly SunHour[],
  setting: BankSetting,
  hoursMs: readonly number[],
  place: Place,
): BankStrip {
  const sun = hoursMs.map((ms) => sunPosition(ms, place));
  const banks = judgeBanks(ring, segments, past, setting).map((bank) => ({ ...bank, sunlit: sun.map((s) => sunOnBank(bank.segment, s).isSunlit) }));
  // A bank is as good as its neighbourhood: one stretch of 25 m is no place to walk to.
  const score = (i: number) => [-2, -1, 0, 1, 2].reduce((sum, k) => sum + banks[(i + k + banks.length) % banks.length].score, 0);
  const best = banks.reduce((top, _, i) => (score(i) > score(top) ? i : top), 0);
  return { hoursMs: [...hoursMs], banks, best };
}

/** From here on a bank that is no wall is said to slope, degrees. Convention. */
const slopesDeg = 10;

function castsText({ casts, segment: { steepDeg, steepBy } }: BankState): string {
  if (casts === 'parallel') return 'The bank is steep: casts along it.';
  if (steepBy === 'assumed') return 'How steep it is nobody sounded: casts at a slant, worked back.';
  const run = Math.round(1 / Math.tan((steepDeg * Math.PI) / 180));
  return `${steepDeg >= slopesDeg ? `It slopes, about 1 in ${run}` : 'It is flat'}: casts at a slant, worked back.`;
}

const shelterWords = { glassy: 'in the lee', ripple: 'with a ripple', chop: 'in a chop', rough: 'in rough water' } as const;

/** Which bank and why, in words. */
export function bankWords({ banks, best }: BankStrip, setting: BankSetting, units: UnitPreference): { headline: string; detail: string; ruleIds: string[] } {
  const bank = banks[best];
  const approach = approachOf(setting.secchiM, setting.tempC);
  const wind = windRule(setting);
  // The side of the water it lies on is behind it as it looks at the water.
  const side = compassPoint(bank.segment.facesDeg + 180);
  const off = approach.offM[1] > 2 ? `${distanceText(approach.offM[0], units)} to ${distanceText(approach.offM[1], units)} off it` : 'tight to it';
  const casts = castsText(bank);
  return {
    headline: `The ${side} bank, ${shelterWords[bank.shelter]}`,
    detail: [
      `${approach.reason} Fish ${off}.`,
      casts,
      ...(wind ? [wind.reason] : []),
      ...(setting.tempC === null ? ['The water’s temperature is not known: taken for cold.'] : []),
    ].join(' '),
    ruleIds: bank.ruleIds,
  };
}
