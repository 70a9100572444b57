import type { FeedingWindow, PlanItem } from '@burrow/core/outlook';
import { useState } from 'react';
import { saveFile } from '@/data/files';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

interface Props {
  water: string;
  fish: string;
  windows: readonly FeedingWindow[];
  plan: readonly PlanItem[];
}

/** Hours worth being there and the plan of the day, as a file for any calendar. */
export function CalendarKey({ water, fish, windows, plan }: Props) {
  const [why, setWhy] = useState<string | null>(null);
  if (windows.length + plan.length === 0) return null;
  const save = async () => {
    try {
      const { calendarIcs } = await import('@burrow/contract/formats/calendar-ics');
      const entries = [
        ...windows.map((w) => ({ id: `window-${w.fromMs}`, fromMs: w.fromMs, toMs: w.toMs, title: `${fish} feed: ${water}`, detail: w.reasons.map((r) => r.text).join(' ') })),
        ...plan.map((p) => ({ id: `plan-${p.id}-${p.atMs}`, fromMs: p.atMs, toMs: Math.max(p.untilMs, p.atMs), title: p.what, detail: p.why })),
      ];
      saveFile('windows.ics', 'text/calendar', calendarIcs(entries, water));
      setWhy(null);
    } catch {
      setWhy('The part that writes it is not on this phone yet: it comes with a signal.');
    }
  };
  return (
    <>
      <Action icon="download" label="To the calendar (ICS)" onPress={() => void save()} />
      {why ? <Text tone="straw">{why}</Text> : null}
    </>
  );
}
