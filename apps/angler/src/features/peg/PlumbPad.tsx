import { depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';

const padHeight = 300;
const [topPx, leftPx, sidePx] = [26, 52, 30];

interface Props {
  /** The distances to plumb, m, with the depth tapped now and the one plumbed before, m. */
  known: readonly { m: number; depth: number | null; before: number | null }[];
  /** The distance that the plummet hangs at, m. */
  at: number;
  /** Depth at the foot of the pad, m. */
  padM: number;
  units: UnitPreference;
  onTap: (outM: number, depthM: number) => void;
}

/** The pad on which depths are tapped: across is how far out, down is how deep. */
export function PlumbPad({ known, at, padM, units, onTap }: Props) {
  const palette = usePalette();
  const [{ width }, onLayout] = useSize();
  const [firstM, lastM] = [known[0].m, known[known.length - 1].m];
  const roomPx = Math.max(0, width - leftPx - sidePx);
  const x = (m: number) => leftPx + ((m - firstM) / (lastM - firstM)) * roomPx;
  const y = (m: number) => topPx + (m / padM) * (padHeight - topPx);
  const tap = ({ nativeEvent: { locationX, locationY } }: GestureResponderEvent) =>
    onTap(firstM + ((locationX - leftPx) / Math.max(1, roomPx)) * (lastM - firstM), ((locationY - topPx) / (padHeight - topPx)) * padM);
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 2 : 0.5);
  const steps = Array.from({ length: Math.floor(padM / stepM) }, (_, k) => (k + 1) * stepM);
  const points = known.flatMap((k) => {
    const depthM = k.depth ?? k.before;
    return depthM === null ? [] : [{ m: k.m, x: x(k.m), y: y(depthM), isNew: k.depth !== null }];
  });
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label="Depths by distance: tap where the plummet stood"
      onStartShouldSetResponder={() => true}
      onResponderRelease={tap}
      style={{ height: padHeight, borderRadius: 10, overflow: 'hidden', backgroundColor: palette.waterTop, cursor: 'crosshair' } as object}
    >
      {width > 0 ? (
        <Svg width={width} height={padHeight} pointerEvents="none">
          {steps.map((m) => (
            <G key={m}>
              <Line x1={0} x2={width} y1={y(m)} y2={y(m)} stroke={palette.second} strokeOpacity={0.3} />
              <SvgText x={4} y={y(m) - 4} fontFamily={bold} fontSize={13} fill={palette.second}>
                {depthText(m, units)}
              </SvgText>
            </G>
          ))}
          {known.map(({ m }) => {
            const drawn = m === at ? { stroke: palette.ember, strokeOpacity: 1, strokeWidth: 2 } : { stroke: palette.second, strokeOpacity: 0.35, strokeWidth: 1 };
            return (
              <G key={m}>
                <Line x1={x(m)} x2={x(m)} y1={topPx} y2={padHeight} {...drawn} />
                <SvgText x={x(m)} y={17} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ink}>
                  {depthText(m, units)}
                </SvgText>
              </G>
            );
          })}
          {points.length > 1 ? <Path d={`M${points.map((p) => `${p.x},${p.y}`).join('L')}`} fill="none" stroke={palette.plum} strokeWidth={2.5} /> : null}
          {points.map((p) => (
            <Rect key={p.m} x={p.x - 8} y={p.y - 8} width={16} height={16} fill={p.isNew ? palette.plum : palette.card} stroke={palette.plum} strokeWidth={2.5} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
