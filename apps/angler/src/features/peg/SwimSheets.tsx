import { freeDistanceM } from '@burrow/core/pole';
import { clamp, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { useState } from 'react';
import { usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { PegControl } from './usePeg';

/** Where the swims lie: offered by the bed, set by the angler. */
export function SwimsSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { pole, sheets, log } = control;
  const { offered } = control.advice;
  const [nearM, setNear] = useState<number | null>(offered?.nearM ?? (offered ? null : 5));
  const [farM, setFar] = useState<number | null>(offered?.farM ?? null);
  const stepM = units.depth === 'ft' ? metresPerDepthUnit(units) : 0.5;
  const chosen = [nearM, farM].filter((m) => m !== null);
  const isOrdered = nearM === null || farM === null || farM - nearM >= 1;
  return (
    <Sheet
      title="Swims"
      open
      onClose={sheets.close}
      footer={
        <Action
          kind="main"
          height={64}
          label={chosen.length === 0 ? 'Choose one' : `Fish at ${chosen.map((m) => depthText(m, units)).join(' and ')}`}
          disabled={chosen.length === 0 || !isOrdered}
          onPress={() => void log.chooseSwims(chosen)}
        />
      }
    >
      <Text tone="second">
        {offered
          ? 'The far one is the deepest within reach, where they lie in the cold. The near one is fished while it settles, and rests it.'
          : 'Without plumbed depths they are yours to choose.'}
      </Text>
      <Stepper
        label="Near swim"
        text={nearM === null ? null : depthText(nearM, units)}
        empty="none"
        onStep={(d) => setNear((m) => clamp((m ?? 5) + d * stepM, 1, pole.reachM))}
        onClear={() => setNear(null)}
      />
      <Stepper
        label="Far swim"
        text={farM === null ? null : depthText(farM, units)}
        empty="none"
        onStep={(d) => setFar((m) => clamp((m ?? pole.reachM) + d * stepM, 1, pole.reachM))}
        onClear={() => setFar(null)}
      />
      {isOrdered ? null : <Text tone="straw">Two swims so near each other are one: set them a metre apart at least.</Text>}
    </Sheet>
  );
}

/** A further swim of the peg: between the others, or beyond them. */
export function AnotherSwim({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { pole, sheets, log, advice } = control;
  const taken = [advice.here, ...advice.others].map((s) => s.outM).filter((m) => m !== null);
  const [outM, setOut] = useState(() => freeDistanceM(taken, pole.reachM));
  const isFree = taken.every((m) => Math.abs(m - outM) >= 1);
  return (
    <Sheet
      title="Another swim"
      open
      onClose={sheets.close}
      footer={<Action kind="main" height={64} label={`Add a swim at ${depthText(outM, units)}`} disabled={!isFree} onPress={() => void log.addSwim(outM)} />}
    >
      <Text tone="second">A third line to rest the others on: fed little, fished when both have gone quiet. You stay where you fish now.</Text>
      <Stepper
        label="Distance"
        text={depthText(outM, units)}
        onStep={(d) => setOut((m) => clamp(m + d * (units.depth === 'ft' ? metresPerDepthUnit(units) : 0.5), 1, pole.reachM))}
      />
      {isFree ? null : <Text tone="straw">Two swims so near each other are one: set it a metre from the others at least.</Text>}
    </Sheet>
  );
}
