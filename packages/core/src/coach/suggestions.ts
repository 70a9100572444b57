import { tailsText } from '../tackle';
import type { SightingLimits } from './sighting';

/** Something to change or to do beside the beat. The coach asks for one at a time: the first row that holds. */
export interface SuggestionRule {
  id: string;
  when: SightingLimits;
  text: string;
  /** Only with one of these on the line. */
  families?: readonly string[];
  viewpoint?: string;
}

/** Changes that fieldcraft asks for, in its default order. */
export const suggestionRules: readonly SuggestionRule[] = [
  {
    id: 'ask.tails',
    when: { after: ['nipped'], afterS: { most: 90 } },
    families: ['tube'],
    text: `${tailsText} A stinger only where the rules allow it.`,
  },
  {
    id: 'ask.nipped',
    when: { after: ['nipped'], afterS: { most: 90 } },
    text: 'Short bites: trim or shorten the bait, or go one size smaller. A stinger only where the rules allow it.',
  },
  { id: 'ask.trout', when: { species: 'lake-trout', refused: { least: 1, most: 3 } }, text: 'Lake trout decide at once. Change something; do not repeat what it refused.' },
  {
    id: 'ask.whitefish',
    when: { species: 'lake-whitefish', refused: { least: 2, most: 3 } },
    families: ['spoon', 'rattle-spoon', 'jigging-minnow', 'micro-jig'],
    text: 'Two refused alike: slower first, then the tube.',
  },
  { id: 'ask.scent', when: { refused: { least: 10 } }, text: 'Ten refusals alike: add scent or take it off, or go. This hole is spent for now.' },
  { id: 'ask.colour', when: { refused: { least: 8 } }, text: 'Still refused: change the colour, dark for natural or the other way.', viewpoint: 'default order' },
  { id: 'ask.size', when: { refused: { least: 6 } }, text: 'Still refused: go one size smaller.', viewpoint: 'default order' },
  {
    id: 'ask.under',
    when: { refused: { least: 5 }, feeds: 'up' },
    text: 'Hanging above has been refused: start under the marks and draw slowly up through them.',
    viewpoint: 'from below',
  },
  { id: 'ask.depth', when: { refused: { least: 4 } }, text: 'Refused again: change the depth, a hand higher.', viewpoint: 'default order' },
  {
    id: 'ask.colour-first',
    when: { refused: { least: 2 }, drawnM: { least: 0.3 } },
    text: 'It followed and refused: some change the colour first.',
    viewpoint: 'colour first after a follow',
  },
  { id: 'ask.cadence', when: { refused: { least: 2 } }, text: 'Two refusals alike: one thing is changed now, the cadence.', viewpoint: 'default order' },
];
