import type { LonLat } from '@burrow/core/ground';
import { useEffect, useState } from 'react';

export interface Fix {
  at: LonLat;
  /** When the phone read it, ms of its own clock. */
  readMs: number;
  /** Over the ground; null where the phone does not say. */
  headingDeg: number | null;
  speedMs: number | null;
  accuracyM: number;
}

export interface Following {
  fix: Fix | null;
  /** The fixes of the last minutes, newest last. */
  recent: readonly Fix[];
  /** Why there is none, in words. */
  why: string | null;
}

/** Fixes are kept so long, ms. */
const recentMs = 90_000;
const nowhere: Following = { fix: null, recent: [], why: null };

const fixOf = ({ coords, timestamp }: GeolocationPosition): Fix => ({
  at: [Number(coords.longitude.toFixed(7)), Number(coords.latitude.toFixed(7))],
  readMs: timestamp,
  headingDeg: coords.heading === null || Number.isNaN(coords.heading) ? null : coords.heading,
  speedMs: coords.speed === null || Number.isNaN(coords.speed) ? null : coords.speed,
  accuracyM: coords.accuracy,
});

/** The phone does not say where it is. `isLate` where it only takes too long: it may stand where it stood. */
export class NoPosition extends Error {
  constructor(
    message: string,
    readonly isLate = false,
  ) {
    super(message);
  }
}

/** Of the kinds of error that a browser tells of a position, the one that it took too long. */
const tookTooLong = 3;

/** Where the phone is now: read anew, or within the last two seconds. Rejects with `NoPosition`. */
export const readFix = (): Promise<Fix> =>
  new Promise((resolve, reject) => {
    if (!navigator.geolocation) return reject(new NoPosition('This phone does not say where it is.'));
    navigator.geolocation.getCurrentPosition(
      (position) => resolve(fixOf(position)),
      (error) => reject(new NoPosition('The phone does not say where it is.', error.code === tookTooLong)),
      { enableHighAccuracy: true, maximumAge: 2000, timeout: 10_000 },
    );
  });

/** Whether the phone says where it is without asking first. */
export const isWhereKnown = async (): Promise<boolean> => (await navigator.permissions?.query({ name: 'geolocation' }).catch(() => null))?.state === 'granted';

/** Where the phone is, for as long as somebody looks; nothing is asked of it while `isAsked` is false. */
export function useFollowedPosition(isAsked = true): Following {
  const [state, setState] = useState<Following>(nowhere);
  useEffect(() => {
    if (!isAsked) return undefined;
    const { geolocation } = navigator;
    if (!geolocation) {
      // Said once the screen stands.
      const later = setTimeout(() => setState({ ...nowhere, why: 'This phone does not say where it is.' }));
      return () => clearTimeout(later);
    }
    const watch = geolocation.watchPosition(
      (position) => {
        const fix = fixOf(position);
        setState((s) => ({ fix, recent: [...s.recent.filter((f) => fix.readMs - f.readMs < recentMs), fix], why: null }));
      },
      (error) => setState((s) => ({ ...s, why: error.code === error.PERMISSION_DENIED ? 'This app may not ask the phone where it is.' : 'The phone does not say where it is.' })),
      { enableHighAccuracy: true, maximumAge: 2000, timeout: 20_000 },
    );
    return () => geolocation.clearWatch(watch);
  }, [isAsked]);
  return state;
}
