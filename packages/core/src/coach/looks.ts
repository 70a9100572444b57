import type { FeedingSide, SpeciesId } from '../fish';
import type { Offer, Situation } from './memory';
import type { CadenceId } from './cadence';
import type { Sight } from './sight';

/** What is seen under the hole, in words of fieldcraft §4. */
export type LookId = 'nothing' | 'far' | 'rising' | 'stalled' | 'follows' | 'sinks' | 'fled' | 'several' | 'near' | 'above' | 'bait' | 'bottom' | 'hot' | 'stopped' | 'again';

export interface Limit {
  least?: number;
  most?: number;
}

/** Limits on what is seen; every one given must hold, and a gap that is not there holds none. */
export type LookWhen = { [K in keyof Sight]?: Limit } & {
  feeds?: FeedingSide;
  species?: SpeciesId;
  /** The angler's last tap was one of these. */
  after?: readonly ('missed' | 'bite' | 'hooked' | 'lost' | 'landed' | 'nipped')[];
};

/** Where the jig should go: searching depth, above the top mark, where it is, drawn away from the mark, back to the mark's depth, where the last one bit, under the bait. */
export type DepthAim = 'search' | 'above-top' | 'hold' | 'draw' | 'back' | 'bottom' | 'bed' | 'again' | 'under-bait' | 'middle';

export interface LookRule {
  id: string;
  look: LookId;
  when: LookWhen;
  /** Which answers tell on the choice among the offers. */
  situation: Situation;
  /** Cadences that fieldcraft offers, with how often it expects them answered and turned down; the first is its default. */
  offers: readonly Offer[];
  aim: DepthAim;
  /** Change of depth with the aim, m: how far to draw up, or how far over the mark's old depth to wait. */
  byM: number;
  /** How long before trusting it less, s. */
  forS: number;
  then: string;
  /** Reason with {mark}, {gap}, {still}, {count}, {bottom}, {jig}, {bait} filled in from what was seen. */
  reason: string;
  changesMind: string;
}

const only = (cadence: CadenceId): readonly Offer[] => [{ cadence, won: 1, lost: 1 }];
/** To a mark that is not yet near: seen from far, but no clatter. */
const toComeNear: readonly Offer[] = [
  { cadence: 'bounce', won: 1.2, lost: 1 },
  { cadence: 'tap', won: 1, lost: 1 },
  { cadence: 'shrink', won: 1, lost: 1 },
  { cadence: 'swim', won: 0.8, lost: 1 },
  { cadence: 'quiver', won: 0.7, lost: 1 },
];
/** To a mark on its way: smaller as it closes, not stopped dead unless that is winning. */
const asItCloses: readonly Offer[] = [
  { cadence: 'shrink', won: 1.2, lost: 1 },
  { cadence: 'quiver', won: 1, lost: 1 },
  { cadence: 'tap', won: 0.9, lost: 1 },
  { cadence: 'bounce', won: 0.65, lost: 1 },
  { cadence: 'deadstick', won: 0.55, lost: 1 },
];
/** To a mark that has stopped under the jig. */
const whileItLooks: readonly Offer[] = [
  { cadence: 'deadstick', won: 1.1, lost: 1 },
  { cadence: 'quiver', won: 1.2, lost: 1 },
  { cadence: 'shrink', won: 1, lost: 1 },
  { cadence: 'tap', won: 0.8, lost: 1 },
  { cadence: 'bounce', won: 0.6, lost: 1 },
];
/** To several at once: lively, but on the spot. */
const whileTheyCompete: readonly Offer[] = [
  { cadence: 'tap', won: 1.2, lost: 1 },
  { cadence: 'shrink', won: 1.1, lost: 1 },
  { cadence: 'bounce', won: 1, lost: 1 },
  { cadence: 'quiver', won: 0.9, lost: 1 },
];

/** Fieldcraft §4 as a table: the first row whose limits all hold is the advice. Strengths lie in the order. */
export const lookRules: readonly LookRule[] = [
  {
    id: 'look.stopped',
    look: 'stopped',
    when: { stoppedS: { least: 1.2 } },
    situation: 'close',
    offers: only('deadstick'),
    aim: 'hold',
    byM: 0,
    forS: 5,
    then: 'Many winter bites are seen on the line, not felt.',
    reason: 'The line stopped at {jig} before its time: something has it. Strike.',
    changesMind: 'the jig sinks on',
  },
  {
    id: 'look.missed',
    look: 'again',
    when: { after: ['missed', 'bite', 'lost'], afterS: { most: 8 } },
    situation: 'several',
    offers: whileTheyCompete,
    aim: 'again',
    byM: 0,
    forS: 10,
    then: 'Another one follows.',
    reason: 'A missed fish: let it fall right back to the same depth.',
    changesMind: 'nothing there after ten seconds',
  },
  {
    id: 'look.landed',
    look: 'again',
    when: { after: ['landed'], afterS: { most: 40 }, marks: { most: 0 } },
    situation: 'several',
    offers: whileTheyCompete,
    aim: 'again',
    byM: 0,
    forS: 20,
    then: 'Fish fast while they are there.',
    reason: 'Get back down at once, to the depth that bit.',
    changesMind: 'no mark comes back',
  },
  {
    id: 'look.fled.bottom',
    look: 'fled',
    when: { marks: { most: 0 }, goneS: { most: 6 }, riseMs: { most: -0.35 }, feeds: 'bottom' },
    situation: 'close',
    offers: only('tremble'),
    aim: 'bed',
    byM: 0,
    forS: 12,
    then: 'Do not lift it off.',
    reason: 'It came in and flared off: too much movement. Lay it on the bottom and tremble it.',
    changesMind: 'a mark that comes back',
  },
  {
    id: 'look.fled',
    look: 'fled',
    when: { marks: { most: 0 }, goneS: { most: 6 }, riseMs: { most: -0.35 } },
    situation: 'close',
    offers: only('deadstick'),
    aim: 'hold',
    byM: 0,
    forS: 10,
    then: 'Then tremble it without lifting.',
    reason: 'It came in and flared off: too much movement. Let it hang.',
    changesMind: 'a mark that comes back',
  },
  {
    id: 'look.bait',
    look: 'bait',
    when: { marks: { most: 0 }, baits: { least: 1 } },
    situation: 'far',
    offers: [
      { cadence: 'rip', won: 1.1, lost: 1 },
      { cadence: 'swim', won: 1, lost: 1 },
      { cadence: 'bounce', won: 0.9, lost: 1 },
    ],
    aim: 'under-bait',
    byM: 0.3,
    forS: 90,
    then: 'Watch for one strong mark in it or under it.',
    reason: 'The band of weak marks at {bait} is bait. What eats it is in it or under it.',
    changesMind: 'a strong mark',
  },
  {
    id: 'look.nothing.trout',
    look: 'nothing',
    when: { marks: { most: 0 }, species: 'lake-trout' },
    situation: 'far',
    offers: only('call'),
    aim: 'middle',
    byM: 0,
    forS: 90,
    then: 'After three to five calls trust the clock.',
    reason: 'No mark in the cone. Chasers are drawn from far by a bait well off the bottom.',
    changesMind: 'any mark',
  },
  {
    id: 'look.nothing.bottom',
    look: 'nothing',
    when: { marks: { most: 0 }, feeds: 'bottom' },
    situation: 'far',
    offers: only('thump'),
    aim: 'bottom',
    byM: 0,
    forS: 90,
    then: 'After three to five rounds trust the clock.',
    reason: 'No mark in the cone. A thump raises silt and food, and calls them in; then hang it a hand over the bottom, where the echo hides them.',
    changesMind: 'any mark',
  },
  {
    id: 'look.nothing.clock',
    look: 'nothing',
    when: { marks: { most: 0 }, emptyS: { least: 150 } },
    situation: 'far',
    offers: only('call'),
    aim: 'search',
    byM: 0,
    forS: 120,
    then: 'A call now and then, nothing more.',
    reason: 'Five calls without a mark. Trust the clock: it says how long this hole is worth it.',
    changesMind: 'any mark',
  },
  {
    id: 'look.nothing',
    look: 'nothing',
    when: { marks: { most: 0 } },
    situation: 'far',
    offers: only('call'),
    aim: 'search',
    byM: 0,
    forS: 90,
    then: 'After three to five calls trust the clock.',
    reason: 'No mark in the cone. Call them from further off, then rest.',
    changesMind: 'any mark',
  },
  {
    id: 'look.follows.stop',
    look: 'follows',
    when: { gapM: { least: -0.2, most: 0.9 }, drawnM: { least: 0.6 } },
    situation: 'close',
    offers: only('deadstick'),
    aim: 'hold',
    byM: 0,
    forS: 6,
    then: 'It takes now or turns.',
    reason: 'It has followed as far as an arm reaches. Stop once.',
    changesMind: 'it turns',
  },
  {
    id: 'look.follows',
    look: 'follows',
    when: { gapM: { least: -0.2, most: 0.9 }, riseMs: { least: 0.015 }, jigRiseMs: { least: 0.02 }, drawnM: { least: 0.05 }, takenUpM: { most: 0.75 } },
    situation: 'close',
    offers: only('slow-lift'),
    aim: 'draw',
    byM: 0.6,
    forS: 12,
    then: 'Slower and slower, up to a long arm, then stop once.',
    reason: 'It follows the lift, {gap} under. Keep drawing, slower.',
    changesMind: 'it stops or turns',
  },
  {
    id: 'look.sinks',
    look: 'sinks',
    when: { gapM: { least: 0.3 }, riseMs: { most: -0.05 } },
    situation: 'close',
    offers: asItCloses,
    aim: 'back',
    byM: 0.3,
    forS: 20,
    then: 'Smaller than before.',
    reason: 'It turned and sinks away. Let it go: do not chase it down.',
    changesMind: 'it stops sinking',
  },
  {
    id: 'look.hot',
    look: 'hot',
    when: { gapM: { least: -0.2, most: 1 }, risenM: { least: 1.8 }, riseMs: { least: 0.02 } },
    situation: 'several',
    offers: whileTheyCompete,
    aim: 'hold',
    byM: 0,
    forS: 12,
    then: 'Next time stop the jig earlier on its way down.',
    reason: 'It has come up far to meet the jig: it is hot.',
    changesMind: 'it stops or turns',
  },
  {
    id: 'look.stack',
    look: 'several',
    when: { stacks: { least: 1 }, gapM: { most: 1.2 } },
    situation: 'several',
    offers: whileTheyCompete,
    aim: 'above-top',
    byM: 0,
    forS: 30,
    then: 'A missed fish: let it fall right back.',
    reason: 'A thick stack with its top at {mark}: the target of the day. Stay above it, keep it lively.',
    changesMind: 'they stop coming up',
  },
  {
    id: 'look.stalled.draw',
    look: 'stalled',
    when: { gapM: { least: -0.25, most: 0.7 }, riseMs: { least: -0.05, most: 0.03 }, stillS: { least: 6 }, takenUpM: { most: 0.75 } },
    situation: 'close',
    offers: [
      { cadence: 'slow-lift', won: 1.3, lost: 1 },
      { cadence: 'quiver', won: 1, lost: 1 },
      { cadence: 'shrink', won: 0.8, lost: 1 },
    ],
    aim: 'draw',
    byM: 0.3,
    forS: 6,
    then: 'The theft makes up its mind.',
    reason: 'It has hung {gap} under the jig for {still} s. Draw away slowly.',
    changesMind: 'it sinks, or takes',
  },
  {
    id: 'look.several',
    look: 'several',
    when: { together: { least: 2 }, gapM: { least: -0.1, most: 1 } },
    situation: 'several',
    offers: whileTheyCompete,
    aim: 'hold',
    byM: 0,
    forS: 20,
    then: 'A missed fish: let it fall right back.',
    reason: '{count} marks together, the highest at {mark}. They compete: keep it lively.',
    changesMind: 'they stop coming up',
  },
  {
    id: 'look.stalled',
    look: 'stalled',
    when: { gapM: { least: -0.25, most: 0.7 }, riseMs: { least: -0.05, most: 0.03 }, stillS: { least: 2 } },
    situation: 'close',
    offers: whileItLooks,
    aim: 'hold',
    byM: 0,
    forS: 7,
    then: 'Watch the tip, then draw slowly away.',
    reason: 'The top mark at {mark} has stopped {gap} under the jig.',
    changesMind: 'it rises, sinks or takes',
  },
  {
    id: 'look.rising',
    look: 'rising',
    when: { gapM: { least: -0.1, most: 3 }, riseMs: { least: 0.03 } },
    situation: 'coming',
    offers: asItCloses,
    aim: 'hold',
    byM: 0,
    forS: 15,
    then: 'Shrink the beat as it closes; do not stop dead.',
    reason: 'The top mark is at {mark} and coming up. {gap} to go.',
    changesMind: 'it stops or turns',
  },
  {
    id: 'look.bottom',
    look: 'bottom',
    when: { feeds: 'bottom', offBottomM: { most: 0.5 } },
    situation: 'coming',
    offers: asItCloses,
    aim: 'bottom',
    byM: 0,
    forS: 20,
    then: 'Tick the bottom, then 10 to 15 cm up.',
    reason: 'It lies on the bottom at {mark}. From the bottom up, not from above.',
    changesMind: 'it comes up or goes',
  },
  {
    id: 'look.far.call',
    look: 'far',
    when: { gapM: { least: 1 }, stillS: { least: 75 } },
    situation: 'far',
    offers: only('call'),
    aim: 'above-top',
    byM: 0,
    forS: 12,
    then: 'Then back to a small, steady beat.',
    reason: 'It has not moved in over a minute. Call again.',
    changesMind: 'it comes up or goes',
  },
  {
    id: 'look.far',
    look: 'far',
    when: { gapM: { least: 1 } },
    situation: 'far',
    offers: toComeNear,
    aim: 'above-top',
    byM: 0,
    forS: 75,
    then: 'Then call again.',
    reason: 'The top mark lies still at {mark}, {gap} under the jig. Go to it.',
    changesMind: 'it comes up or goes',
  },
  {
    id: 'look.above',
    look: 'above',
    when: { gapM: { most: -0.25 } },
    situation: 'far',
    offers: toComeNear,
    aim: 'above-top',
    byM: 0,
    forS: 30,
    then: 'They feed upward: never hang below them.',
    reason: 'The top mark at {mark} is above the jig. Bring it up over them.',
    changesMind: 'they drop',
  },
  {
    id: 'look.near',
    look: 'near',
    when: { gapM: { least: -0.1 } },
    situation: 'coming',
    offers: asItCloses,
    aim: 'hold',
    byM: 0,
    forS: 30,
    then: 'Small and steady.',
    reason: 'A mark at {mark}, {gap} under the jig. It is near enough: let it come.',
    changesMind: 'it rises, sinks or stalls',
  },
  {
    id: 'look.level',
    look: 'near',
    when: {},
    situation: 'coming',
    offers: asItCloses,
    aim: 'above-top',
    byM: 0,
    forS: 30,
    then: 'Small and steady.',
    reason: 'A mark at {mark}, level with the jig. Keep the jig just above it.',
    changesMind: 'it rises, sinks or stalls',
  },
];

/** Something to change or to do beside the beat. The coach asks for one at a time: the first row that holds. */
export interface AskRule {
  id: string;
  when: LookWhen;
  text: string;
  school?: string;
}

/** Changes that fieldcraft asks for, in its default order. */
export const askRules: readonly AskRule[] = [
  {
    id: 'ask.nipped',
    when: { after: ['nipped'], afterS: { most: 90 } },
    text: 'Short bites: trim or shorten the bait, or go one size smaller. A stinger only where the rules allow it.',
  },
  { id: 'ask.trout', when: { species: 'lake-trout', refused: { least: 1, most: 3 } }, text: 'Lake trout decide at once. Change something; do not repeat what it refused.' },
  { id: 'ask.scent', when: { refused: { least: 10 } }, text: 'Ten refusals alike: add scent or take it off, or go. This hole is spent for now.' },
  { id: 'ask.colour', when: { refused: { least: 8 } }, text: 'Still refused: change the colour, dark for natural or the other way.', school: 'default order' },
  { id: 'ask.size', when: { refused: { least: 6 } }, text: 'Still refused: go one size smaller.', school: 'default order' },
  {
    id: 'ask.under',
    when: { refused: { least: 5 }, feeds: 'up' },
    text: 'Hanging above has been refused: start under the marks and draw slowly up through them.',
    school: 'from below',
  },
  { id: 'ask.depth', when: { refused: { least: 4 } }, text: 'Refused again: change the depth, a hand higher.', school: 'default order' },
  {
    id: 'ask.colour-first',
    when: { refused: { least: 2 }, drawnM: { least: 0.3 } },
    text: 'It followed and refused: some change the colour first.',
    school: 'colour first after a follow',
  },
  { id: 'ask.cadence', when: { refused: { least: 2 } }, text: 'Two refusals alike: one thing is changed now, the cadence.', school: 'default order' },
];
