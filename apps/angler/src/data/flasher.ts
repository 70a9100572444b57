import { proxy, type Remote } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CadenceId, CoachHere, CoachMemory } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import type { DrillReview } from '@burrow/core/practice';
import type { FlasherApi } from '@/workers/flasher.api';
import type { Frame, SessionConfig } from '@/workers/frame';
import { spawnFlasher } from '@/workers/spawn';

export interface FlasherControl {
  frame: Frame | null;
  /** Why it cannot be read, in words. */
  failure: string | null;
  /** Called at every ping, outside React's rendering. */
  onPing: (listener: (frame: Frame) => void) => () => void;
  setLine: (depthM: number, handMs?: number | null) => void;
  /** Works the rod in a cadence; a slow lift draws the line up. */
  work: (cadence: CadenceId, waterTempC: number) => void;
  /** Tells the coach which depths the fish are looked for in here. */
  knows: (here: CoachHere) => void;
  /** Tells the coach what the fish did. */
  reacted: (kind: ReactionKind | 'landed') => void;
  /** What the coach has learnt, for another reading of the same outing. */
  memory: () => Promise<CoachMemory | undefined>;
  review: () => Promise<DrillReview | null>;
  /** The last minutes as an echo log. */
  log: () => Promise<string | null>;
  /** Opens a recorded log; answers its length, ms, and rejects with what is wrong in it. */
  open: (text: string) => Promise<number>;
  play: (speed: number) => void;
  seek: (ms: number) => void;
  strike: () => Promise<{ lengthMm: number; depthM: number } | null>;
}

/** How far a slow lift draws the line up, m. */
const drawM = 0.5;

/** Words and figures change no oftener than this, ms: nobody reads faster, and a phone that draws the screen anew at every ping does nothing else. */
const wordsMs = 340;

/** Passes frames on at a reader's pace, the latest last; a jig that was moved, or another source, is shown at once. */
export function slowed(show: (frame: Frame) => void): { push: (frame: Frame) => void; stop: () => void } {
  let shown: Frame | null = null;
  let waiting: Frame | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const pass = (frame: Frame) => {
    clearTimeout(timer);
    [shown, waiting] = [frame, null];
    timer = setTimeout(() => {
      timer = undefined;
      if (waiting) pass(waiting);
    }, wordsMs);
    show(frame);
  };
  return {
    push: (frame) => {
      if (timer === undefined || shown === null || shown.lineM !== frame.lineM || shown.source !== frame.source) pass(frame);
      else waiting = frame;
    },
    stop: () => clearTimeout(timer),
  };
}

/** Reads a flasher in a worker while the component is there; a log where `isLog`, once one is opened. */
export function useFlasher(watch: SessionConfig | null, isLog = false): FlasherControl {
  const [frame, setFrame] = useState<Frame | null>(null);
  const [failure, setFailure] = useState<{ key: string; text: string } | null>(null);
  const remote = useRef<Remote<FlasherApi> | null>(null);
  const show = useRef<((frame: Frame) => void) | null>(null);
  const listeners = useRef(new Set<(frame: Frame) => void>());
  const key = watch ? JSON.stringify(watch) : null;
  useEffect(() => {
    if (key === null) return undefined;
    const worker = spawnFlasher();
    remote.current = worker.remote;
    const words = slowed(setFrame);
    show.current = proxy((next: Frame) => {
      words.push(next);
      for (const listener of listeners.current) listener(next);
    });
    if (!isLog)
      worker.remote
        .start(
          JSON.parse(key) as SessionConfig,
          show.current,
          proxy((text: string | null) => setFailure(text === null ? null : { key, text })),
        )
        .catch((error: Error) => setFailure({ key, text: `The flasher cannot be read: ${error.message}` }));
    return () => {
      words.stop();
      worker.end();
      remote.current = null;
      setFrame(null);
    };
  }, [key, isLog]);
  const control = useMemo(
    () => ({
      onPing: (listener: (frame: Frame) => void) => {
        listeners.current.add(listener);
        return () => void listeners.current.delete(listener);
      },
      setLine: (depthM: number, handMs?: number | null) => void remote.current?.setLine(depthM, handMs),
      work: (cadence: CadenceId, waterTempC: number) => void remote.current?.work(cadence, waterTempC, drawM),
      knows: (here: CoachHere) => void remote.current?.knows(here),
      reacted: (kind: ReactionKind | 'landed') => void remote.current?.reacted(kind),
      memory: async () => remote.current?.memory(),
      review: async () => (await remote.current?.review()) ?? null,
      log: async () => (await remote.current?.log()) ?? null,
      open: async (text: string) => {
        if (!remote.current || !show.current || key === null) throw new Error('The reader is not there yet.');
        return remote.current.open(text, JSON.parse(key) as SessionConfig, show.current);
      },
      play: (speed: number) => void remote.current?.play(speed),
      seek: (ms: number) => void remote.current?.seek(ms),
      strike: async () => (await remote.current?.strike()) ?? null,
    }),
    [key],
  );
  return { frame, failure: failure?.key === key ? failure.text : null, ...control };
}
