import { depthText, type UnitPreference } from '../units';
import { heightBands } from './effort';
import type { Comparison } from './summary';

const figure = (rate: number) => rate.toFixed(1);

/** Name of a row in the angler's units: "3 ft up", "on bottom", or the presentation. */
export function rowLabel(comparison: Pick<Comparison, 'by'>, key: string, units: UnitPreference, presentationName: (id: string) => string): string {
  if (comparison.by === 'presentation') return presentationName(key);
  const band = heightBands.find((b) => b.id === key);
  if (!band || band.midM === 0) return 'On bottom';
  return `${depthText(band.id === 'high' ? band.fromM : band.midM, units)}${band.id === 'high' ? ' up or more' : ' up'}`;
}

/** The finding as one sentence and the figures behind it. */
export function findingWords(comparison: Comparison, units: UnitPreference, presentationName: (id: string) => string): { headline: string; detail: string } {
  const { finding, count, unit } = comparison;
  const each = unit === 'casts' ? 'in ten casts' : 'an hour of line';
  if (finding.kind === 'not-enough') {
    const what = comparison.by === 'height' ? 'heights above bottom' : 'presentations';
    return {
      headline: 'Not enough yet',
      detail: `No difference between ${what} that could not be luck. ${unit === 'casts' ? 'More casts with' : 'More line in the water at'} the ones least tried would tell.`,
    };
  }
  const label = (key: string) => rowLabel(comparison, key, units, presentationName);
  return {
    headline: `${label(finding.best.key)} beats ${label(finding.other.key).replace(/^On/, 'on')}`,
    detail: `${figure(finding.best.rate.mean)} ${count} ${each} against ${figure(finding.other.rate.mean)}. ${Math.min(99, Math.floor(finding.probability * 100))} in 100 that it is not luck.`,
  };
}

/** How fish came in schools, in words; empty before the first bite. */
export const clumpWords = ({ bites, clump }: { bites: number; clump: number }): string =>
  bites === 0 ? '' : `Fish come in schools: with each bite come about ${(clump - 1).toFixed(1)} others, which widens the ranges.`;
