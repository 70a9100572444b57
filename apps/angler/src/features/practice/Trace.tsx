import type { Decision, TracePoint } from '@burrow/core/practice';
import { depthFigure, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { rulerDepths, yOf } from '@/features/station/shaft/scale';
import { traceLines } from './trace-lines';

const height = 260;
const left = 34;

/** A drill from beginning to end: the jig as a line, fish as short bars, the bottom hatched by a line, what there was to decide by number. */
export function Trace({
  trace,
  decisions,
  chosen,
  onChoose,
  units,
}: {
  trace: readonly TracePoint[];
  decisions: readonly Decision[];
  chosen: number;
  onChoose: (index: number) => void;
  units: UnitPreference;
}) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const width = Math.max(0, size.width);
  const { frame, jig, bottom, fish, xOf } = traceLines(trace, width, height, left);
  const at = decisions[chosen];
  return (
    <View onLayout={onLayout} style={{ height }} role="img" aria-label={`The drill over time: ${decisions.length} decisions, bottom at ${depthFigure(frame.baseM, units)}`}>
      {width > 0 ? (
        <Svg
          width={width}
          height={height}
          aria-hidden
          onPress={(e) => onChoose(nearest(decisions, xOf, (e as unknown as { nativeEvent: { locationX: number } }).nativeEvent.locationX))}
        >
          <Rect x={left} y={0} width={width - left} height={height} fill={palette.waterTop} />
          {rulerDepths(frame, height, metresPerDepthUnit(units), 40).map(({ depthM, label }) => (
            <G key={label}>
              <Line x1={left} x2={width} y1={yOf(frame, height, depthM)} y2={yOf(frame, height, depthM)} stroke={palette.second} strokeOpacity={0.25} />
              <SvgText x={left - 6} y={yOf(frame, height, depthM) + 5} fontSize={14} fontFamily={bold} fill={palette.ink} textAnchor="end">
                {label}
              </SvgText>
            </G>
          ))}
          <Path d={bottom} stroke={palette.plum} strokeWidth={4} fill="none" />
          <Path d={fish} stroke={palette.kelp} strokeWidth={4} fill="none" />
          <Path d={jig} stroke={palette.ember} strokeWidth={2.5} fill="none" />
          {at ? <Line x1={xOf(at.t)} x2={xOf(at.t)} y1={0} y2={height} stroke={palette.ink} strokeWidth={1.5} strokeDasharray="3 4" /> : null}
          {decisions.map((d, i) => (
            <G key={d.t}>
              <Circle cx={xOf(d.t)} cy={yOf(frame, height, d.wouldM)} r={i === chosen ? 9 : 5} fill={palette.card} stroke={palette.ink} strokeWidth={2} />
              {i === chosen ? (
                <SvgText x={xOf(d.t)} y={yOf(frame, height, d.wouldM) + 5} fontSize={14} fontFamily={bold} fill={palette.ink} textAnchor="middle">
                  {String(i + 1)}
                </SvgText>
              ) : null}
            </G>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

/** The decision whose place lies nearest to a touch. */
function nearest(decisions: readonly Decision[], xOf: (t: number) => number, x: number): number {
  let best = 0;
  decisions.forEach((d, i) => {
    if (Math.abs(xOf(d.t) - x) < Math.abs(xOf(decisions[best].t) - x)) best = i;
  });
  return best;
}
