import { steppedFigure, typedFigure, writtenFigure, type TypedForm } from '@burrow/core/units';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { bold, usePalette } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';

interface Props {
  label: string;
  form: TypedForm;
  /** In the unit that is stored; null where nobody said. */
  value: number | null;
  onChange: (value: number | null) => void;
}

/** A figure to type or to step, in the angler's own unit; empty while nobody has said. */
export function TypedFigure({ label, form, value, onChange }: Props) {
  const palette = usePalette();
  // What is being typed, until it is left: "12." is on its way to a figure.
  const [typing, setTyping] = useState<string | null>(null);
  const isWrong = typing !== null && typedFigure(typing, form) === undefined;
  const type = (text: string) => {
    setTyping(text);
    const read = typedFigure(text, form);
    if (read !== undefined) onChange(read);
  };
  const step = (direction: 1 | -1) => {
    setTyping(null);
    onChange(steppedFigure(value, form, direction));
  };
  return (
    <View role="group" aria-label={label} style={{ gap: 4 }}>
      <Text strong>{label}</Text>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <Action label="" spoken={`Less ${label}`} icon="minus" height={60} width={64} onPress={() => step(-1)} />
        <View style={{ flex: 1, flexDirection: 'row', alignItems: 'center', justifyContent: 'center', gap: 8 }}>
          <TextInput
            aria-label={`${label}, ${form.unit}`}
            inputMode="decimal"
            placeholder="not said"
            placeholderTextColor={palette.second}
            value={typing ?? writtenFigure(value, form)}
            onChangeText={type}
            onBlur={() => setTyping(null)}
            maxLength={8}
            style={{
              width: 116,
              height: 56,
              paddingHorizontal: 8,
              textAlign: 'center',
              fontFamily: bold,
              fontSize: 20,
              color: palette.ink,
              backgroundColor: palette.card,
              borderWidth: 1,
              borderColor: isWrong ? palette.straw : palette.line,
              borderRadius: 10,
            }}
          />
          <Text>{form.unit}</Text>
        </View>
        <Action label="" spoken={`More ${label}`} icon="plus" height={60} width={64} onPress={() => step(1)} />
      </View>
      {isWrong ? <Text size="small" tone="straw">{`Expected a figure above 0, such as ${writtenFigure(form.start * form.per, form)}.`}</Text> : null}
    </View>
  );
}
