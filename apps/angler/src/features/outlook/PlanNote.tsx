import type { OutingState } from '@burrow/core/ledger';
import { clockText } from '@burrow/core/units';
import { Text } from '@/ui/Text';

/** What the day's plan says comes next, as it was carried into the outing. */
export function PlanNote({ plan, nowMs, timeZone }: { plan: OutingState['plan']; nowMs: number; timeZone: string }) {
  const next = plan.find((item) => item.ms > nowMs);
  return next ? <Text>{`Planned next, ${clockText(next.ms, timeZone)}: ${next.what}.`}</Text> : null;
}
