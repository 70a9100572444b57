import { useEffect, useState } from 'react';

interface Heading extends Event {
  /** Degrees from north against the clock, where it is absolute. */
  alpha: number | null;
  absolute: boolean;
  webkitCompassHeading?: number;
}

type AskingOrientation = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** Whether the browser may know where the phone points. */
export const hasCompass = (): boolean => typeof globalThis.DeviceOrientationEvent !== 'undefined' && globalThis.matchMedia?.('(pointer: coarse)').matches === true;

/**
 * Where the phone points, degrees from north, while it is asked for.
 * @param onHeading gets each heading; `onNone` says in words why there is none
 */
export function useCompass(onHeading: (deg: number) => void) {
  const [isOn, setOn] = useState(false);
  const [why, setWhy] = useState<string | null>(null);
  useEffect(() => {
    if (!isOn) return undefined;
    let hasCome = false;
    const take = (event: Event) => {
      const { alpha, absolute, webkitCompassHeading } = event as Heading;
      const heading = webkitCompassHeading ?? (absolute && alpha !== null ? (360 - alpha) % 360 : null);
      if (heading === null) return;
      hasCome = true;
      onHeading(heading);
    };
    globalThis.addEventListener('deviceorientationabsolute', take);
    globalThis.addEventListener('deviceorientation', take);
    const timer = setTimeout(() => {
      if (hasCome) return;
      setWhy('No compass answers on this phone. Drag on the map to aim.');
      setOn(false);
    }, 3000);
    return () => {
      clearTimeout(timer);
      globalThis.removeEventListener('deviceorientationabsolute', take);
      globalThis.removeEventListener('deviceorientation', take);
    };
  }, [isOn, onHeading]);
  const toggle = async () => {
    setWhy(null);
    if (isOn) return setOn(false);
    const { requestPermission } = globalThis.DeviceOrientationEvent as unknown as AskingOrientation;
    const allowed = requestPermission ? await requestPermission().catch(() => 'denied' as const) : 'granted';
    if (allowed === 'granted') setOn(true);
    else setWhy('The phone does not allow its compass here. Drag on the map to aim.');
  };
  return { isOn, why, toggle };
}
