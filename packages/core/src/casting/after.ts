import { betweenDeg, minuteMs } from '../units';

/** What was seen or felt on casts from one stand, in order of time. */
export interface CastSign {
  ms: number;
  kind: 'cast' | 'hard' | 'snag' | 'followed' | 'chased' | 'ignored' | 'missed' | 'robbed' | 'nipped' | 'bite' | 'lost' | 'landed';
  /** Bearing of the cast it came on, degrees; null where nobody knows. */
  bearingDeg: number | null;
  /** How far out, m. */
  outM: number | null;
}

/** What is known of the stand. */
export interface AfterScene {
  signs: readonly CastSign[];
  nowMs: number;
  /** Water under the rod's tip, m: whether one can fish straight down. */
  underM: number | null;
  /** Passes that the best of the casts has had. */
  passes: number;
}

/** What the next cast is. */
export type NextAim = 'best' | 'same' | 'beside' | 'straight-down' | 'let-fall' | 'far-side' | 'move';

export interface AfterRule {
  id: string;
  holds: (s: AfterScene) => boolean;
  aim: NextAim;
  headline: string;
  reason: string;
  /** Whose answer it is, where schools differ. */
  viewpoint: string;
}

/** Times that an answer is fresh, and how close two bearings are one. Heuristic; source: fieldcraft. */
const limits = { freshMs: 3 * minuteMs, schoolMs: 15 * minuteMs, oneBearingDeg: 12, nothingPasses: 3, verticalM: 2.5, shortMs: 25 * minuteMs } as const;

const events = (s: AfterScene) => s.signs.filter((g) => g.kind !== 'cast');
const last = (s: AfterScene) => s.signs.at(-1);
const isLast = (s: AfterScene, ...kinds: CastSign['kind'][]) => {
  const sign = last(s);
  return sign !== undefined && kinds.includes(sign.kind) && s.nowMs - sign.ms <= limits.schoolMs;
};

/** Fish landed lately on about the bearing of the last. */
function fromOneBearing(s: AfterScene): number {
  const landed = events(s).filter((g) => g.kind === 'landed' && s.nowMs - g.ms <= limits.schoolMs);
  const of = landed.at(-1);
  if (!of) return 0;
  return landed.filter((g) => of.bearingDeg === null || g.bearingDeg === null || betweenDeg(g.bearingDeg, of.bearingDeg) <= limits.oneBearingDeg).length;
}

/** Bites that came to nothing since the last fish, of late. */
function shortBites(s: AfterScene): number {
  const recent = events(s).filter((g) => s.nowMs - g.ms <= limits.shortMs);
  const landed = recent.findLastIndex((g) => g.kind === 'landed');
  return recent.slice(landed + 1).filter((g) => g.kind === 'missed' || g.kind === 'robbed' || g.kind === 'nipped' || g.kind === 'lost' || g.kind === 'bite').length;
}

/** What to do after what was seen and felt, the first that holds. Source: fieldcraft, at the cast. */
export const afterRules: readonly AfterRule[] = [
  {
    id: 'cast.after.school',
    holds: (s) => isLast(s, 'landed') && fromOneBearing(s) >= 2 && (s.underM ?? 0) >= limits.verticalM,
    aim: 'straight-down',
    headline: 'Straight down first',
    reason: 'Two from one bearing: the school may have followed the hooked fish to you. Under the rod first, then the same cast.',
    viewpoint: 'A hooked fish pulls its school along',
  },
  {
    id: 'cast.after.landed',
    holds: (s) => isLast(s, 'landed'),
    aim: 'same',
    headline: 'The same cast again',
    reason: 'One landed: where one lay there are more, and the place is marked.',
    viewpoint: 'Same place before a new one',
  },
  {
    id: 'cast.after.short',
    holds: (s) => shortBites(s) >= 3,
    aim: 'move',
    headline: 'Move: the bites come short',
    reason: 'Three bites and no fish: the school is tired of it, or the wind has turned. Rest this place.',
    viewpoint: 'Rest them rather than change again',
  },
  {
    id: 'cast.after.missed',
    holds: (s) => isLast(s, 'missed', 'bite', 'robbed', 'lost'),
    aim: 'let-fall',
    headline: 'Let it fall straight back',
    reason: 'A bite missed: the fish looks for it below. Give line, do not reel in; then the same cast.',
    viewpoint: 'Fall back at once, not a new cast',
  },
  {
    id: 'cast.after.nipped',
    holds: (s) => isLast(s, 'nipped'),
    aim: 'same',
    headline: 'Shorten it, the same cast',
    reason: 'The tail was nipped: trim it to the bend of the hook.',
    viewpoint: 'Size before colour',
  },
  {
    id: 'cast.after.followed',
    holds: (s) => isLast(s, 'followed'),
    aim: 'same',
    headline: 'The same cast, half as fast',
    reason: 'It followed and turned: the same line with twice the pause, stopped once where it turned.',
    viewpoint: 'Slower first; other schools change the colour after a follow',
  },
  {
    id: 'cast.after.chased',
    holds: (s) => isLast(s, 'chased'),
    aim: 'same',
    headline: 'The same cast, sharper',
    reason: 'They chase it: sharper moves and a shorter rest, on the same line.',
    viewpoint: 'What moves while they chase; other schools slow down at once',
  },
  {
    id: 'cast.after.ignored',
    holds: (s) => isLast(s, 'ignored'),
    aim: 'same',
    headline: 'The same cast, left to lie',
    reason: 'They take no notice: as slowly as you can bear, and left to lie in front of them.',
    viewpoint: 'Still and low for fish that take no notice; other schools wake them with noise',
  },
  {
    id: 'cast.after.hard',
    holds: (s) => isLast(s, 'hard'),
    aim: 'same',
    headline: 'Rest it on the rock',
    reason: 'Something hard on the bed draws everything: let it lie there, then cast to both sides of it.',
    viewpoint: 'Rock on mud before any edge',
  },
  {
    id: 'cast.after.snag',
    holds: (s) => isLast(s, 'snag'),
    aim: 'beside',
    headline: 'Beside the snag',
    reason: 'Wood holds fish: along it, not over it. Pull free from the other side; never wade for a bait.',
    viewpoint: 'Along cover, not across it',
  },
  {
    id: 'cast.after.nothing',
    holds: (s) => events(s).length === 0 && s.signs.length > 0 && s.passes >= limits.nothingPasses,
    aim: 'far-side',
    headline: 'The other side of it',
    reason: 'Three passes and nothing: a cold fish moves centimetres. Show it from the other side.',
    viewpoint: 'Another angle before another bait',
  },
  {
    id: 'cast.after.begin',
    holds: () => true,
    aim: 'best',
    headline: 'Cast what is not yet shown',
    reason: 'The cast that shows most of the band that no cast has shown.',
    viewpoint: 'Cover water until something answers',
  },
];

/** What to do now, after all that was seen and felt at a stand. */
export const whatAfter = (scene: AfterScene): AfterRule => afterRules.find((r) => r.holds(scene))!;
