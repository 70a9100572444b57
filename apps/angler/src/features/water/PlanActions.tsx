import type { useHoles } from '@/data/holes';
import type { KeptHolePlan } from '@/data/preferences';
import { Action } from '@/ui/Action';

interface Props {
  drilling: ReturnType<typeof useHoles>;
  /** Whether the way fished is one on ice: holes are planned for no other. */
  isOnIce: boolean;
  onPlan: () => void;
  onDropped: (plan: KeptHolePlan) => void;
}

/** Lays holes out, or drops the plan. */
export function PlanActions({ drilling, isOnIce, onPlan, onDropped }: Props) {
  const { plan, make, isReady, drop } = drilling;
  if (!isOnIce) return null;
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
