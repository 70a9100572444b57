import type { WaterDetail } from '@burrow/contract/api';
import { placesOf } from '@burrow/contract/formats/water-marks';
import { deepestSoughtM, likePlaceWords } from '@burrow/core/holes';
import { bitesAndBlanks } from '@burrow/core/season';
import type { LonLat } from '@burrow/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useComputed } from '@/data/computed';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { groundWorker } from '@/data/ground';
import type { Ground } from '@/workers/ground.api';
import type { OutingHere } from './useOutingHere';

/** From so many bites on a place can be like where they came; named at a time. */
const [leastBites, named] = [2, 4] as const;

interface Props {
  water: WaterDetail;
  ground: Ground;
  here: OutingHere;
  from: LonLat;
  onPlace: (at: LonLat) => void;
}

/** More places like those where fish bit: on the outing under way where it has bites enough, else on this water so far. Nothing before. */
export function LikeList({ water, ground, here, from, onPlace }: Props) {
  const { units } = usePreferences();
  const { state } = useLedger();
  const { situation } = useOutlook();
  const { outing } = here;
  const found = useMemo(() => {
    const now = outing ? bitesAndBlanks([outing]) : null;
    const isOfNow = now !== null && now.bites.length >= leastBites;
    return { isOfNow, ...(isOfNow ? now : bitesAndBlanks(state.outings.filter((o) => o.water === water.id))) };
  }, [outing, state, water.id]);
  const marks = useMemo(
    () => ({ cover: placesOf(water.file, 'cover'), hard: placesOf(water.file, 'hard'), inflows: [...placesOf(water.file, 'inflow'), ...placesOf(water.file, 'outflow')] }),
    [water.file],
  );
  const deepestM = situation ? deepestSoughtM(situation.species.value, situation.goal.value === 'supper') : Infinity;
  const noDeeperM = Number.isFinite(deepestM) ? deepestM : null;
  const asked = { noDeeperM, marks, bites: found.bites, blanks: found.blanks, count: named };
  const { data } = useComputed({
    key: ['like', water.id],
    of: JSON.stringify([asked, ground.map.soundings, ground.levelM]),
    enabled: found.bites.length >= leastBites,
    compute: async () => (await groundWorker()).like(water.id, asked),
  });
  if (found.bites.length < leastBites || !data || data.length === 0) return null;
  const few = found.bites.length < 5 ? ` ${found.bites.length} bites are a hint only.` : '';
  return (
    <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 8 }}>
      <Text heading={2} size="lead">
        {found.isOfNow ? 'More places like where they bit today' : 'More places like where they bit here'}
      </Text>
      <Text size="small" tone="second">{`By what the bites share against where line was without one.${few} A touch puts the ring there.`}</Text>
      {data.map((place) => {
        const words = likePlaceWords(place, from, units);
        return (
          <View key={place.at.join()} style={{ gap: 2 }}>
            <Action width="100%" height={60} label={words.headline} onPress={() => onPlace(place.at)} />
            <Text size="small" tone="second">
              {words.detail}
            </Text>
          </View>
        );
      })}
    </View>
  );
}
