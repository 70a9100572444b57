import type { WaterDetail } from '@burrow/contract/api';
import { CastWater, type Spot } from '@burrow/core/casting';
import type { LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import {
  baitDepths,
  bedAhead,
  depthBandM,
  dragOfTouch,
  driftLane,
  hoursByDepth,
  hoursTogether,
  passAnswer,
  placeOnLane,
  reversed,
  spotAlong,
  trollingSpeed,
  turnAhead,
  untried,
  type Lane,
  type RunningLine,
} from '@burrow/core/troll';
import { clamp, depthText } from '@burrow/core/units';
import { weatherAt } from '@burrow/core/weather';
import { useMemo, useState } from 'react';
import { useCastSetting } from '@/data/casting';
import { useNow } from '@/data/clock';
import { useComputed } from '@/data/computed';
import { groundWorker } from '@/data/ground';
import { newId } from '@/data/ids';
import { useOutlook } from '@/data/outlook';
import { useFollowedPosition } from '@/data/position';
import { setTroll, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useTrack } from '@/data/track';
import { useLogged, type Thing } from '@/features/station/useLogged';
import type { Ground } from '@/workers/ground.api';
import { nameOf, usePassLines } from './usePassLines';

export type PassSheet = 'strike' | 'fish' | 'depths' | 'more' | 'why' | 'help';
/** Seen ahead on the picture, m. */
const aheadM = 160;
/** A pass under way: what to run and where to steer, and what can be logged. */
export function usePass(outing: OutingState, pass: StationState, water: WaterDetail, ground: Ground) {
  const { units, craft, troll, presentations } = usePreferences();
  const { ledger, state } = useLedger();
  const { input } = useOutlook();
  const now = useNow(2000);
  const zone = water.file.water.timezone;
  const scope = { id: outing.id, zone };
  const settings = useCastSetting(water, ground, outing);
  const position = useFollowedPosition();
  const [touched, setTouched] = useState<LonLat | null>(null);
  const [sheet, setSheet] = useState<PassSheet | null>(null);
  const { said, setSaid, undo, log } = useLogged(scope, () => setSheet(null));
  const [isReversed, setReversed] = useState(false);
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const onWater = (at: LonLat | null) => (at !== null && !Number.isNaN(bed.depth(bed.spot(at).x, bed.spot(at).y)) ? at : null);
  const here = onWater(position.fix?.at ?? null) ?? touched;
  const { speedMs, by: speedBy } = trollingSpeed(position.fix?.speedMs ?? null, position.recent, troll.speedMs);
  // A place that was touched on the map is nobody's track.
  const flush = useTrack(scope, pass, onWater(position.fix?.at ?? null));

  const running = usePassLines(outing, pass, water, ground, settings, speedMs, now);
  const { out, lines, spread, legal, fished, strikes, deepestM, bites, drawTo, outFor, rigAt } = running;
  const band = settings.band;

  // The lane.
  const leastM = deepestM + troll.clearanceM;
  const follow = { fromM: Math.max(leastM, Math.min(band.fromM, leastM)), toM: Math.max(leastM + 2.5, band.toM + 1) };
  const weather = (input && weatherAt(input.series, now)) ?? null;
  const asked = { band: follow, baitM: deepestM, clearanceM: troll.clearanceM, turnM: troll.turnM, lengthM: troll.laneM, start: pass.at };
  const planned = useComputed<Lane>({
    key: ['lane', water.id, pass.id],
    of: JSON.stringify([asked, ground.map.soundings, ground.levelM]),
    enabled: !troll.isDrift && lines.length > 0,
    compute: async () => (await groundWorker()).lane(water.id, asked),
  });
  const drift =
    troll.isDrift && weather?.windMs != null && weather.windFromDeg != null
      ? driftLane(
          bed,
          bed.spot(here ?? pass.at),
          { windMs: weather.windMs, fromDeg: weather.windFromDeg },
          troll.hasSock ? 'with-sock' : craft === 'kayak' ? 'kayak' : 'boat',
          follow,
          deepestM,
          leastM,
          troll.laneM,
        )
      : null;
  const way = troll.isDrift ? drift : (planned.data ?? null);
  const lane = useMemo(() => (way && isReversed && !troll.isDrift ? reversed(way) : way), [way, isReversed, troll.isDrift]);
  // A drift is as fast as the phone says; until it does, as the wind lets one expect.
  const runMs = speedBy === 'assumed' && drift !== null ? drift.speedMs : speedMs;
  const laneWhy = troll.isDrift
    ? drift
      ? null
      : weather?.windMs == null
        ? 'The wind is not known here: write it down, or run a lane.'
        : 'The wind carries you ashore, or the bait would drag: begin further upwind.'
    : planned.isError
      ? (planned.error as Error).message
      : null;
  const spot: Spot | null = here && bed.spot(here);
  // How far along it one was before: a lane that passes a place twice is not jumped along.
  const [before, setBefore] = useState<{ lane: Lane; alongM: number } | null>(null);
  const place = lane && spot ? placeOnLane(lane.spots, spot, before?.lane === lane ? before.alongM : null) : null;
  if (lane && place && !troll.isDrift && (before?.lane !== lane || Math.abs(before.alongM - place.alongM) > 5)) setBefore({ lane, alongM: place.alongM });
  const ahead = lane && place ? bedAhead(bed, lane.spots, place.alongM, Math.min(aheadM, Math.max(20, lane.lengthM - place.alongM))) : [];
  const under = spot ? bed.depth(spot.x, spot.y) : NaN;
  const underM = Number.isNaN(under) ? null : Math.round(100 * under) / 100;
  const depthsAhead = ahead.map((p) => p.depthM).filter((d) => !Number.isNaN(d));
  const turn = lane && place ? turnAhead(lane.turns, place.alongM) : null;
  const turnSpot = lane && turn ? spotAlong(lane.spots, (turn.fromM + turn.toM) / 2) : null;
  const hours = hoursByDepth(
    state.outings.filter((o) => o.water === water.id),
    Math.min(ground.map.deepest.depthM, Math.max(band.toM, deepestM) + depthBandM(units)),
    depthBandM(units),
    now,
  );
  const answer = passAnswer({
    lane,
    laneWhy,
    place,
    lines,
    speedMs: runMs,
    turnM: troll.turnM,
    turnDepthM: turnSpot === null ? null : bed.depth(turnSpot.x, turnSpot.y),
    clearAheadM: depthsAhead.length === 0 ? null : Math.min(...depthsAhead) - deepestM,
    strikes: bites,
    drawTo,
    untried: untried(hours),
    isDrift: troll.isDrift,
    units,
    zone,
    nowMs: now,
  });

  const baitOn = (k: number) => presentations.find((p) => p.id === troll.lures[k])?.name ?? 'Bait not said';
  const cm = (m: number) => Math.round(100 * m) / 100;
  const withOut = (k: number, depthM: number) => {
    const lineOutM = outFor(k, depthM);
    return lineOutM === null ? {} : { lineOutM };
  };
  const setLines = () =>
    log(
      `Lines out: ${spread.map((s) => depthText(s[0], units)).join(', ')}`,
      spread.map((depths, k): Thing => ({
        kind: 'line-down',
        body: {
          line: newId(),
          station: pass.id,
          rod: nameOf(k, spread.length),
          presentation: baitOn(k),
          depthM: cm(depths[0]),
          ...withOut(k, depths[0]),
          ...(depths.length > 1 ? { second: { presentation: baitOn(k), aboveM: cm(clamp(depths[0] - depths[1], 0.05, 20)) } } : {}),
        },
      })),
    );
  const setDepth = (id: string, depthM: number) => {
    const k = lines.findIndex((l) => l.id === id);
    return ledger.write(scope, 'depth-set', { line: id, depthM: cm(depthM), ...withOut(k, depthM) });
  };
  /** The bait of line `k` touched the bed: its drag from then on, and the depth it ran at. RangeError where that cannot be. */
  const touchedBed = (k: number, depthM: number) => {
    const [line, rig] = [lines[k], rigAt(k)];
    if (rig === null || line.lineOutM === null) throw new RangeError('expected a line with its weight and the line let out');
    const drag = dragOfTouch(rig, line.lineOutM, depthM, speedMs);
    setTroll({ dragsM2: Array.from({ length: Math.max(k + 1, troll.dragsM2.length) }, (_, i) => (i === k ? drag : (troll.dragsM2[i] ?? null))) });
    return log('Touched the bed', [{ kind: 'depth-set', body: { line: line.id, depthM: cm(depthM), lineOutM: line.lineOutM } }]);
  };
  const drawLines = () =>
    log(
      'Depths set',
      lines.flatMap((l, k): Thing[] => (spread[k] ? [{ kind: 'depth-set', body: { line: l.id, depthM: cm(spread[k][0]), ...withOut(k, spread[k][0]) } }] : [])),
    );
  const liftLines = () =>
    log(
      'Lines in',
      lines.map((l): Thing => ({ kind: 'line-up', body: { line: l.id } })),
    );
  const turning = turn && place && place.alongM >= turn.fromM ? turn.side : null;
  const where = here === null ? {} : { at: [here[0], here[1]] as [number, number] };
  const strike = (line: RunningLine) =>
    log(`Strike, ${line.name}`, [
      {
        kind: 'reaction',
        body: {
          station: pass.id,
          reaction: 'bite',
          line: line.id,
          ...(line.depthM === null ? {} : { depthM: line.depthM }),
          ...where,
          ...(underM === null ? {} : { bottomM: underM }),
          // Only what was known: a lane without a position tells no turn, and a speed that is assumed is none.
          ...(place === null ? {} : { turn: turning === null ? 'straight' : turning === line.side ? 'inside' : 'outside' }),
          ...(speedBy === 'measured' ? { speedMs: Math.round(100 * speedMs) / 100 } : {}),
        },
      },
    ]);
  /** Ends this pass and begins the next from where one is, the same lines running on. */
  const turnRound = async () => {
    await flush();
    const next = newId();
    setReversed(!isReversed);
    setTouched(null);
    const begin = here ?? (lane ? bed.place(lane.spots[lane.spots.length - 1]) : pass.at);
    await log('Next pass', [
      { kind: 'pass-ended', body: { station: pass.id } },
      ...lines.map((l): Thing => ({ kind: 'line-up', body: { line: l.id } })),
      { kind: 'station-opened', body: { station: next, kind: pass.kind, label: String(outing.stations.length + 1), at: [begin[0], begin[1]] } },
      ...out.map((l): Thing => {
        const last = l.depths.at(-1);
        return {
          kind: 'line-down',
          body: {
            line: newId(),
            station: next,
            rod: l.rod,
            presentation: l.presentation,
            ...(last ? { depthM: last.depthM, ...(last.lineOutM === null ? {} : { lineOutM: last.lineOutM }) } : {}),
            ...(l.second ? { second: l.second } : {}),
          },
        };
      }),
    ]);
  };
  return {
    outing,
    pass,
    water,
    ground,
    bed,
    method: methodOf(pass.method) ?? usualMethod,
    units,
    zone,
    now,
    troll,
    settings,
    position,
    here,
    spot,
    setTouched,
    speedMs: runMs,
    speedBy: runMs === speedMs ? speedBy : ('estimated' as const),
    underM,
    lines,
    spread,
    legal,
    fished,
    strikes,
    hours,
    rows: hoursTogether(hours),
    untried: untried(hours),
    lane,
    place,
    ahead,
    follow,
    deepestM,
    turn,
    turning,
    answer,
    drift,
    windMs: weather?.windMs ?? null,
    line: lines[0],
    scope,
    sheet,
    setSheet,
    said,
    setSaid,
    undo,
    log,
    flush,
    outFor,
    setLines,
    setDepth,
    touchedBed,
    drawLines,
    liftLines,
    strike,
    turnRound,
    baitDepthsOf: (k: number, lineOutM: number, secondAboveM: number | null) => {
      const rig = rigAt(k);
      return rig === null ? null : baitDepths(rig, lineOutM, speedMs, secondAboveM);
    },
  };
}

export type PassControl = ReturnType<typeof usePass>;
