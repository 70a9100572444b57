import type { WaterDetail } from '@burrow/contract/api';
import {
  aimAfter,
  backTo,
  backToText,
  baitOutM,
  bowText,
  castAlong,
  castClock,
  castMinutes,
  castSection,
  diveAlong,
  diveText,
  castText,
  castWords,
  chooseCadence,
  feltWords,
  fishedPlaces,
  paceMin,
  passedBy,
  passesAlong,
  pauseS,
  signsAt,
  CastWater,
  whatAfter,
  type BedKind,
} from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import { holeSigns } from '@burrow/core/holes';
import type { FeltKind, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { sinkTime, windBow } from '@burrow/core/rig';
import { familyOf, lureOf } from '@burrow/core/tackle';
import { betweenDeg } from '@burrow/core/units';
import { useMemo, useState } from 'react';
import { useCastSetting, useNextStand, useStand } from '@/data/casting';
import { useNow } from '@/data/clock';
import { newId } from '@/data/ids';
import { useOutlook } from '@/data/outlook';
import { tied, useOnTheLine, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLogged } from '@/features/station/useLogged';
import { straightDown } from './CastParts';
import type { Ground } from '@/workers/ground.api';

/** Line where no rod is written down, mm, and seconds down where the bait's mass is not: assumed. */
const [assumedLineMm, assumedFallS] = [0.2, 10];
/** Depth under the bed of the landing from which fish are met in open water, m. */
const suspendedM = 1.5;

export type CastSheet = 'fish' | 'more' | 'clock' | 'why' | 'felt' | 'help';

/** A stand being cast from: which cast is next and why, how to bring it back, for how long, and what can be logged. */
export function useCast(outing: OutingState, stand: StationState, water: WaterDetail, ground: Ground) {
  const { units, kit, goal } = usePreferences();
  const piece = useOnTheLine();
  const { ledger } = useLedger();
  const { situation, outlook } = useOutlook();
  const now = useNow(5000);
  const zone = water.file.water.timezone;
  const settings = useCastSetting(water, ground);
  const { answer, asked, casts } = useStand(water, ground, settings, outing, stand.at);
  const [dragged, setDragged] = useState<number | null>(null);
  const [felt, setFelt] = useState<number | null>(null);
  const [sheet, setSheet] = useState<CastSheet | null>(null);
  const { query, band, temp, targets, isAshore } = settings;
  const method = methodOf(stand.method) ?? usualMethod;
  const species = speciesOf(outing.species[0]);
  const made = useMemo(() => casts.filter((c) => c.station === stand.id), [casts, stand.id]);
  const last = made.at(-1);
  const signs = useMemo(() => signsAt(outing, stand), [outing, stand]);
  const bed = useMemo(() => new CastWater(ground.map), [ground.map]);
  const from = useMemo(() => bed.spot(stand.at), [bed, stand.at]);
  const underM = useMemo(() => {
    const under = bed.depth(from.x, from.y);
    return Number.isNaN(under) ? null : under;
  }, [bed, from]);
  const fan = answer.data ?? null;
  const passes = last ? passesAlong(made, last.bearingDeg, query.strikeM, query.castM) : 0;
  const rule = whatAfter({ signs, nowMs: now, underM, passes });
  const suggested = fan && aimAfter(rule, fan, last, query.strikeM);
  const bearingDeg = dragged ?? suggested ?? last?.bearingDeg ?? 0;

  const lengthM = bed.clearM(from, bearingDeg, query.castM, 0.5);
  const passed = passedBy(targets, from, bearingDeg, Math.max(1, lengthM), Math.max(1.5, query.strikeM));
  const [main] = passed.filter((p) => p.target.kind === 'hard' || p.target.kind === 'cover');
  const bedKind: BedKind = main ? (main.target.kind === 'hard' ? 'hard' : 'wood') : 'unknown';
  const landing = bed.depth(from.x + lengthM * Math.sin((bearingDeg * Math.PI) / 180), from.y + lengthM * Math.cos((bearingDeg * Math.PI) / 180));
  const isSuspended = !settings.isMoving && landing > band.toM + suspendedM;
  const bites = signs.filter((s) => s.kind !== 'cast' && s.kind !== 'hard' && s.kind !== 'snag').length;
  const chosen = chooseCadence({ tempC: temp.value, secchiM: settings.secchiM, bed: bedKind, group: species.group, goal, isSuspended, bites });
  const { cadence } = chosen;
  const rest = pauseS(temp.value, cadence.id, 'unknown') * (rule.id === 'cast.after.followed' ? 2 : 1);
  const hardRest = pauseS(temp.value, cadence.id, 'hard');
  const lineMm = kit.rods[0]?.lineMm ?? null;
  const dive = piece?.dive && piece.tackle && familyOf(piece.tackle.family).dives ? { measured: piece.dive, lineMm: lineMm ?? piece.dive.lineMm } : null;
  const section = castSection(ground.map, stand.at, bearingDeg, query.castM, band, {
    liftM: cadence.liftM,
    takeM: cadence.takeM,
    atM: isSuspended ? (band.fromM + band.toM) / 2 : null,
    dive,
  });
  const dived = dive ? diveAlong(section) : null;
  const fallS = piece?.tackle?.massG && section.landsM > 0.1 ? sinkTime(lureOf(familyOf(piece.tackle.family), piece.tackle.massG), section.landsM, lineMm ?? assumedLineMm) : null;
  // A bait that dives is brought back at once.
  const waitS = dive ? 0 : (fallS ?? assumedFallS);
  const wind = situation?.wind?.value ?? null;
  const bow =
    wind !== null && wind.fromDeg !== null && section.lengthM > 2
      ? windBow(section.lengthM, lineMm ?? assumedLineMm, Math.min(30, wind.speedMs), betweenDeg(wind.fromDeg, bearingDeg)).slackM
      : null;
  const expectedMin = castMinutes(Math.max(5, section.lengthM), waitS, cadence.takeM, rest);
  const prior = method.clockPriors[species.group];
  const pace = paceMin(
    made.map((c) => c.ms),
    expectedMin,
  );
  const clock = castClock(
    holeSigns(outing, stand),
    prior,
    now,
    pace,
    (fan?.casts ?? []).map((c) => c.gain),
  );
  const duskMs = outlook?.sun.find((s) => s.duskMs > now)?.duskMs ?? null;
  const back = backTo(fishedPlaces(outing), now, temp.by === 'measured' ? temp.value : null, duskMs);
  const isGoing = clock.castsLeft === 0 || rule.aim === 'move';
  const next = useNextStand(water, asked, isAshore, (isGoing || sheet === 'clock') && fan !== null).data ?? null;
  const cast = fan ? castAlong(section, bearingDeg, fan, made, query.strikeM) : null;
  const words = fan ? castWords(dragged === null ? rule : { ...rule, aim: 'best' }, fan.isReached || dragged !== null ? cast : null, fan, passed, units, !settings.isMoving) : null;

  const scope = { id: outing.id, zone };
  /** What was logged answers the last cast: an aim of one's own is of before it. */
  const { said, setSaid, undo, log } = useLogged(scope, () => {
    setDragged(null);
    setSheet(null);
  });
  const line = outing.lines.findLast((l) => l.station === stand.id && l.upMs === null);
  const outM = felt ?? (last ? baitOutM(last.lengthM, (now - last.ms) / 1000, waitS, cadence.takeM, rest) : section.lengthM / 2);
  const onCast = last ? { cast: last.id, outM: Math.round(10 * outM) / 10 } : null;

  const makeCast = async () => {
    const lowered = line?.id ?? newId();
    await log(`Cast ${Math.round(bearingDeg) % 360}°`, [
      ...(line ? [] : [{ kind: 'line-down' as const, body: { line: lowered, station: stand.id, rod: 'rod 1', ...tied(piece) } }]),
      {
        kind: 'cast',
        body: { cast: newId(), station: stand.id, line: lowered, bearingDeg: Math.round(bearingDeg) % 360, distanceM: Math.max(0.5, Math.round(10 * section.lengthM) / 10) },
      },
    ]);
    setFelt(null);
  };
  const logged = (text: string, event: string) => {
    setDragged(null);
    setSaid({ text, undo: [event] });
    setSheet(null);
  };
  const logFelt = (what: FeltKind) => {
    const at = Math.round(10 * outM) / 10;
    const body = {
      station: stand.id,
      what,
      ...(last ? { cast: last.id } : {}),
      bearingDeg: Math.round(last?.bearingDeg ?? bearingDeg) % 360,
      outM: at,
      by: felt === null ? ('time' as const) : ('eye' as const),
    };
    return log(`${feltWords[what]} ${felt === null ? 'about ' : ''}${castText(at, units)} out`, [{ kind: 'felt', body }]);
  };
  const react = (reaction: ReactionKind, text: string) =>
    log(text, [{ kind: 'reaction', body: { station: stand.id, reaction, cadence: cadence.id, ...(line ? { line: line.id } : {}), ...onCast } }]);
  const goDown = () => ledger.writeAll(scope, straightDown(outing, stand, underM));
  const goTo = async (station: string) => {
    await ledger.writeAll(scope, [
      { kind: 'rested', body: { station: stand.id } },
      { kind: 'moved', body: { fromStation: stand.id, station } },
    ]);
    setDragged(null);
  };
  const standAt = async (at: readonly [number, number]) => {
    await ledger.writeAll(scope, [
      { kind: 'rested', body: { station: stand.id } },
      ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
      { kind: 'station-opened', body: { station: newId(), kind: method.stationKind, label: String(outing.stations.length + 1), at: [at[0], at[1]] } },
    ]);
    setDragged(null);
  };
  return {
    outing,
    stand,
    water,
    ground,
    method,
    units,
    zone,
    now,
    settings,
    fan,
    isPending: answer.isPending,
    made,
    casts,
    bearingDeg,
    isDragged: dragged !== null,
    drag: setDragged,
    section,
    passed,
    cadence,
    cadenceRule: chosen.rule,
    rest,
    hardRest,
    fallS,
    dived,
    divedText: dived && diveText(dived, isSuspended ? (band.fromM + band.toM) / 2 : null, units),
    windMs: wind?.speedMs ?? null,
    bowText: bow === null ? null : bowText(bow, units),
    rule,
    words,
    clock,
    prior,
    back,
    backText: back && backToText(back, units),
    next,
    isGoing,
    underM,
    piece,
    line,
    outM,
    isOutByTime: felt === null,
    setOut: setFelt,
    onCast,
    sheet,
    setSheet,
    said,
    setSaid,
    undo,
    makeCast,
    logged,
    logFelt,
    react,
    goDown,
    goTo,
    standAt,
  };
}

export type CastControl = ReturnType<typeof useCast>;
