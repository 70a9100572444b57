import { startingViewpoints } from '@burrow/core/outlook';
import { imperial, metric, unitsOfLocale } from '@burrow/core/units';
import { newId } from './ids';
import { ObservableValue, useObservable } from './observable-value';
import { preferencesVersion, readPreferences, type Device, type KeptHolePlan, type Preferences, type Presentation } from './stored-preferences';

export type { Device, KeptHolePlan, Preferences, Presentation };

const key = 'burrow.preferences';

const starting: Preferences = {
  // Until the angler says otherwise, those of the phone's language.
  units: unitsOfLocale(globalThis.navigator?.language ?? 'en-US'),
  theme: 'sun',
  species: 'black-crappie',
  presentations: [
    { id: 'tungsten', name: 'Tungsten 4 mm, plastic' },
    { id: 'spoon', name: 'Small spoon, one point tipped' },
    { id: 'deadstick', name: 'Plain hook, deadstick' },
  ],
  presentation: 'tungsten',
  leastIceM: 0.1,
  beatBy: 'off',
  callBy: 'off',
  load: 'foot',
  craft: 'boat',
  viewpoints: startingViewpoints,
  plan: null,
  water: null,
  holePlan: null,
  windViewpoint: 'windward',
  device: null,
  isPressed: false,
};

function read(): Preferences {
  try {
    return readPreferences(JSON.parse(globalThis.localStorage?.getItem(key) ?? '{}'), starting);
  } catch {
    // A damaged entry is worth less than a start.
    return starting;
  }
}

const preferences = new ObservableValue<Preferences>(read());

export function change(part: Partial<Preferences>): void {
  const next = { ...preferences.get(), ...part };
  preferences.set(next);
  globalThis.localStorage?.setItem(key, JSON.stringify({ ...next, version: preferencesVersion }));
}

export const usePreferences = () => useObservable(preferences);
export const unitSystems = { imperial, metric } as const;

/** Adds a presentation and answers its id. */
export function addPresentation(name: string): string {
  const id = newId();
  change({ presentations: [...preferences.get().presentations, { id, name }] });
  return id;
}

export function renamePresentation(id: string, name: string): void {
  change({ presentations: preferences.get().presentations.map((p) => (p.id === id ? { ...p, name } : p)) });
}

/** Takes a presentation out of the box; what was caught with it stays in the log. The last one stays. */
export function removePresentation(id: string): Presentation | null {
  const { presentations, presentation } = preferences.get();
  const gone = presentations.find((p) => p.id === id);
  if (!gone || presentations.length === 1) return null;
  const rest = presentations.filter((p) => p.id !== id);
  change({ presentations: rest, presentation: presentation === id ? rest[0].id : presentation });
  return gone;
}

export function restorePresentation(presentation: Presentation): void {
  change({ presentations: [...preferences.get().presentations, presentation] });
}
