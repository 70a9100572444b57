import { speciesOf } from '../fish';
import type { OutingState, StationState } from '../ledger';
import { bearingDeg, compassPoint, depthText, distanceM, distanceText, minuteMs, type UnitPreference } from '../units';
import { freshSchools } from './school-place';
import { hangsText } from './scouted';

/** What comes before one fishes on here: what to do, why, and in two or three words for the clock, which has nothing to count meanwhile. */
export interface RoundAdvice {
  headline: string;
  detail: string;
  caption: string;
}

/** Whether all holes are looked into first, or two are fished and waited at: by the fish, or as the angler chose. */
export type RoundSide = 'by-fish' | 'round' | 'two-holes';

/** A drilled hole, and what the sounder showed in it. */
export interface HoleLook {
  hole: StationState;
  /** Null where nobody has looked yet. */
  saw: 'marks' | 'nothing' | null;
  topM: number | null;
  bottomM: number | null;
  hasBait: boolean;
  /** A line was down in it, and whether a fish or a sign of one came of it: it needs no look any more. */
  isTried: boolean;
  isFished: boolean;
}

/** A look counts for the hole where it was taken right under it, m. */
const underM = 3;

/** The holes of an outing in the order they were drilled, each with the last look into it. */
export function holeLooks({ stations, felt, lines, reactions, fish }: Pick<OutingState, 'stations' | 'felt' | 'lines' | 'reactions' | 'fish'>): HoleLook[] {
  return stations
    .filter((s) => s.kind === 'hole')
    .map((hole) => {
      const look = felt.findLast((f) => f.station === hole.id && f.outM <= underM && (f.what === 'school' || f.what === 'empty'));
      return {
        hole,
        saw: look === undefined ? null : look.what === 'school' ? 'marks' : 'nothing',
        topM: look?.topM ?? null,
        bottomM: look?.bottomM ?? hole.depthM,
        hasBait: look?.hasBait === true,
        isTried: lines.some((l) => l.station === hole.id),
        isFished: [...reactions, ...fish].some((r) => r.station === hole.id),
      };
    });
}

/** How far marks stand off the bed, m; of marks whose depth nobody gave none. Fish that have left the bed are the ones that feed. */
const offBedM = ({ topM, bottomM }: HoleLook) => (topM === null || bottomM === null ? 0 : bottomM - topM);

/** Read holes with marks that nobody has fished yet, the best first: with bait, then the highest off the bed. Heuristic; source: fieldcraft, reading. */
export const holesWithMarks = (looks: readonly HoleLook[]): HoleLook[] =>
  looks.filter((l) => l.saw === 'marks' && !l.isTried && !l.isFished).sort((a, b) => Number(b.hasBait) - Number(a.hasBait) || offBedM(b) - offBedM(a));

const list = (labels: readonly string[]) => (labels.length < 2 ? labels.join('') : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`);

/**
 * Before a line is fished: the transducer goes into every hole first, then to the best. Null with one hole, once fish answer here, where the best is this
 * one, and for fish that come by rather than stay, which are waited for instead.
 */
export function roundAdvice(outing: OutingState, here: StationState, units: UnitPreference, side: RoundSide = 'by-fish'): RoundAdvice | null {
  const isRound = side === 'by-fish' ? speciesOf(outing.species[0]).group !== 'deep' : side === 'round';
  if (here.kind !== 'hole' || !isRound) return null;
  const looks = holeLooks(outing);
  if (looks.length < 2 || looks.some((l) => l.hole.id === here.id && l.isFished)) return null;
  const unread = looks.filter((l) => l.saw === null && !l.isFished);
  const others = unread.filter((l) => l.hole.id !== here.id && !l.isTried).map((l) => l.hole.label);
  if (others.length > 0)
    return {
      headline: 'Read the rest first',
      caption: 'and look',
      detail: `${others.length === 1 ? `Hole ${others[0]} is` : `Holes ${list(others)} are`} drilled and not read: the transducer in each before a line goes in, then to the best.`,
    };
  const own = looks.find((l) => l.hole.id === here.id);
  const [best] = holesWithMarks(looks.map((l) => (l === own ? { ...l, isTried: false } : l)));
  // Not read here: that first, and where nothing better was seen one fishes on.
  if (!own || own.saw === null || !best || best.hole.id === here.id) return null;
  const where = best.topM === null ? 'marks' : `marks at ${depthText(best.topM, units)}`;
  const bait = best.hasBait ? ' Bait was seen there.' : '';
  const hangs = best.topM !== null && best.bottomM !== null ? ` ${hangsText(best.topM, best.bottomM, units)}` : '';
  return { headline: `Hole ${best.hole.label} first: ${where}`, caption: `to hole ${best.hole.label}`, detail: `All are read, and it is the best of them.${hangs}${bait}` };
}

/** Fish that were under the boat so lately may be found again, and so near, ms and m. Heuristic; source: fieldcraft, a school stays one or two drops. */
const [lostMs, roundM] = [10 * minuteMs, 15] as const;

/**
 * A school under a boat that has gone: what to do before it is looked for elsewhere. Null where nothing was under it of late.
 * @param seesNothing whether the sounder shows nothing under the boat now
 */
export function passRound({ reactions, fish, felt, stations }: OutingState, here: StationState, seesNothing: boolean, nowMs: number, units: UnitPreference): RoundAdvice | null {
  const signs = [...reactions, ...fish, ...felt.filter((f) => f.what === 'school' && f.outM <= underM)].filter((r) => r.station === here.id && r.ms <= nowMs).map((r) => r.ms);
  const lastMs = Math.max(...signs, -Infinity);
  if (!seesNothing || nowMs - lastMs > lostMs) return null;
  const minutes = Math.max(1, Math.round((nowMs - lastMs) / minuteMs));
  const school = freshSchools({ felt, stations }, nowMs).findLast((at) => distanceM(at, here.at) > underM);
  const back = school
    ? `Back over the school ${distanceText(distanceM(here.at, school), units)} ${compassPoint(bearingDeg(here.at, school))}, then deeper.`
    : `Round it within ${distanceText(roundM, units)} with the sounder on, then deeper.`;
  return {
    headline: school ? 'Back over the school' : 'Pass round: they were here',
    caption: school ? 'back' : 'round',
    detail: `They were under the boat ${minutes} min ago. ${back} Others call them back first.`,
  };
}
