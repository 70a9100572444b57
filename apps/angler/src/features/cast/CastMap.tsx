import { depthFigure, type UnitPreference } from '@burrow/core/units';
import { memo, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Path, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import type { Palette } from '@/theme/palette';
import { useSize } from '@/ui/useSize';
import { Aiming } from './Aiming';
import { bandPath, castFrame, depthFigures, ringsPath, showsCast, type CastFrame } from './frame';
import type { CastControl } from './useCast';

/** The water about the stand from above: bed, band, what holds fish, what was shown, and the fan of casts to make. Drag to aim. */
export function CastMap({ control, children }: { control: CastControl; children?: ReactNode }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units } = usePreferences();
  const { stand, ground, settings } = control;
  const { fan } = control.shown;
  // The view stands still while one casts: it shows where the first fan pointed, and widens when a later one would leave it.
  const [ahead, setAhead] = useState<readonly number[] | null>(null);
  if (ahead === null && fan?.casts[0]) setAhead(fan.casts.map((c) => c.bearingDeg));
  const frame = useMemo(
    () => (size.width > 0 && size.height > 0 ? castFrame(ground, stand.at, settings.query.castM, ahead ?? nowhere, size) : null),
    [ground, stand.at, settings.query.castM, ahead, size],
  );
  const outside = frame && ahead && fan ? fan.casts.map((c) => c.bearingDeg).filter((deg) => !ahead.includes(deg) && !showsCast(frame, deg, settings.query.castM)) : [];
  if (outside.length > 0) setAhead([...(ahead ?? []), ...outside]);
  return (
    <View onLayout={onLayout} style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}>
      {frame ? (
        <>
          {/* A layer of its own: it is not painted anew while the aim over it turns. */}
          <View style={{ position: 'absolute', inset: 0, willChange: 'transform' } as object}>
            <Bed ground={ground} frame={frame} band={settings.band} palette={palette} isMoving={settings.isMoving} units={units} />
          </View>
          <Aiming control={control} frame={frame} />
        </>
      ) : null}
      {children}
    </View>
  );
}

/** Before the fan is known the view lies all round the stand. */
const nowhere: readonly number[] = [];

export interface BedProps {
  ground: CastControl['ground'];
  frame: CastFrame;
  band: { fromM: number; toM: number };
  palette: Palette;
  isMoving: boolean;
  units: UnitPreference;
}

/** What does not move under the finger: shaded depths, their lines, the band. */
export const Bed = memo(function Bed({ ground, frame, band, palette, isMoving, units }: BedProps) {
  const { fromM, toM } = band;
  const shore = useMemo(() => ringsPath([ground.ring, ...ground.islands], frame), [ground, frame]);
  const lines = useMemo(() => ground.contours.map((c) => ringsPath(c.rings, frame)), [ground, frame]);
  const within = useMemo(() => bandPath(ground, { fromM, toM }, frame), [ground, fromM, toM, frame]);
  const figures = useMemo(() => depthFigures(ground, frame), [ground, frame]);
  const shades = palette.depths.length - 1;
  const isLow = ground.levelM < 0;
  return (
    <Svg width={frame.width} height={frame.height} style={{ position: 'absolute' }} aria-hidden>
      <Defs>
        <ClipPath id="cast-water">
          <Path d={shore} clipRule="evenodd" />
        </ClipPath>
      </Defs>
      <Path d={shore} fillRule="evenodd" fill={isLow ? palette.line : palette.depths[0]} stroke={palette.second} strokeWidth={2.5} />
      {lines.map((d, i) => (
        <Path key={i} d={d} fill={palette.depths[Math.min(shades, Math.round(((i + (isLow ? 0 : 1)) / lines.length) * shades))]} stroke={palette.second} strokeWidth={0.8} />
      ))}
      {isMoving ? null : (
        <G clipPath="url(#cast-water)">
          <Path d={within.fill} fill={palette.kelp} fillOpacity={0.24} fillRule="evenodd" stroke={palette.kelp} strokeWidth={2} strokeDasharray="2 5" />
        </G>
      )}
      {figures.map((f) => (
        <SvgText
          key={f.depthM}
          x={f.x}
          y={f.y + 5}
          textAnchor="middle"
          fontFamily={bold}
          fontSize={14}
          fill={palette.ink}
          {...({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object)}
        >
          {depthFigure(f.depthM, units)}
        </SvgText>
      ))}
    </Svg>
  );
});
