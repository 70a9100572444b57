import { imperial, metric, type UnitPreference } from '@burrow/core/units';
import { startingViewpoints, type PlanItem, type Viewpoints } from '@burrow/core/outlook';
import type { WindViewpoint } from '@burrow/core/banks';
import type { Craft } from '@burrow/core/methods';
import type { IceLoad } from '@burrow/core/safety';
import { newId } from './ledger';
import { preferencesVersion, readPreferences } from './stored-preferences';
import { ObservableValue, useObservable } from './observable-value';
import type { HolePlan } from '@/workers/ground.api';

export interface Presentation {
  id: string;
  name: string;
}

/** A plan of holes that the angler has asked for, kept on the phone until it is dropped. */
export interface KeptHolePlan extends HolePlan {
  id: string;
  water: string;
  wanted: number;
}

export interface Preferences {
  units: UnitPreference;
  theme: 'day' | 'dusk' | 'sun';
  species: string;
  presentations: Presentation[];
  presentation: string;
  /** Least ice the angler drills on, clear and half the white, m. */
  leastIceM: number;
  /** How the beat is given, and how a fish coming up is called out. */
  beatBy: 'off' | 'sound' | 'vibration';
  callBy: 'off' | 'voice' | 'vibration';
  /** Who goes on the ice. */
  load: IceLoad;
  /** What one fishes from on open water. */
  craft: Craft;
  viewpoints: Viewpoints;
  /** A day's plan that the angler has changed, by the day and fish it is for. */
  plan: { key: string; items: PlanItem[] } | null;
  /** The water in use; null for the first of the list. */
  water: string | null;
  /** Holes laid out on a water. */
  holePlan: KeptHolePlan | null;
  /** Which bank when sun and wind come together: where schools differ. */
  windViewpoint: WindViewpoint;
  /** Whether many anglers fish these waters: where schools differ on points. */
  isPressed: boolean;
}

const key = 'burrow.preferences';

const starting: Preferences = {
  units: imperial,
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
