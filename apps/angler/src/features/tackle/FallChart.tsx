import { fallCurve } from '@burrow/core/rig';
import { lureOf, type TackleFamily } from '@burrow/core/tackle';
import { fallLimits } from '@burrow/core/tie-on';
import { depthFigure, depthText, lureMassesG, lureText, type UnitPreference } from '@burrow/core/units';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

const height = 150;
const [leftPx, topPx, footPx] = [44, 10, 24];

/** How the chosen mass falls to the depth, between a lighter and a heavier one, against the time that most fish take. */
export function FallChart({
  family,
  massG,
  depthM,
  lineMm = fallLimits.lineMm,
  units,
}: {
  family: TackleFamily;
  massG: number;
  depthM: number;
  lineMm?: number;
  units: UnitPreference;
}) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const curves = useMemo(() => {
    const masses = lureMassesG(units);
    const lighter = masses.findLast((m) => m < massG / 2.5);
    const heavier = masses.find((m) => m > massG * 2.5);
    return [lighter, massG, heavier].flatMap((m) => (m === undefined ? [] : [{ massG: m, points: fallCurve(lureOf(family, m), depthM, lineMm) }]));
  }, [family, massG, depthM, lineMm, units]);
  const own = curves.find((c) => c.massG === massG)!;
  const ownS = own.points.at(-1)!.s;
  const longestS = Math.min(40, Math.max(15, ...curves.map((c) => c.points.at(-1)!.s)));
  const width = Math.max(1, size.width - leftPx - 16);
  const x = (s: number) => leftPx + (Math.min(s, longestS) / longestS) * width;
  const y = (m: number) => topPx + (m / depthM) * (height - topPx - footPx);
  const label = { fontFamily: bold, fontSize: 14, fill: palette.second };
  const isWithin = ownS >= fallLimits.fromS && ownS <= fallLimits.toS;
  return (
    <View style={{ gap: 4 }}>
      <View style={{ paddingHorizontal: 16 }}>
        <Text strong>{`${lureText(massG, units)} is down in ${Math.round(ownS)} s; most take it in ${fallLimits.fromS} to ${fallLimits.toS}`}</Text>
      </View>
      <View
        onLayout={onLayout}
        role="img"
        aria-label={`Fall to ${depthText(depthM, units)}: ${curves.map((c) => `${lureText(c.massG, units)} ${Math.round(c.points.at(-1)!.s)} s`).join(', ')}`}
        style={{ height }}
      >
        {size.width > 0 ? (
          <Svg width={size.width} height={height} aria-hidden>
            <Rect x={leftPx} y={topPx} width={width} height={height - topPx - footPx} fill={palette.depths[0]} />
            <Rect x={x(fallLimits.fromS)} y={topPx} width={x(fallLimits.toS) - x(fallLimits.fromS)} height={height - topPx - footPx} fill={palette.depths[3]} />
            {[0, depthM / 2, depthM].map((m) => (
              <SvgText key={m} x={leftPx - 6} y={y(m) + 5} textAnchor="end" {...label}>
                {depthFigure(m, units)}
              </SvgText>
            ))}
            {[0, fallLimits.fromS, fallLimits.toS].map((s) => (
              <SvgText key={s} x={x(s)} y={height - 5} textAnchor="middle" {...label}>
                {s}
              </SvgText>
            ))}
            <SvgText x={leftPx + width} y={height - 5} textAnchor="end" {...label}>
              {`${Math.round(longestS)} s`}
            </SvgText>
            <Line x1={leftPx} x2={leftPx + width} y1={y(depthM)} y2={y(depthM)} stroke={palette.plum} strokeWidth={3} />
            {curves.map((c) => {
              const isOwn = c.massG === massG;
              const d = c.points.map((p, i) => `${i ? 'L' : 'M'}${x(p.s).toFixed(1)} ${y(p.depthM).toFixed(1)}`).join('');
              const end = c.points[Math.floor(c.points.length * (isOwn ? 0.62 : c.massG < massG ? 0.8 : 0.5))];
              const text = lureText(c.massG, units);
              return (
                <G key={c.massG}>
                  <Path d={d} fill="none" stroke={isOwn ? palette.ember : palette.second} strokeWidth={isOwn ? 4 : 2} strokeDasharray={isOwn ? undefined : '6 6'} />
                  <Rect x={x(end.s) + 6} y={y(end.depthM) - 22} width={8 * text.length + 8} height={20} rx={4} fill={palette.card} />
                  <SvgText x={x(end.s) + 10} y={y(end.depthM) - 7} fontFamily={bold} fontSize={14} fill={isOwn ? palette.ember : palette.second}>
                    {text}
                  </SvgText>
                </G>
              );
            })}
            <Path d={`M${x(ownS)} ${y(depthM) - 10}l10 10l-10 10l-10 -10Z`} fill={palette.ember} stroke={palette.card} strokeWidth={2} opacity={isWithin ? 1 : 0.6} />
          </Svg>
        ) : null}
      </View>
    </View>
  );
}
