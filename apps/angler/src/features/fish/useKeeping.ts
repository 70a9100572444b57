import { speciesOf } from '@burrow/core/fish';
import { keepProblems, keptOf, planOfKept, planOfKeptText, type RuleCard } from '@burrow/core/law';
import type { OutingState } from '@burrow/core/ledger';
import { useState } from 'react';
import { nowMs } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';

/** What speaks against keeping a fish, by the card of its water and by what one meant to keep; read once before it is kept all the same. */
export function useKeeping(outing: OutingState, id: string | null, lengthMm: number | null, card: RuleCard | undefined, zone: string) {
  const { units } = usePreferences();
  const { state } = useLedger();
  const [readFor, setReadFor] = useState('');
  const kept = id === null ? null : keptOf(state, id, nowMs(), zone);
  const plan = planOfKept(outing);
  const bag = card?.fish.find((f) => f.species === id)?.bag;
  const problems: string[] = [];
  if (id !== null && kept && card) problems.push(...keepProblems(card, { species: id, name: speciesOf(id).short, lengthMm }, kept, units));
  const byCard = problems.length > 0;
  if (plan?.isFull) problems.push(planOfKeptText(plan, bag));
  const warned = `${id} ${problems.join(' ')}`;
  return {
    problems,
    byCard,
    /** Whether it has to be read first. */
    isWarned: problems.length > 0 && readFor !== warned,
    read: () => setReadFor(warned),
    keptToday: kept?.today ?? 0,
    planText: plan && !plan.isFull ? planOfKeptText(plan, bag) : null,
    /** The plan with one more kept, in a word or two; empty without a plan. */
    withOneMore: plan ? `, ${plan.kept + 1} of ${plan.planned}${plan.kept + 1 >= plan.planned ? ': stop here' : ''}` : '',
  };
}
