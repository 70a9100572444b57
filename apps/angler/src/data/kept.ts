import { useQuery } from '@tanstack/react-query';
import { ApiError } from './api';
import { useAccount } from './session';

/** Whether the server answered that there is nothing of the kind. */
export const isNone = (error: unknown): boolean => error instanceof ApiError && error.status === 404;

/** What did not come is asked for again after this, ms: a service that was slow once is let alone by the server for a minute. */
const failedAgainMs = 75_000;

/** A query whose last answer is kept on the phone and shown, with its age, while there is no signal. */
export function useKept<T>(name: readonly string[], ask: () => Promise<T>, staleMs: number, enabled = true) {
  const { store } = useAccount();
  const key = name.join('/');
  return useQuery({
    queryKey: name,
    enabled,
    staleTime: staleMs,
    // What did not come is asked for again soon; what did keeps its own pace.
    refetchInterval: (query) => (query.state.status === 'error' ? Math.min(staleMs, failedAgainMs) : staleMs),
    retry: (failures, error) => failures < 1 && !isNone(error),
    queryFn: async (): Promise<{ value: T; keptMs: number }> => {
      try {
        const kept = { value: await ask(), keptMs: Date.now() };
        await store.keep(key, kept, false);
        return kept;
      } catch (error) {
        // A server that answers that there is none is no lost signal: what was kept before is not there any more.
        if (isNone(error)) {
          await store.keep(key, null, false);
          throw error;
        }
        const last = await store.setting<{ value: T; keptMs: number } | null>(key);
        if (last) return last;
        throw error;
      }
    },
  });
}
