import type { OutingState, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod, type StationPicture } from '@burrow/core/methods';
import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { ComponentType } from 'react';
import { View } from 'react-native';
import { useOutlook } from '@/data/outlook';
import { useLedger } from '@/data/session';
import { useOuting, useWater } from '@/data/water';
import { CrewLine } from '@/features/crew/CrewLine';
import { CastScreen } from '@/features/cast/CastScreen';
import { PassScreen } from '@/features/pass/PassScreen';
import { PegScreen } from '@/features/peg/PegScreen';
import { BaitQuestion } from '@/features/tackle/BaitQuestion';
import { Notice } from '@/ui/Notice';
import { HoleScreen } from './HoleScreen';
import { NoHole } from './NoHole';
import { pictureTraits } from './pictures';

/** The screen of each picture: a new one is a row here. */
const screens: Readonly<Record<StationPicture, ComponentType<{ outing: OutingState; station: StationState }>>> = {
  column: HoleScreen,
  fan: CastScreen,
  section: PegScreen,
  lane: PassScreen,
};

/** What do I do right now? */
export function StationScreen() {
  const outing = useOuting();
  const { ready } = useLedger();
  const { water } = useWater();
  const { situation } = useOutlook();
  const station = outing?.stations.find((s) => s.id === outing.currentStation);
  if (!ready) return <Notice title="Opening the log" busy />;
  if (!outing || !station)
    return <NoHole hasOuting={Boolean(outing)} isMoving={Boolean(water && isFlowing(water.kind))} method={(outing && methodOf(outing.method)) ?? usualMethod} />;
  const picture = methodOf(station.method)?.picture ?? 'column';
  // A hole is fished also where its water is not on this phone; elsewhere what is known of the water comes a moment after the water itself.
  if (situation === null && picture !== 'column') return <Notice title="Opening the water" busy />;
  const Screen = screens[picture];
  return (
    <View style={{ flex: 1 }}>
      <CrewLine />
      <View style={{ flex: 1, minHeight: 0 }}>
        <Screen key={picture === 'column' ? station.id : picture} outing={outing} station={station} />
      </View>
      {pictureTraits[picture].asksBait ? <BaitQuestion key={`${outing.id} ${station.method}`} outing={outing} method={station.method} /> : null}
    </View>
  );
}
