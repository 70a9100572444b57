import { bearingText, outAlong } from '@burrow/core/casting';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { bankShape } from './shapes';

/** The casts from above, north up, and the one that is aimed: drag it, or turn it by the arrows. */
export function Dial({ bearingDeg, made, onAim }: { bearingDeg: number; made: readonly { id: string; bearingDeg: number }[]; onAim: (deg: number) => void }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const [x, y, r] = [width / 2, height / 2, Math.max(0, Math.min(width, height) / 2 - 30)];
  const end = (deg: number) => {
    const p = outAlong({ x: 0, y: 0 }, deg, r);
    return { x: x + p.x, y: y - p.y };
  };
  const turn = (e: GestureResponderEvent) => onAim(((Math.atan2(e.nativeEvent.locationX - x, y - e.nativeEvent.locationY) * 180) / Math.PI + 360) % 360);
  const aim = end(bearingDeg);
  return (
    <View
      onLayout={onLayout}
      role="slider"
      tabIndex={0}
      aria-label="Bearing of the cast"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={bearingDeg}
      aria-valuetext={bearingText(bearingDeg)}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          const by = { ArrowLeft: -5, ArrowRight: 5 }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          onAim((bearingDeg + by + 360) % 360);
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={turn}
      onResponderMove={turn}
      style={{ flex: 1, minHeight: 200, backgroundColor: palette.depths[0], touchAction: 'none', cursor: 'crosshair' } as object}
    >
      {r > 0 ? (
        <Svg width={width} height={height} pointerEvents="none" aria-hidden>
          <Circle cx={x} cy={y} r={r} fill="none" stroke={palette.second} strokeOpacity={0.4} strokeDasharray="3 6" />
          <SvgText x={x} y={y - r - 8} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.second}>
            N
          </SvgText>
          {made.map((c) => (
            <Line key={c.id} x1={x} y1={y} x2={end(c.bearingDeg).x} y2={end(c.bearingDeg).y} stroke={palette.second} strokeWidth={1.5} />
          ))}
          <Line x1={x} y1={y} x2={aim.x} y2={aim.y} stroke={palette.ember} strokeWidth={5} />
          <Rect x={aim.x - 9} y={aim.y - 9} width={18} height={18} fill={palette.ember} stroke={palette.card} strokeWidth={2} transform={`rotate(45 ${aim.x} ${aim.y})`} />
          <G transform={`translate(${x} ${y}) rotate(${bearingDeg})`}>
            <Path d={bankShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
          </G>
        </Svg>
      ) : null}
    </View>
  );
}
