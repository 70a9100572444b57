import type { OutingState } from '@burrow/core/ledger';
import { clamp } from '@burrow/core/units';
import { useState } from 'react';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Stepper } from '@/ui/Stepper';

/** Fish that are usually meant to be kept where nobody has said, and the most that can be said. */
const [usualCount, mostCount] = [4, 100] as const;

/** How many fish one means to keep on this outing: fewer than the law allows, mostly. */
export function KeepPlan({ outing, zone }: { outing: OutingState; zone: string }) {
  const { ledger } = useLedger();
  const [isAsked, setAsked] = useState(false);
  const plan = outing.keepPlan;
  const say = (count: number) => void ledger.write({ id: outing.id, zone }, 'keep-planned', { count: clamp(count, 0, mostCount) });
  if (plan === undefined && !isAsked)
    return (
      <Action
        kind="bare"
        label="Say how many you mean to keep"
        onPress={() => {
          setAsked(true);
          say(usualCount);
        }}
      />
    );
  return (
    <Stepper label="Fish to keep today" text={String(plan ?? usualCount)} onStep={(d) => say((plan ?? usualCount) + d)} hint="What you mean to keep, not what the law allows." />
  );
}
