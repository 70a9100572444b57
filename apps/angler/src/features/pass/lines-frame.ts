import { depthInTurn } from '@burrow/core/troll';
import { depthText, distanceText, niceLengthM, type UnitPreference } from '@burrow/core/units';
import type { PassControl } from './usePass';

export const [leftPx, topPx, footPx] = [42, 8, 22];

export type LinesFrame = ReturnType<typeof linesFrame>;

/** The scales of the lines over the bed ahead in a picture of this size, px, and where each line, the turn and the bed lie in it. */
export function linesFrame({ advice, running }: PassControl, turnM: number, { width, height }: { width: number; height: number }, units: UnitPreference) {
  const { ahead, place, turn, speed } = advice;
  const { lines, deepestM } = running;
  const far = ahead.at(-1)?.aheadM ?? 100;
  const known = ahead.filter((p) => !Number.isNaN(p.depthM));
  const bedM = known.map((p) => p.depthM);
  // A bed far under the lines is left out of the picture, so that the lines can be told apart.
  const shownBedM = bedM.length === 0 ? deepestM + 2 : Math.min(Math.max(...bedM), Math.max(2.5 * deepestM, 1.2 * Math.min(...bedM)));
  const bottomM = Math.max(1, deepestM + 1, shownBedM) * 1.08;
  const x = (m: number) => leftPx + (m / far) * Math.max(0, width - leftPx);
  const y = (m: number) => topPx + (m / bottomM) * Math.max(0, height - topPx - footPx);
  const arc = turn && place ? { from: Math.max(0, turn.fromM - place.alongM), to: Math.min(far, turn.toM - place.alongM), side: turn.side } : null;
  const bend = arc && arc.from < far ? arc : null;
  const shown = lines.flatMap((l) => (l.depthM === null ? [] : [{ ...l, depthM: l.depthM }]));
  const widthOf = (name: string) => 84 + 5 * name.length;
  const bed = known.map((p) => `${x(p.aheadM).toFixed(1)} ${y(p.depthM).toFixed(1)}`).join('L');
  const shallowest = known.reduce<(typeof known)[number] | null>((a, b) => (a === null || b.depthM < a.depthM ? b : a), null);
  const tickM = niceLengthM(far / 3, units);
  return {
    width,
    height,
    x,
    y,
    bottomM,
    bend,
    bedPath: known.length > 1 ? `M${x(known[0].aheadM)} ${height - footPx}L${bed}L${x(known[known.length - 1].aheadM)} ${height - footPx}Z` : null,
    lines: shown.map((line, k) => {
      const inTurn = bend ? depthInTurn(line, speed.ms, turnM, bend.side) : null;
      const lineY = y(line.depthM);
      const w = widthOf(line.name);
      return {
        ...line,
        y: lineY,
        text: `${line.name} ${depthText(line.depthM, units)}`,
        w,
        path:
          bend && inTurn !== null
            ? `M${leftPx} ${lineY}L${x(bend.from)} ${lineY}Q${(x(bend.from) + x(bend.to)) / 2} ${y(2 * inTurn - line.depthM)} ${x(bend.to)} ${lineY}L${width} ${lineY}`
            : `M${leftPx} ${lineY}L${width} ${lineY}`,
        // Names of lines that run close stand beside one another.
        beside: shown.slice(0, k).filter((o) => Math.abs(y(o.depthM) - lineY) < 27).length * (w + 6),
      };
    }),
    clear:
      shallowest && shown.length > 0 ? { x: x(shallowest.aheadM), y: y(shallowest.depthM), text: `${depthText(Math.max(0, shallowest.depthM - deepestM), units)} clear` } : null,
    ticks: Array.from({ length: known.length < 2 ? 0 : Math.max(0, Math.ceil((far * 0.78) / tickM) - 1) }, (_, k) => (k + 1) * tickM).map((m) => ({
      x: x(m),
      text: distanceText(m, units).split(' ')[0],
    })),
    endText: known.length < 2 ? '' : `${distanceText(far, units)} ahead`,
  };
}
