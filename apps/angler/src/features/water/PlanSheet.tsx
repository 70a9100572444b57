import type { LonLat } from '@burrow/core/ground';
import { featureText, type ScanKind } from '@burrow/core/holes';
import { clamp, distanceText, metresPerYard, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { Ground, PlanRequest } from '@/workers/ground.api';
import { PlaceSides } from './PlaceSides';

const kinds: readonly { id: ScanKind; label: string; hint: string }[] = [
  { id: 'free', label: 'Where fish are', hint: 'Each hole where it adds most to what is within reach.' },
  { id: 'line', label: 'Across a break', hint: 'A line down the fall of the bed.' },
  { id: 'grid', label: 'Over a basin', hint: 'A square grid.' },
  { id: 'ring', label: 'Round a hump', hint: 'Along a depth line, all round.' },
];

interface Props {
  water: string;
  onClose: () => void;
  ground: Ground;
  /** Where the walk begins. */
  start: LonLat;
  /** A place tapped on the map, if one was. */
  tapped: LonLat | null;
  units: UnitPreference;
  onPlan: (request: PlanRequest) => void;
}

/** What a line, grid or ring is laid over: structure that suits it, or the place tapped. */
const suits: Record<Exclude<ScanKind, 'free'>, readonly string[]> = { line: ['drop-base', 'drop-top', 'point'], grid: ['basin', 'hollow', 'saddle'], ring: ['hump'] };

/** How to lay out holes: asked once, computed in the worker. */
export function PlanSheet({ water, onClose, ground, start, tapped, units, onPlan }: Props) {
  const [kind, setKind] = useState<ScanKind>('free');
  const [count, setCount] = useState(8);
  const stepM = units.distance === 'yd' ? 100 * metresPerYard : 100;
  const [walkM, setWalkM] = useState(10 * stepM);
  const [middle, setMiddle] = useState('0');
  const fitting = kind === 'free' ? [] : ground.features.filter((f) => suits[kind].includes(f.kind));
  const middles = [
    ...fitting.map((f, i) => {
      const { name, detail } = featureText(f, units);
      return { id: String(i), label: `${name}, ${detail.split(',')[0]}`, at: f.at };
    }),
    ...(tapped ? [{ id: 'tapped', label: 'The place you tapped', at: tapped }] : []),
  ];
  const chosen = middles.find((m) => m.id === middle) ?? middles[0];
  const isReady = kind === 'free' || chosen !== undefined;
  const spacingM = { free: 20, line: 12, grid: 15, ring: 8 }[kind];
  return (
    <Sheet
      title="Plan holes"
      open
      onClose={onClose}
      footer={
        <Action
          kind="main"
          height={64}
          label="Lay out the holes"
          disabled={!isReady}
          onPress={() => onPlan({ kind, count, spacingM, walkM, start, ...(kind === 'free' ? {} : { about: chosen?.at }) })}
        />
      }
    >
      <Choice label="How to lay them out" options={kinds} value={kind} onChange={setKind} wrap />
      <Text size="small" tone="second">
        {kinds.find((k) => k.id === kind)!.hint}
      </Text>
      {kind === 'free' ? null : middles.length > 0 ? (
        <Choice label="Laid over" options={middles} value={chosen?.id ?? ''} onChange={setMiddle} wrap />
      ) : (
        <Text tone="straw">The map shows nothing of the kind. Close this, tap a place on the map and plan again.</Text>
      )}
      <Stepper label="Holes" text={String(count)} onStep={(d) => setCount((n) => clamp(n + d, 2, 30))} />
      <Stepper label="Walk" text={distanceText(walkM, units)} onStep={(d) => setWalkM((m) => clamp(m + d * stepM, stepM, 40 * stepM))} hint="From the first hole to the last." />
      <PlaceSides water={water} />
    </Sheet>
  );
}
