import { depthFigure, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { G, Line, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { rulerDepths } from './scale';

interface Props {
  /** The left end of the lines, and their right end, px. */
  leftPx: number;
  rightPx: number;
  /** Depth at the foot of the picture, m, its height from the surface, and how close two figures may stand, px. */
  baseM: number;
  heightPx: number;
  leastPx: number;
  /** No figure below this, px. */
  endPx: number;
  y: (depthM: number) => number;
  units: UnitPreference;
}

/** Depth lines across a picture of water from the side, with their figures at the left. */
export function DepthRuler({ leftPx, rightPx, baseM, heightPx, leastPx, endPx, y, units }: Props) {
  const palette = usePalette();
  return (
    <>
      {rulerDepths({ topM: 0, baseM }, heightPx, metresPerDepthUnit(units), leastPx)
        .filter((d) => d.depthM > 0 && y(d.depthM) < endPx)
        .map((d) => (
          <G key={d.depthM}>
            <Line x1={leftPx} x2={rightPx} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.25} />
            <SvgText x={leftPx - 6} y={y(d.depthM) + 5} textAnchor="end" fontFamily={bold} fontSize={14} fill={palette.ink}>
              {depthFigure(d.depthM, units)}
            </SvgText>
          </G>
        ))}
    </>
  );
}
