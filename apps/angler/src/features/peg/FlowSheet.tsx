import { flowOfTimedFloat } from '@burrow/core/water';
import { clamp, currentText, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useNow } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { PegControl } from './usePeg';

/** Water that stands is written down as a float that went nowhere in so many seconds. */
const stillS = 60;

/** A float timed over a marked way: which way it went, and for how long. */
export function FlowSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { peg } = control.advice;
  const { write } = control.log;
  const unitM = metresPerDepthUnit(units);
  const [wayM, setWay] = useState(units.depth === 'ft' ? 6 * unitM : 2);
  const [way, setDirection] = useState<'right' | 'left'>('right');
  const [fromMs, setFrom] = useState<number | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const now = useNow(500);
  const running = fromMs === null ? null : Math.max(0, (now - fromMs) / 1000);
  const signed = way === 'right' ? wayM : -wayM;
  const put = (alongM: number, s: number) =>
    void write('Flow timed', [{ kind: 'flow-timed', body: { station: peg.id, alongM: Math.round(100 * alongM) / 100, seconds: Math.round(10 * s) / 10 } }]);
  return (
    <Sheet
      title="Time the float"
      open
      onClose={control.sheets.close}
      footer={<Action kind="main" height={64} label="Log this flow" disabled={seconds === null} onPress={() => put(signed, seconds!)} />}
    >
      <Text tone="second">Mark a way along the bank with two twigs. Drop the float above the first, start as it passes, stop at the second.</Text>
      <Stepper label="Marked way" text={depthText(wayM, units)} onStep={(d) => setWay(clamp(wayM + d * unitM * (units.depth === 'ft' ? 1 : 0.5), 0.5, 30))} />
      <Choice
        label="Which way it went"
        wrap
        options={[
          { id: 'right', label: 'To the right' },
          { id: 'left', label: 'To the left' },
        ]}
        value={way}
        onChange={setDirection}
      />
      <Action
        kind={running === null ? 'plain' : 'main'}
        height={84}
        label={running === null ? (seconds === null ? 'Start' : 'Time it again') : `Stop, ${Math.floor(running)} s`}
        onPress={() => {
          if (fromMs === null) {
            setFrom(now);
            setSeconds(null);
          } else {
            setSeconds(Math.max(0.5, (now - fromMs) / 1000));
            setFrom(null);
          }
        }}
      />
      <Stepper
        label="Time"
        text={seconds === null ? null : `${Math.round(seconds)} s`}
        empty={running === null ? 'not timed' : 'running'}
        onStep={(d) => setSeconds((s) => clamp(Math.round((s ?? 20) + d), 1, 900))}
        hint={
          seconds === null
            ? 'By the key above, or set here from your watch.'
            : `${currentText(Math.abs(flowOfTimedFloat(signed, seconds)), units)} on average over the depth: the surface runs faster.`
        }
      />
      <View style={{ height: 4 }} />
      <Action height={64} label="It stands still" onPress={() => put(0, stillS)} />
    </Sheet>
  );
}
