import { useLayoutEffect } from 'react';
import type { ThumbKey } from './ThumbBar';

/**
 * Single keys on wide screens; `?` lists them. Not while something is typed. Bound as the keys are drawn: a key
 * pressed right after its button appears must not meet the set before it.
 */
export function useShortcuts(keys: readonly ThumbKey[], onHelp: () => void): void {
  useLayoutEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') onHelp();
      else keys.find((k) => k.shortcut === event.key.toUpperCase())?.onPress();
    };
    if (keys.length > 0) document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  });
}
