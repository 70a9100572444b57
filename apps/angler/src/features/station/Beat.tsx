import { roundOf, type Advice, type AdviceWords } from '@burrow/core/coach';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { signalBeat } from './beat-signal';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

const height = 44;
const steps = 96;

/** The cadence as a line to follow, with the hand where it should be now. */
export function Beat({ advice, words }: { advice: Advice; words: AdviceWords }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { beatBy } = usePreferences();
  const { seconds, lift } = roundOf(advice);
  useSignal(advice, beatBy);
  const [at, setAt] = useState(0);
  useEffect(() => {
    if (globalThis.matchMedia?.('(prefers-reduced-motion: reduce)').matches) return undefined;
    const start = performance.now();
    const timer = setInterval(() => setAt(((performance.now() - start) / 1000) % seconds), 50);
    return () => clearInterval(timer);
  }, [seconds, advice.ruleId]);
  const x = (s: number) => 8 + (s / seconds) * Math.max(0, size.width - 16);
  const y = (s: number) => height - 10 - lift(s) * (height - 20);
  const path = Array.from({ length: steps + 1 }, (_, i) => (i * seconds) / steps)
    .map((s, i) => `${i ? 'L' : 'M'}${x(s).toFixed(1)} ${y(s).toFixed(1)}`)
    .join('');
  return (
    <View onLayout={onLayout} role="img" aria-label={`Cadence: ${words.beat}, ${words.pause}`}>
      <Svg width={size.width} height={height} aria-hidden>
        <Path d={path} stroke={palette.ember} strokeWidth={3} fill="none" strokeLinejoin="round" />
        <Circle cx={x(at)} cy={y(at)} r={8} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
      </Svg>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Text size="small" tone="second">
          {words.beat}
        </Text>
        <Text size="small" tone="second">
          {words.pause}
        </Text>
      </View>
    </View>
  );
}

/** Gives each beat of the round by sound or vibration. */
function useSignal({ cadence, rod, pauseS, forS }: Advice, by: 'off' | 'sound' | 'vibration'): void {
  useEffect(() => {
    if (by === 'off') return undefined;
    const { seconds, beatsAt } = roundOf({ cadence, rod, pauseS, forS });
    const timers: ReturnType<typeof setTimeout>[] = [];
    const round = () => {
      timers.length = 0;
      for (const s of beatsAt) timers.push(setTimeout(() => signalBeat(by), 1000 * s));
    };
    round();
    const rounds = setInterval(round, 1000 * seconds);
    return () => {
      clearInterval(rounds);
      timers.forEach(clearTimeout);
    };
  }, [cadence, rod, pauseS, forS, by]);
}
