import type { OutingState } from '@burrow/core/ledger';
import { baitStates, tornText } from '@burrow/core/visits';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

interface Props {
  outing: OutingState;
  station: string;
  zone: string;
  onLogged: () => void;
}

/** Whether the soft bait is whole or torn, and what to do about it. */
export function TornBait({ outing, station, zone, onLogged }: Props) {
  const { ledger } = useLedger();
  const says = tornText(outing, station);
  const log = (what: string) => void ledger.write({ id: outing.id, zone }, 'changed', { station, what }).then(onLogged);
  return (
    <View style={{ gap: 4 }}>
      {says ? <Text strong>{says}</Text> : null}
      <Action height={64} label={says ? 'A whole bait is on' : 'Bait torn, tail gone'} onPress={() => log(says ? baitStates.whole : baitStates.torn)} />
    </View>
  );
}
