import { proxy, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { FlasherApi, Frame, Watch } from '@/workers/flasher.api';
import { spawnFlasher } from '@/workers/spawn';

export interface FlasherControl {
  frame: Frame | null;
  /** Why it cannot be read, in words. */
  failure: string | null;
  /** Called at every ping, outside React's rendering. */
  onPing: (listener: (frame: Frame) => void) => () => void;
  setLine: (depthM: number) => void;
  setRod: Remote<FlasherApi>['setRod'];
  strike: () => Promise<{ lengthMm: number; depthM: number } | null>;
}

/** Reads a flasher in a worker while the component is there. */
export function useFlasher(watch: Watch | null): FlasherControl {
  const [frame, setFrame] = useState<Frame | null>(null);
  const [failure, setFailure] = useState<{ key: string; text: string } | null>(null);
  const remote = useRef<Remote<FlasherApi> | null>(null);
  const listeners = useRef(new Set<(frame: Frame) => void>());
  const key = watch ? JSON.stringify(watch) : null;
  useEffect(() => {
    if (key === null) return undefined;
    const worker = spawnFlasher();
    remote.current = worker.remote;
    const show = (next: Frame) => {
      setFrame(next);
      for (const listener of listeners.current) listener(next);
    };
    worker.remote.start(JSON.parse(key) as Watch, proxy(show)).catch((error: Error) => setFailure({ key, text: `The flasher cannot be read: ${error.message}` }));
    return () => {
      worker.end();
      remote.current = null;
      setFrame(null);
    };
  }, [key]);
  const control = useMemo(
    () => ({
      onPing: (listener: (frame: Frame) => void) => {
        listeners.current.add(listener);
        return () => void listeners.current.delete(listener);
      },
      setLine: (depthM: number) => void remote.current?.setLine(depthM),
      setRod: ((rod) => remote.current?.setRod(rod)) as Remote<FlasherApi>['setRod'],
      strike: async () => (await remote.current?.strike()) ?? null,
    }),
    [],
  );
  return { frame, failure: failure?.key === key ? failure.text : null, ...control };
}
