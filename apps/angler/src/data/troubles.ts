import { OfflineError } from './api';
import { FileRefused } from './files';
import { ObservableValue } from './observable-value';

/** What failed without any screen saying so; null when nothing did, or it was read. */
export const trouble = new ObservableValue<string | null>(null);

/** Fetches that were given up on purpose, and a chunk that a new version replaced: each is said where it matters. */
const isExpected = (reason: unknown): boolean => reason instanceof Error && (reason.name === 'AbortError' || reason.name === 'CancelledError');

/** What to tell of a failure that nobody caught. */
export function troubleText(reason: unknown): string | null {
  if (isExpected(reason)) return null;
  if (reason instanceof OfflineError) return 'No signal: that did not go. What you log is kept on this phone.';
  if (reason instanceof FileRefused) return reason.message;
  const why = reason instanceof Error ? reason.message : String(reason);
  return `Something failed: ${why.slice(0, 200)}`;
}

/** Shows every failure that nobody caught, rather than swallowing it. */
export function watchTroubles(target: Pick<Window, 'addEventListener'>): void {
  target.addEventListener('unhandledrejection', (event) => {
    const text = troubleText((event as PromiseRejectionEvent).reason);
    if (text !== null) trouble.set(text);
  });
}
