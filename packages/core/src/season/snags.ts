import type { OutingState, TubeBuild } from '../ledger';
import { hourMs } from '../units';

/** How often tubes of one seat hung on the bed. */
export interface SeatSnags {
  seat: NonNullable<TubeBuild['seat']>;
  snags: number;
  hours: number;
}

/** Snags of tubes by how their head was seated, and the hours they were down; a seat that nobody fished is left out. */
export function snagsBySeat(outings: readonly OutingState[], nowMs: number): SeatSnags[] {
  return (['short', 'full'] as const).flatMap((seat) => {
    let [snags, ms] = [0, 0];
    for (const outing of outings)
      for (const line of outing.lines.filter((l) => l.tube?.seat === seat)) {
        const endMs = Math.min(line.upMs ?? Infinity, outing.endedMs ?? nowMs);
        ms += Math.max(0, endMs - line.downMs);
        snags += outing.felt.filter((f) => f.what === 'snag' && f.station === line.station && f.ms >= line.downMs && f.ms <= endMs).length;
      }
    return ms > 0 ? [{ seat, snags, hours: ms / hourMs }] : [];
  });
}

/** A row in words: "Short seat: 1 snag in 4.5 h". */
export const seatSnagsText = ({ seat, snags, hours }: SeatSnags): string =>
  `${seat === 'short' ? 'Short' : 'Full'} seat: ${snags} ${snags === 1 ? 'snag' : 'snags'} in ${hours.toFixed(1)} h`;
