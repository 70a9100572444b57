import type { WaterDetail } from '@burrow/contract/api';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { shoreOf } from '@burrow/contract/formats/water-geojson';
import { assumedPole, changesAnswered, facesDeg, pegAdvice } from '@burrow/core/pole';
import { useMemo, useState } from 'react';
import { useSituation } from '@/data/outlook';
import { useNow } from '@/data/clock';
import { usePegWater } from '@/data/peg';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePegLog, type PegSheet } from './usePegLog';

/** A peg being fished: the advice, where the float is, what is open over it, and what can be logged. */
export function usePeg(outing: OutingState, station: StationState, water: WaterDetail) {
  const { units, kit, pole: own } = usePreferences();
  /** What is worked with: the angler's own, else what is assumed. */
  const pole = { ...own, reachM: own.reachM ?? assumedPole.reachM, runM: own.runM ?? assumedPole.runM, loadG: own.loadG ?? assumedPole.loadG, ball: own.ball ?? assumedPole.ball };
  const { state } = useLedger();
  const now = useNow(5000);
  const zone = water.file.water.timezone;
  const { temp, reasons } = usePegWater(outing, now);
  const { wind } = useSituation();
  const facing = useMemo(() => facesDeg(shoreOf(water.file) ?? [], station.at), [water.file, station.at]);
  const [alongM, setAlong] = useState<number | null>(null);
  const [sheet, setSheet] = useState<PegSheet | null>(null);
  const [feedFor, setFeedFor] = useState<string | null>(null);
  const show = (next: PegSheet) => {
    // Opened by hand, the feed is that of the swim one fishes, whichever was fed last.
    if (next === 'feed') setFeedFor(null);
    setSheet(next);
  };
  const advice = pegAdvice({
    outing,
    station,
    tempC: temp.value,
    reasons: reasons.map((r) => r.id),
    isBaited: water.file.water.baited ?? false,
    tackle: { ...pole, floats: kit.floats },
    wind: wind?.value ?? null,
    facesDeg: facing,
    nowMs: now,
    units,
    zone,
  });
  const log = usePegLog({ outing, station, zone, advice, alongM, setAlong, setSheet, onFeed: setFeedFor });
  return {
    outing,
    station,
    water,
    zone,
    now,
    pole,
    own,
    temp,
    reasons,
    advice,
    before: changesAnswered(state.outings).get(advice.change.id) ?? null,
    along: { m: alongM, set: setAlong },
    sheets: { open: sheet, show, close: () => setSheet(null), feedFor },
    log,
  };
}

export type PegControl = ReturnType<typeof usePeg>;
