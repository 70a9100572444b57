import type { StayOrGo } from '@burrow/core/patch';
import { Pressable, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

const radius = 31;
const round = 2 * Math.PI * radius;

/** Time worth staying as a ring that grows and shrinks; tap for the reason. */
export function HoleClock({ clock, untilText, onPress }: { clock: StayOrGo; untilText: string; onPress: () => void }) {
  const palette = usePalette();
  const go = clock.leftMin === 0;
  const colour = go ? palette.ember : palette.kelp;
  return (
    <Pressable
      role="button"
      onPress={onPress}
      aria-label={go ? `Go now. ${clock.reason}` : `Stay ${clock.leftMin} minutes, until ${untilText}. ${clock.reason}`}
      style={{ width: 80, alignItems: 'center' }}
    >
      <View style={{ width: 76, height: 76, alignItems: 'center', justifyContent: 'center' }}>
        <Svg width={76} height={76} style={{ position: 'absolute' }} aria-hidden>
          <Circle cx={38} cy={38} r={radius} stroke={palette.line} strokeWidth={9} fill="none" />
          <Circle
            cx={38}
            cy={38}
            r={radius}
            stroke={colour}
            strokeWidth={9}
            fill="none"
            strokeDasharray={`${round * (go ? 1 : clock.leftShare)} ${round}`}
            transform="rotate(-90 38 38)"
          />
        </Svg>
        <Text strong size="lead" style={{ lineHeight: 22 }}>
          {go ? 'go' : String(clock.leftMin)}
        </Text>
        {go ? null : (
          <Text size="small" tone="second" style={{ lineHeight: 16 }}>
            min
          </Text>
        )}
      </View>
      <Text size="small" tone="second">
        {go ? 'move on' : `to ${untilText}`}
      </Text>
    </Pressable>
  );
}
