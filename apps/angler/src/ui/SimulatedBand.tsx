import { View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Text } from './Text';

/** Stands across a picture whose weather, fish or flasher are simulated, and says so. */
export function SimulatedBand({ children }: { children: string }) {
  const palette = usePalette();
  return (
    <View style={{ backgroundColor: palette.strawGround, borderTopWidth: 1, borderTopColor: palette.line, paddingHorizontal: 16, paddingVertical: 3 }}>
      <Text size="small" strong tone="straw" align="center">
        {children}
      </Text>
    </View>
  );
}
