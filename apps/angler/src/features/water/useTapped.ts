import type { LonLat } from '@burrow/core/ground';
import { useState } from 'react';

/** The place tapped on the map, and where the phone says one stands. */
export function useTapped(isOverWater: (at: LonLat) => boolean) {
  const [tapped, setTapped] = useState<LonLat | null>(null);
  const [position, setPosition] = useState<LonLat | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const locate = () => {
    setSays('Looking for you');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const here: LonLat = [coords.longitude, coords.latitude];
        const isOver = isOverWater(here);
        setPosition(here);
        setSays(isOver ? null : 'You are not over this water');
        if (isOver) setTapped(here);
      },
      () => setSays('The phone does not say where it is. Tap the map instead.'),
      { enableHighAccuracy: true, timeout: 10_000 },
    );
  };
  return { tapped, setTapped, position, says, locate };
}
