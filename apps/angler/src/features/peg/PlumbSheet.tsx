import { nearestPlanned, plumbingPlan } from '@burrow/core/pole';
import { clamp, depthFine, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { setPole, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { PlumbPad } from './PlumbPad';
import type { PegControl } from './usePeg';

/** Deepest that the pad shows, m: as it opens over shallow water, and over deep. */
const [shallowPadM, deepPadM] = [3, 6];

/** Depths being plumbed along the pole: which distances, what stands at each, and where the plummet hangs. */
function usePlumbing({ pole, advice: { peg } }: PegControl) {
  const { units } = usePreferences();
  const planned = plumbingPlan(pole.reachM);
  const before = (m: number) => peg.plumbed.find((p) => Math.abs(p.outM - m) < 0.05)?.depthM ?? null;
  const [depths, setDepths] = useState<Record<string, number>>({});
  const [at, setAt] = useState<number>(planned.find((m) => before(m) === null) ?? planned[0]);
  const deepest = Math.max(0, ...peg.plumbed.map((p) => p.depthM), ...Object.values(depths));
  const [padM, setPad] = useState(deepest > 2.6 ? deepPadM : shallowPadM);
  const fine = units.depth === 'ft' ? metresPerDepthUnit(units) / 4 : 0.05;
  const known = planned.map((m) => ({ m, depth: depths[m] ?? null, before: before(m) }));
  const here = depths[at] ?? before(at);
  const set = (outM: number, depthM: number) => {
    const out = nearestPlanned(planned, outM);
    setAt(out);
    setDepths((d) => ({ ...d, [out]: clamp(Math.round(depthM / fine) * fine, fine, padM) }));
  };
  return {
    known,
    at,
    here,
    padM,
    set,
    taken: known.flatMap((k) => (k.depth === null ? [] : [{ outM: k.m, depthM: Math.round(100 * k.depth) / 100 }])),
    step: (d: number) => setDepths((all) => ({ ...all, [at]: clamp((here ?? 1) + d * fine, fine, 20) })),
    turnPad: () => setPad(padM === shallowPadM ? deepPadM : shallowPadM),
    goOn: () => setAt(planned[(planned.indexOf(at) + 1) % planned.length]),
  };
}

/** Six depths along the pole, a tap each: across is how far out, down is how deep. The last one can be set finer below. */
export function PlumbSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { pole, own, sheets, log } = control;
  const { peg } = control.advice;
  const { known, at, here, padM, set, taken, step, turnPad, goOn } = usePlumbing(control);
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
              taken.map((k) => ({ kind: 'plumbed', body: { station: peg.id, ...k } })),
            )
          }
        />
      }
    >
      <Text tone="second">Hang the plummet at each distance, lift it till the tip just dips, and tap that depth under that distance.</Text>
      <PlumbPad known={known} at={at} padM={padM} units={units} onTap={set} />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={56} label={padM === shallowPadM ? 'Deeper than this' : 'Shallower'} onPress={turnPad} />
        <Action grow height={56} label="Next distance" onPress={goOn} />
      </View>
      <Stepper label={`Depth at ${depthText(at, units)}`} text={here === null ? null : depthFine(here, units)} empty="not plumbed" onStep={step} />
      <Stepper
        label="The pole reaches"
        text={own.reachM === null ? null : depthText(own.reachM, units)}
        empty={`${depthText(pole.reachM, units)}, assumed`}
        onStep={(d) => setPole({ reachM: clamp(pole.reachM + d * (units.depth === 'ft' ? metresPerDepthUnit(units) : 0.5), 3, 16) })}
        hint="The six distances go from near the bank to its end."
      />
    </Sheet>
  );
}
