import type { FeedingSide, SpeciesId } from '../fish';
import type { Offer, Situation } from './memory';
import type { Features } from './observer';

/** What is seen under the hole, in words of fieldcraft §4. */
export type SightingId = 'nothing' | 'far' | 'rising' | 'stalled' | 'follows' | 'sinks' | 'fled' | 'several' | 'near' | 'above' | 'bait' | 'bottom' | 'hot' | 'stopped' | 'again';

export interface Limit {
  least?: number;
  most?: number;
}

/** Limits on what is seen; every one given must hold, and a gap that is not there holds none. */
export type SightingLimits = { [K in keyof Features]?: Limit } & {
  feeds?: FeedingSide;
  species?: SpeciesId;
  /** The angler's last tap was one of these. */
  after?: readonly ('missed' | 'bite' | 'hooked' | 'lost' | 'landed' | 'nipped')[];
};

/** Where the jig should go: searching step by step, above the top mark by the species' offset, over it by a hand and a half and up with it, where it is, drawn away from the mark, where the last one bit, searching under the bait, drawn up through them from below. */
export type DepthAim = 'search' | 'above-top' | 'over' | 'hold' | 'draw' | 'bottom' | 'lifted' | 'bed' | 'again' | 'under-bait' | 'through';

export interface SightingRule {
  id: string;
  sighting: SightingId;
  when: SightingLimits;
  /** Which answers tell on the choice among the offers. */
  situation: Situation;
  /** Cadences that fieldcraft offers, with how often it expects them answered and turned down; the first is its default. */
  offers: readonly Offer[];
  aim: DepthAim;
  /** Change of depth with the aim, m: how far to draw up, or to stay over the bottom, also while it is searched, or under the bait. */
  byM: number;
  /** How long before trusting it less, s. */
  forS: number;
  then: string;
  /** Reason with {mark}, {gap}, {still}, {count}, {bottom}, {jig}, {bait} filled in from what was seen. */
  reason: string;
  changesMind: string;
}
