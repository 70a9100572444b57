import { hookProblems } from '@burrow/core/law';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { floatLimits, knotAtReelM, rigCard, rigIds, rigNames, usualBaitedG, type PartKind, type RigCard, type RigId } from '@burrow/core/rig';
import { clamp, depthStepM, depthText, liftText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { useWater } from '@/data/water';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { BedPattern } from '@/ui/BedPattern';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import { useTieOn } from './useTieOn';

/** Worked out for this depth where none is known, and said so, m. */
const assumedM = 3;
/** Where setting the length of a rod begins, m. */
const usualRodM = 2.4;
const height = 380;
const stripPx = 84;

/** The rigs, each to scale with its numbers and the steps to tie it. */
export function RigCardScreen() {
  const { units, kit } = usePreferences();
  const { query, station } = useTieOn();
  const [chosenM, setDepth] = useState<number | null>(null);
  const depthM = chosenM ?? query.depthM ?? assumedM;
  const move = (byM: number) => setDepth(clamp(depthM + byM, 0.3, 60));
  const [id, setId] = useState<RigId>((methodOf(query.method) ?? usualMethod).firstRig(depthM));
  const bottomM = station?.depthM ?? null;
  const [baitedG, setBaited] = useState<number | null>(null);
  const card = rigCard(id, { depthM, bottomM, floats: kit.floats, ...(baitedG === null ? {} : { baitedG }) });
  const rules = useWater().detail.data?.value.file.water.rules;
  const against = rules && card.hooks > (rules.hooks ?? Infinity) ? hookProblems(rules, { hooks: card.hooks, points: null }) : [];
  const step = depthStepM(units);
  const headline = {
    'sliding-float': `Stop knot ${depthText(depthM, units)} above the hook`,
    'fixed-float': `Float ${depthText(depthM, units)} above the hook`,
    pole: `Float ${depthText(depthM, units)} above the hook`,
    'tip-up': `${depthText(depthM, units)} of line under the flag`,
  }[id as string];
  return (
    <ScrollView contentContainerStyle={{ paddingVertical: 16, gap: 14, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
      <View style={{ paddingHorizontal: 16, gap: 6 }}>
        <Text size="small" tone="second">
          {card.name}
        </Text>
        <Text heading={1} size="title">
          {headline ?? card.name}
        </Text>
        <Text tone="second">
          {card.hooks > 1
            ? 'Two hooks on one line: only where the law of the water allows it.'
            : id.includes('float')
              ? `Fixed to ${depthText(floatLimits.fixedToM, units)}, sliding beyond; only the tip shows.`
              : 'Drawn to scale along the line.'}
        </Text>
      </View>
      {against.length > 0 ? (
        <View style={{ paddingHorizontal: 16 }}>
          <Caution headline="By your rule card">{against[0]}</Caution>
        </View>
      ) : null}
      <View style={{ paddingHorizontal: 16 }}>
        <Choice label="Rig" options={rigIds.map((r) => ({ id: r, label: rigNames[r] }))} value={id} onChange={setId} />
      </View>
      <RigDrawing card={card} depthM={depthM} bottomM={bottomM} units={units} />
      {card.load ? <Load card={card} /> : null}
      <View style={{ paddingHorizontal: 16, gap: 8 }}>
        <Stepper
          label="Depth of the bait"
          text={depthText(depthM, units)}
          onStep={(d) => move(d * step)}
          big={{ text: depthText(10 * step, units), onStep: (d) => move(d * 10 * step) }}
          hint={query.depthM === null ? 'No depth is known here: set it.' : 'As it hangs, or as the Outlook looks for them.'}
        />
        {card.load ? <BaitMass valueG={baitedG} onChange={setBaited} /> : null}
        {id === 'sliding-float' ? <RodLength units={units} /> : null}
        <Text heading={2} size="lead">
          Steps
        </Text>
        {card.steps.map((text, k) => (
          <View key={text} style={{ flexDirection: 'row', gap: 12 }}>
            <Text strong tone="ember">
              {String(k + 1)}
            </Text>
            <Text style={{ flex: 1 }}>{text}</Text>
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

/** What hook and bait weigh, g: the float is shot for what is left. */
function BaitMass({ valueG, onChange }: { valueG: number | null; onChange: (massG: number | null) => void }) {
  return (
    <Stepper
      label="Hook and bait"
      text={valueG === null ? null : `${valueG.toFixed(2)} g`}
      empty={`not weighed: ${usualBaitedG} g assumed`}
      onStep={(d) => onChange(valueG === null ? usualBaitedG : Math.round(100 * clamp(valueG + 0.02 * d, 0.02, 20)) / 100)}
      onClear={() => onChange(null)}
    />
  );
}

/** How long the rod is, and from which stop the knot of a sliding float is wound onto its reel. */
function RodLength({ units }: { units: UnitPreference }) {
  const [rodM, setRod] = useState<number | null>(null);
  return (
    <Stepper
      label="Your rod"
      text={rodM === null ? null : depthText(rodM, units)}
      empty="not said"
      onStep={(d) => setRod(rodM === null ? usualRodM : clamp(rodM + d * depthStepM(units), 1, 15))}
      onClear={() => setRod(null)}
      hint={
        rodM === null
          ? 'Its length tells from which stop the knot goes onto the reel.'
          : `From a stop of ${depthText(knotAtReelM(rodM), units)} on the knot goes onto the reel before the fish is at the net: a thread knot passes, a rubber one may jam.`
      }
    />
  );
}

/** The whole line to scale at the left, its parts with their distances at the right. */
function RigDrawing({ card, depthM, bottomM, units }: { card: RigCard; depthM: number; bottomM: number | null; units: UnitPreference }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { width } = size;
  const rows = card.parts.length;
  const rowY = (k: number) => 34 + (k * (height - 70)) / Math.max(1, rows - 1);
  const lineX = stripPx + 62;
  const deepest = Math.max(bottomM ?? 0, depthM) * 1.05 + 0.1;
  const y = (m: number) => 20 + (m / deepest) * (height - 30);
  const label = { fontFamily: bold, fontSize: 15, fill: palette.ink };
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`${card.name}: ${card.parts.map((p) => `${p.name}, ${liftText(p.aboveHookM, units)} above the hook`).join('; ')}`}
      style={{ height }}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <BedPattern id="rig-bed" />
          <Rect x={16} y={y(0)} width={stripPx - 26} height={height - y(0)} fill={palette.depths[1]} />
          {bottomM === null ? null : <Rect x={16} y={y(bottomM)} width={stripPx - 26} height={Math.max(0, height - y(bottomM))} fill="url(#rig-bed)" />}
          <Line x1={46} x2={46} y1={y(0)} y2={y(depthM)} stroke={palette.ember} strokeWidth={2} />
          {card.parts.map((p, k) => {
            const at = depthM - p.aboveHookM;
            return at < -0.1 ? null : <Circle key={k} cx={46} cy={y(Math.max(0, at))} r={3.5} fill={palette.ember} />;
          })}
          <SvgText x={16} y={14} fontFamily={bold} fontSize={14} fill={palette.second}>
            to scale
          </SvgText>
          <SvgText x={20} y={Math.min(height - 4, y(depthM) + 18)} fontFamily={bold} fontSize={14} fill={palette.second}>
            {depthText(depthM, units)}
          </SvgText>
          <Rect x={stripPx} y={0} width={width - stripPx} height={height} fill={palette.depths[0]} />
          <Line x1={lineX} x2={lineX} y1={6} y2={rowY(rows - 1)} stroke={palette.ember} strokeWidth={3} />
          {card.parts.map((part, k) => (
            <G key={k}>
              <Sign kind={part.kind} x={lineX} y={rowY(k)} palette={palette} />
              <SvgText x={lineX - 16} y={rowY(k) + 5} textAnchor="end" fontFamily={bold} fontSize={14} fill={palette.second}>
                {part.aboveHookM === 0 ? '0' : liftText(part.aboveHookM, units)}
              </SvgText>
              {wrapped(part.name, Math.floor((width - lineX - 30) / 8)).map((text, row) => (
                <SvgText key={row} x={lineX + 24} y={rowY(k) + 5 + 18 * row} {...label}>
                  {text}
                </SvgText>
              ))}
              {part.massG ? (
                <SvgText x={width - 10} y={rowY(k) - 12} textAnchor="end" fontFamily={bold} fontSize={14} fill={palette.second}>
                  {`${part.massG.toFixed(2)} g`}
                </SvgText>
              ) : null}
            </G>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

/** Breaks words so that no row is longer than `most` letters. */
function wrapped(text: string, most: number): string[] {
  const rows: string[] = [''];
  for (const word of text.split(' ')) {
    const row = rows[rows.length - 1];
    if (row !== '' && row.length + word.length + 1 > most) rows.push(word);
    else rows[rows.length - 1] = row === '' ? word : `${row} ${word}`;
  }
  return rows;
}

function Sign({ kind, x, y, palette }: { kind: PartKind; x: number; y: number; palette: Palette }) {
  const ink = { stroke: palette.ink, strokeWidth: 2.5, fill: palette.card };
  switch (kind) {
    case 'stop':
    case 'knot':
      return <Path d={`M${x - 7} ${y - 7}l14 14m0 -14l-14 14`} {...ink} />;
    case 'bead':
      return <Circle cx={x} cy={y} r={6} {...ink} />;
    case 'float':
      return (
        <Path
          d={`M${x} ${y - 26}C${x + 14} ${y - 8} ${x + 12} ${y + 10} ${x} ${y + 26}C${x - 12} ${y + 10} ${x - 14} ${y - 8} ${x} ${y - 26}Z`}
          fill={palette.ember}
          stroke={palette.card}
          strokeWidth={2}
        />
      );
    case 'bulk':
      return (
        <G>
          <Circle cx={x} cy={y - 9} r={9} fill={palette.ink} />
          <Circle cx={x} cy={y + 8} r={9} fill={palette.ink} />
        </G>
      );
    case 'shot':
      return <Circle cx={x} cy={y} r={5} fill={palette.ink} />;
    case 'swivel':
      return <Path d={`M${x} ${y - 10}a5 5 0 1 1 0 9a5 5 0 1 1 0 9`} {...ink} fill="none" />;
    case 'loop':
      return <Path d={`M${x} ${y - 12}a8 11 0 1 1 0 22a8 11 0 1 1 0 -22Z`} {...ink} />;
    case 'weight':
      return <Path d={`M${x} ${y - 12}l9 18h-18Z`} fill={palette.ink} />;
    case 'flag':
      return <Path d={`M${x} ${y - 16}h22l-6 8l6 8h-22Z`} fill={palette.ember} />;
    default:
      return <Path d={`M${x} ${y - 14}v16a9 9 0 1 0 16 6l-5 5`} stroke={palette.ink} strokeWidth={3.5} fill="none" />;
  }
}

/** What hangs under the float against what it carries. */
function Load({ card }: { card: RigCard }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { hungG, carriesG } = card.load!;
  const parts = card.parts.filter((p) => p.massG);
  const startsG = parts.map((_, k) => parts.slice(0, k).reduce((sum, p) => sum + p.massG!, 0));
  return (
    <View style={{ paddingHorizontal: 16, gap: 6 }}>
      <Text strong>{`${hungG.toFixed(2)} g hung; the float carries ${carriesG.toFixed(2)}`}</Text>
      <View onLayout={onLayout} style={{ height: 26 }}>
        {size.width > 0 ? (
          <Svg width={size.width} height={26} aria-hidden>
            {parts.map((p, k) => {
              const x = (startsG[k] / carriesG) * size.width;
              return (
                <Rect
                  key={k}
                  x={x}
                  y={3}
                  width={Math.max(1, (p.massG! / carriesG) * size.width - 1)}
                  height={20}
                  fill={[palette.ink, palette.second, palette.kelp, palette.plum][k % 4]}
                />
              );
            })}
            <Rect x={1} y={2} width={size.width - 2} height={22} rx={4} fill="none" stroke={palette.ember} strokeWidth={2.5} />
          </Svg>
        ) : null}
      </View>
    </View>
  );
}
