import type { WaterDetail } from '@burrow/contract/api';
import { CastWater } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import type { LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { isIdlePool, laneBand, passAdvice, reversed, speedsFor, trollingSpeed, type Lane, type PassLine } from '@burrow/core/troll';
import { useMemo, useState } from 'react';
import { useCastSetting } from '@/data/casting';
import { useNow } from '@/data/clock';
import { useComputed } from '@/data/computed';
import { groundWorker } from '@/data/ground';
import { useSituation } from '@/data/outlook';
import { useFollowedPosition } from '@/data/position';
import { usePreferences } from '@/data/preferences';
import { useTrack } from '@/data/track';
import type { Ground } from '@/workers/ground.api';
import { usePassLines } from './usePassLines';
import { usePassLog } from './usePassLog';

export type PassSheet = 'strike' | 'fish' | 'depths' | 'more' | 'why' | 'help';

/** Along the lane by more than this is worth remembering, m. */
const rememberM = 5;

/** Where the boat is: as the phone says while that lies on the water, else where the map was touched. */
function usePassPlace(bed: CastWater) {
  const position = useFollowedPosition();
  const [touched, touch] = useState<LonLat | null>(null);
  const fixed = position.fix?.at ?? null;
  const isOnWater = fixed !== null && !Number.isNaN(bed.depth(bed.spot(fixed).x, bed.spot(fixed).y));
  const followed = isOnWater ? fixed : null;
  const at = followed ?? touched;
  return { position, followed, at, spot: at && bed.spot(at), touch };
}

/** A pass under way: its lines, where the boat is, what to run and where to steer, and what can be logged. */
export function usePass(outing: OutingState, pass: StationState, water: WaterDetail, ground: Ground) {
  const { units, craft, troll } = usePreferences();
  const { wind } = useSituation();
  const now = useNow(2000);
  const zone = water.file.water.timezone;
  const settings = useCastSetting(water, ground);
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const place = usePassPlace(bed);
  const [sheet, setSheet] = useState<PassSheet | null>(null);
  const [isReversed, setReversed] = useState(false);
  const [wasAlong, setWasAlong] = useState<{ lane: Lane; alongM: number } | null>(null);
  const speed = trollingSpeed(place.position.fix?.speedMs ?? null, place.position.recent, troll.speedMs);
  // A place that was touched on the map is nobody's track.
  const speeds = speedsFor(outing.species[0], settings.temp.value);
  const flush = useTrack({ id: outing.id, zone }, pass, place.followed);
  const running = usePassLines({ outing, pass, water, band: settings.band, waterM: ground.map.deepest.depthM, speedMs: speed.speedMs, nowMs: now });
  const log = usePassLog({ outing, pass, zone, running, speedMs: speed.speedMs, onLogged: () => setSheet(null) });

  const follow = laneBand(settings.band, running.deepestM, troll.clearanceM);
  // Marked cover, and fish seen at the surface or on the sounder, are passed over again.
  const { targets } = settings;
  const keepsToCover = ['panfish', 'bass'].includes(speciesOf(outing.species[0]).group);
  const through = useMemo(
    () => targets.filter((t) => t.kind === 'school' || (keepsToCover && t.kind === 'cover')).map(({ x, y }) => ({ x: Math.round(x), y: Math.round(y) })),
    [targets, keepsToCover],
  );
  const asked = { band: follow, baitM: running.deepestM, clearanceM: troll.clearanceM, turnM: troll.turnM, lengthM: troll.laneM, start: pass.at, through };
  const planned = useComputed<Lane>({
    key: ['lane', water.id, pass.id],
    of: JSON.stringify([asked, ground.map.soundings, ground.levelM]),
    enabled: !troll.isDrift && running.lines.length > 0,
    compute: async () => (await groundWorker()).lane(water.id, asked),
  });
  const { data: laid } = planned;
  const lane = useMemo(() => (laid && isReversed ? reversed(laid) : (laid ?? null)), [laid, isReversed]);
  const advice = passAdvice({
    bed,
    running,
    spot: place.spot,
    begins: bed.spot(place.at ?? pass.at),
    speed: { ms: speed.speedMs, by: speed.by },
    speeds,
    isIdle: settings.isMoving && isIdlePool(outing, new Set(outing.stations.filter((s) => s.kind === pass.kind).map((s) => s.id)), now),
    follow,
    planned: { lane, why: planned.isError ? (planned.error as Error).message : null },
    wasAlong,
    isDrift: troll.isDrift,
    craft: troll.hasSock ? 'with-sock' : craft === 'kayak' ? 'kayak' : 'boat',
    wind: wind?.value ?? null,
    turnM: troll.turnM,
    laneM: troll.laneM,
    nowMs: now,
    units,
    zone,
  });
  const along = advice.place?.alongM;
  if (along !== undefined && lane && !troll.isDrift && (wasAlong?.lane !== lane || Math.abs(wasAlong.alongM - along) > rememberM)) setWasAlong({ lane, alongM: along });

  const strike = (line: PassLine, isUpper = false) => {
    const { turning } = advice;
    const turn = turning === null ? 'straight' : turning === line.side ? 'inside' : 'outside';
    return log.strike(line, { isUpper, at: place.at, bottomM: advice.underM, speedMs: speed.by === 'measured' ? speed.speedMs : null, ...(advice.place === null ? {} : { turn }) });
  };
  const turnRound = async () => {
    await flush();
    setReversed(!isReversed);
    place.touch(null);
    const end = advice.lane?.spots.at(-1);
    await log.nextPass(place.at ?? (end ? bed.place(end) : pass.at));
  };
  return { outing, pass, water, ground, now, settings, place, running, follow, speeds, advice, sheet, setSheet, log, drive: { flush, strike, turnRound } };
}

export type PassControl = ReturnType<typeof usePass>;
