import { useEffect, useState } from 'react';

const key = 'burrow.clock-shift';
let shiftMs = Number(globalThis.localStorage?.getItem(key) ?? 0) || 0;

/** Sets the phone's clock by the server's (the demo runs on its own). */
export function setClock(serverNowMs: number): void {
  const shift = serverNowMs - Date.now();
  // The phone's own clock is right to within a request; only a scenario's clock differs by more.
  shiftMs = Math.abs(shift) < 60_000 ? 0 : shift;
  globalThis.localStorage?.setItem(key, String(shiftMs));
}

/** Time now at the water, ms. */
export const nowMs = () => Date.now() + shiftMs;

/** Time now, renewed every `everyMs`. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(nowMs);
  useEffect(() => {
    const timer = setInterval(() => setNow(nowMs()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
