import { swimName } from '@burrow/core/pole';
import { depthFigure, depthText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { useSize } from '@/ui/useSize';
import type { PegControl } from '../usePeg';
import { pegFrame, type PegFrame } from './frame';
import { HungRig } from './HungRig';
import { SwimRing } from './SwimRing';

/** The section across the peg: bank, bed as plumbed, swims with the state of each, and the rig as it hangs. */
export function PegSection({ control }: { control: PegControl }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units } = usePreferences();
  const { pole, advice, log } = control;
  const { peg, rings, rig, here, depth } = advice;
  const frame = pegFrame(advice, pole.reachM, size, units);
  const hookM = Math.min(rig.stopM, here.depthM === null ? rig.stopM : depth.m);
  const drawn = { frame, palette, units };
  const spoken = rings.map((r) => `${swimName(r.swim, units)} ${r.words}${r.minutes === null ? '' : `, ${r.minutes} min`}`).join('; ');
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Across the peg. ${peg.plumbed.length === 0 ? 'Nothing plumbed yet.' : `${peg.plumbed.length} depths plumbed.`} ${spoken}`}
      style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}
    >
      {size.height > 0 ? (
        <Svg width={size.width} height={size.height} aria-hidden>
          <BedPattern id="peg-bed" />
          <Bed {...drawn} />
          {peg.plumbed.map((p) => (
            <Rect key={p.outM} x={frame.x(p.outM) - 4.5} y={frame.y(p.depthM) - 4.5} width={9} height={9} fill={palette.card} stroke={palette.plum} strokeWidth={2} />
          ))}
          {rings.map((ring, k) => (
            <SwimRing key={ring.swim.id} ring={ring} isFirst={k === 0} isCrowded={rings.length > 2} depthM={depth.m} {...drawn} />
          ))}
          {log.line !== undefined && here.outM !== null ? <HungRig rig={rig} outM={here.outM} hookM={hookM} {...drawn} /> : null}
          <Remarks advice={advice} {...drawn} />
        </Svg>
      ) : null}
    </View>
  );
}

interface Drawn {
  frame: PegFrame;
  palette: Palette;
  units: UnitPreference;
}

/** Water, depths, the bed as far as it was plumbed, and the distances under it. */
function Bed({ frame, palette, units }: Drawn) {
  const { width, height, airPx, baseY, reachM, x, y, bed, bedPath, depths, ticks } = frame;
  const end = bed.at(-1);
  const text = { fontFamily: bold, fontSize: 14, fill: palette.ink };
  return (
    <>
      <Rect x={end ? x(0) - 4 : 0} y={airPx} width={width} height={height} fill={palette.waterTop} />
      {depths.map((d) => (
        <Line key={d.depthM} x1={x(0)} x2={width} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.25} />
      ))}
      {end ? (
        <>
          <Path d={`${bedPath}L${x(end.outM)} ${baseY}L0 ${baseY}Z`} fill="url(#peg-bed)" />
          <Path d={bedPath} fill="none" stroke={palette.plum} strokeWidth={3} strokeLinejoin="round" />
          {end.outM < reachM - 0.5 ? <Line x1={x(end.outM)} x2={width} y1={y(end.depthM)} y2={y(end.depthM)} stroke={palette.plum} strokeWidth={2} strokeDasharray="3 6" /> : null}
        </>
      ) : null}
      <Rect x={0} y={baseY} width={width} height={height - baseY} fill={palette.ground} />
      <Line x1={x(0) - 6} x2={width} y1={airPx} y2={airPx} stroke={palette.ink} strokeWidth={1.5} />
      {depths.map((d) => (
        <SvgText key={d.depthM} x={width - 5} y={y(d.depthM) + 5} textAnchor="end" {...text} {...({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object)}>
          {depthFigure(d.depthM, units)}
        </SvgText>
      ))}
      {ticks.map((t) => (
        <SvgText key={t.m} x={x(t.m)} y={height - 7} textAnchor={t.isAtEdge ? 'end' : 'middle'} {...text} fill={palette.second}>
          {t.text}
        </SvgText>
      ))}
    </>
  );
}

/** What has to be said of the picture: a depth that nobody plumbed, a height that is drawn larger. */
function Remarks({ advice, frame, palette, units }: Drawn & { advice: PegControl['advice'] }) {
  const { step, depth, feedPicture: feed } = advice;
  const { width, height, airPx, baseY, x, times } = frame;
  const isUnplumbed = step === 'fish' && depth.by !== 'plumbed';
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
  return (
    <>
      {isUnplumbed ? (
        <SvgText x={x(0) + 8} y={baseY - 10} fontFamily={bold} fontSize={14} fill={palette.straw} {...halo}>
          {`${depthText(depth.m, units)} deep, ${depth.by}`}
        </SvgText>
      ) : null}
      {times > 1.6 && !isUnplumbed ? (
        <SvgText x={6} y={baseY - 8} fontFamily={bold} fontSize={13} fill={palette.second} {...halo}>
          {`depth drawn ${times.toFixed(1)} times`}
        </SvgText>
      ) : null}
      {feed.last === null && step === 'plumb' ? (
        <SvgText x={width / 2} y={airPx + (height - airPx) / 2} textAnchor="middle" fontFamily={bold} fontSize={15} fill={palette.second}>
          bed not plumbed yet
        </SvgText>
      ) : null}
    </>
  );
}
