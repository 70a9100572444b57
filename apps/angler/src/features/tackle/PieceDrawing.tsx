import type { TubeBuild } from '@burrow/core/ledger';
import { traitsOf, tubeFigures, type TacklePiece } from '@burrow/core/tackle';
import { fishLengthText, type UnitPreference } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Ellipse, G, Line, Path, Text as SvgText } from 'react-native-svg';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';

const height = 168;
const middle = 74;
/** Tails of a tube that nobody cut, px. */
const usualTailsPx = 70;
/** How each family is drawn. */
type Kind = 'tube' | 'soft' | 'dot' | 'metal' | 'hard' | 'hook';

const kinds: Record<string, Kind> = {
  tube: 'tube',
  grub: 'soft',
  'straight-worm': 'soft',
  'finesse-jig': 'soft',
  'bulky-jig': 'soft',
  'swim-jig': 'soft',
  'soft-trolling': 'soft',
  'micro-jig': 'dot',
  spoon: 'metal',
  blade: 'metal',
  'jigging-minnow': 'hard',
  'suspending-minnow': 'hard',
  'tight-crank': 'hard',
  lipless: 'hard',
  'plain-hook': 'hook',
  'float-rig': 'hook',
  'pole-rig': 'hook',
  'tip-up-rig': 'hook',
  'live-bait': 'hook',
  'hair-jig': 'soft',
  spinner: 'metal',
  'rattle-spoon': 'metal',
};

interface Frame {
  /** How far the head sits behind the nose of a tube, and how long its tails are, px. */
  seatPx: number;
  tailsPx: number;
  left: number;
  right: number;
  lengthPx: number;
  fill: string;
  palette: Palette;
}

const outline = (palette: Palette) => ({ stroke: palette.ink, strokeWidth: 2.5, fill: 'none', strokeLinecap: 'round' as const });

function Hook({ x, y, r, palette }: { x: number; y: number; r: number; palette: Palette }) {
  return <Path d={`M${x} ${y}h${r * 1.6}a${r} ${r} 0 1 0 ${-r} ${-r * 1.05}l5 9`} {...outline(palette)} strokeWidth={3} />;
}

/** One picture a kind, along its length. */
const drawings: Record<Kind, (frame: Frame) => ReactNode> = {
  tube: ({ left, right, fill, palette, seatPx, tailsPx }) => (
    <G>
      <Path d={`M${left + 22} ${middle - 26}H${right - 70}V${middle + 26}H${left + 22}a22 26 0 0 1 0 -52Z`} fill={fill} stroke={palette.ink} strokeWidth={2} />
      {[-22, -13, -4, 4, 13, 22].map((dy) => (
        <Path key={dy} d={`M${right - 70} ${middle + dy}q${0.6 * tailsPx} ${dy * 0.1} ${tailsPx} ${dy * 0.5}`} {...outline(palette)} strokeWidth={3.5} stroke={palette.second} />
      ))}
      <Ellipse cx={left + 24 + seatPx} cy={middle} rx={20} ry={13} fill={palette.second} />
      <Line x1={left + 24 + seatPx} x2={left + 24 + seatPx} y1={middle - 13} y2={middle - 38} {...outline(palette)} />
      <Circle cx={left + 24 + seatPx} cy={middle - 44} r={6} {...outline(palette)} />
      <Hook x={right - 110} y={middle} r={22} palette={palette} />
    </G>
  ),
  soft: ({ left, right, lengthPx, fill, palette }) => (
    <G>
      <Circle cx={left + 18} cy={middle} r={18} fill={palette.second} />
      <Path
        d={`M${left + 30} ${middle - 13}C${left + lengthPx * 0.5} ${middle - 20} ${left + lengthPx * 0.7} ${middle - 10} ${right} ${middle - 22}C${right - 20} ${middle + 2} ${left + lengthPx * 0.6} ${middle + 16} ${left + 30} ${middle + 13}Z`}
        fill={fill}
        stroke={palette.ink}
        strokeWidth={2}
      />
      <Circle cx={left + 14} cy={middle - 24} r={6} {...outline(palette)} />
      <Hook x={left + lengthPx * 0.34} y={middle - 4} r={20} palette={palette} />
    </G>
  ),
  dot: ({ left, lengthPx, fill, palette }) => (
    <G>
      <Circle cx={left + lengthPx * 0.3} cy={middle} r={lengthPx * 0.2} fill={fill} stroke={palette.ink} strokeWidth={2} />
      <Circle cx={left + lengthPx * 0.3} cy={middle - lengthPx * 0.2 - 7} r={7} {...outline(palette)} />
      <Hook x={left + lengthPx * 0.48} y={middle + 14} r={34} palette={palette} />
    </G>
  ),
  metal: ({ left, right, lengthPx, fill, palette }) => (
    <G>
      <Path
        d={`M${left} ${middle}C${left + lengthPx * 0.3} ${middle - 40} ${left + lengthPx * 0.7} ${middle - 34} ${right - 40} ${middle}C${left + lengthPx * 0.7} ${middle + 34} ${left + lengthPx * 0.3} ${middle + 40} ${left} ${middle}Z`}
        fill={fill}
        stroke={palette.ink}
        strokeWidth={2}
      />
      <Circle cx={left - 8} cy={middle} r={7} {...outline(palette)} />
      <Hook x={right - 40} y={middle} r={17} palette={palette} />
    </G>
  ),
  hard: ({ left, right, lengthPx, fill, palette }) => (
    <G>
      <Path
        d={`M${left} ${middle}C${left + lengthPx * 0.2} ${middle - 34} ${left + lengthPx * 0.6} ${middle - 30} ${right - 26} ${middle}C${left + lengthPx * 0.6} ${middle + 26} ${left + lengthPx * 0.2} ${middle + 30} ${left} ${middle}Z`}
        fill={fill}
        stroke={palette.ink}
        strokeWidth={2}
      />
      <Path d={`M${right - 26} ${middle}l26 -18v36Z`} fill={palette.second} />
      <Circle cx={left + lengthPx * 0.14} cy={middle - 6} r={5} fill={palette.ink} />
      <Hook x={left + lengthPx * 0.4} y={middle + 32} r={14} palette={palette} />
    </G>
  ),
  hook: ({ left, right, palette }) => (
    <G>
      <Line x1={left} x2={right - 60} y1={middle - 30} y2={middle - 30} {...outline(palette)} />
      <Circle cx={left - 4} cy={middle - 30} r={5} {...outline(palette)} />
      <Path d={`M${right - 60} ${middle - 30}a36 36 0 1 1 -36 44l10 12`} {...outline(palette)} strokeWidth={4} />
      <Path d={`M${right - 70} ${middle + 34}c30 26 50 0 40 -34`} {...outline(palette)} stroke={palette.plum} strokeWidth={9} />
    </G>
  ),
};

/** The piece over a ruler: to its own length where somebody said it, else to what is usual of its family. */
export function PieceDrawing({ piece, tube, units }: { piece: TacklePiece; tube?: TubeBuild; units: UnitPreference }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { sizeMm, isSizeSaid, colour } = traitsOf(piece);
  const width = Math.max(1, size.width);
  const lengthPx = Math.min(width - 110, 260);
  const left = (width - lengthPx) / 2;
  const right = left + lengthPx;
  const fill = { natural: palette.depths[2], metal: palette.depths[4], dark: palette.ink, white: palette.card, bright: palette.straw }[colour ?? 'natural'];
  const line = outline(palette);
  const pxPerMm = lengthPx / sizeMm;
  // Where nobody said it, as most are bought and built.
  const seatPx = (tube?.seat === 'full' ? 0 : tubeFigures.shortMm) * pxPerMm;
  const tailsPx = tube?.cutMm === undefined ? usualTailsPx : Math.min(usualTailsPx, Math.max(6, tube.cutMm * pxPerMm));
  const unitMm = units.fishLength === 'in' ? 25.4 : 10;
  const ticks = Array.from({ length: Math.floor(sizeMm / unitMm) + 1 }, (_, k) => left + ((k * unitMm) / sizeMm) * lengthPx);
  return (
    <View onLayout={onLayout} role="img" aria-label={`${piece.piece}, ${fishLengthText(sizeMm, units)} ${isSizeSaid ? 'long' : 'as usual of its kind'}`} style={{ height }}>
      {size.width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {drawings[kinds[piece.family] ?? 'soft']({ left, right, lengthPx, fill, palette, seatPx, tailsPx })}
          <Line x1={left} x2={right} y1={height - 34} y2={height - 34} {...line} strokeWidth={2} />
          {ticks.map((x) => (
            <Line key={x} x1={x} x2={x} y1={height - 34} y2={height - 24} {...line} strokeWidth={2} />
          ))}
          <SvgText x={right} y={height - 6} textAnchor="end" fontFamily={bold} fontSize={15} fill={palette.ink}>
            {isSizeSaid ? fishLengthText(sizeMm, units) : `about ${fishLengthText(sizeMm, units)}, not said`}
          </SvgText>
        </Svg>
      ) : null}
    </View>
  );
}
