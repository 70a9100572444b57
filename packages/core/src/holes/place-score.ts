import { holePriors } from '../patch';
import type { SpeciesGroup } from '../fish';
import { depthAt, findCoves, findWalls, LocalFrame, troughsBetween, type Cove, type DepthMap, type FeatureKind, type GroundFeature, type LonLat } from '../ground';
import type { Band, SeasonStage } from '../outlook';
import { depthText, distanceM, type UnitPreference } from '../units';
import { sunShareLimits, type PhaseName } from '../weather';
import type { DensityPrior } from './density';

/** What draws fish to a kind of place. Source: fieldcraft §1; weights are logarithms, heuristic. */
export interface PlaceRule {
  id: string;
  stages: readonly SeasonStage[] | 'any';
  groups: readonly SpeciesGroup[] | 'any';
  /** Of pockets the first stretch; of walls those near a cove. */
  draws: Partial<Record<FeatureKind | MadePlace, number>>;
  /** Beside stage and group; holds always where left out. */
  when?: (setting: PlaceSetting) => boolean;
  reason: string;
}

/** Places that are marked, or that the shore makes. */
type MadePlace = 'inflow' | 'cover' | 'pocket' | 'wall' | 'trough';

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
  {
    id: 'place.warmed-pockets',
    stages: 'any',
    groups: ['bass', 'panfish', 'pike-walleye', 'stocked-trout'],
    when: (s) => s.isWarmed === true,
    draws: { pocket: 2.2, cover: 1 },
    reason: 'The water has risen: the first 100 to 150 m of pockets, and the hard cover in them, come first while it lasts.',
  },
  {
    id: 'place.risen-coves',
    stages: 'any',
    groups: ['stocked-trout', 'panfish', 'bass'],
    when: (s) => (s.levelM ?? 0) >= pocketLimits.risenM,
    draws: { pocket: 1.6, point: 0.5 },
    reason: 'The level is up over new ground: bait fish, and what eats them, are in the coves and round the small points.',
  },
  {
    id: 'place.sunned-coves',
    stages: ['open cold water'],
    groups: ['panfish', 'bass'],
    when: (s) => s.coves !== 'basin' && isCold(s) && (s.sunned ?? 0) >= sunShareLimits.sunny,
    draws: { pocket: 1.4, cover: 1.2 },
    reason: 'Days of sun have warmed the coves: the wood in them comes before the open basin.',
  },
  {
    id: 'place.dull-basin',
    stages: ['open cold water'],
    groups: ['panfish', 'bass'],
    when: (s) => s.coves !== 'coves' && isCold(s) && s.sunned != null && s.sunned <= sunShareLimits.dull,
    draws: { basin: 0.6, hollow: 0.4 },
    reason: 'Dull days have warmed no cove: the open basin leads.',
  },
  {
    id: 'place.walls-by-coves',
    stages: ['open cold water', 'just after ice-out', 'pre-spawn'],
    groups: ['bass'],
    when: ({ tempC = null }) => tempC !== null && tempC >= pocketLimits.wallC[0] && tempC <= pocketLimits.wallC[1],
    draws: { wall: 1.8 },
    reason: 'They wait on the steep walls next to the coves where they will spawn.',
  },
  { id: 'place.points.ends', stages: 'any', groups: ['bass', 'pike-walleye', 'deep'], draws: { point: 0.5 }, reason: 'The end of a point stops what comes along the wall.' },
  {
    id: 'place.trough-between-points',
    stages: ['autumn cooling', 'open cold water', 'just after ice-out'],
    groups: ['bass'],
    draws: { trough: 0.35 },
    reason: 'The smooth trough between two points comes after them: a bait that sinks, and watch its fall.',
  },
];

/** Water over so much needs no sun to have fish in its coves, °C. Heuristic; source: fieldcraft §1. */
const coveColdC = 10;

const isCold = ({ tempC = null }: PlaceSetting) => tempC !== null && tempC <= coveColdC;

/**
 * Of a pocket so much of its way in is looked at first, m; a level so far up floods new ground, m; walls so near a cove hold fish at these temperatures, m and °C.
 * Source: fieldcraft §1; jobs of the scenario.
 */
const pocketLimits = { inM: [20, 150], risenM: 0.5, wallM: 400, wallC: [5, 13] } as const;

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
  /** Whether open water has risen of late by the thermometer; how far the level stands over that of the soundings, m; water near the surface, °C. */
  isWarmed?: boolean;
  levelM?: number;
  tempC?: number | null;
  /** Share of the sun of three clear days that the last three had; null where it is not known. Coves or the basin whatever the sun, for who chose a side. */
  sunned?: number | null;
  coves?: 'coves' | 'basin';
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
    const rules = placeRules.filter(
      (r) => (r.stages === 'any' || r.stages.includes(setting.stage)) && (r.groups === 'any' || r.groups.includes(setting.group)) && (r.when?.(setting) ?? true),
    );
    const draws: Draw[] = [];
    const add = (kind: FeatureKind | MadePlace, at: LonLat, sure: number) => {
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
    for (const { kind, at } of this.shorePlaces(rules)) add(kind, at, 1);
    for (const { at, sure } of troughsBetween(this.map, features)) add('trough', at, sure);
    return draws;
  }

  /** What the shore makes, where a rule asks for it: pockets over their first stretch, and walls near a cove. */
  private shorePlaces(rules: readonly PlaceRule[]): { kind: MadePlace; at: LonLat }[] {
    const asks = (kind: MadePlace) => rules.some((r) => r.draws[kind] !== undefined);
    if (!asks('pocket') && !asks('wall')) return [];
    const coves = findCoves(this.map);
    const [fromM, toM] = pocketLimits.inM;
    const pockets = asks('pocket') ? coves.flatMap((c) => c.places.filter((p) => p.inM >= Math.min(fromM, c.lengthM / 3) && p.inM <= toM)) : [];
    const walls = asks('wall') ? findWalls(this.map).filter((w) => isNearCove(coves, w.at)) : [];
    return [...pockets.map(({ at }) => ({ kind: 'pocket' as const, at })), ...walls.map(({ at }) => ({ kind: 'wall' as const, at }))];
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

const isNearCove = (coves: readonly Cove[], at: LonLat) => coves.some((c) => distanceM(c.mouth, at) <= pocketLimits.wallM);

/** Where the bed lies within or a little below the stretch that the fish are looked for in, there is water for them. */
function bandPart(depthM: number, look: Band, units?: UnitPreference): PlaceReason {
  // Water for them begins a little below the upper end of a stretch, less in a thin one.
  const tooShallow = look.fromM + Math.min(0.5, (look.toM - look.fromM) / 2) - depthM;
  const spareM = depthM - look.toM;
  const weight = tooShallow > 0 ? limits.band - 2 - 2 * tooShallow : limits.band - limits.offBandPerM * Math.max(0, spareM - 1);
  const words = units ? `${depthText(look.fromM, units)} to ${depthText(look.toM, units)}` : '';
  const isAbove = depthM < look.fromM - 0.05;
  const text = isAbove ? `Too shallow: they are looked for at ${words}.` : `Deep enough for where they are looked for, ${words}.`;
  return { ruleId: 'place.depth-band', text, weight: Math.max(limits.offBand, weight) };
}
