import type { WaterDetail } from '@burrow/contract/api';
import type { LonLat } from '@burrow/core/ground';
import type { OutingState } from '@burrow/core/ledger';
import { placeText } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { placeFrom } from '@/features/water/where-am-i';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { OutingMap } from './OutingMap';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));
const mapPx = 240;

interface Props {
  outing: OutingState;
  /** Undefined while its map is not on this phone: the place is typed then. */
  water: WaterDetail | undefined;
  at: LonLat | null;
  onPlace: (at: LonLat) => void;
}

/** Where a place lies: touched on the map of its outing, or typed; read back on the map either way. */
export function PlaceField({ outing, water, at, onPlace }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const type = (text: string) => {
    setTyped(text);
    setSays(null);
    if (text.trim() === '') return;
    try {
      onPlace(placeFrom(text));
    } catch (error) {
      setSays((error as Error).message);
    }
  };
  return (
    <View style={{ gap: 6 }}>
      <Text strong>Where it lies</Text>
      {water ? (
        <View style={{ height: mapPx }}>
          <OutingMap
            water={water}
            outing={outing}
            candidate={at}
            onTap={(touched) => {
              setTyped(null);
              setSays(null);
              onPlace(touched);
            }}
          />
        </View>
      ) : null}
      <Suspense fallback={null}>
        <Field label="Latitude, longitude" value={typed ?? (at ? placeText(at) : '')} onChangeText={type} maxLength={80} />
      </Suspense>
      <Text size="small" tone="second">
        {says ?? (at ? 'Touch the map to move it.' : water ? 'Touch the map where it was, or type it.' : 'Type where it was: the map of this water is not on this phone.')}
      </Text>
    </View>
  );
}
