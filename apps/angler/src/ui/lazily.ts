import { lazy, type ComponentType } from 'react';

const firstPauseMs = 500;
const longestPauseMs = 8000;
const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/**
 * A part of the app that is fetched when it is first shown, and asked for again as long as it does not come: with a weak signal a fetch fails now and
 * then, and React keeps what failed once as failed for good. Whoever shows it says how long it takes.
 */
export function lazily<P>(load: () => Promise<ComponentType<P>>) {
  return lazy(async () => ({ default: await untilItComes(load) }));
}

/** What is asked for until it comes, with longer and longer pauses of at most 8 s between. */
export async function untilItComes<T>(load: () => Promise<T>, wait: (ms: number) => Promise<void> = pause): Promise<T> {
  for (let ms = firstPauseMs; ; ms = Math.min(2 * ms, longestPauseMs)) {
    try {
      return await load();
    } catch {
      await wait(ms);
    }
  }
}
