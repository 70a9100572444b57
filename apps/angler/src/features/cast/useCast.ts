import type { WaterDetail } from '@burrow/contract/api';
import { baitOutM, castAdvice, CastWater } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { useMemo, useState } from 'react';
import { useCastSetting, useNextStand, useStand } from '@/data/casting';
import { useNow } from '@/data/clock';
import { useOutlook, useSituation } from '@/data/outlook';
import { useOnTheLine, usePreferences } from '@/data/preferences';
import type { Ground } from '@/workers/ground.api';
import { useCastLog, type CastSheet } from './useCastLog';

/** A stand being cast from: what was cast and shown, the aim, where the bait is, the advice, and what can be logged. */
export function useCast(outing: OutingState, stand: StationState, water: WaterDetail, ground: Ground) {
  const { units, kit } = usePreferences();
  const piece = useOnTheLine('cast');
  const { outlook } = useOutlook();
  const situation = useSituation();
  const now = useNow(5000);
  const settings = useCastSetting(water, ground);
  const { answer, asked, casts } = useStand(water, ground, settings, outing, stand.at);
  const [ownDeg, drag] = useState<number | null>(null);
  const [touchedM, setTouched] = useState<number | null>(null);
  const [sheet, setSheet] = useState<CastSheet | null>(null);
  const { query, band, temp, targets, points, isAshore, isMoving } = settings;
  const method = methodOf(stand.method) ?? usualMethod;
  const made = useMemo(() => casts.filter((c) => c.station === stand.id), [casts, stand.id]);
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const fan = answer.data ?? null;
  const advice = castAdvice({
    situation,
    outing,
    stand,
    bed,
    seeks: { band, temp, targets, points, castM: query.castM, strikeM: query.strikeM, isMoving },
    casts,
    fan,
    bait: { tackle: piece?.tackle ?? null, dive: piece?.dive ?? null, lineMm: kit.rods[0]?.lineMm ?? null, strengthKg: kit.rods[0]?.strengthKg ?? null },
    ownDeg,
    prior: method.clockPriors[speciesOf(outing.species[0]).group],
    nowMs: now,
    duskMs: outlook?.sun.find((s) => s.duskMs > now)?.duskMs ?? null,
    units,
  });
  const next = useNextStand(water, asked, isAshore, (advice.isGoing || sheet === 'clock') && fan !== null).data ?? null;

  const last = made.at(-1);
  const { section } = advice.cast;
  const { waitS, cadence, paceSPerM } = advice.retrieve;
  const outM = touchedM ?? (last ? baitOutM(last.lengthM, (now - last.ms) / 1000, waitS, cadence.takeM, paceSPerM) : section.lengthM / 2);
  const bait = { outM, isByTime: touchedM === null, touch: setTouched, last };
  const log = useCastLog({ outing, stand, zone: water.file.water.timezone, advice, bait, piece, units, onAnswered: () => drag(null), onSheet: setSheet });
  return {
    outing,
    stand,
    water,
    ground,
    method,
    now,
    settings,
    shown: { fan, isPending: answer.isPending, made, casts, next },
    aim: { bearingDeg: advice.bearingDeg, isOwn: ownDeg !== null, drag },
    advice,
    bait,
    log,
    sheet,
    setSheet,
  };
}

export type CastControl = ReturnType<typeof useCast>;
