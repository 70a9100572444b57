import { LocalFrame, seededRandom, type LonLat } from '../units';
import type { Sounding } from './depth-map';
import { inverseDistance } from './inverse-distance';
import { DepthSurvey, type SurveyOptions } from './survey';

/** How well left-out soundings are foretold. */
export interface CrossValidation {
  rmseM: number;
  /** The same by inverse-distance weighting of twelve neighbours. */
  idwRmseM: number;
  /** Share of them within two standard deviations. */
  coverage95: number;
}

/**
 * Leaves every fold of the soundings out in turn and asks the rest for them.
 * RangeError for fewer than 2 folds or more than there are soundings.
 */
export function crossValidate(outline: readonly LonLat[], soundings: readonly Sounding[], folds: number, options: SurveyOptions = {}): CrossValidation {
  if (!(Number.isInteger(folds) && folds >= 2 && folds <= soundings.length)) throw new RangeError(`expected 2 to ${soundings.length} folds, found ${folds}`);
  const random = seededRandom(1);
  const fold = soundings.map((_, i) => i % folds);
  for (let i = fold.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [fold[i], fold[j]] = [fold[j], fold[i]];
  }
  const frame = LocalFrame.about(outline);
  let [square, idwSquare, covered] = [0, 0, 0];
  for (let f = 0; f < folds; f++) {
    const known = soundings.filter((_, i) => fold[i] !== f);
    const survey = new DepthSurvey(outline, known, { ...options, cells: 20 });
    const weighted = inverseDistance(known.map((s) => [...frame.toMetres(s.at), s.depthM] as const));
    for (const s of soundings.filter((_, i) => fold[i] === f)) {
      const { depthM, sdM } = survey.estimateAt(s.at);
      square += (depthM - s.depthM) ** 2;
      idwSquare += (weighted(...frame.toMetres(s.at)) - s.depthM) ** 2;
      covered += Math.abs(depthM - s.depthM) <= 2 * sdM ? 1 : 0;
    }
  }
  const n = soundings.length;
  return { rmseM: Math.sqrt(square / n), idwRmseM: Math.sqrt(idwSquare / n), coverage95: covered / n };
}
