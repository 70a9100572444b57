import { View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import type { PlacedChip } from './frame';

/** Names that stand on a map, where they were placed. */
export function Chips({ chips }: { chips: readonly PlacedChip[] }) {
  const palette = usePalette();
  return (
    <>
      {chips.map((chip) => (
        <View
          key={chip.id}
          pointerEvents="none"
          style={{
            position: 'absolute',
            left: chip.left,
            top: chip.top,
            width: chip.width,
            height: chip.isLarge ? 34 : 26,
            alignItems: 'center',
            justifyContent: 'center',
            borderRadius: radius / 2,
            backgroundColor: palette.card,
            opacity: 0.94,
          }}
        >
          <Text strong size={chip.isLarge ? 'lead' : 'small'} tone={chip.tone} numberOfLines={1}>
            {chip.text}
          </Text>
        </View>
      ))}
    </>
  );
}
