import { distanceM, type LonLat } from '@burrow/core/units';
import { useEffect, useRef } from 'react';
import { z } from 'zod';
import { nowMs } from './clock';
import { useLedger } from './session';

/** Places nearer and sooner than these say nothing new, m and s; a stretch is written when it has so many or is so old. */
const [apartM, apartS, mostPoints, mostAgeS] = [4, 30, 60, 90] as const;

type Point = [lon: number, lat: number, s: number];
const key = 'burrow.track';
const kept = z.object({ outing: z.string(), zone: z.string(), station: z.string(), points: z.array(z.tuple([z.number(), z.number(), z.number()])) });
type Kept = z.infer<typeof kept>;

/** What was recorded and is not in the ledger yet: it outlives a page that is closed. */
function read(): Kept | null {
  try {
    return kept.parse(JSON.parse(localStorage.getItem(key) ?? 'null'));
  } catch {
    return null;
  }
}
const put = (track: Kept | null) => (track === null ? localStorage.removeItem(key) : localStorage.setItem(key, JSON.stringify(track)));

/** Records where a pass goes, and writes it into the ledger by stretches. Answers what writes the rest at once. */
export function useTrack(scope: { id: string; zone: string }, pass: { id: string; openedMs: number; endedMs: number | null }, at: LonLat | null): () => Promise<void> {
  const { ledger } = useLedger();
  const writing = useRef(Promise.resolve());
  const flush = () => {
    writing.current = writing.current.then(async () => {
      const track = read();
      if (!track || track.points.length === 0) return;
      await ledger.write({ id: track.outing, zone: track.zone }, 'tracked', { station: track.station, points: track.points });
      // Places that came meanwhile stay.
      const now = read();
      put(now && now.station === track.station ? { ...now, points: now.points.slice(track.points.length) } : now);
    });
    return writing.current;
  };
  useEffect(() => {
    if (at === null || pass.endedMs !== null) return;
    const track = read();
    if (track && track.station !== pass.id) {
      // A pass that was left without its end.
      void flush();
      return;
    }
    const s = Math.max(0, Math.round((nowMs() - pass.openedMs) / 1000));
    const last = track?.points.at(-1);
    if (last && distanceM([last[0], last[1]], at) < apartM && s - last[2] < apartS) return;
    const points: Point[] = [...(track?.points ?? []), [at[0], at[1], s]];
    put({ outing: scope.id, zone: scope.zone, station: pass.id, points });
    if (points.length >= mostPoints || s - points[0][2] >= mostAgeS) void flush();
  });
  return flush;
}
