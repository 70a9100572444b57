import { startingViewpoints } from '@burrow/core/outlook';
import type { TubeBuild } from '@burrow/core/ledger';
import { isFishedBy, type TacklePiece } from '@burrow/core/tackle';
import { imperial, metric, unitsOfLocale } from '@burrow/core/units';
import { newId } from './ids';
import { ObservableValue, useObservable } from './observable-value';
import { preferencesVersion, readPreferences, type Device, type KeptHolePlan, type PoleKit, type Preferences, type TrollKit } from './stored-preferences';
import { boxOf, type Kit, type Presentation } from './stored-box';

export { boxOf };
export type { Device, KeptHolePlan, Kit, Preferences, Presentation, TrollKit };

const key = 'burrow.preferences';

/** A piece of which nothing was said. */
export const unsaid = { massG: null, sizeMm: null, colour: null, hooks: null, points: null, rattle: null, suspends: null } as const;

export const startingPreferences: Preferences = {
  // Until the angler says otherwise, those of the phone's language.
  units: unitsOfLocale(globalThis.navigator?.language ?? 'en-US'),
  theme: 'sun',
  species: 'black-crappie',
  speciesOn: null,
  forage: {},
  presentations: [],
  presentation: null,
  kit: { rods: [], floats: [], feed: [] },
  goal: 'numbers',
  leastIceM: 0.1,
  beatBy: 'off',
  callBy: 'off',
  load: 'foot',
  craft: 'bank',
  castM: 25,
  pole: {
    reachM: null,
    runM: null,
    pattern: null,
    shot: null,
    loadG: null,
    bait: '',
    ball: null,
    feed: null,
    classMm: null,
    targetG: null,
    fate: 'released',
  },
  troll: {
    rods: 2,
    baits: 1,
    secondAboveM: 1.5,
    speedMs: 0.9,
    turnM: 15,
    clearanceM: 0.6,
    laneM: 600,
    massesG: [],
    lures: [],
    upperLures: [],
    dragsM2: [],
    lineMm: null,
    isDrift: false,
    hasSock: false,
  },
  castBand: null,
  viewpoints: startingViewpoints,
  plan: null,
  water: null,
  holePlan: null,
  windViewpoint: 'windward',
  device: null,
  pressedWaters: [],
  coldPlaces: 'by-sun',
  holeRound: 'by-fish',
  hangsAbove: false,
  isSheltered: false,
};

function read(): Preferences {
  try {
    return readPreferences(JSON.parse(globalThis.localStorage?.getItem(key) ?? '{}'), startingPreferences);
  } catch {
    // A damaged entry is worth less than a start.
    return startingPreferences;
  }
}

export const preferences = new ObservableValue<Preferences>(read());
// What another tab of this phone changes holds here at once.
globalThis.addEventListener?.('storage', (event) => {
  if ((event as StorageEvent).key === key) preferences.set(read());
});

export function change(part: Partial<Preferences>): void {
  const next = { ...preferences.get(), ...part };
  preferences.set(next);
  try {
    globalThis.localStorage?.setItem(key, JSON.stringify({ ...next, version: preferencesVersion }));
  } catch {
    // No room, or none allowed: it holds while the page is open, and the band over the screens says what is not kept.
  }
}

/** Takes in values from elsewhere for some of the preferences, each where it holds. Nothing is told where nothing differs. */
export function adopt(values: Readonly<Record<string, unknown>>, names: readonly (keyof Preferences)[]): void {
  const before = preferences.get();
  const read = readPreferences({ ...before, ...values, version: preferencesVersion }, before);
  const changed = names.filter((name) => JSON.stringify(read[name]) !== JSON.stringify(before[name]));
  if (changed.length > 0) change(Object.fromEntries(changed.map((name) => [name, read[name]])));
}

export const setPole = (part: Partial<PoleKit>) => change({ pole: { ...preferences.get().pole, ...part } });
export const setTroll = (part: Partial<TrollKit>) => change({ troll: { ...preferences.get().troll, ...part } });

export const usePreferences = () => useObservable(preferences);
export const unitSystems = { imperial, metric } as const;

/** What is on the line where nobody said. */
export const unsaidBait = 'Bait not said';
/** Whether a piece is fished in this way; one that nobody has said the family of may be. */
export const isForWay = ({ tackle }: Presentation, method: string): boolean => !tackle || isFishedBy(tackle.family, method);

/** What is on the line in this way of fishing; null where nobody said, or what was tied on last is for another way: an ice jig is no cast's bait. */
export const useOnTheLine = (method: string): Presentation | null => {
  const { presentation, presentations } = usePreferences();
  const piece = presentations.find((p) => p.id === presentation);
  return piece && isForWay(piece, method) ? piece : null;
};
/** The family of what hangs on a line: of the piece that it was logged with, else of what was tied on last for this way; null where nobody said. */
export function useFamilyOnLine(piece: string | null, method: string): string | null {
  const tiedOn = useOnTheLine(method);
  const { presentations } = usePreferences();
  const logged = piece === null ? tiedOn : presentations.find((p) => p.name === piece);
  return logged?.tackle?.family ?? null;
}
/** What a line that goes down is logged with: nothing of what nobody said. */
export const tied = (piece: Presentation | null) => (piece ? { presentation: piece.name } : {});

/** How the tube that goes down is built, where it is one and somebody said. */
export function builtTube(piece: Presentation | null): { tube?: TubeBuild } {
  if (!piece?.tube) return {};
  const { of: _of, ...tube } = piece.tube;
  return { tube };
}

/** Puts a piece into the box, or in the place of the one of this id, and answers its id. */
export function putPresentation(piece: Omit<Presentation, 'id'>, id: string | null): string {
  const { presentations } = preferences.get();
  const put = { ...piece, id: id ?? newId() };
  change({ presentations: id === null ? [...presentations, put] : presentations.map((p) => (p.id === id ? put : p)) });
  return put.id;
}

/** Takes pieces of a file into the box: one of a name that is there takes its place. Answers how many came anew. */
export function takeIntoBox(box: readonly TacklePiece[]): number {
  const { presentations } = preferences.get();
  const named = new Map(box.map(({ piece, ...tackle }) => [piece.toLowerCase(), { name: piece, tackle }]));
  const kept = presentations.map((p) => {
    const known = named.get(p.name.toLowerCase());
    named.delete(p.name.toLowerCase());
    return known ? { ...p, tackle: known.tackle } : p;
  });
  change({ presentations: [...kept, ...[...named.values()].map((p) => ({ ...p, id: newId() }))] });
  return named.size;
}

/** Takes a presentation out of the box; what was caught with it stays in the log. */
export function removePresentation(id: string): Presentation | null {
  const { presentations, presentation } = preferences.get();
  const gone = presentations.find((p) => p.id === id);
  if (!gone) return null;
  change({ presentations: presentations.filter((p) => p.id !== id), presentation: presentation === id ? null : presentation });
  return gone;
}

export function restorePresentation(presentation: Presentation): void {
  change({ presentations: [...preferences.get().presentations, presentation] });
}
