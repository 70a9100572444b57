import type { pegAdvice } from '@burrow/core/pole';
import { depthFine, type UnitPreference } from '@burrow/core/units';
import { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import type { Palette } from '@/theme/palette';
import { bold } from '@/theme/theme';
import type { PegFrame } from './frame';

interface Props {
  rig: ReturnType<typeof pegAdvice>['rig'];
  outM: number;
  /** How deep the hook is, m. */
  hookM: number;
  frame: PegFrame;
  palette: Palette;
  units: UnitPreference;
}

/** The pole, the float and the line with its shot and hook, as it hangs. */
export function HungRig({ rig, outM, hookM, frame, palette, units }: Props) {
  const x = frame.x(outM);
  const { airPx, y } = frame;
  const isFar = x > frame.width * 0.62;
  return (
    <>
      <Path d={`M0 ${airPx - 30}L${x} ${airPx - 17}L0 ${airPx - 22}Z`} fill={palette.ink} stroke={palette.ink} strokeWidth={1.5} />
      <Line x1={x} x2={x} y1={airPx - 17} y2={y(hookM)} stroke={palette.ember} strokeWidth={2} />
      <Path d={`M${x - 5} ${airPx - 4}q5 -9 10 0q0 9 -5 14q-5 -5 -5 -14Z`} fill={palette.ember} />
      {(rig.plan?.shots ?? []).map((s, k) => (
        <Circle key={k} cx={x} cy={Math.max(airPx + 12, y(hookM - s.aboveHookM))} r={2.6} fill={palette.ink} />
      ))}
      <Path d={`M${x} ${y(hookM) - 9}l8 8l-8 8l-8 -8Z`} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
      <SvgText
        x={x + (isFar ? -13 : 13)}
        y={y(hookM) - 8}
        textAnchor={isFar ? 'end' : 'start'}
        fontFamily={bold}
        fontSize={15}
        fill={palette.ember}
        {...({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object)}
      >
        {`hook ${depthFine(rig.stopM, units)}${rig.overM > 0 ? ' laid on' : ''}`}
      </SvgText>
    </>
  );
}
