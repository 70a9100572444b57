import { depthText } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import { DepthRuler } from '../station/shaft/DepthRuler';
import { footPx, leftPx, linesFrame, topPx, type LinesFrame } from './lines-frame';
import type { PassControl } from './usePass';

const labelOf = (palette: Palette) => ({ fontFamily: bold, fontSize: 14, fill: palette.second });
const haloOf = (palette: Palette) => ({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' }) as object;

/** The lines at their depths over the bed that lies ahead, and what the next turn does to them. */
export function LinesView({ control }: { control: PassControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units, troll } = usePreferences();
  const { answer, lane } = control.advice;
  const { width, height } = size;
  const frame = linesFrame(control, troll.turnM, size, units);
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Lines over the bed ahead: ${frame.lines.map((l) => `${l.name} ${depthText(l.depthM, units)}`).join(', ') || 'none out'}. ${answer.detail}`}
      style={{ flex: 1, minHeight: 120, overflow: 'hidden', backgroundColor: palette.ground }}
    >
      {height > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <BedPattern id="lane-bed" />
          <Rect x={leftPx} y={topPx} width={width} height={height} fill={palette.waterTop} />
          <Line x1={leftPx} x2={width} y1={topPx} y2={topPx} stroke={palette.ink} strokeWidth={1.5} />
          <DepthRuler leftPx={leftPx} rightPx={width} baseM={frame.bottomM} heightPx={height - topPx - footPx} leastPx={30} endPx={height - footPx - 6} y={frame.y} units={units} />
          <Turn frame={frame} palette={palette} />
          {frame.bedPath ? (
            <Path d={frame.bedPath} fill="url(#lane-bed)" stroke={palette.plum} strokeWidth={2.5} />
          ) : (
            <SvgText x={width / 2} y={height - footPx - 14} textAnchor="middle" {...labelOf(palette)}>
              {lane === null ? 'bed ahead: no way is worked out' : 'bed ahead: where you are is not known'}
            </SvgText>
          )}
          {frame.lines.map((line) => (
            <RunningLine key={line.id} line={line} width={width} secondY={line.second === null ? null : frame.y(line.second)} palette={palette} />
          ))}
          <Distances frame={frame} palette={palette} />
        </Svg>
      ) : null}
    </View>
  );
}

interface Layer {
  frame: LinesFrame;
  palette: Palette;
}

/** The stretch in which the boat turns. */
function Turn({ frame: { bend, x, width, height }, palette }: Layer) {
  if (!bend) return null;
  const [from, to] = [x(bend.from), x(bend.to)];
  return (
    <>
      <Rect
        x={from}
        y={topPx}
        width={Math.max(2, to - from)}
        height={height - topPx - footPx}
        fill={palette.ember}
        fillOpacity={0.1}
        stroke={palette.ember}
        strokeOpacity={0.7}
        strokeDasharray="3 4"
      />
      <SvgText x={Math.min(width - 26, (from + to) / 2)} y={topPx + 15} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ember} {...haloOf(palette)}>
        turn
      </SvgText>
    </>
  );
}

/** One line with its side, its name and its depth; the upper bait of a line with two is drawn broken. */
function RunningLine({ line, width, secondY, palette }: { line: LinesFrame['lines'][number]; width: number; secondY: number | null; palette: Palette }) {
  const { y, beside } = line;
  return (
    <G>
      <Path d={line.path} fill="none" stroke={palette.card} strokeWidth={6} />
      <Path d={line.path} fill="none" stroke={palette.ember} strokeWidth={3} />
      {secondY === null ? null : <Line x1={leftPx} x2={width} y1={secondY} y2={secondY} stroke={palette.ember} strokeWidth={2} strokeDasharray="6 5" />}
      <Path d={`M${leftPx + 14} ${y - 12}l12 12l-12 12l-12 -12Z`} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
      <SvgText x={leftPx + 14} y={y + 5} textAnchor="middle" fontFamily={bold} fontSize={13} fill={palette.onEmber}>
        {line.side === 'left' ? 'L' : 'R'}
      </SvgText>
      <Rect x={leftPx + 32 + beside} y={y - 13} width={line.w} height={26} rx={5} fill={palette.card} opacity={0.95} />
      <SvgText x={leftPx + 38 + beside} y={y + 5} fontFamily={bold} fontSize={15} fill={palette.ember}>
        {line.text}
      </SvgText>
    </G>
  );
}

/** The least room over the bed, and how far ahead things are. */
function Distances({ frame: { clear, ticks, endText, width, height }, palette }: Layer) {
  return (
    <>
      {clear ? (
        <SvgText
          x={Math.min(width - 60, Math.max(leftPx + 60, clear.x))}
          y={Math.min(height - footPx - 6, clear.y + 20)}
          textAnchor="middle"
          fontFamily={bold}
          fontSize={14}
          fill={palette.plum}
          {...haloOf(palette)}
        >
          {clear.text}
        </SvgText>
      ) : null}
      {ticks.map((t) => (
        <SvgText key={t.x} x={t.x} y={height - 5} textAnchor="middle" {...labelOf(palette)}>
          {t.text}
        </SvgText>
      ))}
      <SvgText x={width - 4} y={height - 5} textAnchor="end" {...labelOf(palette)}>
        {endText}
      </SvgText>
    </>
  );
}
