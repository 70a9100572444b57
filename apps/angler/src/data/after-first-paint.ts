import { useEffect, useState } from 'react';

/** Time for the first answer to be painted before anything else is asked for, ms. */
const paintMs = 300;

/** True once `begun` has been shown and the page has nothing more urgent to do: for work that may wait for the first answer. */
export function useAfterFirstPaint(begun: boolean): boolean {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    if (!begun) return;
    let idle = 0;
    const settle = () => setSettled(true);
    const timer = setTimeout(() => {
      if (typeof requestIdleCallback === 'function') idle = requestIdleCallback(settle, { timeout: 1500 });
      else settle();
    }, paintMs);
    return () => {
      clearTimeout(timer);
      if (idle !== 0) cancelIdleCallback(idle);
    };
  }, [begun]);
  return settled;
}
