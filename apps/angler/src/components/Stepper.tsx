import { View } from 'react-native';
import { Action } from './Action';
import { Words } from './Words';

interface Props {
  label: string;
  /** The value as shown, with its unit. */
  text: string;
  onStep: (direction: 1 | -1) => void;
  hint?: string;
}

/** A number set with two big keys: no typing with gloves on. */
export function Stepper({ label, text, onStep, hint }: Props) {
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      <Words strong>{label}</Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Action label="" spoken={`Less ${label}`} icon="minus" height={64} width={72} onPress={() => onStep(-1)} />
        <View style={{ flex: 1 }} aria-live="polite">
          <Words size="title" strong align="center">
            {text}
          </Words>
        </View>
        <Action label="" spoken={`More ${label}`} icon="plus" height={64} width={72} onPress={() => onStep(1)} />
      </View>
      {hint ? (
        <Words size="small" tone="second">
          {hint}
        </Words>
      ) : null}
    </View>
  );
}
