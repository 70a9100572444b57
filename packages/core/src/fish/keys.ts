import type { SpeciesId } from './species';

/** What a question looks at; each has a drawing of its own. */
export type KeyDrawing = 'dorsal-spines' | 'jaw' | 'dorsal-dip' | 'side' | 'bars' | 'bars-or-none' | 'fin-blotch' | 'tail-fork' | 'spots' | 'stripes' | 'tongue';

export interface KeyAnswer {
  id: string;
  text: string;
  /** How much it speaks for each fish, as odds against a fish that it says nothing of: 1 is nothing. Heuristic. */
  speaks: Partial<Record<SpeciesId, number>>;
}

export interface KeyQuestion {
  id: string;
  ask: string;
  drawing: KeyDrawing;
  answers: readonly KeyAnswer[];
}

/** Fish that are taken for each other, with two or three questions that part them. */
export interface FishKey {
  id: string;
  name: string;
  fish: readonly SpeciesId[];
  questions: readonly KeyQuestion[];
}

/** Keys for each look-alike set of the species table. Source: field marks in common use; counts of spines are the surest. */
export const fishKeys: readonly FishKey[] = [
  {
    id: 'crappies',
    name: 'Two crappies',
    fish: ['black-crappie', 'white-crappie'],
    questions: [
      {
        id: 'spines',
        ask: 'How many hard spines stand before the back fin?',
        drawing: 'dorsal-spines',
        answers: [
          { id: 'seven', text: '7 or 8', speaks: { 'black-crappie': 30 } },
          { id: 'six', text: '6 or fewer', speaks: { 'white-crappie': 30 } },
        ],
      },
      {
        id: 'side',
        ask: 'What are the dark marks on its side like?',
        drawing: 'bars',
        answers: [
          { id: 'specks', text: 'Scattered specks', speaks: { 'black-crappie': 4 } },
          { id: 'bars', text: 'In upright bars', speaks: { 'white-crappie': 4 } },
        ],
      },
    ],
  },
  {
    id: 'perches',
    name: 'Perch and white perch',
    fish: ['yellow-perch', 'european-perch', 'white-perch'],
    questions: [
      {
        id: 'bars',
        ask: 'Has it dark bars down its side?',
        drawing: 'bars-or-none',
        answers: [
          { id: 'bars', text: 'Six or so, bold', speaks: { 'yellow-perch': 25, 'european-perch': 25 } },
          { id: 'plain', text: 'None, silvery', speaks: { 'white-perch': 25 } },
        ],
      },
      {
        id: 'fin-spot',
        ask: 'Is there a black blotch at the end of the first back fin?',
        drawing: 'fin-blotch',
        answers: [
          { id: 'blotch', text: 'A clear one', speaks: { 'european-perch': 12 } },
          { id: 'no-blotch', text: 'None, or faint', speaks: { 'yellow-perch': 12, 'white-perch': 6 } },
        ],
      },
      {
        id: 'fins',
        ask: 'Do the two back fins meet?',
        drawing: 'dorsal-dip',
        answers: [
          { id: 'apart', text: 'A gap between them', speaks: { 'yellow-perch': 5, 'european-perch': 5 } },
          { id: 'joined', text: 'Joined by a low skin', speaks: { 'white-perch': 6 } },
        ],
      },
    ],
  },
  {
    id: 'black-basses',
    name: 'Black basses',
    fish: ['largemouth', 'smallmouth', 'spotted-bass'],
    questions: [
      {
        id: 'jaw',
        ask: 'With the mouth shut, where does the upper jaw end?',
        drawing: 'jaw',
        answers: [
          { id: 'behind', text: 'Behind the eye', speaks: { largemouth: 20 } },
          { id: 'under', text: 'Under the eye', speaks: { smallmouth: 8, 'spotted-bass': 8 } },
        ],
      },
      {
        id: 'side',
        ask: 'What runs along its side?',
        drawing: 'side',
        answers: [
          { id: 'stripe', text: 'A dark line, tail to head', speaks: { largemouth: 4, 'spotted-bass': 6 } },
          { id: 'bars', text: 'Upright bars, or nothing', speaks: { smallmouth: 12 } },
        ],
      },
      {
        id: 'tongue',
        ask: 'Run a finger over its tongue.',
        drawing: 'tongue',
        answers: [
          { id: 'rough', text: 'A rough patch', speaks: { 'spotted-bass': 8 } },
          { id: 'smooth', text: 'Smooth', speaks: { largemouth: 3, smallmouth: 3 } },
        ],
      },
    ],
  },
  {
    id: 'char-and-trout',
    name: 'Lake trout and rainbow',
    fish: ['lake-trout', 'rainbow-trout'],
    questions: [
      {
        id: 'spots',
        ask: 'Are its spots light or dark?',
        drawing: 'spots',
        answers: [
          { id: 'light', text: 'Light on dark', speaks: { 'lake-trout': 30 } },
          { id: 'dark', text: 'Dark on light', speaks: { 'rainbow-trout': 30 } },
        ],
      },
      {
        id: 'tail',
        ask: 'How deep is its tail forked?',
        drawing: 'tail-fork',
        answers: [
          { id: 'deep', text: 'Deeply', speaks: { 'lake-trout': 8 } },
          { id: 'square', text: 'Hardly', speaks: { 'rainbow-trout': 8 } },
        ],
      },
    ],
  },
  {
    id: 'white-bass-and-perch',
    name: 'White bass and white perch',
    fish: ['white-bass', 'white-perch'],
    questions: [
      {
        id: 'stripes',
        ask: 'Has it dark stripes along its side?',
        drawing: 'stripes',
        answers: [
          { id: 'stripes', text: 'Thin ones, often broken', speaks: { 'white-bass': 15 } },
          { id: 'plain', text: 'None', speaks: { 'white-perch': 15 } },
        ],
      },
      {
        id: 'fins',
        ask: 'Do the two back fins meet?',
        drawing: 'dorsal-dip',
        answers: [
          { id: 'apart', text: 'A gap between them', speaks: { 'white-bass': 8 } },
          { id: 'joined', text: 'Joined by a low skin', speaks: { 'white-perch': 8 } },
        ],
      },
    ],
  },
];

/** The key that parts a fish from those it is taken for; the first where it is in two, undefined where nothing is taken for it. */
export const keysOf = (species: string): FishKey[] => fishKeys.filter((k) => (k.fish as readonly string[]).includes(species));

/** Surer than this an answer is given, as a share of one. */
const sure = 0.9;

/** What the answers so far say: each fish with its share, the likeliest first, and the one it is where that is sure. Equal before the first answer. */
export function keyed(key: FishKey, answers: Readonly<Record<string, string>>): { shares: { species: SpeciesId; share: number }[]; is: SpeciesId | null } {
  const odds = key.fish.map((species) =>
    key.questions.reduce((product, q) => {
      const answer = q.answers.find((a) => a.id === answers[q.id]);
      return product * (answer?.speaks[species] ?? 1);
    }, 1),
  );
  const sum = odds.reduce((a, b) => a + b, 0);
  const shares = key.fish.map((species, i) => ({ species, share: odds[i] / sum })).sort((a, b) => b.share - a.share);
  return { shares, is: shares[0].share >= sure ? shares[0].species : null };
}
