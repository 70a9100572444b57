import { castText } from '@burrow/core/casting';
import { depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import type { CastControl } from './useCast';

/** Height over the water for the rod and the line in the air, and room for the depths at the left, px. */
export const [airPx, leftPx, rightPx] = [34, 40, 10];
/** A letter of a name in the picture is about so wide, and a line of it so high, px. */
const [letterPx, linePx] = [8.2, 18];
/** The words of the fall stand so far under the surface and left of it; a name so far over its place, or under it where those words stand, px. */
const [fallDownPx, fallLeftPx, overPx, underPx] = [20, 8, 16, 26];

/** A shallow bed is drawn this much taller than wide, at most. */
const mostTimes = 4;

type Point = { outM: number; depthM: number };
export type SectionFrame = ReturnType<typeof sectionFrame>;

/** The scales of a cast from the side: metres out and down to px in a picture of this size, and what is said in it. */
export function sectionFrame({ settings, advice, bait }: CastControl, { width, height }: { width: number; height: number }, units: UnitPreference) {
  const { section, dived, passed } = advice.cast;
  const { fallS, restS, hardRestS } = advice.retrieve;
  const { band, query } = settings;
  const deepestM = Math.max(band.fromM + 0.5, ...section.bed.map((p) => p.depthM)) * 1.18;
  const xScale = Math.max(0, width - leftPx - rightPx) / query.castM;
  const yScale = Math.min((height - airPx) / Math.max(0.5, deepestM), xScale * mostTimes);
  const x = (out: number) => leftPx + out * xScale;
  const y = (depth: number) => airPx + depth * yScale;
  const points = (list: readonly Point[]) => list.map((p) => `${x(p.outM).toFixed(1)},${y(p.depthM).toFixed(1)}`).join(' ');
  const [first, last] = [section.bed[0]?.outM ?? 0, section.bed.at(-1)?.outM ?? 0];
  const unitM = metresPerDepthUnit(units);
  const fall = dived ? `dives to ${depthText(dived.deepestM, units)}` : fallS === null ? 'count it down' : `${Math.round(fallS)} s down`;
  const fallAt = { x: x(section.lengthM) - fallLeftPx, y: airPx + fallDownPx };
  /** A name beside its place, on the side that has room, over the water unless the words of the fall stand there. */
  const named = (outM: number, depthM: number, name: string) => {
    const [px, py, wide] = [x(outM), y(depthM), name.length * letterPx];
    const isLeft = px > width * 0.5;
    const right = isLeft ? Math.max(px + 12, wide) : px + 6 + wide;
    const meetsFall = Math.abs(py - overPx - fallAt.y) < linePx && right > fallAt.x - fall.length * letterPx;
    return { nameX: isLeft ? right : px + 6, nameY: meetsFall ? Math.max(py, fallAt.y) + underPx : py - overPx, isLeft };
  };
  const stepM = unitM * ([5, 10, 20, 50].find((s) => query.castM / (s * unitM) <= 5) ?? 100);
  return {
    width,
    height,
    x,
    y,
    points,
    baseM: (height - airPx) / yScale,
    bedPath: section.bed.length > 1 ? `M${x(first)} ${height}L${points(section.bed).replaceAll(' ', 'L')}L${x(last)} ${height}Z` : null,
    times: yScale / (xScale || 1),
    ticks: Array.from({ length: Math.floor((query.castM - 0.3 * stepM) / stepM) }, (_, k) => (k + 1) * stepM).map((outM) => ({ outM, text: String(Math.round(outM / unitM)) })),
    baitM: section.path.length > 0 ? nearestOf(section.path, bait.outM).depthM : 0,
    /** How long the bait falls, or what it does instead. */
    fall,
    fallAt,
    /** The first two hard places or pieces of cover that the cast passes, with how long to rest there. */
    marks: passed
      .filter((p) => p.target.kind === 'hard' || p.target.kind === 'cover')
      .slice(0, 2)
      .map(({ target, outM }) => {
        const isHard = target.kind === 'hard';
        const { depthM } = nearestOf(section.bed, outM);
        const name = `${target.name} ${castText(outM, units)} out: rest ${Math.round(isHard ? hardRestS : restS)} s`;
        return { outM, isHard, depthM, name, ...named(outM, depthM, name) };
      }),
    /** Where along the cast a touch at this x is, m. */
    outAt: (px: number) => Math.min(section.lengthM, Math.max(1, (px - leftPx) / (xScale || 1))),
  };
}

const nearestOf = (list: readonly Point[], outM: number): Point => list.reduce((a, b) => (Math.abs(b.outM - outM) < Math.abs(a.outM - outM) ? b : a));
