import type { ReactNode } from 'react';
import { ActivityIndicator, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';

/** What a screen shows while it has nothing else: loading, empty or wrong, with the next step in it. */
export function Notice({ title, children, busy, action }: { title: string; children?: ReactNode; busy?: boolean; action?: { label: string; onPress: () => void } }) {
  const palette = usePalette();
  return (
    <View aria-live="polite" style={{ flexGrow: 1, padding: 24, gap: 12, justifyContent: 'center', maxWidth: 520, alignSelf: 'center' }}>
      {busy ? <ActivityIndicator color={palette.kelp} aria-label="Working" /> : null}
      <Text heading={1} size="title">
        {title}
      </Text>
      {children ? <Text tone="second">{children}</Text> : null}
      {action ? <Action kind="main" label={action.label} onPress={action.onPress} /> : null}
    </View>
  );
}
