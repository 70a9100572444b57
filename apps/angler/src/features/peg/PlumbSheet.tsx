import { nearestPlanned, plumbingPlan } from '@burrow/core/pole';
import { clamp, depthFine, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { setPole, usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import type { PegControl } from './usePeg';

const padHeight = 300;
const [topPx, leftPx, sidePx] = [26, 52, 30];

/** Six depths along the pole, a tap each: across is how far out, down is how deep. The last one can be set finer below. */
export function PlumbSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { pole, own, sheets, log } = control;
  const { peg } = control.advice;
  const palette = usePalette();
  const [{ width }, onLayout] = useSize();
  const planned = plumbingPlan(pole.reachM);
  const [depths, setDepths] = useState<Record<string, number>>({});
  const [at, setAt] = useState<number>(planned.find((m) => !peg.plumbed.some((p) => Math.abs(p.outM - m) < 0.05)) ?? planned[0]);
  const deepest = Math.max(0, ...peg.plumbed.map((p) => p.depthM), ...Object.values(depths));
  const [padM, setPad] = useState(deepest > 2.6 ? 6 : 3);
  const unitM = metresPerDepthUnit(units);
  const fine = units.depth === 'ft' ? unitM / 4 : 0.05;
  const x = (m: number) => leftPx + ((m - planned[0]) / (planned[planned.length - 1] - planned[0])) * Math.max(0, width - leftPx - sidePx);
  const y = (m: number) => topPx + (m / padM) * (padHeight - topPx);
  const tap = (e: GestureResponderEvent) => {
    const { locationX, locationY } = e.nativeEvent;
    const out = nearestPlanned(planned, planned[0] + ((locationX - leftPx) / Math.max(1, width - leftPx - sidePx)) * (planned[planned.length - 1] - planned[0]));
    const depth = clamp(Math.round(((locationY - topPx) / (padHeight - topPx)) * (padM / fine)) * fine, fine, padM);
    setAt(out);
    setDepths((d) => ({ ...d, [out]: depth }));
  };
  const known = planned.map((m) => ({ m, depth: depths[m] ?? null, before: peg.plumbed.find((p) => Math.abs(p.outM - m) < 0.05)?.depthM ?? null }));
  const taken = known.filter((k) => k.depth !== null);
  const line = known.flatMap((k) => ((k.depth ?? k.before) === null ? [] : [`${x(k.m)},${y((k.depth ?? k.before)!)}`]));
  const step = (d: number) => setDepths((all) => ({ ...all, [at]: clamp((all[at] ?? known.find((k) => k.m === at)?.before ?? 1) + d * fine, fine, 20) }));
  const steps = Array.from({ length: Math.floor(padM / (unitM * (units.depth === 'ft' ? 2 : 0.5))) }, (_, k) => (k + 1) * unitM * (units.depth === 'ft' ? 2 : 0.5));
  return (
    <Sheet
      title="Plumb the bed"
      open
      onClose={sheets.close}
      footer={
        <Action
          kind="main"
          height={64}
          label={taken.length === 0 ? 'Log these depths' : `Log ${taken.length} ${taken.length === 1 ? 'depth' : 'depths'}`}
          disabled={taken.length === 0}
          onPress={() =>
            void log.write(
              `${taken.length} plumbed`,
              taken.map((k) => ({ kind: 'plumbed', body: { station: peg.id, outM: k.m, depthM: Math.round(100 * k.depth!) / 100 } })),
            )
          }
        />
      }
    >
      <Text tone="second">Hang the plummet at each distance, lift it till the tip just dips, and tap that depth under that distance.</Text>
      <View
        onLayout={onLayout}
        role="img"
        aria-label="Depths by distance: tap where the plummet stood"
        onStartShouldSetResponder={() => true}
        onResponderRelease={tap}
        style={{ height: padHeight, borderRadius: 10, overflow: 'hidden', backgroundColor: palette.waterTop, cursor: 'crosshair' } as object}
      >
        {width > 0 ? (
          <Svg width={width} height={padHeight} pointerEvents="none">
            {steps.map((m) => (
              <G key={m}>
                <Line x1={0} x2={width} y1={y(m)} y2={y(m)} stroke={palette.second} strokeOpacity={0.3} />
                <SvgText x={4} y={y(m) - 4} fontFamily={bold} fontSize={13} fill={palette.second}>
                  {depthText(m, units)}
                </SvgText>
              </G>
            ))}
            {known.map((k) => (
              <G key={k.m}>
                <Line
                  x1={x(k.m)}
                  x2={x(k.m)}
                  y1={topPx}
                  y2={padHeight}
                  stroke={k.m === at ? palette.ember : palette.second}
                  strokeOpacity={k.m === at ? 1 : 0.35}
                  strokeWidth={k.m === at ? 2 : 1}
                />
                <SvgText x={x(k.m)} y={17} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ink}>
                  {depthText(k.m, units)}
                </SvgText>
              </G>
            ))}
            {line.length > 1 ? <Path d={`M${line.join('L')}`} fill="none" stroke={palette.plum} strokeWidth={2.5} /> : null}
            {known.map((k) =>
              (k.depth ?? k.before) === null ? null : (
                <Rect
                  key={k.m}
                  x={x(k.m) - 8}
                  y={y((k.depth ?? k.before)!) - 8}
                  width={16}
                  height={16}
                  fill={k.depth === null ? palette.card : palette.plum}
                  stroke={palette.plum}
                  strokeWidth={2.5}
                />
              ),
            )}
          </Svg>
        ) : null}
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={56} label={padM === 3 ? 'Deeper than this' : 'Shallower'} onPress={() => setPad(padM === 3 ? 6 : 3)} />
        <Action grow height={56} label="Next distance" onPress={() => setAt(planned[(planned.indexOf(at) + 1) % planned.length])} />
      </View>
      <Stepper
        label={`Depth at ${depthText(at, units)}`}
        text={(depths[at] ?? known.find((k) => k.m === at)?.before ?? null) === null ? null : depthFine(depths[at] ?? known.find((k) => k.m === at)!.before!, units)}
        empty="not plumbed"
        onStep={step}
      />
      <Stepper
        label="The pole reaches"
        text={own.reachM === null ? null : depthText(own.reachM, units)}
        empty={`${depthText(pole.reachM, units)}, assumed`}
        onStep={(d) => setPole({ reachM: clamp(pole.reachM + d * (units.depth === 'ft' ? unitM : 0.5), 3, 16) })}
        hint="The six distances go from near the bank to its end."
      />
    </Sheet>
  );
}
