import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import type { OutingState, QuietReason, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { assumedPole, bagSoFar, changesAnswered, feedPicture, pegAnswer, pegOf, pegRig, stillMs, swimName, swimRings, targetOf, type Ball, type PegSwim } from '@burrow/core/pole';
import { clamp, currentText, depthText, fishLengthText } from '@burrow/core/units';
import { useState } from 'react';
import { useNow } from '@/data/clock';
import { newId } from '@/data/ids';
import { usePegWater } from '@/data/peg';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLogged, type Thing } from '@/features/station/useLogged';

export type PegSheet = 'plumb' | 'swims' | 'flow' | 'feed' | 'rig' | 'fish' | 'fish-measured' | 'more' | 'why' | 'weigh' | 'help';

/** Depth worked with where a swim was not plumbed, said to be assumed; and what rigs and feed can be worked out for, m. */
const assumedDepthM = 1.5;
const [leastM, mostM] = [0.2, 20];

/** A peg being fished: what to do on which swim until when, where the feed lies, the rig and the bag, and what can be logged. */
export function usePeg(outing: OutingState, station: StationState, water: WaterDetail) {
  const { units, kit, pole: own } = usePreferences();
  /** What is worked with: the angler's own, else what is assumed. */
  const pole = { ...own, reachM: own.reachM ?? assumedPole.reachM, runM: own.runM ?? assumedPole.runM, loadG: own.loadG ?? assumedPole.loadG, ball: own.ball ?? assumedPole.ball };
  const { state } = useLedger();
  const now = useNow(5000);
  const zone = water.file.water.timezone;
  const { temp, airC, reasons } = usePegWater(outing, now);
  const [alongM, setAlong] = useState<number | null>(null);
  const [sheet, setSheet] = useState<PegSheet | null>(null);
  const [feedFor, setFeedFor] = useState<string | null>(null);
  const peg = pegOf(outing, station, now);
  const answer = pegAnswer({
    peg,
    tempC: temp.value,
    reasons: reasons.map((r) => r.id),
    isBaited: water.file.water.baited ?? false,
    reachM: pole.reachM,
    nowMs: now,
    units,
    zone,
  });
  const { here } = answer;
  const depthM = clamp(here.depthM ?? assumedDepthM, leastM, mostM);
  const depthBy = here.depthM !== null ? 'plumbed' : 'assumed';
  const flowMs = peg.flow?.flowMs ?? null;
  const isStill = flowMs !== null && Math.abs(flowMs) < stillMs;
  const feed = feedPicture(here, depthM, flowMs, pole.runM, pole.ball, units);
  const rigAt = (m: number) =>
    pegRig({ depthM: clamp(m, leastM, mostM), flowMs, earlierMs: peg.flow?.earlierMs ?? null, floats: kit.floats, loadG: pole.loadG, pattern: pole.pattern, table: pole.shot });
  const before = changesAnswered(state.outings).get(answer.change.id) ?? null;
  const bag = bagSoFar(peg.fish, outing.weighed, peg.sinceMs, now);
  const line = outing.lines.findLast((l) => l.station === station.id && l.upMs === null);
  const others = peg.swims.filter((s) => s.outM !== null && s.id !== here.id);
  /** Where a swap leads: to the better swim, else to the one that promises most of the others. */
  const swapTo = answer.swapTo ?? others.at(-1) ?? null;
  const species = peg.fish.at(-1)?.species ?? outing.species[0];

  const scope = { id: outing.id, zone };
  const { said, setSaid, undo, log } = useLogged(scope, () => setSheet(null));
  const at = alongM === null ? {} : { alongM: Math.round(10 * alongM) / 10 };
  const onLine = line ? { line: line.id } : {};
  const lower = (swim: string): Thing => ({
    kind: 'line-down',
    body: { line: newId(), station: swim, rod: 'pole', ...(pole.bait.trim() === '' ? {} : { presentation: pole.bait.trim() }) },
  });
  const bite = () => log(`Bite${alongM === null ? '' : `, ${runText(alongM)}`}`, [{ kind: 'reaction', body: { station: station.id, reaction: 'bite', ...onLine, ...at } }]);
  const runText = (m: number) => (Math.abs(m) < 0.05 ? 'at the start' : `${depthText(Math.abs(m), units)} along`);
  const landed = (fish: { species: string; classMm: number; fate: 'released' | 'net' }) => {
    const id = newId();
    return log(`${speciesOf(fish.species).short} ${fishLengthText(fish.classMm, units)}, ${fish.fate === 'net' ? 'in the net' : 'back'}`, [
      { kind: 'fish-landed', body: { fish: id, station: station.id, species: fish.species, classMm: fish.classMm, ...onLine, ...at } },
      ...(fish.fate === 'net' ? [] : [{ kind: 'fish-released' as const, body: { fish: id } }]),
    ]);
  };
  const fed = (swim: PegSwim, ball: Ball, dropM: number) =>
    log(`Fed ${swimName(swim, units)}`, [
      {
        kind: 'fed',
        body: {
          station: swim.id,
          what: kit.feed.find((f) => f.id === pole.feed)?.name ?? ball.particle,
          alongM: Math.round(20 * dropM) / 20,
          ball: { cm: ball.cm, gcc: ball.gcc, breaks: ball.breaks, particle: ball.particle },
        },
      },
    ]);
  const openFeed = (swim: PegSwim) => {
    setFeedFor(swim.id);
    setSheet('feed');
  };
  /** One tap feeds the ball as it was fed last; before the first it asks what the ball is, for a default is nobody's record. */
  const feedAgain = (swim: PegSwim) => {
    const ball = swim.id === here.id && (own.ball || feed.last) ? feed.next.ball : own.ball;
    if (ball) void fed(swim, ball, feed.next.dropM);
    else openFeed(swim);
  };
  const lineDown = () => log(`Line down on ${swimName(here, units)}`, [lower(station.id)]);
  const swap = (to: PegSwim) => {
    setAlong(null);
    return log(`Swapped to ${swimName(to, units)}`, [
      ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
      { kind: 'rested', body: { station: station.id } },
      { kind: 'moved', body: { fromStation: station.id, station: to.id } },
      lower(to.id),
    ]);
  };
  /** Places the near swim, and opens the further ones of the same peg; one stays on the near one. */
  const chooseSwims = (outM: readonly number[]) => {
    const [near, ...far] = outM;
    const opened = far.map((m): Thing => ({
      kind: 'station-opened',
      body: { station: newId(), kind: station.kind, label: station.label, at: [peg.at[0], peg.at[1]], outM: m, peg: peg.id },
    }));
    return log(`Swims at ${outM.map((m) => depthText(m, units)).join(' and ')}`, [
      { kind: 'swim-placed', body: { station: station.id, outM: near } },
      ...opened,
      ...(opened.length > 0 ? [{ kind: 'moved' as const, body: { station: station.id } }] : []),
    ]);
  };
  const changed = () => log(answer.change.label, [{ kind: 'changed', body: { station: station.id, what: answer.change.id } }]);
  const seen = (what: QuietReason, label: string) => log(label, [{ kind: 'quiet-seen', body: { station: station.id, what } }]);

  return {
    outing,
    station,
    water,
    method: methodOf(station.method) ?? usualMethod,
    units,
    zone,
    now,
    pole,
    own,
    temp,
    airC,
    reasons,
    peg,
    answer,
    before,
    here,
    depthM,
    depthBy,
    flowMs,
    isStill,
    flowText: flowMs === null ? 'flow not timed' : isStill ? 'still' : currentText(Math.abs(flowMs), units),
    feed,
    rig: rigAt(depthM),
    rigAt,
    rings: swimRings(answer, peg, now),
    bag,
    target: pole.targetG === null ? null : targetOf(bag, pole.targetG, peg.sinceMs, now),
    line,
    others,
    swapTo,
    species,
    alongM,
    setAlong,
    runText,
    scope,
    sheet,
    setSheet,
    said,
    setSaid,
    undo,
    log,
    bite,
    landed,
    fed,
    feedAgain,
    feedFor,
    openFeed,
    lineDown,
    swap,
    chooseSwims,
    changed,
    seen,
  };
}

export type PegControl = ReturnType<typeof usePeg>;
