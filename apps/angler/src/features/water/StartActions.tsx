import type { Method } from '@burrow/core/methods';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

interface Props {
  ways: readonly Method[];
  disabled: boolean;
  onStart: (way: Method) => void;
}

/** The ways to start an outing: one button where the water allows one, one for each where nobody knows what is on it. */
export function StartActions({ ways, disabled, onStart }: Props) {
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {ways.map((way, k) => (
          <View key={way.id} style={{ flexGrow: 1, flexBasis: ways.length > 3 ? '45%' : 0 }}>
            <Action
              width="100%"
              kind={k === 0 ? 'main' : 'plain'}
              height={ways.length > 3 ? 52 : 64}
              label={ways.length === 1 ? (way.isOnIce ? 'Start outing' : `Start ${way.offer.toLowerCase()}`) : way.offer}
              spoken={ways.length === 1 && way.isOnIce ? undefined : `Start outing: ${way.offer.toLowerCase()}`}
              disabled={disabled}
              onPress={() => onStart(way)}
            />
          </View>
        ))}
      </View>
      {ways.length > 1 && ways.some((way) => way.isOnIce) ? (
        <Text size="small" tone="second">
          Whether there is ice here is not known. Measure it before every few steps.
        </Text>
      ) : null}
    </View>
  );
}
