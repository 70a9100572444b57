import { castText, feltWords, type CastAdvice } from '@burrow/core/casting';
import type { FeltKind, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import type { UnitPreference } from '@burrow/core/units';
import { newId } from '@/data/ids';
import { tied, type Presentation } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLogged } from '@/features/station/useLogged';
import { straightDown } from './CastParts';
import { stopOf, stopSet, stopText, type HowAnswered } from './float-log';

/** What can be open over the station. */
export type CastSheet = 'fish' | 'more' | 'clock' | 'why' | 'flat' | 'help';

interface CastLogSetting {
  outing: OutingState;
  stand: StationState;
  zone: string;
  advice: CastAdvice;
  /** Where the bait is: by the time since the cast, or where the section was touched. */
  bait: { outM: number; isByTime: boolean; touch: (outM: number | null) => void; last: { id: string; bearingDeg: number } | undefined };
  piece: Presentation | null;
  units: UnitPreference;
  /** What was logged answers the last cast: an aim of one's own is of before it. */
  onAnswered: () => void;
  onSheet: (sheet: CastSheet | null) => void;
}

const cm = (m: number) => Math.round(100 * m) / 100;
const tenths = (m: number) => Math.round(10 * m) / 10;
const whole = (deg: number) => Math.round(deg) % 360;

/** What can be logged at a stand, each with what is known of it and no more. */
export function useCastLog({ outing, stand, zone, advice, bait, piece, units, onAnswered, onSheet }: CastLogSetting) {
  const { ledger } = useLedger();
  const scope = { id: outing.id, zone };
  const answered = () => {
    onAnswered();
    onSheet(null);
  };
  const { said, setSaid, undo, log } = useLogged(scope, answered);
  const line = outing.lines.findLast((l) => l.station === stand.id && l.upMs === null);
  const onLine = line ? { line: line.id } : {};
  const outM = tenths(bait.outM);
  const onCast = bait.last ? { cast: bait.last.id, outM } : null;
  const cast = async () => {
    const lowered = line?.id ?? newId();
    const distanceM = Math.max(0.5, tenths(advice.cast.section.lengthM));
    await log(`Cast ${whole(advice.bearingDeg)}°`, [
      ...(line ? [] : [{ kind: 'line-down' as const, body: { line: lowered, station: stand.id, rod: 'rod 1', ...tied(piece), ...stopOf(advice.float) } }]),
      { kind: 'cast', body: { cast: newId(), station: stand.id, line: lowered, bearingDeg: whole(advice.bearingDeg), distanceM } },
    ]);
    bait.touch(null);
  };
  const felt = (what: FeltKind) => {
    const by = bait.isByTime ? ('time' as const) : ('eye' as const);
    const body = { station: stand.id, what, ...(bait.last ? { cast: bait.last.id } : {}), bearingDeg: whole(bait.last?.bearingDeg ?? advice.bearingDeg), outM, by };
    return log(`${feltWords[what]} ${bait.isByTime ? 'about ' : ''}${castText(outM, units)} out`, [{ kind: 'felt', body }]);
  };
  const atDepth = advice.float ? { depthM: cm(advice.float.stopM) } : {};
  const react = (reaction: ReactionKind, text: string, how: HowAnswered = {}) =>
    log(text, [{ kind: 'reaction', body: { station: stand.id, reaction, cadence: advice.retrieve.cadence.id, ...onLine, ...onCast, ...atDepth, ...how } }]);
  const liftLine = async () => {
    if (line) await ledger.write(scope, 'line-up', { line: line.id });
  };
  const setStop = (toM: number) => log(stopText(toM, units), [stopSet(line, { line: newId(), station: stand.id, rod: 'rod 1', ...tied(piece) }, toM)]);
  const fish = (text: string, event: string) => {
    setSaid({ text, undo: [event] });
    answered();
  };
  const goDown = () => ledger.writeAll(scope, straightDown(outing, stand, advice.underM));
  const goTo = async (station: string) => {
    await ledger.writeAll(scope, [
      { kind: 'rested', body: { station: stand.id } },
      { kind: 'moved', body: { fromStation: stand.id, station } },
    ]);
    onAnswered();
  };
  const standAt = async (at: readonly [number, number]) => {
    const { stationKind } = methodOf(stand.method) ?? usualMethod;
    await ledger.writeAll(scope, [
      { kind: 'rested', body: { station: stand.id } },
      ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
      { kind: 'station-opened', body: { station: newId(), kind: stationKind, label: String(outing.stations.length + 1), at: [at[0], at[1]], placed: { by: 'map' } } },
    ]);
    onAnswered();
  };
  return { said, setSaid, undo, line, onCast, cast, felt, react, setStop, liftLine, fish, goDown, goTo, standAt };
}
