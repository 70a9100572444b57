import type { WaterDetail } from '@burrow/contract/api';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { LedgerEvent } from '@burrow/core/ledger';
import { methodOf, methodsOn, otherMethods, usualMethod, type Method } from '@burrow/core/methods';
import { isoWithOffset } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { newId } from '@/data/ids';
import { useDayPlan } from '@/data/day-plan';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useChooseSpecies, useSpecies } from '@/data/species';
import { useOuting } from '@/data/water';

/** The outing under way on a water, how one is started there, and how it ends. */
export function useOutingHere(water: WaterDetail) {
  const { ledger, ready, state } = useLedger();
  const { species, isChosen, place: fishPlace } = useSpecies(water.file, water.id);
  const choose = useChooseSpecies(water.id);
  // A way that is to begin, and waits for which fish.
  const [asking, setAsking] = useState<Method | null>(null);
  const { outlook, situation } = useOutlook();
  const { items: plan } = useDayPlan();
  const { goal } = usePreferences();
  const router = useRouter();
  const underWay = useOuting();
  const isStarting = useRef(false);
  const [ended, setEnded] = useState<{ event: LedgerEvent; text: string } | null>(null);
  const zone = water.file.water.timezone;
  // What is under way on another water is not fished from here.
  const outing = underWay?.water === water.id ? underWay : undefined;
  const elsewhere = outing ? undefined : underWay;
  // Moving water is never walked on, whether or not there is weather to say more.
  const surface = isFlowing(water.file.water.kind) ? 'moving' : (situation?.surface.value ?? outlook?.surface ?? 'unknown');
  const [ways, otherWays] = [methodsOn(surface), otherMethods(surface)];
  const last = state.outings.findLast((o) => o.water === water.id)?.method;
  const lastWay = ways.find((way) => way.id === last);
  // What the outing is fished with, else what this water asks for now.
  const method = (outing && methodOf(outing.method)) ?? ways[0] ?? usualMethod;

  const begin = async (by: Method, target: string) => {
    // A second tap before the first is written begins no second outing.
    if (isStarting.current) return;
    isStarting.current = true;
    try {
      const id = newId();
      if (elsewhere) setEnded({ event: await ledger.write({ id: elsewhere.id, zone }, 'outing-ended', {}), text: `Outing on ${elsewhere.waterName} ended` });
      await ledger.write({ id, zone }, 'outing-started', {
        water: water.id,
        waterName: water.file.water.name,
        species: [target],
        goal,
        method: by.id,
        ...(plan.length > 0 ? { plan: plan.map((item) => ({ at: isoWithOffset(item.atMs, zone), what: item.what })) } : {}),
      });
    } finally {
      isStarting.current = false;
    }
  };
  /** Fish are asked, never assumed: nothing begins before somebody has said which, here and for once. */
  const start = async (by: Method) => (isChosen ? begin(by, species) : setAsking(by));
  const startFor = async (target: string) => {
    const by = asking!;
    setAsking(null);
    choose(target);
    await begin(by, target);
  };
  /** Ends the outing and shows what it came to, where the end can be taken back. */
  const end = async () => {
    await ledger.write({ id: outing!.id, zone }, 'outing-ended', {});
    router.navigate({ pathname: '/outing', params: { id: outing!.id } });
  };
  const undoEnd = () => {
    if (ended) void ledger.write({ id: ended.event.outing, zone }, 'undone', { target: ended.event.id });
    setEnded(null);
  };
  return {
    outing,
    elsewhere,
    ready,
    zone,
    surface,
    ways,
    otherWays,
    lastWay,
    method,
    start,
    asking: asking ? { place: fishPlace, onFish: startFor, onClose: () => setAsking(null) } : null,
    end,
    ended,
    undoEnd,
    forgetEnded: () => setEnded(null),
  };
}

export type OutingHere = ReturnType<typeof useOutingHere>;
