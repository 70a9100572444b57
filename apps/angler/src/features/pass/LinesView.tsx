import { depthInTurn } from '@burrow/core/troll';
import { depthFigure, depthText, distanceText, metresPerDepthUnit, niceLengthM } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import { rulerDepths } from '../station/shaft/scale';
import type { PassControl } from './usePass';

const [leftPx, topPx, footPx] = [42, 8, 22];

/** The lines at their depths over the bed that lies ahead, and what the next turn does to them. */
export function LinesView({ control }: { control: PassControl }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const { units, troll } = usePreferences();
  const { ahead, place, turn, speed, answer, lane } = control.advice;
  const { lines, deepestM } = control.running;
  const far = ahead.at(-1)?.aheadM ?? 100;
  const bedM = ahead.map((p) => p.depthM).filter((d) => !Number.isNaN(d));
  // A bed far under the lines is left out of the picture, so that the lines can be told apart.
  const shownBedM = bedM.length === 0 ? deepestM + 2 : Math.min(Math.max(...bedM), Math.max(2.5 * deepestM, 1.2 * Math.min(...bedM)));
  const bottomM = Math.max(1, deepestM + 1, shownBedM) * 1.08;
  const x = (m: number) => leftPx + (m / far) * Math.max(0, width - leftPx);
  const y = (m: number) => topPx + (m / bottomM) * Math.max(0, height - topPx - footPx);
  const known = ahead.filter((p) => !Number.isNaN(p.depthM));
  const bed = known.map((p) => `${x(p.aheadM).toFixed(1)} ${y(p.depthM).toFixed(1)}`).join('L');
  const label = { fontFamily: bold, fontSize: 14, fill: palette.ink };
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
  const from = turn && place ? Math.max(0, turn.fromM - place.alongM) : null;
  const to = turn && place ? Math.min(far, turn.toM - place.alongM) : null;
  const hasTurn = from !== null && to !== null && from < far;
  const shallowest = known.reduce<(typeof known)[number] | null>((a, b) => (a === null || b.depthM < a.depthM ? b : a), null);
  const unitM = metresPerDepthUnit(units);
  const tickM = niceLengthM(far / 3, units);
  const shown = lines.filter((l) => l.depthM !== null);
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Lines over the bed ahead: ${shown.map((l) => `${l.name} ${depthText(l.depthM!, units)}`).join(', ') || 'none out'}. ${answer.detail}`}
      style={{ flex: 1, minHeight: 120, overflow: 'hidden', backgroundColor: palette.ground }}
    >
      {height > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <BedPattern id="lane-bed" />
          <Rect x={leftPx} y={topPx} width={width} height={height} fill={palette.waterTop} />
          <Line x1={leftPx} x2={width} y1={topPx} y2={topPx} stroke={palette.ink} strokeWidth={1.5} />
          {rulerDepths({ topM: 0, baseM: bottomM }, height - topPx - footPx, unitM, 30)
            .filter((d) => d.depthM > 0 && y(d.depthM) < height - footPx - 6)
            .map((d) => (
              <G key={d.depthM}>
                <Line x1={leftPx} x2={width} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.25} />
                <SvgText x={leftPx - 6} y={y(d.depthM) + 5} textAnchor="end" {...label}>
                  {depthFigure(d.depthM, units)}
                </SvgText>
              </G>
            ))}
          {hasTurn ? (
            <Rect
              x={x(from)}
              y={topPx}
              width={Math.max(2, x(to) - x(from))}
              height={height - topPx - footPx}
              fill={palette.ember}
              fillOpacity={0.1}
              stroke={palette.ember}
              strokeOpacity={0.7}
              strokeDasharray="3 4"
            />
          ) : null}
          {hasTurn ? (
            <SvgText x={Math.min(width - 26, (x(from) + x(to)) / 2)} y={topPx + 15} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ember} {...halo}>
              turn
            </SvgText>
          ) : null}
          {known.length > 1 ? (
            <Path
              d={`M${x(known[0].aheadM)} ${height - footPx}L${bed}L${x(known[known.length - 1].aheadM)} ${height - footPx}Z`}
              fill="url(#lane-bed)"
              stroke={palette.plum}
              strokeWidth={2.5}
            />
          ) : (
            <SvgText x={width / 2} y={height - footPx - 14} textAnchor="middle" {...label} fill={palette.second}>
              {lane === null ? 'bed ahead: no way is worked out' : 'bed ahead: where you are is not known'}
            </SvgText>
          )}
          {shown.map((l, k) => {
            const inTurn = hasTurn && turn ? depthInTurn(l, speed.ms, troll.turnM, turn.side) : null;
            const d = l.depthM!;
            const bent =
              inTurn === null
                ? `M${leftPx} ${y(d)}L${width} ${y(d)}`
                : `M${leftPx} ${y(d)}L${x(from!)} ${y(d)}Q${(x(from!) + x(to!)) / 2} ${y(2 * inTurn - d)} ${x(to!)} ${y(d)}L${width} ${y(d)}`;
            const w = 84 + 5 * l.name.length;
            // Names of lines that run close stand beside one another.
            const beside = shown.slice(0, k).filter((o) => Math.abs(y(o.depthM!) - y(d)) < 27).length * (w + 6);
            return (
              <G key={l.id}>
                <Path d={bent} fill="none" stroke={palette.card} strokeWidth={6} />
                <Path d={bent} fill="none" stroke={palette.ember} strokeWidth={3} />
                {l.second === null ? null : <Line x1={leftPx} x2={width} y1={y(l.second)} y2={y(l.second)} stroke={palette.ember} strokeWidth={2} strokeDasharray="6 5" />}
                <Path d={`M${leftPx + 14} ${y(d) - 12}l12 12l-12 12l-12 -12Z`} fill={palette.ember} stroke={palette.card} strokeWidth={2} />
                <SvgText x={leftPx + 14} y={y(d) + 5} textAnchor="middle" fontFamily={bold} fontSize={13} fill={palette.onEmber}>
                  {l.side === 'left' ? 'L' : 'R'}
                </SvgText>
                <Rect x={leftPx + 32 + beside} y={y(d) - 13} width={w} height={26} rx={5} fill={palette.card} opacity={0.95} />
                <SvgText x={leftPx + 38 + beside} y={y(d) + 5} fontFamily={bold} fontSize={15} fill={palette.ember}>
                  {`${l.name} ${depthText(d, units)}`}
                </SvgText>
              </G>
            );
          })}
          {shallowest && shown.length > 0 ? (
            <SvgText
              x={Math.min(width - 60, Math.max(leftPx + 60, x(shallowest.aheadM)))}
              y={Math.min(height - footPx - 6, y(shallowest.depthM) + 20)}
              textAnchor="middle"
              fontFamily={bold}
              fontSize={14}
              fill={palette.plum}
              {...halo}
            >
              {`${depthText(Math.max(0, shallowest.depthM - deepestM), units)} clear`}
            </SvgText>
          ) : null}
          {Array.from({ length: known.length < 2 ? 0 : Math.max(0, Math.ceil((far * 0.78) / tickM) - 1) }, (_, k) => (k + 1) * tickM).map((m) => (
            <SvgText key={m} x={x(m)} y={height - 5} textAnchor="middle" {...label} fill={palette.second}>
              {distanceText(m, units).split(' ')[0]}
            </SvgText>
          ))}
          <SvgText x={width - 4} y={height - 5} textAnchor="end" {...label} fill={palette.second}>
            {known.length < 2 ? '' : `${distanceText(far, units)} ahead`}
          </SvgText>
        </Svg>
      ) : null}
    </View>
  );
}
