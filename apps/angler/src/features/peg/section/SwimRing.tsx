import { swimName, type pegAdvice } from '@burrow/core/pole';
import type { UnitPreference } from '@burrow/core/units';
import { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import type { Palette } from '@/theme/palette';
import { bold } from '@/theme/theme';
import type { PegFrame } from './frame';

const ringR = 27;
const round = 2 * Math.PI * ringR;

interface Props {
  ring: ReturnType<typeof pegAdvice>['rings'][number];
  /** Whether it is the one nearest the bank. */
  isFirst: boolean;
  /** Whether there are three: then there is room for their distances alone. */
  isCrowded: boolean;
  /** Depth where nothing is known of the swim's own, m. */
  depthM: number;
  frame: PegFrame;
  palette: Palette;
  units: UnitPreference;
}

/** A swim with its state: the minutes left in a ring, where it lies, what was fed there. */
export function SwimRing({ ring, isFirst, isCrowded, depthM, frame, palette, units }: Props) {
  const swimX = frame.x(ring.swim.outM!);
  const bedY = frame.y(ring.swim.depthM ?? depthM);
  const cx = Math.min(frame.width - ringR - 8, swimX);
  const cy = ringR + 8;
  const color = ring.isNext ? palette.ember : ring.isHere ? palette.kelp : palette.second;
  const isLeft = isCrowded ? cx > 80 : cx > 150 || !isFirst;
  const name = { x: cx + (isLeft ? -ringR - 9 : ringR + 9), textAnchor: isLeft ? ('end' as const) : ('start' as const), fontFamily: bold };
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
  return (
    <G>
      {ring.isHere ? null : <Line x1={swimX} x2={swimX} y1={cy + ringR + 4} y2={bedY} stroke={palette.second} strokeWidth={2} strokeDasharray="3 5" />}
      {ring.swim.feeds.length > 0 ? <Path d={[-9, -5, -1, 3, 7].map((dx, i) => `M${swimX + dx} ${bedY - 4 - (i % 2) * 3}h3v3h-3Z`).join('')} fill={palette.ink} /> : null}
      <Circle cx={cx} cy={cy} r={ringR} fill={palette.card} stroke={palette.line} strokeWidth={7} />
      <Circle
        cx={cx}
        cy={cy}
        r={ringR}
        fill="none"
        stroke={color}
        strokeWidth={7}
        strokeDasharray={ring.isHere || ring.isNext ? `${round * ring.share} ${round}` : '3 4'}
        transform={`rotate(-90 ${cx} ${cy})`}
      />
      {ring.minutes === null ? (
        <SvgText x={cx} y={cy + 6} textAnchor="middle" fontFamily={bold} fontSize={16} fill={palette.ink}>
          {ring.isNext ? 'go' : '–'}
        </SvgText>
      ) : (
        <>
          <SvgText x={cx} y={cy + 2} textAnchor="middle" fontFamily={bold} fontSize={19} fill={palette.ink}>
            {String(ring.minutes)}
          </SvgText>
          <SvgText x={cx} y={cy + 16} textAnchor="middle" fontFamily={bold} fontSize={13} fill={palette.second}>
            min
          </SvgText>
        </>
      )}
      <SvgText {...name} y={isCrowded ? cy + 6 : cy - 1} fontSize={18} fill={palette.ink} {...halo}>
        {swimName(ring.swim, units)}
      </SvgText>
      {isCrowded ? null : (
        <SvgText {...name} y={cy + 17} fontSize={14} fill={color} {...halo}>
          {ring.words}
        </SvgText>
      )}
    </G>
  );
}
