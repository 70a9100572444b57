import { useEffect, useState, type ReactNode } from 'react';
import { ActivityIndicator, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';

/** After this long a wait is said to be too long, and what can be done, ms. */
const longWaitMs = 20_000;

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
      {busy ? <LongWait /> : null}
    </View>
  );
}

/** Nothing at first; when the wait has been too long, that it is, and the way out. */
export function LongWait() {
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsLong(true), longWaitMs);
    return () => clearTimeout(timer);
  }, []);
  if (!isLong) return null;
  return (
    <>
      <Text tone="second">
        This takes longer than it should. What you logged is kept on this phone. It is asked for again and again; with a signal, opening the page anew may be faster.
      </Text>
      <Action label="Open the page anew" onPress={() => globalThis.location.reload()} />
    </>
  );
}
