import type { Alert } from '@burrow/core/outlook';
import { View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Caution } from '@/ui/Caution';
import { Text } from '@/ui/Text';

/** What is worth a glance: cautions in their own ground, the rest beside a bar. */
export function AlertList({ alerts }: { alerts: readonly Alert[] }) {
  const palette = usePalette();
  if (alerts.length === 0) return null;
  return (
    <View style={{ gap: 8 }} role="list" aria-label="Worth a glance">
      {alerts.map((alert) =>
        alert.isCaution ? (
          <View key={alert.id} role="listitem">
            <Caution headline={alert.text} />
          </View>
        ) : (
          <View key={alert.id} role="listitem" style={{ borderLeftWidth: 4, borderLeftColor: palette.kelp, borderRadius: radius / 3, paddingLeft: 10, paddingVertical: 2 }}>
            <Text>{alert.text}</Text>
          </View>
        ),
      )}
    </View>
  );
}
