import type { Mark } from '@burrow/core/sonar';
import { depthText, iceText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';
import type { FlasherControl } from '@/data/flasher';
import { bold, usePalette } from '@/theme/theme';
import { depthOf, rulerDepths, yOf, type DepthFrame } from './scale';

export type Latest = NonNullable<FlasherControl['frame']>;
export const stripWidth = 84;
const lookM = 0.5;

interface StripProps {
  frame: DepthFrame;
  whole: DepthFrame;
  latest: Latest;
  height: number;
  units: UnitPreference;
  iceM: number | null;
  onLook: (middleM: number) => void;
  onBack: () => void;
}

/** The whole column to scale, with the frame of what is enlarged, which can be dragged. */
export function Strip({ frame, whole, latest, height, units, iceM, onLook, onBack }: StripProps) {
  const palette = usePalette();
  const middleM = (frame.topM + frame.baseM) / 2;
  const look = (event: GestureResponderEvent) => onLook(depthOf(whole, height, event.nativeEvent.locationY));
  return (
    <View style={{ height }}>
      <StripDrawing frame={frame} whole={whole} latest={latest} height={height} units={units} iceM={iceM} palette={palette} />
      <View
        role="slider"
        tabIndex={0}
        aria-label="Depth looked at"
        aria-valuenow={Math.round(middleM * 10) / 10}
        aria-valuemin={0}
        aria-valuemax={Math.round(whole.baseM * 10) / 10}
        aria-valuetext={`${depthText(Math.max(0, frame.topM), units)} to ${depthText(frame.baseM, units)}`}
        {...({
          onKeyDown: (e: { key: string; preventDefault: () => void }) => {
            if (e.key === 'Escape') onBack();
            if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
            e.preventDefault();
            onLook(middleM + (e.key === 'ArrowUp' ? -lookM : lookM));
          },
        } as object)}
        onStartShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={look}
        onResponderMove={look}
        style={{ position: 'absolute', inset: 0, touchAction: 'none' } as object}
      />
    </View>
  );
}

function StripDrawing({ frame, whole, latest, height, units, iceM, palette }: Omit<StripProps, 'onLook' | 'onBack'> & { palette: ReturnType<typeof usePalette> }) {
  const { state, lineM } = latest;
  const y = (m: number) => yOf(whole, height, m);
  const ice = iceM ?? 0.08;
  return (
    <Svg width={stripWidth} height={height} aria-hidden>
      <Defs>
        <Pattern id="bed" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <Rect width="8" height="8" fill={palette.card} />
          <Rect width="3.5" height="8" fill={palette.plum} opacity={0.75} />
        </Pattern>
      </Defs>
      <Rect x={40} y={y(0)} width={40} height={height} fill={palette.waterTop} />
      <Rect x={40} y={y(0) - 2} width={40} height={Math.max(6, y(ice) - y(0))} fill={palette.card} stroke={palette.second} strokeWidth={1} />
      <SvgText x={82} y={Math.max(14, y(0) - 8)} fontSize={14} fontFamily={bold} fill={palette.ink} textAnchor="end">
        {iceM === null ? 'ice ?' : iceText(iceM, units)}
      </SvgText>
      {rulerDepths({ topM: 0, baseM: whole.baseM }, height, metresPerDepthUnit(units), 46).map(({ depthM, label }) => (
        <G key={depthM}>
          <Line x1={34} x2={40} y1={y(depthM)} y2={y(depthM)} stroke={palette.second} />
          <SvgText x={31} y={y(depthM) + 5} fontSize={14} fontFamily={bold} fill={palette.ink} textAnchor="end">
            {label}
          </SvgText>
        </G>
      ))}
      {state.bottomM === null ? null : <Rect x={40} y={y(state.bottomM)} width={40} height={height} fill="url(#bed)" />}
      {state.marks.map((mark) => (
        <Rect key={mark.id} x={52} y={y(mark.depthM) - 2} width={barWidth(mark) * 0.6} height={4} fill={palette.kelp} />
      ))}
      <Line x1={47} x2={47} y1={y(0)} y2={y(state.jigM ?? lineM)} stroke={palette.ember} strokeWidth={2} />
      <Path d={diamond(47, y(state.jigM ?? lineM), 6)} fill={palette.ember} />
      <Rect x={39} y={y(frame.topM)} width={42} height={Math.max(10, Math.min(height - 1, y(frame.baseM)) - y(frame.topM))} fill="none" stroke={palette.ink} strokeWidth={1.5} />
    </Svg>
  );
}

/** Path of a jig's diamond. */
export const diamond = (x: number, y: number, r: number) => `M${x} ${y - r}L${x + r} ${y}L${x} ${y + r}L${x - r} ${y}Z`;
/** A mark is as long as its echo is strong. */
export const barWidth = (mark: Mark) => 16 + Math.min(30, Math.max(0, (mark.levelDb + 60) * 1.2));
