import { View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Text } from './Text';

/** A caution where the risk is taken. */
export function Caution({ headline, children }: { headline: string; children?: string }) {
  const palette = usePalette();
  return (
    <View role="note" style={{ backgroundColor: palette.strawGround, borderRadius: radius, padding: 12, gap: 2 }}>
      <Text strong tone="straw">
        {headline}
      </Text>
      {children ? <Text tone="ink">{children}</Text> : null}
    </View>
  );
}
