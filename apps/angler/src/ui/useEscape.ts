import { useLayoutEffect, useRef } from 'react';
import { Platform } from 'react-native';

/** What is open, the uppermost last: one press of Escape closes one. */
const open: object[] = [];

/** Closes by Escape from the moment it is drawn: a key pressed before the browser has come to rest is not lost. */
export function useEscape(isOpen: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  useLayoutEffect(() => {
    close.current = onClose;
  });
  useLayoutEffect(() => {
    if (!isOpen || Platform.OS !== 'web') return;
    const me = {};
    open.push(me);
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || open.at(-1) !== me) return;
      event.stopImmediatePropagation();
      close.current();
    };
    document.addEventListener('keydown', press);
    return () => {
      document.removeEventListener('keydown', press);
      open.splice(open.indexOf(me), 1);
    };
  }, [isOpen]);
}
