import type { QuietReason } from '../ledger';

/** What is known where one thing may be changed. */
export interface ChangeScene {
  /** Whether the wait is unusual by the swim's own bites. */
  isUnusual: boolean;
  waitMin: number;
  unusualMin: number;
  flowMs: number;
  tempC: number;
  /** Changes tried since the last bite, by id. */
  tried: readonly string[];
  minutesSinceFed: number | null;
  fedShare: number | null;
  hadBites: boolean;
  reasons: readonly QuietReason[];
}

export interface QuietRule {
  id: QuietReason;
  label: string;
  /** Factor on what is expected. Heuristic. */
  factor: number;
  says: string;
}

export const quietRules: readonly QuietRule[] = [
  {
    id: 'cold-rain',
    label: 'Cold rain',
    factor: 0.6,
    says: 'Cold rain runs in: they go off for an hour or two whatever you feed, and the sun brings them back. Wait for it, get warm.',
  },
  {
    id: 'cooling',
    label: 'The water cools',
    factor: 0.55,
    says: 'The water has cooled since: they feed less until it stands again or the sun is on it, and it is not the feed. No balls meanwhile.',
  },
  { id: 'predator', label: 'A predator', factor: 0.4, says: 'A predator is in the swim: rest it for half an hour, the other swim now.' },
  { id: 'bigger-fish', label: 'Bigger fish', factor: 0.7, says: 'Bigger fish have pushed the small ones off: fewer bites for as long as they feed there, each worth more.' },
];

/** What all reasons together leave of what is expected. */
export const quietFactor = (reasons: readonly QuietReason[]): number => quietRules.filter((r) => reasons.includes(r.id)).reduce((f, r) => f * r.factor, 1);

/** Water that has cooled by this since a while ago makes them feed less, °C. Heuristic. */
export const coolingC = 0.7;

export interface ChangeRule {
  id: string;
  label: string;
  holds: (s: ChangeScene) => boolean;
  reason: string;
  viewpoint?: string;
}

const feedAgainMin = 25;

/** One thing to change, the first that holds and was not tried since the last bite. Source: fieldcraft, pole. */
export const changeRules: readonly ChangeRule[] = [
  {
    id: 'pole.change.none-yet',
    label: 'Change nothing yet',
    holds: (s) => !s.isUnusual,
    reason: 'The wait is not unusual for this swim.',
  },
  {
    id: 'pole.change.reason',
    label: 'Sit it out',
    holds: (s) => s.reasons.length > 0 && s.tried.length === 0,
    reason: 'There is a reason for it that no change of rig mends.',
  },
  {
    id: 'pole.change.ball',
    label: 'A small ball',
    holds: (s) => s.hadBites && (s.minutesSinceFed === null || s.minutesSinceFed >= feedAgainMin) && s.tempC >= 5,
    reason: 'They were here and the last feed is long ago: a small one brings them back without filling them.',
    viewpoint: 'Thrown ball; others only ever a quiet cup',
  },
  {
    id: 'pole.change.lay-in',
    label: 'Lay it in the other way',
    holds: (s) => Math.abs(s.flowMs) < 0.12,
    reason: 'In slow water the way the bait falls the last half metre decides: lay the rig in across, or let it follow the float.',
  },
  {
    id: 'pole.change.lift',
    label: 'Lift and let drop',
    holds: () => true,
    reason: 'A hand’s length up and a slow fall: what lies and is looked at is taken as it moves.',
  },
  {
    id: 'pole.change.shallower',
    label: 'A little shallower',
    holds: (s) => (s.flowMs === 0 || s.tempC >= 6) && !s.tried.includes('pole.change.deeper'),
    reason: 'Two fingers: they may have come off the bottom.',
  },
  {
    id: 'pole.change.deeper',
    label: 'A little more on the bottom',
    holds: (s) => (Math.abs(s.flowMs) >= 0.05 || s.tempC < 6) && !s.tried.includes('pole.change.shallower'),
    reason: 'Two fingers: in the cold and in tow it must lie still.',
  },
  {
    id: 'pole.change.bait-single',
    label: 'A single, smaller bait',
    holds: (s) => s.tempC < 8,
    reason: 'In cold water the small bait is taken in whole.',
  },
  {
    id: 'pole.change.bait-double',
    label: 'Two of them on the hook',
    holds: (s) => s.tempC >= 6 && s.hadBites,
    reason: 'A better fish looks for more: two small ones fall slower and are seen from further.',
  },
  {
    id: 'pole.change.bait-other',
    label: 'Another colour, or two colours',
    holds: () => true,
    reason: 'The same bait shown too often: another colour, or one of each.',
    viewpoint: 'Colour before size; schools differ',
  },
  {
    id: 'pole.change.bait-slow',
    label: 'A bait that just sinks',
    holds: (s) => Math.abs(s.flowMs) < 0.1,
    reason: 'One that floats by itself falls with the hook as slowly as what they were fed.',
  },
  {
    id: 'pole.change.bait-fluffy',
    label: 'Bread, pinched fluffier',
    holds: () => true,
    reason: 'Fluffy bread draws; where bites are missed a tackier pinch or a smaller punch stays on.',
  },
  {
    id: 'pole.change.start',
    label: 'Start further down the run',
    holds: (s) => Math.abs(s.flowMs) >= 0.03,
    reason: 'They drift back off the feed: begin half way down.',
  },
  {
    id: 'pole.change.swap',
    label: 'Rest it: the other swim',
    holds: () => true,
    reason: 'All of it tried without a bite: this swim needs rest more than another trick.',
  },
];

/** What a flow that has changed asks for before anything else, whatever the wait: the float is named where it is said. */
export const floatRule: ChangeRule = { id: 'pole.change.float', label: 'Another float', holds: () => false, reason: 'The flow has changed by a third.' };

/** What a change that was logged is called; empty for one that is not known. */
export const changeName = (id: string | undefined): string => [...changeRules, floatRule].find((r) => r.id === id)?.label ?? '';

/** The one thing to do about the wait. */
export const whatToChange = (scene: ChangeScene): ChangeRule => changeRules.find((r) => r.holds(scene) && !scene.tried.includes(r.id)) ?? changeRules[changeRules.length - 1];
