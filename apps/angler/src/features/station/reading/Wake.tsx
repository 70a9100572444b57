import { G, Line, Path, Polyline, Rect } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import type { Handle, ReadingControl } from './useReading';

/** A diamond about a point, r px to each corner. */
export const diamondAt = (x: number, y: number, r: number) => `M${x} ${y - r}l${r} ${r}l${-r} ${r}l${-r} ${-r}Z`;

/** What was read in the last minutes: the jig's way and the mark's, fainter the longer ago. */
export function Wake({ wakes, x, y }: { wakes: ReadingControl['readings']; x: (atMs: number) => number; y: (m: number) => number }) {
  const palette = usePalette();
  const marks = wakes.flatMap((r) => (r.markM === null ? [] : [`${x(r.atMs)},${y(r.markM)}`]));
  return (
    <>
      {wakes.length > 0 ? (
        <>
          <Polyline
            points={wakes.map((r) => `${x(r.atMs)},${y(r.jigM)}`).join(' ')}
            fill="none"
            stroke={palette.ember}
            strokeWidth={2.5}
            strokeDasharray="2 6"
            strokeOpacity={0.7}
          />
          <Polyline points={marks.join(' ')} fill="none" stroke={palette.kelp} strokeWidth={6} strokeOpacity={0.35} />
        </>
      ) : null}
      {wakes.map((r, k) => (
        <G key={r.atMs} opacity={Math.max(0.3, 0.8 - 0.08 * k)}>
          {r.markM === null ? null : <Rect x={x(r.atMs) - 13} y={y(r.markM) - 5} width={26} height={10} rx={2} fill={palette.kelp} />}
          <Path d={diamondAt(x(r.atMs), y(r.jigM), 6)} fill={palette.ember} />
        </G>
      ))}
    </>
  );
}

/** The jig and the mark as they stand now; the one that a touch moves has a dark edge. */
export function Handles({ reading: { jigM, markM, handle }, x, y }: { reading: ReadingControl; x: number; y: (m: number) => number }) {
  const palette = usePalette();
  const edge = (which: Handle) => ({ stroke: handle === which ? palette.ink : palette.card, strokeWidth: 2.5 });
  return (
    <>
      {jigM === null ? null : (
        <>
          <Line x1={x - 24} x2={x - 24} y1={0} y2={y(jigM)} stroke={palette.ember} strokeWidth={2} />
          <Path d={diamondAt(x - 24, y(jigM), 12)} fill={palette.ember} {...edge('jig')} />
        </>
      )}
      {markM === null ? null : <Rect x={x - 8} y={y(markM) - 7} width={42} height={14} rx={3} fill={palette.kelp} {...edge('mark')} />}
    </>
  );
}
