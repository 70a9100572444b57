import { speciesOf } from '../fish';
import type { LineState, OutingState, StationState } from '../ledger';
import { floatLimits, sinkTime } from '../rig';
import { familyOf, lureOf } from '../tackle';
import { clamp, depthText, liftText, minuteMs, type UnitPreference } from '../units';
import type { AfterRule, CastSign } from './after';
import { floatDriftMs } from './school';
import type { WorkedWay } from './working';

/** The family of what is fished under a float. */
export const floatFamily = 'float-rig';

/** Line where no rod is written down, mm: assumed. */
export const assumedLineMm = 0.2;

/** Depths that a sinking is worked out for, m. Range of `sinkTime`. */
const sinkDepthsM = [0.1, 100] as const;

/** How high over the highest mark a stop stands, m; what it is moved by, m; how long a school stays known, and a wait that is unusual, ms. Source: fieldcraft, float. */
export const floatStop = { overM: [0.15, 0.45], changeM: 0.3, schoolMs: 90 * minuteMs, waitMs: 2 * minuteMs, assumedM: 1.5 } as const;

export interface FloatSetting {
  outing: OutingState;
  stand: StationState;
  /** What was seen and felt from here. */
  signs: readonly CastSign[];
  /** The next cast by what was felt: going, straight down and a miss go before the float's own. */
  rule: AfterRule;
  /** Depths to fish, m; null where none is known. */
  band: { fromM: number; toM: number } | null;
  /** Water where it is fished, m; null where nobody sounded. */
  bedM: number | null;
  /** How what hangs under it is worked: the pull and the wait are told once. */
  way: Pick<WorkedWay, 'cadence' | 'restS'>;
  /** What hangs under the float, g, and its line, mm; null where nobody has said. */
  massG: number | null;
  lineMm: number | null;
  /** m/s; null where nobody knows it. */
  windMs: number | null;
  nowMs: number;
  units: UnitPreference;
}

/** A float at a stand: where its stop is, how it is moved, and what comes next. */
export interface FloatWork {
  stopM: number;
  /** What the stop goes by: as it was set, the top of a school, the depths to fish, or nothing that is known. */
  by: 'set' | 'school' | 'band' | 'assumed';
  /** Whether the stop is too deep to cast with a fixed float. */
  isSliding: boolean;
  pullM: number;
  /** From the pull until the bait hangs at the stop and the float stands, s; null where the weight is not known. No wait is counted before. */
  standsS: number | null;
  settleS: number;
  /** With the wind, m/s. */
  driftMs: number;
  /** Whether one rose with the bait at this stop. */
  isRising: boolean;
  /** Where the stop is to go, m; null where it stays. */
  toM: number | null;
  headline: string;
  reason: string;
}

/** The line of the stand that is in the water. */
const lineAt = ({ lines }: OutingState, stand: StationState): LineState | undefined => lines.findLast((l) => l.station === stand.id && l.upMs === null);

/** The highest fish of the school that was seen last, m. */
function topOf({ felt }: OutingState, nowMs: number): { topM: number; ms: number } | null {
  const seen = felt.findLast((f) => f.what === 'school' && f.topM != null && nowMs - f.ms <= floatStop.schoolMs);
  return seen?.topM == null ? null : { topM: seen.topM, ms: seen.ms };
}

/** Where the stop belongs by what is known, whatever is set. */
function wantedStop({ outing, band, bedM, nowMs }: FloatSetting): { stopM: number; by: FloatWork['by']; topM: number | null; sinceMs: number } {
  const school = topOf(outing, nowMs);
  const over = clamp(speciesOf(outing.species[0]).offsetM, ...floatStop.overM);
  const most = bedM === null ? Infinity : Math.max(0.3, bedM - floatStop.changeM);
  if (school) return { stopM: clamp(school.topM - over, 0.2, most), by: 'school', topM: school.topM, sinceMs: school.ms };
  if (band) return { stopM: clamp(band.fromM, 0.3, most), by: 'band', topM: null, sinceMs: 0 };
  return { stopM: Math.min(floatStop.assumedM, most), by: 'assumed', topM: null, sinceMs: 0 };
}

const floatBites: readonly CastSign['kind'][] = ['bite', 'missed', 'robbed', 'lost', 'nipped', 'landed'];

/**
 * How a float is fished from a stand: the stop over the highest fish, the pull and its wait, and one change after an unusual wait, depth first. The stop that
 * is set stays while they answer, also where they come up to it.
 */
export function floatWork(setting: FloatSetting): FloatWork {
  const { outing, stand, signs, way, windMs, nowMs, units } = setting;
  const wanted = wantedStop(setting);
  const line = lineAt(outing, stand);
  const set = line?.depths.at(-1);
  const stopM = set?.depthM ?? wanted.stopM;
  const [pullM, settleS, driftMs] = [way.cadence.takeM, way.restS, floatDriftMs(windMs ?? 0)];
  const sinceMs = Math.max(set?.ms ?? 0, wanted.sinceMs);
  const answers = signs.filter((s) => floatBites.includes(s.kind));
  const isAnswered = answers.some((s) => s.ms >= (set?.ms ?? 0));
  const isRising = outing.reactions.some((r) => r.station === stand.id && r.float === 'rose' && r.ms >= (set?.ms ?? 0));
  const casts = outing.casts.filter((c) => c.station === stand.id && c.ms >= sinceMs);
  const isOff = set !== undefined && wanted.by === 'school' && wanted.sinceMs > set.ms && Math.abs(set.depthM - wanted.stopM) > floatStop.overM[0];
  const standsS = setting.massG === null ? null : sinkTime(lureOf(familyOf(floatFamily), setting.massG), clamp(stopM, ...sinkDepthsM), setting.lineMm ?? assumedLineMm);
  const standsMs = 1000 * (standsS ?? 0);
  const waits = casts.length >= 2 && !isAnswered && nowMs - casts[0].ms - standsMs >= floatStop.waitMs;
  const changes = (line?.depths.length ?? 1) - 1;
  const work = { stopM, by: set ? ('set' as const) : wanted.by, isSliding: stopM > floatLimits.fixedToM, pullM, standsS, settleS, driftMs, isRising };
  const how = `Past them, pull ${liftText(pullM, units)}, wait till it stands${standsText(standsS)}, then ${Math.round(settleS)} s.${driftText(driftMs, windMs, units)}`;
  const stop = (m: number) => `Stop at ${depthText(m, units)}`;
  if (set === undefined) return { ...work, toM: null, headline: stop(stopM), reason: `${whyStop(wanted, units)} ${how}` };
  if (isRising)
    return {
      ...work,
      toM: null,
      headline: 'Leave the stop: they come up to it',
      reason: `A float that stood and then lies flat is a fish rising with the bait: take up the slack and strike. ${how}`,
    };
  if (isOff) return { ...work, toM: wanted.stopM, headline: stop(wanted.stopM), reason: `${whyStop(wanted, units)} ${how}` };
  if (waits && changes === 0) {
    // Towards the fish, and never into them: nothing looks down for its food.
    const toM = wanted.topM === null ? stopM + floatStop.changeM : Math.max(0.2, wanted.topM - (stopM > wanted.topM - 0.25 ? floatStop.overM[1] : floatStop.overM[0]));
    const deepest = setting.bedM === null ? Infinity : Math.max(0.3, setting.bedM - floatStop.changeM);
    return {
      ...work,
      toM: Math.min(toM, deepest),
      headline: stop(Math.min(toM, deepest)),
      reason: `Two minutes over them and nothing: the depth first, and the same bait. ${how}`,
    };
  }
  if (waits) return { ...work, toM: null, headline: 'A smaller bait, the same stop', reason: `Another depth changed nothing: now the size, and nothing else with it. ${how}` };
  return { ...work, toM: null, headline: `${stop(stopM)}: past them and pull`, reason: how };
}

function whyStop({ by, topM }: { by: FloatWork['by']; topM: number | null }, units: UnitPreference): string {
  if (topM !== null) return `Over the highest fish at ${depthText(topM, units)}: they come up to it, not down.`;
  return by === 'band'
    ? 'At the top of the depths to fish: log a school with its top, and the stop goes over that.'
    : 'Nobody has said how deep they are: assumed. Log a school with its top.';
}

const standsText = (standsS: number | null) => (standsS === null || standsS < 1 ? '' : `, about ${Math.round(standsS)} s`);

const driftText = (driftMs: number, windMs: number | null, units: UnitPreference) =>
  windMs === null || driftMs < 0.05 ? '' : ` The wind takes it along, ${depthText(60 * driftMs, units)} a minute.`;
