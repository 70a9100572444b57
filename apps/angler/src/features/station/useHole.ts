import { speciesOf } from '@burrow/core/fish';
import { holeLooks, holeSigns, isBegun, passRound, roundAdvice } from '@burrow/core/holes';
import { isSetLine, type OutingState, type StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { stayOrGo, type StayOrGo } from '@burrow/core/patch';
import { useState } from 'react';
import { useNow } from '@/data/clock';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useWater } from '@/data/water';

import { useCall } from './useCall';
import { useHoleLog } from './useHoleLog';
import { useListener, type Listener } from './useListener';
import { useStrikeSignal } from './useStrikeSignal';

export type HoleSheet = 'fish' | 'more' | 'clock' | 'help' | 'why' | 'tip-ups' | 'responses' | 'rig';

/** Whether a hole among several was not looked into yet; one alone is simply fished. */
function isToRead(outing: OutingState, hole: StationState): boolean {
  const looks = holeLooks(outing);
  return looks.length > 1 && looks.some((l) => l.hole.id === hole.id && l.saw === null);
}

/** When the time is up and nothing is in sight, what comes next is the move, and no way to fish on here; null before. */
const moveOn = (clock: StayOrGo, { isEmpty, advice }: Pick<Listener, 'isEmpty' | 'advice'>) =>
  clock.leftMin === 0 && (isEmpty || advice === null) ? { headline: 'Move on', detail: clock.reason } : null;

/** A hole being fished: what listens there and what the coach says of it, its clock, and what can be logged. */
export function useHole(outing: OutingState, hole: StationState) {
  const { detail } = useWater();
  const { units, craft, holeRound } = usePreferences();
  // A hole is fished before its water has been read, too.
  const awaitsWarmth = useOutlook().situation?.awaitsWarmth ?? false;
  const now = useNow(5000);
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const method = methodOf(hole.method) ?? usualMethod;
  const [sheet, setSheet] = useState<HoleSheet | null>(null);
  const [fishLine, setFishLine] = useState<string | null>(null);
  const line = outing.lines.findLast((l) => l.station === hole.id && l.upMs === null && !isSetLine(l));
  const fishOn = outing.lines.find((l) => l.id === fishLine);
  const listener = useListener(outing, hole, line, sheet === 'responses');
  const isTaken = useStrikeSignal(listener.flasher);
  useCall(listener.flasher);
  const prior = method.clockPriors[speciesOf(outing.species[0]).group];
  const show = (next: HoleSheet | null, from: string | null = null) => {
    setSheet(next);
    setFishLine(from);
  };
  const log = useHoleLog({ outing, hole, zone, line, listener, fishOn, onClose: () => show(null) });
  // Before a fish answers here, the holes that nobody has looked into come first; from a boat the school that has gone.
  const isAfloat = !method.isOnIce && (craft === 'kayak' || craft === 'boat');
  const round = roundAdvice(outing, hole, units, holeRound) ?? (isAfloat ? passRound(outing, hole, listener.isEmpty, now, units) : null);
  const isUnread = method.isOnIce && !line && isToRead(outing, hole);
  const clock = stayOrGo({ ...holeSigns(outing, hole), awaitsWarmth }, prior, now);
  const lead = round ?? (isBegun(outing, hole) ? moveOn(clock, listener) : null);
  return {
    outing,
    hole,
    method,
    zone,
    now,
    listener,
    round,
    lead,
    isUnread,
    isTaken,
    clock,
    prior,
    line,
    fishOn,
    sheet,
    show,
    log,
  };
}

export type HoleControl = ReturnType<typeof useHole>;
