/** A kind of cover that can be marked on a water. */
export interface CoverKind {
  id: string;
  label: string;
  /** Fish hold against it. */
  holds: boolean;
  /** Still water lies behind it in a current. */
  shelters: boolean;
}

/** Source: fieldcraft §1 (a lie has a pocket, wood or rock; rock on mud is everything). */
export const coverKinds: readonly CoverKind[] = [
  { id: 'weeds', label: 'weeds', holds: true, shelters: false },
  { id: 'timber', label: 'drowned timber', holds: true, shelters: false },
  { id: 'brush', label: 'brush', holds: true, shelters: false },
  { id: 'root', label: 'roots', holds: true, shelters: true },
  { id: 'boulder', label: 'boulder', holds: true, shelters: true },
  { id: 'footing', label: 'bridge footing', holds: true, shelters: true },
  { id: 'pocket', label: 'slack pocket', holds: false, shelters: true },
  { id: 'reeds', label: 'reeds', holds: true, shelters: false },
];

/** What a kind written in a file is; one that is not known still holds fish. */
export const coverKind = (id: string): CoverKind => coverKinds.find((k) => k.id === id) ?? { id, label: id, holds: true, shelters: false };
