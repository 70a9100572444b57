import type { BallBreak, FeedState, FeedWay, OutingState } from '../ledger';
import { minuteMs } from '../units';
import { catchesIn, clumpSize, intervalsOf } from './effort';
import { findLead, shrunkenRates, type Finding, type RateRow, type Tally } from './rates';

/** Feed counts for what bites so long after it, unless the swim is fed again before, ms. Convention. */
const countsMs = 30 * minuteMs;

/** What feeding is compared by: how it got there, or how hard the ball was. */
export type FeedingBy = 'way' | 'break';

const wayNames: Readonly<Record<FeedWay, string>> = { cup: 'cupped', throw: 'thrown', catapult: 'by catapult', loose: 'loose, by hand' };
const breakNames: Readonly<Record<BallBreak, string>> = { surface: 'barely pressed', half: 'pressed once', bottom: 'squeezed hard', never: 'as clay' };

/** What a feed was, in words; null where nobody said. */
function keyOf({ way, ball, grains }: FeedState, by: FeedingBy): string | null {
  if (by === 'way') return way === undefined ? null : wayNames[way];
  if (grains !== undefined) return 'grains';
  return ball === null ? null : breakNames[ball.breaks];
}

/** Bites an hour of line after each way of feeding a swim, with ranges, and whether one leads. */
export interface FeedingRates {
  by: FeedingBy;
  rows: RateRow[];
  finding: Finding;
}

/** Minutes of line and bites in the half hour after each feed, up to the next one there. Feed of which nobody said how is in no row. */
export function feedingRates(outings: readonly OutingState[], nowMs: number, by: FeedingBy): FeedingRates {
  const tallies = new Map<string, Tally>();
  const signs: { station: string; ms: number }[] = [];
  for (const outing of outings) {
    const [lines, bites] = [intervalsOf(outing, nowMs), catchesIn(outing, nowMs)];
    signs.push(...bites);
    outing.feeds.forEach((feed, k) => {
      const key = keyOf(feed, by);
      if (key === null) return;
      const next = outing.feeds.find((f, i) => i > k && f.station === feed.station);
      const untilMs = Math.min(feed.ms + countsMs, next?.ms ?? Infinity);
      const within = lines.filter((l) => l.station === feed.station && l.toMs > feed.ms && l.fromMs < untilMs);
      const minutes = within.reduce((sum, l) => sum + (Math.min(l.toMs, untilMs) - Math.max(l.fromMs, feed.ms)) / minuteMs, 0);
      const count = bites.filter((b) => b.station === feed.station && b.ms >= feed.ms && b.ms < untilMs).length;
      const before = tallies.get(key) ?? { key, minutes: 0, count: 0 };
      tallies.set(key, { key, minutes: before.minutes + minutes, count: before.count + count });
    });
  }
  const clump = clumpSize(signs);
  const rows = shrunkenRates(
    [...tallies.values()].filter((t) => t.minutes > 0),
    clump,
  );
  return { by, rows, finding: findLead(rows, clump) };
}

/** What feeding comes to in words. */
export function feedingWords({ finding, rows }: FeedingRates): { headline: string; detail: string } {
  if (finding.kind === 'not-enough')
    return {
      headline: 'Not enough yet',
      detail:
        rows.length < 2 ? 'One way of feeding throughout: there is nothing to hold against it.' : 'No difference that could not be luck. More of what was tried least would tell.',
    };
  const { best, other, probability } = finding;
  return {
    headline: `Fed ${best.key} beats ${other.key}`,
    detail: `${best.rate.mean.toFixed(1)} bites an hour of line in the half hour after it, against ${other.rate.mean.toFixed(1)}. ${Math.min(99, Math.floor(100 * probability))} in 100 that it is not luck.`,
  };
}
