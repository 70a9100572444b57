import { useEffect, useRef, useState } from 'react';

/** While the finger moves, the rest of the screen follows so often, ms: drawing all of it for each move would make the aim lag. */
const restMs = 120;

/**
 * An aim that follows the finger at once, and hands itself on now and then and when the finger is lifted.
 * @param onAim gets the bearing for the rest of the screen, degrees
 */
export function useLiveAim(onAim: (deg: number) => void) {
  const [live, setLive] = useState<number | null>(null);
  const wanted = useRef<number | null>(null);
  const frame = useRef(0);
  const handedMs = useRef(0);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const draw = () => {
    frame.current = 0;
    const deg = wanted.current;
    if (deg === null) return;
    setLive(deg);
    const now = performance.now();
    if (now - handedMs.current < restMs) return;
    handedMs.current = now;
    onAim(deg);
  };
  return {
    live,
    move: (deg: number) => {
      wanted.current = deg;
      if (frame.current === 0) frame.current = requestAnimationFrame(draw);
    },
    release: () => {
      if (wanted.current !== null) onAim(wanted.current);
      wanted.current = null;
      setLive(null);
    },
  };
}
