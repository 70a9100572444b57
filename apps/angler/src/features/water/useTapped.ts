import type { LonLat } from '@burrow/core/ground';
import { useEffect, useState } from 'react';
import { isWhereKnown, whereAmI } from './where-am-i';

/** The place tapped on the map, and where the phone says one stands. */
export function useTapped(isOverWater: (at: LonLat) => boolean) {
  const [tapped, setTapped] = useState<LonLat | null>(null);
  const [position, setPosition] = useState<LonLat | null>(null);
  const [says, setSays] = useState<string | null>(null);
  // Where the phone may say where it is without asking, it does so unasked.
  useEffect(() => {
    let isHere = true;
    void isWhereKnown().then(async (known) => {
      if (!known) return;
      const here = await whereAmI().catch(() => null);
      if (here && isHere) setPosition((now) => now ?? here);
    });
    return () => {
      isHere = false;
    };
  }, []);
  const locate = () => {
    setSays('Looking for you');
    whereAmI().then(
      (here) => {
        const isOver = isOverWater(here);
        setPosition(here);
        setSays(isOver ? null : 'You are not over this water');
        if (isOver) setTapped(here);
      },
      (error: Error) => setSays(`${error.message} Tap the map instead.`),
    );
  };
  return { tapped, setTapped, position, says, locate };
}
