import { baitOutM, bearingText, castText, chooseCadence, feltWords, floatFamily, floatWork, ofFish, ruleWithBait, signsAt, whatAfter, workedOn } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import type { FeltKind, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { useState } from 'react';
import { useNow } from '@/data/clock';
import { newId } from '@/data/ids';
import { useSituation } from '@/data/outlook';
import { tied, useOnTheLine, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLogged } from '@/features/station/useLogged';
import { stopOf, stopSet, stopText, type HowAnswered } from './float-log';

/** Time to the bottom where no depth is known, s: assumed. */
const assumedFallS = 8;
/** Water where nobody sounded, m: assumed. */
const assumedDepthM = 4;

export type UnsoundedSheet = 'fish' | 'more' | 'flat' | 'help';

/** How to work the bait at a stand without depths, by what is on the line, the situation and the answers so far. */
function useWorking(outing: OutingState, stand: StationState, now: number) {
  const { goal, units, kit } = usePreferences();
  const bait = useOnTheLine('cast');
  const { temperature, clarity, wind, band } = useSituation();
  const tempC = temperature.value;
  const signs = signsAt(outing, stand);
  const first = whatAfter({ signs, nowMs: now, underM: stand.depthM, passes: 0 });
  const { group } = speciesOf(outing.species[0]);
  const chosen = chooseCadence({ tempC, secchiM: clarity.value, bed: 'unknown', group, goal, isSuspended: false, bites: ofFish(signs).length });
  const way = workedOn({
    tackle: bait?.tackle ?? null,
    diveM: bait?.dive?.depthM ?? null,
    tempC,
    depthM: stand.depthM ?? assumedDepthM,
    bed: 'unknown',
    goal,
    signs,
    rule: first,
    chosen,
  });
  const float =
    bait?.tackle?.family === floatFamily
      ? floatWork({
          outing,
          stand,
          signs,
          rule: first,
          band: band?.value ?? null,
          bedM: stand.depthM,
          way,
          massG: bait.tackle.massG ?? null,
          lineMm: kit.rods[0]?.lineMm ?? null,
          windMs: wind?.value.speedMs ?? null,
          nowMs: now,
          units,
        })
      : null;
  return { bait, way, float, rule: ruleWithBait(first, way.worked, signs, bait?.tackle ?? null, goal) };
}

/** A stand where too few depths are known for a map: the aim, the bait, and what can be logged. */
export function useUnsoundedCast(outing: OutingState, stand: StationState, zone: string) {
  const { units, castM } = usePreferences();
  const { ledger } = useLedger();
  const now = useNow(5000);
  const [aimDeg, setAim] = useState<number | null>(null);
  const [sheet, setSheet] = useState<UnsoundedSheet | null>(null);
  const logged = useLogged({ id: outing.id, zone }, () => setSheet(null));
  const { setSaid, log } = logged;
  const { bait, way, rule, float } = useWorking(outing, stand, now);
  const made = outing.casts.filter((c) => c.station === stand.id);
  const last = made.at(-1);
  const bearingDeg = Math.round(aimDeg ?? last?.bearingDeg ?? 0) % 360;
  const line = outing.lines.findLast((l) => l.station === stand.id && l.upMs === null);
  const onCast = last ? { cast: last.id } : {};
  const cast = () => {
    const lowered = line?.id ?? newId();
    return log(`Cast ${bearingText(bearingDeg)}`, [
      ...(line ? [] : [{ kind: 'line-down' as const, body: { line: lowered, station: stand.id, rod: 'rod 1', ...tied(bait), ...stopOf(float) } }]),
      { kind: 'cast', body: { cast: newId(), station: stand.id, line: lowered, bearingDeg, distanceM: castM } },
    ]);
  };
  const react = (reaction: ReactionKind, text: string, how: HowAnswered = {}) =>
    log(text, [{ kind: 'reaction', body: { station: stand.id, reaction, cadence: way.cadence.id, ...(line ? { line: line.id } : {}), ...onCast, ...stopOf(float), ...how } }]);
  const setStop = (toM: number) => log(stopText(toM, units), [stopSet(line, { line: newId(), station: stand.id, rod: 'rod 1', ...tied(bait) }, toM)]);
  const liftLine = async () => {
    if (line) await ledger.write({ id: outing.id, zone }, 'line-up', { line: line.id });
  };
  const felt = async (what: FeltKind) => {
    if (!last) return setSaid({ text: 'Cast first: how far out is reckoned from the time since', undo: [] });
    const outM = Math.round(10 * baitOutM(last.distanceM, (now - last.ms) / 1000, assumedFallS, way.cadence.takeM, way.paceSPerM)) / 10;
    return log(`${feltWords[what]} about ${castText(outM, units)} out`, [
      { kind: 'felt', body: { station: stand.id, what, cast: last.id, bearingDeg: last.bearingDeg, outM, by: 'time' } },
    ]);
  };
  return {
    way,
    float,
    rule,
    made,
    line,
    logged,
    aim: { bearingDeg, set: setAim },
    sheets: { sheet, open: setSheet, close: () => setSheet(null) },
    log: { cast, react, felt, setStop, liftLine },
  };
}
