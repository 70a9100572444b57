import { bearingDeg, compassPoint, LocalFrame, type LonLat } from '../units';
import type { DepthMap } from './depth-map';
import { findPeaks } from './peaks';
import { Relief } from './relief';

export type FeatureKind = 'basin' | 'hollow' | 'saddle' | 'hump' | 'point' | 'inside-turn' | 'drop-base' | 'drop-top' | 'flat';

/** What the bed does at a place. */
export interface GroundFeature {
  kind: FeatureKind;
  at: LonLat;
  depthM: number;
  /** How far it stands out from what is around it, m: fall of a drop, height of a hump, depth of a basin below its pass. */
  reliefM: number;
  /** Chance that it is there and no error of the map, 0–1. */
  confidence: number;
  /** Side of the deepest water it lies on, by the compass; empty at the deepest itself. */
  side: string;
}

/** What counts as structure. Heuristic; source: fieldcraft, and what a flasher can tell from its own error. */
export const featureLimits = {
  /** Least relief of a basin or hump, m, and as a share of the greatest depth. */
  reliefM: 0.6,
  reliefShare: 0.06,
  /** Below this share of the greatest depth a closed hollow is no basin. */
  basinShare: 0.12,
  /** Half the span over which a slope is taken, and the reach to both sides of a point, m. */
  slopeM: 9,
  pointM: 26,
  /** Stretches of a ridge this far from each other belong to one tongue, whose deepest end is the point, m. */
  tongueM: 80,
  /** Least rise of a point over what lies to both sides and its least depth, m; least fall of a turn, and how much sharper than the bowl an inside turn bends. */
  pointReliefM: 0.45,
  pointDepthM: 1.2,
  turnReliefM: 0.8,
  turnSharpness: 4,
  /** A hump's own flanks are neither points nor turns, m. */
  humpM: 90,
  /** Least slope of a drop, against the water's usual one, and how much gentler it must be at its foot and its edge. */
  dropSlope: 0.1,
  dropShare: 1.5,
  easing: 0.6,
  /** A flat's slope and its share of the water. */
  flatSlope: 0.012,
  flatShare: 0.025,
} as const;

interface Found {
  kind: FeatureKind;
  cell: number;
  reliefM: number;
}

/** Names the structure of a bed: basins, hollows and the saddles between them, humps, points, inside turns, drops and flats. */
export function findFeatures(map: DepthMap): GroundFeature[] {
  const relief = new Relief(map);
  const slopes = slopesOf(relief);
  const basins = findBasins(map);
  const humps = findHumps(map, relief);
  const found = [...basins, ...humps, ...findTurns(relief, slopes, basins, humps), ...findDrops(relief, slopes), ...findFlats(relief, slopes, basins)];
  const frame = new LocalFrame(map.lon0, map.lat0);
  return found.map(({ kind, cell, reliefM }) => {
    const at = frame.toLonLat(relief.x(cell), relief.y(cell));
    const isDeepest = map.depthM[cell] >= map.deepest.depthM;
    return {
      kind,
      at,
      depthM: map.depthM[cell],
      reliefM,
      confidence: likelihood(reliefM, map.sdM[cell]),
      side: isDeepest ? '' : compassPoint(bearingDeg(map.deepest.at, at)),
    };
  });
}

/** Chance that a relief exceeds the error of two depths: the normal distribution by its logistic likeness. */
const likelihood = (reliefM: number, sdM: number) => 1 / (1 + Math.exp((-1.702 * reliefM) / (Math.SQRT2 * Math.max(0.05, sdM))));

const leastRelief = (map: DepthMap, cell: number) => Math.max(featureLimits.reliefM, featureLimits.reliefShare * map.deepest.depthM, 1.5 * map.sdM[cell]);

function findBasins(map: DepthMap): Found[] {
  const peaks = findPeaks(map, false).filter((p) => p.reliefM >= leastRelief(map, p.cell));
  return peaks.flatMap((p): Found[] => {
    const isBasin = p.pass === null || p.reliefM >= featureLimits.basinShare * map.deepest.depthM;
    const kind = isBasin ? 'basin' : 'hollow';
    const own: Found = { kind, cell: p.cell, reliefM: p.reliefM };
    return p.pass && isBasin ? [own, { kind: 'saddle', cell: p.pass.cell, reliefM: p.reliefM }] : [own];
  });
}

function findHumps(map: DepthMap, relief: Relief): Found[] {
  // Close to the shore a rise is the shore's own unevenness.
  const isOff = (c: number) =>
    Array.from({ length: 8 }, (_, k) => (k * Math.PI) / 4).every((a) => relief.depth(relief.x(c) + 30 * Math.cos(a), relief.y(c) + 30 * Math.sin(a)) >= 0);
  return findPeaks(map, true)
    .filter((p) => p.reliefM >= leastRelief(map, p.cell) && isOff(p.cell))
    .map((p) => ({ kind: 'hump', cell: p.cell, reliefM: p.reliefM }));
}

type Slopes = ({ dx: number; dy: number; slope: number } | null)[];

const slopesOf = (relief: Relief): Slopes => Array.from(relief.map.depthM, (d, c) => (d >= 0 ? relief.slope(relief.x(c), relief.y(c), featureLimits.slopeM) : null));

/**
 * Points and inside turns: along the depth line the bed falls away to both sides of a point and rises to both sides of a turn, and
 * of a turn more sharply than the round of the basin itself, whose depth lines bend about its middle.
 */
function findTurns(relief: Relief, slopes: Slopes, basins: readonly Found[], humps: readonly Found[]): Found[] {
  const { pointM, pointReliefM, pointDepthM, turnReliefM, turnSharpness, humpM } = featureLimits;
  const middles = basins.filter((b) => b.kind === 'basin').map((b) => [relief.x(b.cell), relief.y(b.cell)]);
  const candidates: Found[] = [];
  for (let c = 0; c < slopes.length; c++) {
    const s = slopes[c];
    if (!s || s.slope < 0.015) continue;
    const [x, y, here] = [relief.x(c), relief.y(c), relief.map.depthM[c]];
    if (here < pointDepthM || humps.some((h) => Math.hypot(relief.x(h.cell) - x, relief.y(h.cell) - y) < humpM)) continue;
    const left = relief.depth(x - s.dy * pointM, y + s.dx * pointM) - here;
    const right = relief.depth(x + s.dy * pointM, y - s.dx * pointM) - here;
    const error = 1.5 * relief.map.sdM[c];
    const up = here - relief.depth(x - s.dx * pointM, y - s.dy * pointM);
    const down = relief.depth(x + s.dx * pointM, y + s.dy * pointM) - here;
    if (!(up > 0.15 && down > 0.15)) continue;
    if (Math.min(left, right) >= Math.max(pointReliefM, error)) candidates.push({ kind: 'point', cell: c, reliefM: (left + right) / 2 });
    else if (Math.max(left, right) <= -Math.max(turnReliefM, error)) {
      const away = Math.min(...middles.map(([bx, by]) => Math.hypot(bx - x, by - y)));
      const bendM = (s.slope * pointM * pointM) / -(left + right);
      if (away > 2 * pointM && bendM * turnSharpness < away) candidates.push({ kind: 'inside-turn', cell: c, reliefM: -(left + right) / 2 });
    }
  }
  const points = tipsOf(
    relief,
    candidates.filter((f) => f.kind === 'point'),
  );
  return strongest(relief, [...points, ...candidates.filter((f) => f.kind === 'inside-turn')], 110);
}

/** Of cells that lie close enough to be one tongue of ground, on a fine grid as on a coarse one, the deepest: where it ends. */
function tipsOf(relief: Relief, cells: readonly Found[]): Found[] {
  const { nx, depthM, cellM } = relief.map;
  const reach = Math.max(1, Math.round(featureLimits.tongueM / cellM));
  const steps: number[] = [];
  for (let j = -reach; j <= reach; j++) for (let i = -reach; i <= reach; i++) if (Math.hypot(i, j) <= reach + 0.5) steps.push(j * nx + i);
  const left = new Map(cells.map((f) => [f.cell, f]));
  const tips: Found[] = [];
  for (const start of cells) {
    if (!left.delete(start.cell)) continue;
    const tongue = [start];
    for (let k = 0; k < tongue.length; k++) {
      for (const step of steps) {
        const next = left.get(tongue[k].cell + step);
        if (next && left.delete(next.cell)) tongue.push(next);
      }
    }
    const tip = tongue.reduce((a, b) => (depthM[b.cell] > depthM[a.cell] ? b : a));
    tips.push({ ...tip, reliefM: Math.max(...tongue.map((f) => f.reliefM)) });
  }
  return tips;
}

/** Where a steep fall eases: its foot below, its edge above. */
function findDrops(relief: Relief, slopes: Slopes): Found[] {
  const { dropSlope, dropShare, easing, slopeM } = featureLimits;
  const known = slopes.flatMap((s) => (s ? [s.slope] : [])).sort((a, b) => a - b);
  const steep = Math.max(dropSlope, dropShare * (known[known.length >> 1] ?? 0));
  const candidates: Found[] = [];
  const reach = 2 * slopeM;
  for (let c = 0; c < slopes.length; c++) {
    const s = slopes[c];
    if (!s) continue;
    const [x, y, here] = [relief.x(c), relief.y(c), relief.map.depthM[c]];
    const above = (here - relief.depth(x - s.dx * reach, y - s.dy * reach)) / reach;
    const below = (relief.depth(x + s.dx * reach, y + s.dy * reach) - here) / reach;
    if (above >= steep && below <= easing * above && below >= -0.02) candidates.push({ kind: 'drop-base', cell: c, reliefM: above * reach });
    else if (below >= steep && above <= easing * below && above >= -0.02) candidates.push({ kind: 'drop-top', cell: c, reliefM: below * reach });
  }
  return strongest(relief, candidates, 110).filter((d) => d.reliefM >= Math.max(1, 1.5 * relief.map.sdM[d.cell]));
}

/** Broad level stretches that are not the floor of a basin. */
function findFlats(relief: Relief, slopes: Slopes, basins: readonly Found[]): Found[] {
  const { map } = relief;
  const seen = new Uint8Array(slopes.length);
  const isFlat = (c: number) => seen[c] === 0 && slopes[c] !== null && slopes[c].slope <= featureLimits.flatSlope && map.depthM[c] > 0.5;
  const found: Found[] = [];
  for (let start = 0; start < slopes.length; start++) {
    if (!isFlat(start)) continue;
    const cells = [start];
    seen[start] = 1;
    for (let k = 0; k < cells.length; k++) {
      for (const next of [cells[k] - 1, cells[k] + 1, cells[k] - map.nx, cells[k] + map.nx]) {
        if (next < 0 || next >= slopes.length || !isFlat(next)) continue;
        seen[next] = 1;
        cells.push(next);
      }
    }
    const floor = new Set(cells);
    const isLarge = cells.length * map.cellM ** 2 >= featureLimits.flatShare * map.areaM2;
    if (!isLarge || basins.some((b) => b.kind !== 'saddle' && floor.has(b.cell))) continue;
    const mx = cells.reduce((sum, c) => sum + relief.x(c), 0) / cells.length;
    const my = cells.reduce((sum, c) => sum + relief.y(c), 0) / cells.length;
    const middle = cells.reduce((best, c) => (Math.hypot(relief.x(c) - mx, relief.y(c) - my) < Math.hypot(relief.x(best) - mx, relief.y(best) - my) ? c : best));
    const depths = cells.map((c) => map.depthM[c]);
    found.push({ kind: 'flat', cell: middle, reliefM: Math.max(...depths) - Math.min(...depths) });
  }
  return found;
}

/** The strongest of each kind with `apartM` between two alike, m. */
function strongest(relief: Relief, candidates: Found[], apartM: number): Found[] {
  const kept: Found[] = [];
  for (const c of candidates.sort((a, b) => b.reliefM - a.reliefM)) {
    if (kept.every((k) => k.kind !== c.kind || Math.hypot(relief.x(k.cell) - relief.x(c.cell), relief.y(k.cell) - relief.y(c.cell)) >= apartM)) kept.push(c);
  }
  return kept;
}
