import { holePriors } from '../patch';
import type { SpeciesGroup } from '../fish';
import { depthAt, LocalFrame, type DepthMap, type FeatureKind, type GroundFeature, type LonLat } from '../ground';
import type { Band, SeasonStage } from '../outlook';
import { depthText, type UnitPreference } from '../units';
import type { PhaseName } from '../weather';
import type { DensityPrior } from './density';

/** What draws fish to a kind of place. Source: fieldcraft §1; weights are logarithms, heuristic. */
export interface PlaceRule {
  id: string;
  stages: readonly SeasonStage[] | 'any';
  groups: readonly SpeciesGroup[] | 'any';
  draws: Partial<Record<FeatureKind | 'inflow' | 'cover', number>>;
  reason: string;
}

const ice: readonly SeasonStage[] = ['first ice', 'midwinter', 'late ice'];

/** All rows that fit add up. */
export const placeRules: readonly PlaceRule[] = [
  {
    id: 'place.wintering-basin',
    stages: ['open cold water', 'midwinter', 'just after ice-out'],
    groups: ['panfish', 'bass', 'roach-like'],
    draws: { basin: 0.9, hollow: 0.7 },
    reason: 'The basin is the wintering hole: deep, even, the last to cool.',
  },
  {
    id: 'place.break-foot',
    stages: ['midwinter', 'open cold water'],
    groups: ['panfish', 'bass', 'pike-walleye'],
    draws: { 'drop-base': 1.1 },
    reason: 'The foot of a break has deep water a step away and food from above.',
  },
  {
    id: 'place.first-drop',
    stages: 'any',
    groups: ['deep'],
    draws: { 'drop-base': 1.2, hump: 0.6, point: 0.6 },
    reason: 'They hunt at the base of the drop, with the shelf behind and deep water in front.',
  },
  {
    id: 'place.autumn-edges',
    stages: ['autumn cooling', 'first ice'],
    groups: ['panfish', 'bass', 'pike-walleye'],
    draws: { 'inside-turn': 0.9, 'drop-top': 0.8, point: 0.6, cover: 0.8, flat: 0.3 },
    reason: 'They are at their late-autumn places: weed edges, inside turns, first breaks.',
  },
  {
    id: 'place.late-ice-up',
    stages: ['late ice'],
    groups: 'any',
    draws: { 'drop-top': 0.8, saddle: 0.4, cover: 0.7, inflow: 0.7 },
    reason: 'Late ice draws them up from the basin, to edges, wood and the mouths of creeks. Ice is thin there first.',
  },
  { id: 'place.saddle', stages: ice, groups: ['pike-walleye', 'panfish'], draws: { saddle: 0.5 }, reason: 'A saddle is the road between two basins.' },
  { id: 'place.hump-edge', stages: 'any', groups: ['pike-walleye', 'panfish', 'bass'], draws: { hump: 0.4 }, reason: 'Fish sit on the edge of a hump, along its depth line.' },
  {
    id: 'place.staging-points',
    stages: ['pre-spawn'],
    groups: ['bass', 'panfish', 'pike-walleye'],
    draws: { point: 0.9, 'drop-top': 0.6, inflow: 0.4 },
    reason: 'They stage on points and edges next to their shallows.',
  },
  {
    id: 'place.trout-shallows',
    stages: 'any',
    groups: ['stocked-trout'],
    draws: { point: 0.5, inflow: 0.6, flat: 0.3 },
    reason: 'They roam the small points and the fresh water near the bank.',
  },
  { id: 'place.points.ends', stages: 'any', groups: ['bass', 'pike-walleye', 'deep'], draws: { point: 0.5 }, reason: 'The end of a point stops what comes along the wall.' },
];

/** On pressed waters the other school fishes the straight wall beside the point. */
const pressedPoints = { id: 'place.points.sides', nearM: 50, farM: 100, reason: 'Pressed water: everybody fishes the point, the straight wall 50 to 100 m along holds more.' };

/** Heuristic; source: fieldcraft §1 and §3. */
const limits = { reachM: 34, band: 1.1, offBand: -2.5, offBandPerM: 0.45, chosenShare: 0.1, clearPull: 0.4, wantedPhases: ['post-front clear', 'cold rain'] as PhaseName[] };

export interface PlaceSetting {
  group: SpeciesGroup;
  stage: SeasonStage;
  /** Stretch of depth in which the species is looked for; null where nothing is known of the column. */
  look: Band | null;
  phase: PhaseName;
  inflows: readonly LonLat[];
  cover: readonly LonLat[];
  /** Whether many anglers fish here: the school on points. */
  isPressed: boolean;
}

export interface PlaceReason {
  ruleId: string;
  text: string;
  /** What it adds to the logarithm of the expected fish. */
  weight: number;
}

interface Draw {
  x: number;
  y: number;
  weight: number;
  ruleId: string;
  reason: string;
  isSide: boolean;
}

/** Scores of places for a species, stage and phase, as the density of fish to expect, with reasons. */
export class PlaceScore {
  readonly prior: DensityPrior;
  readonly frame: LocalFrame;
  private readonly draws: Draw[];

  constructor(
    private readonly map: DepthMap,
    features: readonly GroundFeature[],
    private readonly setting: PlaceSetting,
  ) {
    this.frame = new LocalFrame(map.lon0, map.lat0);
    this.draws = this.drawsOf(features);
    const { nx, ny, x0, y0, cellM } = map;
    const perHour = new Float32Array(nx * ny).fill(NaN);
    const sure = new Float32Array(nx * ny).fill(1);
    for (let c = 0; c < perHour.length; c++) {
      if (!(map.depthM[c] >= 0)) continue;
      if (setting.look) sure[c] = Math.exp(bandPart(map.depthM[c], setting.look).weight);
      perHour[c] = Math.exp(this.parts(x0 + (c % nx) * cellM, y0 + Math.floor(c / nx) * cellM, map.depthM[c]).reduce((total, part) => total + part.weight, 0));
    }
    // The places that one would choose hold what is expected of a chosen hole.
    const best = perHour.filter((p) => p > 0).sort();
    const chosen = best.subarray(Math.floor(best.length * (1 - limits.chosenShare)));
    const level = holePriors[setting.group].visitsPerHour / (chosen.reduce((sum, p) => sum + p, 0) / chosen.length);
    for (let c = 0; c < perHour.length; c++) perHour[c] *= level;
    this.prior = { x0, y0, cellM, nx, ny, perHour, sure };
  }

  /** Why a place is worth what it is: what adds or takes at least a tenth, strongest first. */
  reasonsAt(at: LonLat, units: UnitPreference): PlaceReason[] {
    const [x, y] = this.frame.toMetres(at);
    const here = depthAt(this.map, at);
    if (!here) return [];
    return this.parts(x, y, here.depthM, units)
      .filter((part) => Math.abs(part.weight) >= 0.1)
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  }

  private drawsOf(features: readonly GroundFeature[]): Draw[] {
    const { setting, frame } = this;
    const rules = placeRules.filter((r) => (r.stages === 'any' || r.stages.includes(setting.stage)) && (r.groups === 'any' || r.groups.includes(setting.group)));
    const draws: Draw[] = [];
    const add = (kind: FeatureKind | 'inflow' | 'cover', at: LonLat, sure: number) => {
      const [x, y] = frame.toMetres(at);
      for (const rule of rules) {
        const weight = rule.draws[kind];
        if (weight === undefined) continue;
        const isSide = kind === 'point' && setting.isPressed;
        draws.push({ x, y, weight: weight * sure, ruleId: isSide ? pressedPoints.id : rule.id, reason: isSide ? pressedPoints.reason : rule.reason, isSide });
      }
    };
    for (const f of features) add(f.kind, f.at, f.confidence);
    for (const at of setting.inflows) add('inflow', at, 1);
    for (const at of setting.cover) add('cover', at, 1);
    return draws;
  }

  private parts(x: number, y: number, depthM: number, units?: UnitPreference): PlaceReason[] {
    const { look, phase } = this.setting;
    const parts: PlaceReason[] = [];
    if (look) parts.push(bandPart(depthM, look, units));
    // Of several places of one kind the nearest counts.
    const best = new Map<string, PlaceReason>();
    for (const d of this.draws) {
      const away = Math.hypot(d.x - x, d.y - y);
      if (away > 160) continue;
      const { nearM, farM } = pressedPoints;
      const off = d.isSide ? Math.max(0, nearM - away, away - farM) / 25 : away / limits.reachM;
      const weight = d.weight * Math.exp(-0.5 * off * off);
      if (weight > (best.get(d.ruleId)?.weight ?? 0)) best.set(d.ruleId, { ruleId: d.ruleId, text: d.reason, weight });
    }
    parts.push(...best.values());
    if (limits.wantedPhases.includes(phase) && look && depthM >= look.toM - 1)
      parts.push({ ruleId: 'weather.clear', text: 'Behind a front fish lie tight to the bottom of the deep water.', weight: limits.clearPull });
    return parts;
  }
}

/** Where the bed lies within or a little below the stretch that the fish are looked for in, there is water for them. */
function bandPart(depthM: number, look: Band, units?: UnitPreference): PlaceReason {
  const tooShallow = look.fromM + 0.5 - depthM;
  const spareM = depthM - look.toM;
  const weight = tooShallow > 0 ? limits.band - 2 - 2 * tooShallow : limits.band - limits.offBandPerM * Math.max(0, spareM - 1);
  const words = units ? `${depthText(look.fromM, units)} to ${depthText(look.toM, units)}` : '';
  const text = tooShallow > 0 ? `Too shallow: they are looked for at ${words}.` : `Deep enough for where they are looked for, ${words}.`;
  return { ruleId: 'place.depth-band', text, weight: Math.max(limits.offBand, weight) };
}
