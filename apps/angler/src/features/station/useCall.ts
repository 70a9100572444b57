import { useEffect, useRef } from 'react';
import type { FlasherControl } from '@/data/flasher';
import { usePreferences } from '@/data/preferences';

/** Not called again within this, ms. */
const quietMs = 12_000;

/** Calls out a fish that comes up to the jig, by voice or vibration, as the angler chose. */
export function useCall({ onPing }: Pick<FlasherControl, 'onPing'>): void {
  const { callBy } = usePreferences();
  const last = useRef({ ruleId: '', at: -Infinity });
  useEffect(() => {
    if (callBy === 'off') return undefined;
    return onPing(({ advice }) => {
      const ruleId = advice?.ruleId ?? '';
      const isNew = ruleId !== last.current.ruleId;
      last.current.ruleId = ruleId;
      const now = performance.now();
      if (!isNew || (advice?.sighting !== 'rising' && advice?.sighting !== 'hot') || now - last.current.at < quietMs) return;
      last.current.at = now;
      if (callBy === 'vibration') navigator.vibrate?.([80, 60, 80]);
      else globalThis.speechSynthesis?.speak(new SpeechSynthesisUtterance('Fish coming up'));
    });
  }, [callBy, onPing]);
}
