import { betweenDeg, clamp } from '../units';
import type { AfterRule } from './after';
import { passesAlong } from './strike';
import type { CastSection, MadeCast, StandAnswer, StandCast } from './stand';

/** Another side of something is at least this far off, degrees. */
const otherSideDeg = 12;

/**
 * The bearing to cast along, after what was seen: that of the last cast, one beside it, one from another side, or the one that shows
 * most; null where there is nothing to cast at.
 * @param strikeM how far a fish moves: beside means just past what the last cast showed
 */
export function aimAfter(rule: AfterRule, answer: StandAnswer, last: MadeCast | undefined, strikeM: number): number | null {
  const [best] = answer.casts;
  if (last && (rule.aim === 'same' || rule.aim === 'let-fall')) return last.bearingDeg;
  if (last && rule.aim === 'beside') return (last.bearingDeg + clamp((Math.atan2(2 * strikeM, last.lengthM * 0.7) * 180) / Math.PI, 3, 15)) % 360;
  if (last && rule.aim === 'far-side') return (answer.casts.find((c) => betweenDeg(c.bearingDeg, last.bearingDeg) >= otherSideDeg) ?? best)?.bearingDeg ?? null;
  return best?.bearingDeg ?? null;
}

/** A cast along a bearing as the section shows it, with which pass it would be and what of the whole it would show where that is known. */
export function castAlong(section: CastSection, bearingDeg: number, answer: StandAnswer, made: readonly MadeCast[], strikeM: number): StandCast {
  const known = answer.casts.find((c) => betweenDeg(c.bearingDeg, bearingDeg) < 0.6);
  return {
    bearingDeg,
    lengthM: section.lengthM,
    bandM: section.bandM,
    inBandShare: section.lengthM > 0 ? section.bandM / section.lengthM : 0,
    gain: known?.gain ?? 0,
    pass: passesAlong(made, bearingDeg, strikeM, Math.max(2, section.lengthM)) + 1,
  };
}

/** How far out the bait lies so long after the cast: an estimate from the fall and the moves since, m. */
export function baitOutM(lengthM: number, sinceS: number, fallS: number, takeM: number, paceSPerM: number): number {
  const moves = Math.floor(Math.max(0, sinceS - fallS) / (takeM * paceSPerM));
  return clamp(lengthM - moves * takeM, Math.min(2, lengthM), lengthM);
}
