import type { HookHold } from '@burrow/core/ledger';

/** What can be said of one fish beside its species and what became of it; null and empty for what nobody said. */
export interface FishFigures {
  lengthMm: number | null;
  weightG: number | null;
  girthMm: number | null;
  /** Where the hook held. */
  hookedIn: HookHold | null;
  hasMud: boolean;
  note: string;
  /** Id of its picture. */
  photo: string | null;
}

export const nothingSaid: FishFigures = { lengthMm: null, weightG: null, girthMm: null, hookedIn: null, hasMud: false, note: '', photo: null };

/** The fields of an entry that say it: none for what nobody said. */
export const saidOf = ({ lengthMm, weightG, girthMm, hookedIn, hasMud, note, photo }: FishFigures) => ({
  ...(lengthMm === null ? {} : { lengthMm: Math.round(lengthMm) }),
  ...(weightG === null ? {} : { weightG }),
  ...(girthMm === null ? {} : { girthMm: Math.round(girthMm) }),
  ...(hookedIn === null ? {} : { hookedIn }),
  ...(hasMud ? { hasMud } : {}),
  ...(note.trim() === '' ? {} : { note: note.trim() }),
  ...(photo === null ? {} : { photo }),
});
