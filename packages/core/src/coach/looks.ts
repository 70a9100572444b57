import type { FeedingSide } from '../fish';
import type { CadenceId } from './cadence';

/** What is seen under the hole, in words of fieldcraft §4. */
export type LookId = 'nothing' | 'far' | 'rising' | 'stalled' | 'follows' | 'sinks' | 'fled' | 'several' | 'near';

/** Limits on what the reader sees; every one given must hold. Gap: mark below jig, m (negative above). Rise: upward, m/s. */
export interface LookWhen {
  marks?: { least?: number; most?: number };
  gapM?: { least?: number; most?: number };
  riseMs?: { least?: number; most?: number };
  /** How long the mark has hung still, s. */
  stillS?: { least?: number };
  jigRiseMs?: { least?: number };
  /** Since the last fish went, s. */
  goneS?: { most?: number };
  feeds?: FeedingSide;
}

/** Where the jig should go: searching depth, above the top mark, where it is, drawn away from the mark, back to the mark's depth. */
export type DepthAim = 'search' | 'above-top' | 'hold' | 'draw' | 'back' | 'bottom';

export interface LookRule {
  id: string;
  look: LookId;
  when: LookWhen;
  cadence: CadenceId;
  aim: DepthAim;
  /** Change of depth with the aim, m: how far to draw up, or how far over the mark's old depth to wait. */
  byM: number;
  /** How long before trusting it less, s. */
  forS: number;
  then: string;
  /** Reason with {mark}, {gap}, {still}, {count}, {bottom} filled in from what was seen. */
  reason: string;
  changesMind: string;
}

/** Fieldcraft §4 as a table: the first row whose limits all hold is the advice. Strengths lie in the order. */
export const lookRules: readonly LookRule[] = [
  {
    id: 'look.fled',
    look: 'fled',
    when: { marks: { most: 0 }, goneS: { most: 6 }, riseMs: { most: -0.35 } },
    cadence: 'deadstick',
    aim: 'hold',
    byM: 0,
    forS: 10,
    then: 'Then tremble it without lifting.',
    reason: 'It came in and flared off: too much movement. Let it hang.',
    changesMind: 'a mark that comes back',
  },
  {
    id: 'look.nothing.bottom',
    look: 'nothing',
    when: { marks: { most: 0 }, feeds: 'bottom' },
    cadence: 'thump',
    aim: 'bottom',
    byM: 0,
    forS: 90,
    then: 'After three to five rounds trust the clock.',
    reason: 'No mark in the cone. A thump raises silt and food, and calls them in.',
    changesMind: 'any mark',
  },
  {
    id: 'look.nothing',
    look: 'nothing',
    when: { marks: { most: 0 } },
    cadence: 'call',
    aim: 'search',
    byM: 0,
    forS: 90,
    then: 'After three to five calls trust the clock.',
    reason: 'No mark in the cone. Call them from further off, then rest.',
    changesMind: 'any mark',
  },
  {
    id: 'look.follows',
    look: 'follows',
    when: { gapM: { least: -0.2, most: 0.9 }, riseMs: { least: 0.015 }, jigRiseMs: { least: 0.02 } },
    cadence: 'slow-lift',
    aim: 'draw',
    byM: 0.4,
    forS: 8,
    then: 'Slower and slower, up to a long arm, then stop once.',
    reason: 'It follows the lift, {gap} under. Keep drawing, slower.',
    changesMind: 'it stops or turns',
  },
  {
    id: 'look.sinks',
    look: 'sinks',
    when: { gapM: { least: 0.3 }, riseMs: { most: -0.05 } },
    cadence: 'shrink',
    aim: 'back',
    byM: 0.3,
    forS: 20,
    then: 'Smaller than before.',
    reason: 'It turned and sinks away. Let it go: do not chase it down.',
    changesMind: 'it stops sinking',
  },
  {
    id: 'look.several',
    look: 'several',
    when: { marks: { least: 3 }, gapM: { most: 1 } },
    cadence: 'bounce',
    aim: 'above-top',
    byM: 0,
    forS: 30,
    then: 'A missed fish: let it fall right back.',
    reason: '{count} marks together, the highest at {mark}. They compete: keep it lively.',
    changesMind: 'they stop coming up',
  },
  {
    id: 'look.stalled.draw',
    look: 'stalled',
    when: { gapM: { least: -0.25, most: 0.7 }, riseMs: { least: -0.05, most: 0.03 }, stillS: { least: 7 } },
    cadence: 'slow-lift',
    aim: 'draw',
    byM: 0.2,
    forS: 6,
    then: 'The theft makes up its mind.',
    reason: 'It has hung {gap} under the jig for {still} s. Draw away slowly.',
    changesMind: 'it sinks, or takes',
  },
  {
    id: 'look.stalled',
    look: 'stalled',
    when: { gapM: { least: -0.25, most: 0.7 }, riseMs: { least: -0.05, most: 0.03 }, stillS: { least: 2 } },
    cadence: 'deadstick',
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
    cadence: 'shrink',
    aim: 'hold',
    byM: 0,
    forS: 15,
    then: 'Shrink the beat as it closes; do not stop dead.',
    reason: 'The top mark is at {mark} and coming up. {gap} to go.',
    changesMind: 'it stops or turns',
  },
  {
    id: 'look.far',
    look: 'far',
    when: { gapM: { least: 1 } },
    cadence: 'bounce',
    aim: 'above-top',
    byM: 0,
    forS: 75,
    then: 'Then call again.',
    reason: 'The top mark lies still at {mark}, {gap} under the jig. Go to it.',
    changesMind: 'it comes up or goes',
  },
  {
    id: 'look.above',
    look: 'far',
    when: { gapM: { most: -0.25 } },
    cadence: 'bounce',
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
    when: {},
    cadence: 'bounce',
    aim: 'above-top',
    byM: 0,
    forS: 30,
    then: 'Small and steady.',
    reason: 'A mark at {mark}, {gap} under the jig. Keep it just above.',
    changesMind: 'it rises, sinks or stalls',
  },
];
