import { View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Words } from './Words';

/** A caution where the risk is taken. */
export function Caution({ headline, children }: { headline: string; children?: string }) {
  const palette = usePalette();
  return (
    <View role="note" style={{ backgroundColor: palette.strawGround, borderRadius: radius, padding: 12, gap: 2 }}>
      <Words strong tone="straw">
        {headline}
      </Words>
      {children ? <Words tone="ink">{children}</Words> : null}
    </View>
  );
}
