import type { WorkedWay } from '@burrow/core/casting';
import { castText } from '@burrow/core/casting';
import { liftText, type UnitPreference } from '@burrow/core/units';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { signalBeat } from '@/features/station/beat-signal';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

const height = 40;
/** How to bring it back as a line to follow: the move, then the rest, with the hand where it should be now. */
export function RetrieveBeat({ way, hasHard, units }: { way: Pick<WorkedWay, 'cadence' | 'moveS' | 'restS' | 'hardRestS'>; hasHard: boolean; units: UnitPreference }) {
  const { cadence, moveS, restS: rest, hardRestS: hardRest } = way;
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { beatBy } = usePreferences();
  const seconds = moveS + rest;
  const [at, setAt] = useState(0);
  useEffect(() => {
    if (globalThis.matchMedia?.('(prefers-reduced-motion: reduce)').matches) return undefined;
    const start = performance.now();
    let round = 0;
    const timer = setInterval(() => {
      const s = (performance.now() - start) / 1000;
      if (beatBy !== 'off' && Math.floor(s / seconds) !== round) {
        round = Math.floor(s / seconds);
        signalBeat(beatBy);
      }
      setAt(s % seconds);
    }, 100);
    return () => clearInterval(timer);
  }, [seconds, beatBy]);
  const share = Math.max(0.12, moveS / seconds);
  const inner = Math.max(0, size.width - 20);
  const x = (s: number) => 10 + (s < moveS ? (s / moveS) * share : share + ((s - moveS) / Math.max(0.01, rest)) * (1 - share)) * inner;
  const up = cadence.liftM > 0 ? height - 22 : 6;
  const y = (s: number) => height - 12 - (s < moveS ? Math.sin((Math.PI * s) / moveS) * up : 0);
  const path = `${Array.from({ length: 17 }, (_, k) => `${k ? 'L' : 'M'}${x((k / 16) * moveS).toFixed(1)} ${y((k / 16) * moveS * 0.999).toFixed(1)}`).join('')}L${x(seconds).toFixed(1)} ${height - 12}`;
  const move = `${cadence.name.toLowerCase()}${cadence.liftM > 0 ? ` ${liftText(cadence.liftM, units)}` : ''}, take up ${castText(cadence.takeM, units)}`;
  const pause = rest === 0 ? 'without a stop' : `rest ${Math.round(rest)} s${hasHard ? `, on rock ${Math.round(hardRest)}` : ''}`;
  return (
    <View onLayout={onLayout} role="img" aria-label={`Bring it back: ${move}, ${pause}`}>
      <Svg width={size.width} height={height} aria-hidden>
        <Path d={path} stroke={palette.ember} strokeWidth={3} fill="none" strokeLinejoin="round" />
        <Circle cx={x(at)} cy={y(at)} r={8} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
      </Svg>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
        <Text size="small" tone="second" numberOfLines={1} style={{ flexShrink: 1 }}>
          {move}
        </Text>
        <Text size="small" tone="second">
          {pause}
        </Text>
      </View>
    </View>
  );
}
