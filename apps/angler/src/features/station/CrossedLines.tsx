import type { OutingState } from '@burrow/core/ledger';
import { crossedBite } from '@burrow/core/visits';
import { View } from 'react-native';
import { useNow } from '@/data/clock';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

interface Props {
  outing: OutingState;
  station: string;
  zone: string;
  onLogged: () => void;
}

/** Two lines that one fish came into: who lifts, and of two bites one. */
export function CrossedLines({ outing, station, zone, onLogged }: Props) {
  const { ledger } = useLedger();
  const entries = crossedBite(outing, station, useNow(30_000));
  const join = async () => {
    await ledger.writeAll(
      { id: outing.id, zone },
      entries.map((target) => ({ kind: 'undone' as const, body: { target } })),
    );
    onLogged();
  };
  return (
    <View style={{ gap: 4 }}>
      <Text size="small">Lines crossed: who has the fish lifts, the other opens the reel.</Text>
      {entries.length > 0 ? <Action height={64} label="Crossed: one fish, one bite" onPress={() => void join()} /> : null}
    </View>
  );
}
