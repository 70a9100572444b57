import type { WaterDetail } from '@burrow/contract/api';
import { isFlowing, marksOf } from '@burrow/contract/formats/water-marks';
import {
  castTarget,
  castsOf,
  feltOn,
  shyDistanceM,
  strikeRadiusM,
  takeChance,
  type CastTarget,
  type FirstStand,
  type NextStand,
  type StandAnswer,
  type StandQuery,
} from '@burrow/core/casting';
import { coverKind, LocalFrame, type LonLat } from '@burrow/core/ground';
import { freshSchools, soughtBand } from '@burrow/core/holes';
import type { OutingState } from '@burrow/core/ledger';
import { temperatureAt, wholeBed } from '@burrow/core/situation';
import { minuteMs } from '@burrow/core/units';
import { useMemo } from 'react';
import type { Ground } from '@/workers/ground.api';
import { useComputed } from './computed';
import { groundWorker } from './ground';
import { useFirstPlace } from './holes';
import { useSituation } from './outlook';
import { usePreferences } from './preferences';
import { useRiver } from './river';
import { useLedger } from './session';

/** On moving water fish hold to lies: plain bed is worth this much beside them. */
const riverBase = 0.12;
/** Casts worked out ahead. */
const fanCasts = 6;
/** As far as one goes for the next stand: on foot, and afloat, m. */
const nextWithinM = { ashore: 200, afloat: 300 } as const;

/** Of a cast from the shore this share is fished well: the place to cast to lies within it. Heuristic. */
const fromShoreShare = 0.85;

/** What is cast for on a water and how far a fish moves to it, with who says so. */
export function useCastSetting(water: WaterDetail, ground: Ground) {
  const { castM, craft } = usePreferences();
  const { state } = useLedger();
  const situation = useSituation();
  const river = useRiver(water, ground);
  const isMoving = isFlowing(water.file.water.kind);
  const known = situation.band;
  const looked = known?.value ?? wholeBed(ground.map.deepest.depthM);
  // One's own depths are fished as one said.
  const band = known === null || known.by === 'logged' || isMoving ? looked : soughtBand(situation.species.value, situation.goal.value === 'supper', looked);
  const isCut = band.toM < looked.toM;
  const bandBy = isCut
    ? 'no deeper, so that they live'
    : known?.by === 'logged'
      ? 'yours'
      : isMoving
        ? 'the whole bed, lies first'
        : known?.by === 'modelled'
          ? 'foretold'
          : 'assumed';
  const temp = temperatureAt(situation, (band.fromM + band.toM) / 2);
  const secchiM = situation.clarity.value;
  const felt = useMemo(() => feltOn(state, water.id), [state, water.id]);
  const minute = Math.floor(situation.nowMs / minuteMs);
  const schools = useMemo(() => {
    const outing = state.outings.findLast((o) => o.water === water.id && o.endedMs === null);
    return outing ? freshSchools(outing, (minute + 1) * minuteMs) : [];
  }, [state, water.id, minute]);
  const lies = river.data?.lies;
  const targets = useMemo(() => {
    const frame = new LocalFrame(ground.map.lon0, ground.map.lat0);
    const spot = (at: LonLat) => {
      const [x, y] = frame.toMetres(at);
      return { x, y };
    };
    const { places, lines } = marksOf(water.file);
    const found: CastTarget[] = [
      ...places.filter((p) => p.role === 'cover').map((p) => castTarget('cover', spot(p.at), p.name ?? coverKind(p.kind ?? '').label)),
      ...places.filter((p) => p.role === 'hard').map((p) => castTarget('hard', spot(p.at), 'rock')),
      ...felt.filter((f) => f.what === 'hard').map((f) => castTarget('hard', spot(f.at), 'rock')),
      ...felt.filter((f) => f.what === 'wood' || f.what === 'snag').map((f) => castTarget('cover', spot(f.at), f.what === 'wood' ? 'wood' : 'snag')),
      ...schools.map((at) => castTarget('school', spot(at), 'school')),
      ...lines.filter((l) => l.role === 'seam').flatMap((l) => pointsOf(l.line.map(spot)).map((s) => castTarget('seam', s, l.name ?? 'seam'))),
    ];
    if (isMoving) for (const lie of lies ?? []) found.push(castTarget('lie', spot(lie.at), lie.by, lie.score));
    return found;
  }, [water, ground.map, felt, schools, lies, isMoving]);
  const points = useMemo(() => {
    const frame = new LocalFrame(ground.map.lon0, ground.map.lat0);
    return ground.features.filter((f) => f.kind === 'point').map((f) => ({ x: frame.toMetres(f.at)[0], y: frame.toMetres(f.at)[1] }));
  }, [ground]);
  const { fromM, toM } = band;
  const query = useMemo<Omit<StandQuery, 'at' | 'casts'>>(
    () => ({
      band: { fromM, toM },
      castM,
      strikeM: strikeRadiusM(temp.value, secchiM),
      shyM: shyDistanceM(secchiM),
      chance: takeChance(temp.value),
      targets,
      base: isMoving ? riverBase : 1,
      count: fanCasts,
    }),
    [fromM, toM, castM, temp.value, secchiM, targets, isMoving],
  );
  const isAshore = craft === 'bank' || craft === 'pier' || craft === 'wading';
  return { query, band, bandBy, temp, secchiM, targets, points, felt, isMoving, isAshore, craft, isReady: !isMoving || river.data !== undefined };
}

export type CastSettings = ReturnType<typeof useCastSetting>;

/** Points along a line a metre apart. */
function pointsOf(line: { x: number; y: number }[]): { x: number; y: number }[] {
  return line.slice(1).flatMap((b, k) => {
    const a = line[k];
    const pieces = Math.max(1, Math.round(Math.hypot(b.x - a.x, b.y - a.y)));
    return Array.from({ length: pieces }, (_, i) => ({ x: a.x + ((b.x - a.x) * i) / pieces, y: a.y + ((b.y - a.y) * i) / pieces }));
  });
}

/** The fan of a stand after all casts of the outing. */
export function useStand(water: WaterDetail, ground: Ground, settings: CastSettings, outing: OutingState, at: LonLat) {
  const { query, isReady } = settings;
  const casts = useMemo(() => castsOf(outing), [outing]);
  const asked = useMemo<StandQuery>(() => ({ ...query, at, casts }), [query, at, casts]);
  const of = useMemo(() => JSON.stringify([asked, ground.map.soundings, ground.levelM]), [asked, ground]);
  const answer = useComputed<StandAnswer>({
    key: ['stand', water.id],
    of,
    enabled: isReady,
    compute: async () => (await groundWorker()).stand(water.id, asked),
  });
  return { answer, asked, casts };
}

/** Where to go from a stand, worked out when asked for. */
export function useNextStand(water: WaterDetail, asked: StandQuery, isAshore: boolean, isAsked: boolean) {
  const of = useMemo(() => JSON.stringify([asked, isAshore]), [asked, isAshore]);
  return useComputed<NextStand | null>({
    key: ['next-stand', water.id],
    of,
    enabled: isAsked,
    compute: async () => (await groundWorker()).nextStand(water.id, asked, isAshore, isAshore ? nextWithinM.ashore : nextWithinM.afloat),
  });
}

/**
 * Where to stand first on a water: on standing water within a cast of the first place for the fish, the same that the other ways begin at; on moving water
 * where its lies are reached.
 */
export function useFirstStand(water: WaterDetail, ground: Ground, settings: CastSettings, isAsked: boolean) {
  const { query, isAshore, isMoving, isReady } = settings;
  const situation = useSituation();
  const hasPlace = isAsked && !isMoving && situation.band !== null;
  const place = useFirstPlace(water, hasPlace ? ground : undefined, hasPlace ? situation : null, isAshore ? query.castM * fromShoreShare : null);
  const goal = hasPlace ? (place.data ?? null) : null;
  const toward = goal?.at ?? null;
  const of = useMemo(() => JSON.stringify([query, isAshore, toward, ground.map.soundings, ground.levelM]), [query, isAshore, toward, ground]);
  const first = useComputed<FirstStand | null>({
    key: ['first-stand', water.id],
    of,
    enabled: isAsked && isReady && !(hasPlace && place.isPending),
    compute: async () => (await groundWorker()).firstStand(water.id, { ...query, casts: [] }, isAshore, toward),
  });
  // A place that answers an earlier question is none: one would walk to it.
  const stand = (!first.isBehind && first.data) || null;
  return { at: stand?.at ?? null, toward: stand?.toward ? goal : null, isPending: isAsked && (first.isPending || first.isBehind) };
}
