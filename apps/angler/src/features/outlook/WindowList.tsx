import type { FeedingWindow } from '@burrow/core/outlook';
import { clockText, dayText } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** Hours worth being there, each with its reasons; a tap opens what made it. */
export function WindowList({ windows, timeZone, onWhy }: { windows: readonly FeedingWindow[]; timeZone: string; onWhy: (window: FeedingWindow) => void }) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Text heading={2} size="lead">
        Hours worth being there
      </Text>
      {windows.length === 0 ? <Text tone="second">None stand out in the next three days.</Text> : null}
      {windows.map((w) => {
        const hours = `${clockText(w.fromMs, timeZone)} to ${clockText(w.toMs, timeZone)}`;
        return (
          <Pressable
            key={w.fromMs}
            role="button"
            aria-label={`Why ${hours}, ${dayText(w.fromMs, timeZone)}`}
            onPress={() => onWhy(w)}
            style={{ flexDirection: 'row', gap: 12, paddingVertical: 10, minHeight: 48, borderTopWidth: 1, borderTopColor: palette.line }}
          >
            <View style={{ width: 128 }}>
              <Text strong>{hours}</Text>
              <Text size="small" tone="second">
                {dayText(w.fromMs, timeZone)}
              </Text>
            </View>
            <View style={{ flex: 1 }}>
              {w.reasons.map((r) => (
                <Text key={r.ruleId} size="small" tone="second">
                  {r.text}
                </Text>
              ))}
              <Text size="small" tone={w.logShare > 0.005 ? 'kelp' : 'second'}>
                {w.logShare > 0.005 ? `${Math.round(w.logShare * 100)} % your log, the rest fieldcraft` : 'Fieldcraft; your log has not spoken yet'}
              </Text>
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}
