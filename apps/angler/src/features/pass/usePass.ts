import type { WaterDetail } from '@burrow/contract/api';
import { CastWater, type Spot } from '@burrow/core/casting';
import type { LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { bedAhead, driftLane, passAnswer, placeOnLane, reversed, spotAlong, trollingSpeed, turnAhead, type Lane, type RunningLine } from '@burrow/core/troll';
import { useMemo, useState } from 'react';
import { useCastSetting } from '@/data/casting';
import { useNow } from '@/data/clock';
import { useComputed } from '@/data/computed';
import { groundWorker } from '@/data/ground';
import { useSituation } from '@/data/outlook';
import { useFollowedPosition } from '@/data/position';
import { usePreferences } from '@/data/preferences';
import { useTrack } from '@/data/track';
import { useLogged } from '@/features/station/useLogged';
import type { Ground } from '@/workers/ground.api';
import { usePassLines } from './usePassLines';

export type PassSheet = 'strike' | 'fish' | 'depths' | 'more' | 'why' | 'help';
/** Seen ahead on the picture, m. */
const aheadM = 160;
/** A pass under way: what to run and where to steer, and what can be logged. */
export function usePass(outing: OutingState, pass: StationState, water: WaterDetail, ground: Ground) {
  const { units, craft, troll } = usePreferences();
  const wind = useSituation().wind?.value ?? null;
  const now = useNow(2000);
  const zone = water.file.water.timezone;
  const scope = { id: outing.id, zone };
  const settings = useCastSetting(water, ground);
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

  const band = settings.band;
  const spot: Spot | null = here && bed.spot(here);
  const under = spot ? bed.depth(spot.x, spot.y) : NaN;
  const underM = Number.isNaN(under) ? null : Math.round(100 * under) / 100;
  const running = usePassLines({ outing, pass, water, band, waterM: ground.map.deepest.depthM, speedMs, nowMs: now, scope, log });
  const { lines, deepestM, bites, drawTo } = running;

  // The lane.
  const leastM = deepestM + troll.clearanceM;
  const follow = { fromM: Math.max(leastM, Math.min(band.fromM, leastM)), toM: Math.max(leastM + 2.5, band.toM + 1) };
  const asked = { band: follow, baitM: deepestM, clearanceM: troll.clearanceM, turnM: troll.turnM, lengthM: troll.laneM, start: pass.at };
  const planned = useComputed<Lane>({
    key: ['lane', water.id, pass.id],
    of: JSON.stringify([asked, ground.map.soundings, ground.levelM]),
    enabled: !troll.isDrift && lines.length > 0,
    compute: async () => (await groundWorker()).lane(water.id, asked),
  });
  const drift =
    troll.isDrift && wind !== null && wind.fromDeg !== null
      ? driftLane(
          bed,
          bed.spot(here ?? pass.at),
          { windMs: wind.speedMs, fromDeg: wind.fromDeg },
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
      : wind === null
        ? 'The wind is not known here: write it down, or run a lane.'
        : 'The wind carries you ashore, or the bait would drag: begin further upwind.'
    : planned.isError
      ? (planned.error as Error).message
      : null;
  // How far along it one was before: a lane that passes a place twice is not jumped along.
  const [before, setBefore] = useState<{ lane: Lane; alongM: number } | null>(null);
  const place = lane && spot ? placeOnLane(lane.spots, spot, before?.lane === lane ? before.alongM : null) : null;
  if (lane && place && !troll.isDrift && (before?.lane !== lane || Math.abs(before.alongM - place.alongM) > 5)) setBefore({ lane, alongM: place.alongM });
  const ahead = lane && place ? bedAhead(bed, lane.spots, place.alongM, Math.min(aheadM, Math.max(20, lane.lengthM - place.alongM))) : [];
  const depthsAhead = ahead.map((p) => p.depthM).filter((d) => !Number.isNaN(d));
  const turn = lane && place ? turnAhead(lane.turns, place.alongM) : null;
  const turnSpot = lane && turn ? spotAlong(lane.spots, (turn.fromM + turn.toM) / 2) : null;
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
    untried: running.untried,
    isDrift: troll.isDrift,
    units,
    zone,
    nowMs: now,
  });

  const turning = turn && place && place.alongM >= turn.fromM ? turn.side : null;
  const strike = (line: RunningLine) =>
    running.strike(line, {
      at: here,
      bottomM: underM,
      speedMs: speedBy === 'measured' ? speedMs : null,
      ...(place === null ? {} : { turn: turning === null ? 'straight' : turning === line.side ? 'inside' : 'outside' }),
    });
  const turnRound = async () => {
    await flush();
    setReversed(!isReversed);
    setTouched(null);
    await running.nextPass(here ?? (lane ? bed.place(lane.spots[lane.spots.length - 1]) : pass.at));
  };
  return {
    ...running,
    outing,
    pass,
    water,
    ground,
    bed,
    method: methodOf(pass.method) ?? usualMethod,
    zone,
    now,
    settings,
    position,
    here,
    spot,
    setTouched,
    speedMs: runMs,
    speedBy: runMs === speedMs ? speedBy : ('estimated' as const),
    underM,
    lane,
    place,
    ahead,
    follow,
    turn,
    turning,
    answer,
    drift,
    windMs: wind?.speedMs ?? null,
    line: lines[0],
    scope,
    sheet,
    setSheet,
    said,
    setSaid,
    undo,
    log,
    flush,
    strike,
    turnRound,
  };
}

export type PassControl = ReturnType<typeof usePass>;
