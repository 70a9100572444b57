import { dayPlan, startingPlan, type PlanItem } from '@burrow/core/outlook';
import { stepsOn } from '@burrow/core/methods';
import { dayText } from '@burrow/core/units';
import { useMemo } from 'react';
import { useOutlook } from './outlook';
import { change, usePreferences } from './preferences';

/** The plan of the day on the water in use: as computed, or as the angler has changed it for this day, water and fish. */
export function useDayPlan() {
  const { outlook, input, situation, water, zone, nowMs } = useOutlook();
  const { units, plan: kept } = usePreferences();
  const computed = useMemo(() => {
    const sun = outlook?.sun.find((s) => s.duskMs > nowMs);
    return outlook && input && sun ? dayPlan(outlook.windows, sun, outlook.depth, { ...startingPlan, steps: stepsOn(outlook.surface) }, nowMs, units) : [];
  }, [outlook, input, nowMs, units]);
  const key = water && situation ? `${water.id}/${situation.species.value}/${dayText(nowMs, zone)}` : '';
  const isEdited = kept !== null && kept.key === key;
  return {
    items: isEdited ? kept.items : computed,
    isEdited,
    put: (items: PlanItem[]) => change({ plan: { key, items } }),
    reset: () => change({ plan: null }),
  };
}
