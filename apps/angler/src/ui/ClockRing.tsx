import { Pressable, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import { Text } from './Text';

const radius = 31;
const round = 2 * Math.PI * radius;

interface Props {
  /** What stands in the ring, and the unit under it; without one it is time to go. */
  figure: string;
  unit: string | null;
  /** Share of the ring that is left, 0–1. */
  share: number;
  /** Below the ring. */
  caption: string;
  spoken: string;
  onPress: () => void;
}

/** What is worth staying for, as a ring that grows and shrinks; tap for the reason. */
export function ClockRing({ figure, unit, share, caption, spoken, onPress }: Props) {
  const palette = usePalette();
  const isGoing = unit === null;
  return (
    <Pressable role="button" onPress={onPress} aria-label={spoken} style={{ width: 80, alignItems: 'center' }}>
      <View style={{ width: 76, height: 76, alignItems: 'center', justifyContent: 'center' }}>
        <Svg width={76} height={76} style={{ position: 'absolute' }} aria-hidden>
          <Circle cx={38} cy={38} r={radius} stroke={palette.line} strokeWidth={9} fill="none" />
          <Circle
            cx={38}
            cy={38}
            r={radius}
            stroke={isGoing ? palette.ember : palette.kelp}
            strokeWidth={9}
            fill="none"
            strokeDasharray={`${round * (isGoing ? 1 : share)} ${round}`}
            transform="rotate(-90 38 38)"
          />
        </Svg>
        <Text strong size="lead" style={{ lineHeight: 22 }}>
          {figure}
        </Text>
        {isGoing ? null : (
          <Text size="small" tone="second" style={{ lineHeight: 16 }}>
            {unit}
          </Text>
        )}
      </View>
      <Text size="small" tone="second">
        {caption}
      </Text>
    </Pressable>
  );
}
