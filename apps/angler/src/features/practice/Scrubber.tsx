import { View, type GestureResponderEvent } from 'react-native';
import { usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

const text = (ms: number) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`;
const stepMs = 5000;

/** A time line to drag along, or to step by arrow keys. */
export function Scrubber({ nowMs, lengthMs, onSeek }: { nowMs: number; lengthMs: number; onSeek: (ms: number) => void }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const share = lengthMs > 0 ? Math.min(1, nowMs / lengthMs) : 0;
  const at = (event: GestureResponderEvent) => onSeek(Math.min(lengthMs, Math.max(0, (event.nativeEvent.locationX / Math.max(1, size.width)) * lengthMs)));
  const keys: Record<string, number> = { ArrowLeft: -stepMs, ArrowRight: stepMs };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
      <Text strong>{text(nowMs)}</Text>
      <View
        onLayout={onLayout}
        role="slider"
        tabIndex={0}
        aria-label="Place in the log"
        aria-valuemin={0}
        aria-valuemax={Math.round(lengthMs / 1000)}
        aria-valuenow={Math.round(nowMs / 1000)}
        aria-valuetext={`${text(nowMs)} of ${text(lengthMs)}`}
        {...({
          onKeyDown: (e: { key: string; preventDefault: () => void }) => {
            const by = keys[e.key];
            if (by === undefined) return;
            e.preventDefault();
            onSeek(Math.min(lengthMs, Math.max(0, nowMs + by)));
          },
        } as object)}
        onStartShouldSetResponder={() => true}
        onResponderGrant={at}
        onResponderRelease={at}
        style={{ flex: 1, height: 48, justifyContent: 'center', touchAction: 'none' } as object}
      >
        <View pointerEvents="none" style={{ height: 8, borderRadius: 4, backgroundColor: palette.line }}>
          <View style={{ width: `${share * 100}%`, height: 8, borderRadius: 4, backgroundColor: palette.ember }} />
        </View>
      </View>
      <Text strong>{text(lengthMs)}</Text>
    </View>
  );
}
