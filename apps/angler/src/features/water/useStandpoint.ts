import { offOutlinesM, type LonLat } from '@burrow/core/ground';
import { useEffect, useState } from 'react';
import { isWhereKnown, NoPosition, readFix, useFollowedPosition, type Fix } from '@/data/position';

/** A fix older than this is read anew before anything is logged by it, ms; where that takes too long, one that is followed still holds for so long: who moves is told of. */
const [freshMs, heldMs] = [10_000, 60_000];
/** The phone's own doubt counts up to so much, m: with more it does not say on which side of a shore one is. */
const mostDoubtM = 30;

/** What tells whether a place is one to fish from on a water. */
export interface FishableGround {
  /** Whether a place lies on the water. */
  isOn: (at: LonLat) => boolean;
  /** Its edges; empty where none is drawn. */
  shores: readonly (readonly LonLat[])[];
  /** How far from its edge one may fish it, m: none but from its bank. */
  bankM: number;
}

/** Where the angler is: the place that the phone says, kept up to date, and the one tapped on the map. */
export function useStandpoint({ isOn, shores, bankM }: FishableGround) {
  const [tapped, tap] = useState<LonLat | null>(null);
  const [isAsked, setAsked] = useState(false);
  // Where the phone may say where it is without asking first, it is followed unasked.
  useEffect(() => {
    let isHere = true;
    void isWhereKnown().then((known) => {
      if (known && isHere) setAsked(true);
    });
    return () => {
      isHere = false;
    };
  }, []);
  const { fix, why } = useFollowedPosition(isAsked);
  const stands = (f: Fix | null): Fix | null => {
    if (f === null || isOn(f.at)) return f;
    return offOutlinesM(shores, f.at) <= bankM + Math.min(mostDoubtM, f.accuracyM) ? f : null;
  };
  const here = stands(fix);
  const locate = () => {
    setAsked(true);
    tap(null);
  };
  /** The place as of now, for what is logged there; null where the phone has gone quiet or is elsewhere. */
  const now = async (): Promise<Fix | null> => {
    const age = () => (here === null ? Infinity : Date.now() - here.readMs);
    if (age() < freshMs) return here;
    const held = (error: unknown) => (error instanceof NoPosition && error.isLate && age() < heldMs ? here : null);
    return stands(await readFix().catch(held));
  };
  const unread = why === null ? 'Looking for you' : `${why} Tap the map instead.`;
  return {
    tapped,
    tap,
    /** Where the phone is, be it at this water or not. */
    position: fix?.at ?? null,
    /** Where the phone is, where that is a place to fish from. */
    here,
    /** Why no place is known, or what is being done about it; null where there is nothing to say. */
    says: !isAsked ? null : fix === null ? unread : here === null ? 'You are not at this water' : null,
    locate,
    now,
  };
}

export type Standpoint = ReturnType<typeof useStandpoint>;
