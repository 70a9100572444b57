import { useEffect } from 'react';
import { ObservableValue, useObservable } from './observable-value';

/** Whether the browser has promised not to throw the log away when room gets short; null before it was asked, `unknown` where it cannot be. */
export type Persistence = 'promised' | 'not promised' | 'unknown' | null;

const answer = new ObservableValue<Persistence>(null);

async function read(): Promise<Persistence> {
  const storage = globalThis.navigator?.storage;
  if (!storage?.persisted) return 'unknown';
  return (await storage.persisted()) ? 'promised' : 'not promised';
}

/** Asks the browser to keep the log for good. Some ask the user, some decide by how the page is used; the answer is shown in Gear. */
export async function askToPersist(): Promise<void> {
  const storage = globalThis.navigator?.storage;
  if (!storage?.persist) {
    answer.set('unknown');
    return;
  }
  answer.set((await storage.persist()) ? 'promised' : 'not promised');
}

/** What the browser has said of keeping the log. */
export function usePersistence(): Persistence {
  useEffect(() => {
    void read().then((found) => answer.set(found));
  }, []);
  return useObservable(answer);
}
