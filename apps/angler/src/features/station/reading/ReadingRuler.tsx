import { clamp, depthFigure, depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';

export type Handle = 'bottom' | 'mark' | 'jig';

interface Props {
  /** Null while it is not set, as the mark and the jig. */
  bottomM: number | null;
  markM: number | null;
  jigM: number | null;
  /** Deepest that the ruler shows, m. */
  toM: number;
  /** What a touch moves. */
  active: Handle;
  onMove: (depthM: number) => void;
  /** The finger is off the ruler again. */
  onMoved: () => void;
  units: UnitPreference;
}

const height = 236;
const [topPx, leftPx] = [14, 46];
const names: Record<Handle, string> = { bottom: 'Bottom', mark: 'Top mark', jig: 'Jig' };

/** The column under the hole as a ruler: touch it to set the bottom, the top mark or the jig. Arrow keys move by a step. */
export function ReadingRuler({ bottomM, markM, jigM, toM, active, onMove, onMoved, units }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const unitM = metresPerDepthUnit(units);
  const stepM = units.depth === 'ft' ? 0.5 * unitM : 0.1;
  const pxPerM = (height - 2 * topPx) / toM;
  const y = (m: number) => topPx + m * pxPerM;
  const move = (m: number) => onMove(clamp(Math.round(m / stepM) * stepM, 0, active === 'bottom' ? toM : (bottomM ?? toM)));
  const set = { bottom: bottomM, mark: markM, jig: jigM }[active];
  /** Where a step begins while it is not set. */
  const at = set ?? { bottom: 0.8 * toM, mark: (bottomM ?? toM) / 2, jig: 0.8 * (bottomM ?? toM) }[active];
  const every = [1, 2, 5, 10, 20, 50].find((s) => s * unitM * pxPerM > 26) ?? 100;
  const ticks = Array.from({ length: Math.floor(toM / (every * unitM)) + 1 }, (_, k) => k * every * unitM);
  const touch = (e: GestureResponderEvent) => move((e.nativeEvent.locationY - topPx) / pxPerM);
  return (
    <View
      onLayout={onLayout}
      role="slider"
      tabIndex={0}
      aria-label={names[active]}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={Math.round(toM / stepM)}
      aria-valuenow={Math.round(at / stepM)}
      aria-valuetext={set === null ? 'not set' : depthText(at, units)}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          const way = { ArrowDown: 1, ArrowUp: -1 }[e.key];
          if (way === undefined) return;
          e.preventDefault();
          move(at + way * stepM);
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={touch}
      onResponderMove={touch}
      onResponderRelease={onMoved}
      style={
        { height, borderWidth: 1, borderColor: palette.line, borderRadius: 10, backgroundColor: palette.card, overflow: 'hidden', touchAction: 'none', cursor: 'pointer' } as object
      }
    >
      <Svg width={size.width} height={height} pointerEvents="none" aria-hidden>
        <Defs>
          <Pattern id="reading-bed" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <Rect width="8" height="8" fill={palette.card} />
            <Line x1="0" y1="0" x2="0" y2="8" stroke={palette.plum} strokeWidth="2.5" />
          </Pattern>
        </Defs>
        {ticks.map((m) => (
          <G key={m}>
            <Line x1={leftPx - 10} x2={leftPx} y1={y(m)} y2={y(m)} stroke={palette.second} strokeWidth={2} />
            <SvgText x={leftPx - 14} y={y(m) + 5} textAnchor="end" fontSize={14} fontFamily={bold} fill={palette.second}>
              {depthFigure(m, units)}
            </SvgText>
          </G>
        ))}
        <Line x1={leftPx} x2={leftPx} y1={topPx} y2={y(bottomM ?? toM)} stroke={palette.second} strokeWidth={2} />
        {bottomM === null ? null : (
          <>
            <Rect x={leftPx} y={y(bottomM)} width={Math.max(0, size.width - leftPx)} height={Math.max(0, height - y(bottomM))} fill="url(#reading-bed)" />
            <Line x1={leftPx} x2={size.width} y1={y(bottomM)} y2={y(bottomM)} stroke={palette.plum} strokeWidth={active === 'bottom' ? 5 : 3} />
          </>
        )}
        {markM === null ? null : (
          <Rect x={leftPx + 70} y={y(markM) - 4} width={60} height={8} rx={2} fill={palette.kelp} stroke={active === 'mark' ? palette.ink : 'none'} strokeWidth={2} />
        )}
        {jigM === null ? null : (
          <Path d={`M${leftPx + 36} ${y(jigM) - 11}l11 11l-11 11l-11 -11Z`} fill={palette.ember} stroke={active === 'jig' ? palette.ink : palette.card} strokeWidth={2} />
        )}
        <Labels
          rows={[
            ...(jigM === null ? [] : [{ m: jigM, text: `jig ${depthText(jigM, units)}`, colour: palette.ember }]),
            ...(markM === null ? [] : [{ m: markM, text: `top mark ${depthText(markM, units)}`, colour: palette.kelp }]),
            ...(bottomM === null ? [] : [{ m: bottomM, text: `bottom ${depthText(bottomM, units)}`, colour: palette.plum }]),
          ].map((row) => ({ ...row, y: y(row.m) }))}
          x={size.width - 12}
          ground={palette.card}
        />
      </Svg>
    </View>
  );
}

/** Names at the right, pushed apart so that none lies over another. */
function Labels({ rows, x, ground }: { rows: { text: string; colour: string; y: number }[]; x: number; ground: string }) {
  const apart = 20;
  const placed = [...rows].sort((a, b) => a.y - b.y);
  for (let k = placed.length - 1; k >= 0; k--) {
    const lowest = k === placed.length - 1 ? height - 10 : placed[k + 1].y - apart;
    placed[k] = { ...placed[k], y: Math.min(placed[k].y + 5, lowest) };
  }
  return (
    <>
      {placed.map(({ text, colour, y }) => (
        <G key={text}>
          <Rect x={x - 8.2 * text.length - 6} y={Math.max(16, y) - 15} width={8.2 * text.length + 12} height={20} rx={4} fill={ground} />
          <SvgText x={x} y={Math.max(16, y)} textAnchor="end" fontSize={15} fontFamily={bold} fill={colour}>
            {text}
          </SvgText>
        </G>
      ))}
    </>
  );
}
