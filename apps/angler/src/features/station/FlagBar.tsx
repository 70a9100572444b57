import type { OutingState } from '@burrow/core/ledger';
import { useEffect, useState } from 'react';
import { Action } from '@/ui/Action';
import { flagOf, flagsUp, flagText } from './tip-ups';

/** The tip-up whose flag has been up longest, with its seconds; nothing while all are down. */
export function FlagBar({ outing, nowMs, onPress }: { outing: OutingState; nowMs: number; onPress: () => void }) {
  const [line] = flagsUp(outing);
  const sinceMs = useTicking(line ? nowMs - flagOf(line)! : 0, line !== undefined);
  if (!line) return null;
  const where = outing.stations.find((h) => h.id === line.station)?.label ?? '?';
  return <Action kind="main" height={64} label={`Flag up at hole ${where}, ${flagText(sinceMs)}`} onPress={onPress} />;
}

/** A span that grows by the second between two renderings that know the time. */
function useTicking(ms: number, runs: boolean): number {
  const [extra, setExtra] = useState({ from: ms, by: 0 });
  if (extra.from !== ms) setExtra({ from: ms, by: 0 });
  useEffect(() => {
    if (!runs) return undefined;
    const timer = setInterval(() => setExtra((e) => ({ ...e, by: e.by + 1000 })), 1000);
    return () => clearInterval(timer);
  }, [runs]);
  return ms + extra.by;
}
