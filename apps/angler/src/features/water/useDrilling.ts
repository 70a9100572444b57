import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import { nextHoleWords, planWords, schoolPlace, schoolPlaceWords, shallowerText } from '@burrow/core/holes';
import type { Situation } from '@burrow/core/situation';
import type { UnitPreference } from '@burrow/core/units';
import { useFirstPlace, useHoles } from '@/data/holes';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import type { Ground } from '@/workers/ground.api';
import type { OutingHere } from './useOutingHere';
import type { Standpoint } from './useStandpoint';
import { firstWords, openUnderFoot } from './words';

interface Words {
  headline: string;
  detail: string;
}

/** Where to drill on standing water: the first place, the plan, the next hole, and what is said of them. */
export function useDrilling(water: WaterDetail, ground: Ground, here: OutingHere, { position }: Standpoint) {
  const { units } = usePreferences();
  const { column, weather, situation } = useOutlook();
  const settled = column.isPending && !weather.isError ? null : situation;
  const holes = useHoles(water, ground, settled, position);
  const first = useFirstPlace(water, ground, settled);
  const { outing } = here;
  const from = position ?? outing?.stations.at(-1)?.at ?? null;
  const isUnderWay = outing !== undefined && outing.stations.length > 0;
  const next = isUnderWay ? holes.next : null;
  // A school that was seen to the side goes before what map and rules promise.
  const school = outing && situation ? schoolPlace(outing, situation.nowMs) : null;
  const begin = useBeginning(first, here);
  const { plan, left, lastStay } = holes;
  const planned = plan && left.length > 0 ? planWords(plan, left.length, isUnderWay ? left.length : plan.wanted, units) : null;
  const overSchool = school && schoolPlaceWords(school, here.method.station.toLowerCase(), here.zone, units);
  const onward = next ? nextHoleWords(next, from, lastStay, units, here.method.station.toLowerCase()) : planned;
  const words = overSchool ?? (onward ? withDepthKept(onward, situation, units) : begin);
  return { holes, words, from, at: school?.at ?? next?.at ?? left[0]?.at ?? first.data?.at ?? null };
}

/** What is said before anything was drilled or planned. */
function useBeginning(first: ReturnType<typeof useFirstPlace>, { outing, surface, method }: OutingHere): Words {
  const { column, without, situation } = useOutlook();
  const hasBand = situation?.band != null;
  const fish = speciesOf(situation?.species.value ?? '').short;
  const begin = firstWords(first.data, column.isPending || (hasBand && first.isPending), fish, surface === 'open' && !outing, hasBand);
  // Somebody means to walk where nothing says that there is ice.
  if (outing && method.isOnIce && surface === 'open') return { ...begin, detail: `${openUnderFoot} ${begin.detail}` };
  if (!without || !situation) return begin;
  return { ...begin, detail: `${begin.detail} Without weather, places are scored by the date: ${situation.stage.value}, steady weather.` };
}

/** With the reason where a place is shallower than the fish are, for those that are put back. */
function withDepthKept(words: Words, situation: Situation | null, units: UnitPreference): Words {
  const kept = situation && shallowerText(situation.species.value, situation.goal.value === 'supper', situation.band?.value ?? null, units);
  return kept ? { ...words, detail: `${words.detail} ${kept}` } : words;
}
