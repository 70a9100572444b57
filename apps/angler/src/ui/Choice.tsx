import { ScrollView, Pressable, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';

interface Option<T extends string> {
  id: T;
  label: string;
}

/** One of several, as a row of pills that scrolls sideways when there are many. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  wrap,
  more,
}: {
  label: string;
  options: readonly Option<T>[];
  value: T | null;
  onChange: (id: T) => void;
  wrap?: boolean;
  /** What leads to others than those shown, after the last of them. */
  more?: { label: string; onPress: () => void };
}) {
  const palette = usePalette();
  const pills = options.map((option) => {
    const chosen = option.id === value;
    return (
      <Pressable
        key={option.id}
        role="radio"
        aria-checked={chosen}
        onPress={() => onChange(option.id)}
        style={{
          minHeight: 48,
          paddingHorizontal: 16,
          justifyContent: 'center',
          borderRadius: 24,
          borderWidth: 1,
          borderColor: chosen ? palette.kelp : palette.line,
          backgroundColor: chosen ? palette.kelp : palette.card,
        }}
      >
        <Text size="body" strong={chosen} tone={chosen ? 'onKelp' : 'ink'}>
          {option.label}
        </Text>
      </Pressable>
    );
  });
  const others = more ? <Action kind="bare" label={more.label} onPress={more.onPress} /> : null;
  const wrapped = (
    <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {pills}
    </View>
  );
  if (wrap && !others) return wrapped;
  if (wrap)
    return (
      <View style={{ alignItems: 'flex-start' }}>
        {wrapped}
        {others}
      </View>
    );
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false}>
      <View role="radiogroup" aria-label={label} style={{ flexDirection: 'row', gap: 8 }}>
        {pills}
      </View>
      {others}
    </ScrollView>
  );
}
