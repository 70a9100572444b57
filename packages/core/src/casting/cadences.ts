import type { SpeciesGroup } from '../fish';
import { clamp, requireWithin } from '../units';

/** What the bait lies on or runs over. */
export type BedKind = 'hard' | 'soft' | 'wood' | 'weeds' | 'unknown';

/** How a cast is brought back. */
export interface BankCadence {
  id:
    | 'drag'
    | 'hop'
    | 'crawl'
    | 'rip-pause'
    | 'lift-fall'
    | 'pull-settle'
    | 'swim'
    | 'pull-hang'
    | 'tick'
    | 'lift-follow'
    | 'wind'
    | 'along-cover'
    | 'pull-lie'
    | 'rip-fall'
    | 'slow-draw';
  name: string;
  /** How it is done, with its figures. */
  how: string;
  /** Height of the move, m, line taken up with it, m, and the pause at 6 °C, s. */
  liftM: number;
  takeM: number;
  pauseS: number;
}

/** Cadences of the bank. Pauses are those at 6 °C. Heuristic; source: fieldcraft, presentation. */
export const bankCadences: readonly BankCadence[] = [
  { id: 'drag', name: 'Drag', how: 'Along the bottom by the rod, never off it, then lie.', liftM: 0, takeM: 0.4, pauseS: 10 },
  { id: 'hop', name: 'Hop', how: 'Off the bottom by a turn of the wrist, back down on a tight line, then lie.', liftM: 0.15, takeM: 0.9, pauseS: 8 },
  { id: 'crawl', name: 'Crawl', how: 'The handle as slowly as it turns evenly, the bait ticking the bottom.', liftM: 0, takeM: 0.6, pauseS: 4 },
  { id: 'rip-pause', name: 'Rip and pause', how: 'A hard sweep, then hang where it stops: it is taken in the pause.', liftM: 0.5, takeM: 1.2, pauseS: 12 },
  { id: 'lift-fall', name: 'Lift and fall', how: 'Rod up slowly, let it fall on a line just tight: it is taken as it falls.', liftM: 0.6, takeM: 0.8, pauseS: 5 },
  { id: 'pull-settle', name: 'Pull and settle', how: 'Pull a rod’s length, let it settle: the bite comes as it settles.', liftM: 0.4, takeM: 1, pauseS: 9 },
  { id: 'swim', name: 'Swim along', how: 'Evenly beside the cover at its depth, slower than seems right.', liftM: 0, takeM: 1.5, pauseS: 2 },
  { id: 'pull-hang', name: 'Pull and hang', how: 'One or two sharp pulls, then it hangs on slack line: it is taken while it hangs.', liftM: 0.1, takeM: 0.8, pauseS: 7 },
  { id: 'tick', name: 'Wind, ticking the bed', how: 'Wound slowly so that it just ticks the bed, stopped at a hard touch.', liftM: 0, takeM: 0.6, pauseS: 0 },
  { id: 'lift-follow', name: 'Lift and follow down', how: 'Lifted until it is felt to shiver, followed down on a tight line.', liftM: 0.3, takeM: 0.6, pauseS: 1.5 },
  { id: 'wind', name: 'Wind evenly', how: 'Counted down, then wound slowly and evenly.', liftM: 0, takeM: 0.6, pauseS: 0 },
  { id: 'along-cover', name: 'Along the cover', how: 'Past the cover, wound at once along it, shaken at its edge.', liftM: 0, takeM: 0.6, pauseS: 0 },
  { id: 'pull-lie', name: 'Pull and lie', how: 'A slow pull along the bed, dead stop at every hard touch, left to lie.', liftM: 0, takeM: 0.6, pauseS: 5.5 },
  { id: 'rip-fall', name: 'Rip and fall', how: 'Ripped up half a rod, let fall on slack line, then still.', liftM: 0.6, takeM: 1, pauseS: 4 },
  { id: 'slow-draw', name: 'Draw slowly', how: 'Lowered below them and drawn slowly up through them.', liftM: 1, takeM: 1, pauseS: 4 },
];

export type BankCadenceId = BankCadence['id'];
export const bankCadence = (id: string): BankCadence | undefined => bankCadences.find((c) => c.id === id);

/** A rock asks for this much of the pause; no pause is longer or shorter than this, s. */
const pauseLimits = { hardTimes: 15 / 8, leastS: 1, mostS: 45 } as const;

/**
 * How long the bait lies still between two moves, s: the cadence's pause at 6 °C, doubled for each 4 °C colder, longer on something
 * hard. Heuristic; water of −2 to 40 °C. RangeError for a cadence that is none.
 */
export function pauseS(tempC: number, cadence: string, bed: BedKind = 'unknown'): number {
  requireWithin(tempC, -2, 40, 'water temperature', '°C');
  const row = bankCadence(cadence);
  if (!row) throw new RangeError(`expected a cadence of ${bankCadences.map((c) => c.id).join(', ')}, found "${cadence}"`);
  if (row.pauseS === 0) return 0;
  const times = bed === 'hard' ? pauseLimits.hardTimes : 1;
  return clamp(row.pauseS * times * 2 ** ((6 - tempC) / 4), pauseLimits.leastS, pauseLimits.mostS);
}

/** What a cadence is chosen by. */
export interface CadenceSetting {
  tempC: number;
  secchiM: number;
  bed: BedKind;
  group: SpeciesGroup;
  goal: 'numbers' | 'size' | 'supper';
  /** Whether they hang in open water rather than by the bottom. */
  isSuspended: boolean;
  /** Bites from this stand today: a quick bait finds them, a slow one follows. */
  bites: number;
}

export interface CadenceRule {
  id: string;
  holds: (s: CadenceSetting) => boolean;
  cadence: BankCadenceId;
  reason: string;
  viewpoint?: string;
}

const isCold = (s: CadenceSetting) => s.tempC < 4;
const isStained = (s: CadenceSetting) => s.secchiM <= 1.2;

/** Which cadence, the first that holds. Source: fieldcraft, presentation ("drag or hop": schools differ). */
export const cadenceRules: readonly CadenceRule[] = [
  {
    id: 'cast.cadence.suspended',
    holds: (s) => s.isSuspended && s.tempC < 10,
    cadence: 'rip-pause',
    reason: 'They hang in open water: it must stop among them and hang.',
  },
  {
    id: 'cast.cadence.suspended-warm',
    holds: (s) => s.isSuspended,
    cadence: 'lift-fall',
    reason: 'They hang in open water and still chase: lifted and let fall through them.',
  },
  {
    id: 'cast.cadence.wood',
    holds: (s) => (s.bed === 'wood' || s.bed === 'weeds') && s.tempC >= 7,
    cadence: 'swim',
    reason: 'Along the cover, close by: hops hang up in it.',
  },
  {
    id: 'cast.cadence.wood-cold',
    holds: (s) => s.bed === 'wood' || s.bed === 'weeds',
    cadence: 'pull-settle',
    reason: 'Close by the cover: it is taken as it settles.',
  },
  {
    id: 'cast.cadence.hard',
    holds: (s) => s.bed === 'hard',
    cadence: 'hop',
    reason: 'From stone to stone, resting longest on each.',
    viewpoint: 'hop',
  },
  {
    id: 'cast.cadence.cold-stained',
    holds: (s) => isCold(s) && isStained(s),
    cadence: 'crawl',
    reason: 'They see little and move little: it must come by slowly and be felt.',
  },
  {
    id: 'cast.cadence.cold',
    holds: isCold,
    cadence: 'drag',
    reason: 'Below 4 °C they move centimetres: it never leaves the bottom.',
    viewpoint: 'drag',
  },
  {
    id: 'cast.cadence.searching',
    holds: (s) => s.bites === 0 && s.tempC >= 8,
    cadence: 'swim',
    reason: 'Nothing found yet and the water allows it: a quicker bait finds them, a slow one follows.',
  },
  {
    id: 'cast.cadence.stained',
    holds: (s) => isStained(s) && s.tempC >= 6,
    cadence: 'lift-fall',
    reason: 'Stained and not so cold: what falls is felt and found.',
  },
  {
    id: 'cast.cadence.size',
    holds: (s) => s.goal === 'size',
    cadence: 'pull-settle',
    reason: 'Large and slow, left to settle: the bigger fish wait for that.',
  },
  {
    id: 'cast.cadence.usual',
    holds: () => true,
    cadence: 'hop',
    reason: 'Off the bottom and back, with a rest that fits the cold.',
    viewpoint: 'hop',
  },
];

/** How to bring it back now, with the rule that says so. */
export function chooseCadence(setting: CadenceSetting): { cadence: BankCadence; rule: CadenceRule } {
  const rule = cadenceRules.find((r) => r.holds(setting))!;
  return { cadence: bankCadence(rule.cadence)!, rule };
}
