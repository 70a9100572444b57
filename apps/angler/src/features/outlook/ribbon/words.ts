import type { Phase } from '@burrow/core/weather';

/** Phases as an angler would say them, short enough for a label. */
export const phaseWords: Record<Phase['name'], string> = {
  approach: 'front coming',
  passage: 'front',
  'post-front clear': 'bright behind it',
  settling: 'settling',
  steady: 'steady',
  'warming trend': 'warming',
  'cold rain': 'cold rain',
  'not enough to say': 'not enough to say',
};
