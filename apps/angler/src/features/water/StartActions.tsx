import { riverIce, type Method } from '@burrow/core/methods';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  ways: readonly Method[];
  /** The other ways there are, which the model does not expect here. */
  otherWays: readonly Method[];
  /** Whether the water flows: ice on it is only for who has measured it there. */
  isMoving: boolean;
  /** How this water was fished last, where that is one of the ways. */
  lastWay?: Method;
  disabled: boolean;
  onStart: (way: Method) => void;
}

/** Starts an outing: in the one way that the water allows, in the way it was fished last, or in one that is chosen. */
export function StartActions({ ways, otherWays, isMoving, lastWay, disabled, onStart }: Props) {
  const [isChoosing, setChoosing] = useState(false);
  const isKnown = ways.length === 1 || lastWay !== undefined;
  const way = lastWay ?? ways[0];
  const isIceUnknown = ways.length > 1 && way.isOnIce;
  const choose = (w: Method) => {
    setChoosing(false);
    onStart(w);
  };
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action
          grow
          // Nothing is recommended where nobody knows how the water is fished, and never ice that nobody knows of.
          kind={isKnown && !isIceUnknown ? 'main' : 'plain'}
          height={64}
          label={!isKnown ? way.offer : way.isOnIce ? 'Start outing' : `Start ${way.offer.toLowerCase()}`}
          spoken={ways.length > 1 || !way.isOnIce ? spokenOf(way) : undefined}
          disabled={disabled}
          onPress={() => onStart(way)}
        />
        {ways.length + otherWays.length > 1 ? <Action grow height={64} label="Another way" disabled={disabled} onPress={() => setChoosing(true)} /> : null}
      </View>
      {isIceUnknown ? <IceUnknown /> : null}
      <Sheet title="How do you fish?" open={isChoosing} onClose={() => setChoosing(false)}>
        {ways.map((w) => (
          <View key={w.id} style={{ gap: 4 }}>
            <Action width="100%" height={64} label={w.offer} spoken={spokenOf(w)} disabled={disabled} onPress={() => choose(w)} />
            {w.isOnIce ? <IceUnknown /> : null}
          </View>
        ))}
        {otherWays.length > 0 && !isMoving ? (
          <Text tone="second">{`The model expects ${ways.some((w) => w.isOnIce) ? 'ice' : 'open water'} here. You see it, the model does not:`}</Text>
        ) : null}
        {otherWays.map((w) => (
          <View key={w.id} style={{ gap: 4 }}>
            {isMoving && w.isOnIce ? <Caution headline={riverIce.headline}>{riverIce.text}</Caution> : null}
            <Action
              width="100%"
              height={64}
              label={isMoving && w.isOnIce ? 'On ice that I measured here' : w.offer}
              spoken={spokenOf(w)}
              disabled={disabled}
              onPress={() => choose(w)}
            />
            {w.isOnIce && !isMoving ? <IceUnknown /> : null}
          </View>
        ))}
      </Sheet>
    </View>
  );
}

const spokenOf = (way: Method) => `Start outing: ${way.offer.toLowerCase()}`;

function IceUnknown() {
  return (
    <Text size="small" tone="straw">
      Whether there is ice here is not known. Measure it before every few steps.
    </Text>
  );
}
