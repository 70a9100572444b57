import type { LedgerState, OutingState } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { useState } from 'react';
import { change, isForWay, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

/** The way of fishing that a line went down in last, on any water, and its outing; null before the first. */
function lastLined({ outings }: LedgerState): { method: string; outing: string } | null {
  const lines = outings.flatMap((o) => o.lines.map((line) => ({ downMs: line.downMs, outing: o.id, method: o.stations.find((s) => s.id === line.station)?.method ?? o.method })));
  return lines.reduce<(typeof lines)[number] | null>((last, line) => (last === null || line.downMs > last.downMs ? line : last), null);
}

/** Outings in which it was asked in a way already, and answered or waved away. */
const asked = new Set<string>();

/** What is on the line, asked where one fishes in another way than last, or what was tied on belongs to another. Nothing is taken over unasked. */
export function BaitQuestion({ outing, method }: { outing: OutingState; method: string }) {
  const { presentations, presentation } = usePreferences();
  const { state } = useLedger();
  const key = `${outing.id}/${method}`;
  const [isDone, setDone] = useState(asked.has(key));
  const tied = presentations.find((p) => p.id === presentation);
  const last = lastLined(state);
  // A bait that was cast a minute ago goes straight down as it is.
  const isOtherWay = last !== null && last.method !== method && last.outing !== outing.id;
  if (isDone || !tied || (isForWay(tied, method) && !isOtherWay)) return null;
  const done = (id: string | null | undefined) => {
    asked.add(key);
    setDone(true);
    if (id !== undefined) change({ presentation: id });
  };
  const fitting = presentations.filter((p) => isForWay(p, method));
  return (
    <Sheet title="What is on the line?" open onClose={() => done(undefined)}>
      <Text tone="second">{`Last was ${tied.name}. You fish ${methodOf(method)?.offer.toLowerCase() ?? 'in another way'} now.`}</Text>
      {fitting.map((p) => (
        <Action key={p.id} width="100%" height={60} kind={p.id === tied.id ? 'main' : 'plain'} label={p.id === tied.id ? `Still ${p.name}` : p.name} onPress={() => done(p.id)} />
      ))}
      <Action width="100%" height={60} label="Something else: leave it unsaid" onPress={() => done(null)} />
    </Sheet>
  );
}
