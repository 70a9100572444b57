import type { TracePoint } from '@burrow/core/practice';
import { yOf, type DepthFrame } from '@/features/station/shaft/scale';

export interface TraceLines {
  frame: DepthFrame;
  jig: string;
  bottom: string;
  fish: string;
  xOf: (t: number) => number;
}

/** Room for a marker at either end. */
const insetPx = 12;

/** Paths of a trace within a width and height: from just above what was there to just under the bottom. */
export function traceLines(trace: readonly TracePoint[], width: number, height: number, left: number): TraceLines {
  const depths = trace.flatMap((p) => [p.jigM, p.bottomM, ...p.marksM]).filter((m): m is number => m !== null);
  const frame = { topM: Math.max(0, Math.min(4, ...depths) - 0.5), baseM: Math.max(2, ...depths) + 0.4 };
  const lastT = Math.max(1, trace.at(-1)?.t ?? 1);
  const xOf = (t: number) => left + insetPx + (t / lastT) * Math.max(0, width - left - 2 * insetPx);
  const y = (m: number) => yOf(frame, height, m).toFixed(1);
  const line = (of: (p: TracePoint) => number | null) => {
    let path = '';
    let isDown = false;
    for (const point of trace) {
      const m = of(point);
      if (m !== null) path += `${isDown ? 'L' : 'M'}${xOf(point.t).toFixed(1)} ${y(m)}`;
      isDown = m !== null;
    }
    return path;
  };
  const fish = trace.flatMap((p) => p.marksM.map((m) => `M${xOf(p.t).toFixed(1)} ${y(m)}h2.5`)).join('');
  return { frame, jig: line((p) => p.jigM), bottom: line((p) => p.bottomM), fish, xOf };
}
