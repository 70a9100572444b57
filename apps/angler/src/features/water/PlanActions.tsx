import { usualMethod, type Method } from '@burrow/core/methods';
import type { useHoles } from '@/data/holes';
import type { KeptHolePlan } from '@/data/preferences';
import { Action } from '@/ui/Action';

interface Props {
  drilling: ReturnType<typeof useHoles>;
  /** Whether the way fished is one on ice: holes are planned for no other. */
  isOnIce: boolean;
  /** Starts on ice where the model says that there is none; null where ice is offered anyway. */
  onStartOnIce: ((method: Method) => Promise<void>) | null;
  onPlan: () => void;
  onDropped: (plan: KeptHolePlan) => void;
}

/** Lays holes out, or drops the plan. */
export function PlanActions({ drilling, isOnIce, onStartOnIce, onPlan, onDropped }: Props) {
  const { plan, make, isReady, drop } = drilling;
  if (!isOnIce) return onStartOnIce ? <Action grow label="There is ice: start on it" onPress={() => void onStartOnIce(usualMethod)} /> : null;
  if (plan)
    return (
      <Action
        grow
        label="Drop the plan"
        onPress={() => {
          onDropped(plan);
          drop();
        }}
      />
    );
  const label = make.isPending ? 'Laying out' : isReady ? 'Plan holes' : 'Reading the water';
  return <Action grow label={label} disabled={make.isPending || !isReady} onPress={onPlan} />;
}
