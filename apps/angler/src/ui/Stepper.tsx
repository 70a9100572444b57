import { View } from 'react-native';
import { Action } from './Action';
import { Text } from './Text';

interface Props {
  label: string;
  /** The value as shown, with its unit; null while nobody has set it. */
  text: string | null;
  /** What stands there while it is not set. */
  empty?: string;
  /** The first step sets a value that was not set. */
  onStep: (direction: 1 | -1) => void;
  /** Takes a set value back to not set. */
  onClear?: () => void;
  hint?: string;
  /** A larger step in words, such as "5 ft", and what takes it: for figures that may be far from where setting them begins. */
  big?: { text: string; onStep: (direction: 1 | -1) => void };
}

/** A number set with two big keys: no typing with gloves on. What nobody has set shows no number. */
export function Stepper({ label, text, empty = 'not measured', onStep, onClear, hint, big }: Props) {
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      <Text strong>{label}</Text>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Action label="" spoken={`Less ${label}`} icon="minus" height={64} width={72} onPress={() => onStep(-1)} />
        <View style={{ flex: 1, alignItems: 'center', justifyContent: 'center', minHeight: onClear ? 88 : 64 }} aria-live="polite">
          <Text size={text === null ? 'body' : 'title'} tone={text === null ? 'second' : 'ink'} strong align="center">
            {text ?? empty}
          </Text>
          {text !== null && onClear ? <Action kind="bare" height={48} label="Clear" spoken={`${label} not measured`} onPress={onClear} /> : null}
        </View>
        <Action label="" spoken={`More ${label}`} icon="plus" height={64} width={72} onPress={() => onStep(1)} />
      </View>
      {big ? (
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow label={`− ${big.text}`} spoken={`Take ${big.text} from ${label}`} onPress={() => big.onStep(-1)} />
          <Action grow label={`+ ${big.text}`} spoken={`Add ${big.text} to ${label}`} onPress={() => big.onStep(1)} />
        </View>
      ) : null}
      {hint ? (
        <Text size="small" tone="second">
          {hint}
        </Text>
      ) : null}
    </View>
  );
}
