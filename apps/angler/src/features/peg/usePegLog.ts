import { speciesOf } from '@burrow/core/fish';
import type { EventBodies, OutingState, QuietReason, StationState } from '@burrow/core/ledger';
import { runPlaceText, swimName, type Ball, type PegAdvice, type PegSwim } from '@burrow/core/pole';
import { counted, depthText, fishLengthText } from '@burrow/core/units';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLogged, type Thing } from '@/features/station/useLogged';

/** What can be open over the station. */
export type PegSheet = 'plumb' | 'swims' | 'another-swim' | 'flow' | 'feed' | 'rig' | 'fish' | 'fish-measured' | 'more' | 'why' | 'weigh' | 'help';

interface PegLogSetting {
  outing: OutingState;
  station: StationState;
  zone: string;
  advice: PegAdvice;
  /** Where on the run the float is, m; null where nobody has said. */
  alongM: number | null;
  setAlong: (m: number | null) => void;
  setSheet: (sheet: PegSheet | null) => void;
  /** A swim is to be fed, and what with is asked. */
  onFeed: (swim: string) => void;
}

/** How many, of what and how, beside the ball. */
export type FedMore = Pick<EventBodies['fed'], 'balls' | 'grains' | 'contents' | 'way'>;

/** What was fed, as it stands in the log: "8 balls, crumb, hemp, thrown". */
export function fedText(what: string, { balls, grains, contents, way }: FedMore): string {
  const many = grains !== undefined ? counted(grains, 'grain') : balls !== undefined && balls > 1 ? `${balls} balls` : null;
  return [
    many,
    ...(contents && contents.length > 0 ? contents : [what]),
    way === undefined || way === 'cup' ? null : { throw: 'thrown', catapult: 'by catapult', loose: 'loose' }[way],
  ]
    .filter(Boolean)
    .join(', ');
}

/** What can be logged at a peg, each with what is known of it and no more. */
export function usePegLog({ outing, station, zone, advice, alongM, setAlong, setSheet, onFeed }: PegLogSetting) {
  const { units, kit, pole: own } = usePreferences();
  const { here, peg, feedPicture: feed } = advice;
  const line = outing.lines.findLast((l) => l.station === station.id && l.upMs === null);
  const { said, setSaid, undo, log } = useLogged({ id: outing.id, zone }, () => setSheet(null));
  const at = alongM === null ? {} : { alongM: Math.round(10 * alongM) / 10 };
  const onLine = line ? { line: line.id } : {};
  const bait = own.bait.trim();
  const lower = (swim: string): Thing => ({
    kind: 'line-down',
    body: { line: newId(), station: swim, rod: 'pole', ...(bait === '' ? {} : { presentation: bait }) },
  });
  const bite = () =>
    log(`Bite${alongM === null ? '' : `, ${runPlaceText(alongM, units)}`}`, [{ kind: 'reaction', body: { station: station.id, reaction: 'bite', ...onLine, ...at } }]);
  const landed = (fish: { species: string; classMm: number; fate: 'released' | 'net' }) => {
    const id = newId();
    return log(`${speciesOf(fish.species).short} ${fishLengthText(fish.classMm, units)}, ${fish.fate === 'net' ? 'in the net' : 'back'}`, [
      { kind: 'fish-landed', body: { fish: id, station: station.id, species: fish.species, classMm: fish.classMm, ...onLine, ...at } },
      ...(fish.fate === 'net' ? [] : [{ kind: 'fish-released' as const, body: { fish: id } }]),
    ]);
  };
  /** A fish of the sheet that measures and weighs, which it has written itself. */
  const measured = (id: string, text: string) => {
    setSaid({ text, undo: [id] });
    setSheet(null);
  };
  const fed = (swim: PegSwim, { cm, gcc, breaks, particle }: Ball, dropM: number, more: FedMore = {}) => {
    const what = kit.feed.find((f) => f.id === own.feed)?.name ?? particle;
    return log(`Fed ${swimName(swim, units)}`, [
      {
        kind: 'fed',
        body: {
          station: swim.id,
          what: fedText(what, more),
          alongM: Math.round(20 * dropM) / 20,
          ...(more.grains === undefined ? { ball: { cm, gcc, breaks, particle } } : {}),
          ...more,
        },
      },
    ]);
  };
  /** One tap feeds the ball as it was fed last; before the first it asks what the ball is, for a default is nobody's record. */
  const feedAgain = (swim: PegSwim) => {
    const ball = swim.id === here.id && (own.ball || feed.last) ? feed.next.ball : own.ball;
    if (ball) return void fed(swim, ball, feed.next.dropM);
    onFeed(swim.id);
    setSheet('feed');
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
  /** One more swim of this peg; one stays where one fishes. */
  const addSwim = (outM: number) =>
    log(`Swim at ${depthText(outM, units)}`, [
      ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
      { kind: 'station-opened', body: { station: newId(), kind: station.kind, label: station.label, at: [peg.at[0], peg.at[1]], outM, peg: peg.id } },
      { kind: 'moved', body: { station: station.id } },
      ...(line ? [lower(station.id)] : []),
    ]);
  const changed = () => log(advice.change.label, [{ kind: 'changed', body: { station: station.id, what: advice.change.id } }]);
  const seen = (what: QuietReason, label: string) => log(label, [{ kind: 'quiet-seen', body: { station: station.id, what } }]);
  return { said, setSaid, undo, write: log, line, bite, landed, measured, fed, feedAgain, lineDown, swap, chooseSwims, addSwim, answers: { changed, seen } };
}
