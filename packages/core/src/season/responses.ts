import betaCdf from '@stdlib/stats-base-dists-beta-cdf';
import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { reactionMeanings, type OutingState } from '../ledger';

export type ResponsesBy = 'cadence' | 'presentation' | 'depth';

/** How fish have answered one way to show them the jig, this outing. */
export interface ResponseRow {
  /** Cadence id, presentation, or depth of the jig in whole half metres. */
  key: string;
  looked: number;
  answered: number;
  turnedDown: number;
  /** Share answered of all that decided, with its 90 % interval, 0–1. */
  share: { mean: number; low: number; high: number };
}

export interface Responses {
  by: ResponsesBy;
  /** Best first. */
  rows: readonly ResponseRow[];
  /** Chance that the best row's share exceeds the next one's; null with less than two rows. */
  probability: number | null;
}

/** One yes and one no are taken as seen before the first, so that a lone bite proves nothing. */
const prior = 1;
const halfMetre = (depthM: number) => (Math.round(depthM * 2) / 2).toFixed(1);

/** What fish told this outing, by cadence, presentation or depth of the jig. */
export function responsesBy(outing: Pick<OutingState, 'reactions' | 'lines'>, by: ResponsesBy): Responses {
  const rows = new Map<string, ResponseRow>();
  for (const reaction of outing.reactions) {
    const { answer } = reactionMeanings[reaction.kind];
    const key =
      by === 'cadence'
        ? reaction.cadence
        : by === 'depth'
          ? reaction.depthM === null
            ? null
            : halfMetre(reaction.depthM)
          : (outing.lines.find((l) => l.id === reaction.line)?.presentation ?? null);
    if (key === null) continue;
    const row = rows.get(key) ?? { key, looked: 0, answered: 0, turnedDown: 0, share: { mean: 0, low: 0, high: 0 } };
    row[answer === null ? 'looked' : answer === 'answered' ? 'answered' : 'turnedDown']++;
    rows.set(key, row);
  }
  for (const row of rows.values()) row.share = shareOf(row);
  // Where fish have only looked there is nothing to compare: it comes last.
  const sorted = [...rows.values()].sort(
    (x, y) => Number(isCounted(y)) - Number(isCounted(x)) || y.share.mean - x.share.mean || y.answered - x.answered || (x.key < y.key ? -1 : 1),
  );
  return { by, rows: sorted, probability: sorted.length > 1 && isCounted(sorted[1]) ? probabilityOver(sorted[0], sorted[1]) : null };
}

const isCounted = (row: ResponseRow) => row.answered + row.turnedDown > 0;
const shape = ({ answered, turnedDown }: ResponseRow): [number, number] => [answered + prior, turnedDown + prior];

function shareOf(row: ResponseRow): ResponseRow['share'] {
  const [a, b] = shape(row);
  return { mean: a / (a + b), low: betaQuantile(0.05, a, b), high: betaQuantile(0.95, a, b) };
}

/** Chance that a draw of the one exceeds a draw of the other. */
function probabilityOver(x: ResponseRow, y: ResponseRow): number {
  const [steps, [a, b], [c, d]] = [400, shape(x), shape(y)] as const;
  let sum = 0;
  for (let i = 0; i < steps; i++) sum += (betaCdf((i + 1) / steps, a, b) - betaCdf(i / steps, a, b)) * betaCdf((i + 0.5) / steps, c, d);
  return sum;
}

/** The finding in one sentence; `name` puts a key into words. */
export function responseWords({ rows, probability }: Responses, name: (key: string) => string): string {
  const counted = rows.filter(isCounted);
  if (counted.length === 0) return 'Nothing told yet. Tap what each fish does: each answer counts.';
  const [best] = counted;
  if (best.answered === 0) return 'All turned down so far: nothing has answered yet. Change one thing.';
  const figures = `${best.answered} of ${best.answered + best.turnedDown} answered`;
  if (counted.length === 1 || probability === null) return `${name(best.key)}: ${figures}. Nothing else tried yet to compare.`;
  const chance = Math.min(99, Math.floor(probability * 100));
  const sure = chance >= 90 ? 'that is hardly luck' : chance >= 70 ? 'it may still be luck' : 'too close to tell';
  return `${name(best.key)} leads: ${figures}. ${chance} in 100 against the next; ${sure}.`;
}
