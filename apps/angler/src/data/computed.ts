import { useQuery, type QueryKey } from '@tanstack/react-query';
import { useEffect } from 'react';

interface Computed<T> {
  /** What is computed, and of which water: one answer is kept for each. */
  key: QueryKey;
  /** What the answer depends on, as text: when it changes the answer is computed anew, and the one before is shown until then. */
  of: string;
  enabled: boolean;
  compute: () => Promise<T>;
}

interface Kept<T> {
  of: string;
  value: T | undefined;
  error: Error | null;
}

/** Answers that are cheap to compute again are forgotten this long after they were last shown, ms. */
export const shortlyKeptMs = 30_000;

/**
 * An answer computed on the phone and kept while what it depends on stays the same. Only the last one is kept: under a key for each state of
 * the log, every old state would stay in memory with its answer.
 */
export function useComputed<T>({ key, of, enabled, compute }: Computed<T>) {
  const { data, isFetching, refetch } = useQuery({
    queryKey: key,
    enabled,
    staleTime: Infinity,
    networkMode: 'always',
    queryFn: (): Promise<Kept<T>> =>
      compute().then(
        (value) => ({ of, value, error: null }),
        (error: Error) => ({ of, value: undefined, error }),
      ),
  });
  const isBehind = enabled && !isFetching && data !== undefined && data.of !== of;
  useEffect(() => {
    if (isBehind) void refetch();
  }, [isBehind, refetch]);
  const error = data?.error ?? null;
  /** Whether the answer is that to an earlier question, and the new one is still on its way. */
  return { data: data?.value, isBehind: data !== undefined && data.of !== of, isPending: data === undefined, isError: error !== null, error };
}
