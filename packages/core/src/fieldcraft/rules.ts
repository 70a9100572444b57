import { approachRules } from '../banks';
import { baitRules, suggestionRules, cadences, sightingRules } from '../coach';
import { afterRules, bankCadences, cadenceRules } from '../casting';
import { placeRules } from '../holes';
import { clockRules, lightRules, phaseRules, stageRules, type ViewpointQuestion } from '../outlook';
import { changeRules, feedRules, quietRules } from '../pole';
import { lieRules } from '../river';
import { familyOf } from '../tackle';
import type { PhaseName } from '../weather';

/** A rule of fieldcraft as it stands in its table: what it looks at, what follows, why, and how much weight it starts with. */
export interface FieldcraftRule {
  id: string;
  section: 'season' | 'weather' | 'light' | 'clock' | 'places' | 'at the hole' | 'casting' | 'at the peg';
  condition: string;
  effect: string;
  reason: string;
  /** 0–1: how firmly anglers agree on it. */
  strength: number;
  /** Where schools differ: the question, and whose answer this is. */
  viewpoint?: { question: ViewpointQuestion; side: string };
}

const phaseConditions: Record<PhaseName, string> = {
  approach: 'Ahead of a front',
  passage: 'As a front passes',
  'post-front clear': 'The bright day behind a front',
  settling: 'Settling after a front',
  steady: 'Steady weather',
  'warming trend': 'A warming spell',
  'cold rain': 'Cold rain',
  'not enough to say': 'Weather too little known',
};

const sightingWords: Record<(typeof sightingRules)[number]['sighting'], string> = {
  nothing: 'nothing seen',
  far: 'a mark far from the jig',
  rising: 'a mark rising',
  stalled: 'a mark stalled under the jig',
  follows: 'a fish that follows the lift',
  sinks: 'a mark sinking away',
  fled: 'a fish that flared off',
  several: 'several together',
  near: 'a mark near the jig',
  above: 'a mark above the jig',
  bait: 'a band of bait',
  bottom: 'a mark on the bottom',
  hot: 'a fish that comes up far',
  stopped: 'a line that stops before its time',
  again: 'just after a bite or a fish',
};

const placeNames: Record<string, string> = { 'drop-base': 'foot of a drop', 'drop-top': 'edge of a drop' };

const afterConditions: Record<string, string> = {
  'cast.after.school': 'Two fish from one bearing',
  'cast.after.landed': 'A fish landed',
  'cast.after.short': 'Bites that come short',
  'cast.after.missed': 'A bite missed',
  'cast.after.nipped': 'A nip at the tail',
  'cast.after.followed': 'A follow',
  'cast.after.hard': 'Rock felt',
  'cast.after.snag': 'A snag',
  'cast.after.nothing': 'Nothing after three passes',
  'cast.after.begin': 'Nothing seen yet',
};

const percent = (factor: number) => `feeding × ${factor.toFixed(2)}`;

/** Weather, light, clock and season: what moves feeding and place for all ways. */
const conditionRules = (): FieldcraftRule[] => [
  ...phaseRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'weather',
    condition: phaseConditions[r.phase],
    effect: percent(r.factor),
    reason: r.reason,
    strength: 0.6,
    ...(r.phase === 'approach' || r.phase === 'post-front clear' ? { viewpoint: { question: 'pressure-or-light', side: 'glass' } } : {}),
  })),
  ...lightRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'light',
    condition: `Fish of the ${r.habit === 'dark-edges' ? 'dark edges' : r.habit}`,
    effect: `${percent(Math.max(...r.factor))} at its best light, × ${Math.min(...r.factor).toFixed(2)} at its worst`,
    reason: r.reason,
    strength: 0.7,
    viewpoint: { question: 'pressure-or-light', side: 'light' },
  })),
  ...clockRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'clock',
    condition: r.side === 'early' ? 'First hours of the day' : 'Late morning to dusk, open water',
    effect: `${percent(r.inside)} inside, × ${r.outside.toFixed(2)} outside`,
    reason: r.reason,
    strength: 0.5,
    viewpoint: { question: 'early-or-warmed', side: r.side },
  })),
  ...stageRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'season',
    condition: `${r.stage}, ${r.group.replaceAll('-', ' ')}`,
    effect: `look ${r.where}`,
    reason: r.reason,
    strength: r.strength,
  })),
];

/** What to do on a sighting at the hole, and what to change after refusals. */
const holeRules = (): FieldcraftRule[] => [
  ...baitRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'at the hole',
    condition: `With ${r.families.map((f) => familyOf(f).name.toLowerCase()).join(' or ')}${r.sightings ? `: ${sightingWords[r.sightings[0]]}` : ''}`,
    effect: r.offers ? cadences[r.offers[0].cadence].verb.toLowerCase() : 'never hang still',
    reason: (r.reason || r.then).replace(' at {mark}', ''),
    strength: 0.6,
  })),
  ...sightingRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'at the hole',
    condition: sightingWords[r.sighting],
    effect: r.offers.map((o) => cadences[o.cadence].verb.toLowerCase()).join('; or '),
    reason: r.reason
      .replace(/\{mark\}/g, 'its depth')
      .replace(/\{gap\}/g, 'a little')
      .replace(/\{still\}/g, 'some')
      .replace(/\{count\}/g, 'Several')
      .replace(/\{bottom\}/g, 'the bottom')
      .replace(/\{jig\}/g, 'a depth')
      .replace(/\{bait\}/g, 'a depth'),
    strength: 0.6,
  })),
  ...suggestionRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'at the hole',
    condition: r.when.refused ? `after ${r.when.refused.least} refusals alike` : 'after short bites',
    effect: r.viewpoint ? `change one thing (${r.viewpoint})` : 'change one thing',
    reason: r.text,
    strength: 0.5,
  })),
];

/** Where fish lie: of the bed, of a river, of a bank. */
const placesRules = (): FieldcraftRule[] => [
  ...placeRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'places',
    condition: [r.stages === 'any' ? 'All winter' : r.stages.join(', '), r.groups === 'any' ? 'all fish' : r.groups.map((g) => g.replaceAll('-', ' ')).join(', ')].join('; '),
    effect: `look at ${Object.keys(r.draws)
      .map((kind) => placeNames[kind] ?? kind.replaceAll('-', ' '))
      .join(', ')}`,
    reason: r.reason,
    strength: 0.6,
  })),
  ...lieRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'places',
    condition: 'River, near a wintering pool',
    effect: r.mark === 'depth' ? 'worth of a lie falls with the way to deep water' : `${Math.round(100 * r.weight)} % of what a lie is worth`,
    reason: `${r.reason}.`,
    strength: 0.7,
  })),
  ...approachRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'places',
    condition: `${r.water === 'clear' ? 'Clear' : 'Stained'} water, ${r.isCold ? 'cold' : 'mild'}, from the bank`,
    effect: r.side === 'either' ? 'either bank' : r.side === 'sunlit' ? 'the sunlit bank' : 'a bank in part shade',
    reason: r.reason,
    strength: 0.7,
  })),
];

/** What to do after a cast, and how to bring it back. */
const castingRules = (): FieldcraftRule[] => [
  ...afterRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'casting',
    condition: afterConditions[r.id] ?? r.headline,
    effect: r.headline.toLowerCase(),
    reason: r.reason,
    strength: 0.6,
  })),
  ...cadenceRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'casting',
    condition: 'How to bring it back',
    effect: `${bankCadences.find((c) => c.id === r.cadence)!.name.toLowerCase()}, and rest by the cold`,
    reason: r.reason,
    strength: 0.5,
  })),
];

/** Feeding, changes and quiet swims at the peg. */
const pegRules = (): FieldcraftRule[] => [
  ...feedRules.map((r): FieldcraftRule => ({ id: r.id, section: 'at the peg', condition: 'Whether to feed', effect: r.label.toLowerCase(), reason: r.reason, strength: 0.5 })),
  ...changeRules.map((r): FieldcraftRule => ({
    id: r.id,
    section: 'at the peg',
    condition: r.id === 'pole.change.none-yet' ? 'A wait that is usual for the swim' : 'An unusual wait, in this order',
    effect: r.label.toLowerCase(),
    reason: r.reason,
    strength: 0.5,
  })),
  ...quietRules.map((r): FieldcraftRule => ({
    id: `pole.quiet.${r.id}`,
    section: 'at the peg',
    condition: r.label,
    effect: `bites expected × ${r.factor.toFixed(2)}`,
    reason: r.says,
    strength: 0.5,
  })),
];

/** All rules that advice goes by, as rows to read. */
export const fieldcraftRules = (): FieldcraftRule[] => [...conditionRules(), ...holeRules(), ...placesRules(), ...castingRules(), ...pegRules()];
