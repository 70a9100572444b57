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

function useTicking(read: () => number, everyMs: number): number {
  const [now, setNow] = useState(read);
  useEffect(() => {
    const timer = setInterval(() => setNow(read()), everyMs);
    return () => clearInterval(timer);
  }, [read, everyMs]);
  return now;
}

/** Time now at the water, renewed every `everyMs`. */
export const useNow = (everyMs: number) => useTicking(nowMs, everyMs);
/** The phone's own time, for the age of what it has kept. */
export const useWallNow = (everyMs: number) => useTicking(Date.now, everyMs);
