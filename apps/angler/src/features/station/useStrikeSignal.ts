import { useEffect, useState } from 'react';
import type { FlasherControl } from '@/data/flasher';
import { vibrate } from '@/ui/vibrate';

/** How long a fish holds the jig, ms. */
const holdMs = 2500;

/** Whether a fish holds the jig now; the phone shakes when one takes it. */
export function useStrikeSignal({ onPing }: Pick<FlasherControl, 'onPing'>, onTake?: () => void): boolean {
  const [taken, setTaken] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const leave = onPing((frame) => {
      if (!frame.taken) return;
      setTaken(true);
      vibrate();
      onTake?.();
      clearTimeout(timer);
      timer = setTimeout(() => setTaken(false), holdMs);
    });
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [onPing, onTake]);
  return taken;
}
