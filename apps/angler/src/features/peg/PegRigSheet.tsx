import { shotText, swimName } from '@burrow/core/pole';
import { usualShot } from '@burrow/core/rig';
import { clamp, currentText, depthFine, liftText, tempText, type UnitPreference } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { setPole, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import type { PegControl } from './usePeg';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** Float, shot and depth for each swim, and the table of shot they are made from. */
export function PegRigSheet({ control }: { control: PegControl }) {
  const { pole, own, temp, advice } = control;
  const { kit, units } = usePreferences();
  const { peg, rigAt } = advice;
  const flowMs = advice.flow.ms;
  const placed = peg.swims.filter((s) => s.outM !== null);
  const swims = placed.length > 0 ? placed : [advice.here];
  return (
    <Sheet title="Rigs" open onClose={control.sheets.close}>
      <Text tone="second">
        {flowMs === null
          ? `Worked out for still water: the flow is not timed. Water ${tempText(temp.value, units)}, ${temp.by}.`
          : `Flow ${currentText(Math.abs(flowMs), units)} over the depth${flowMs < 0 ? ', running back' : ''}. Water ${tempText(temp.value, units)}, ${temp.by}.`}
      </Text>
      {advice.layIn ? <Text strong>{`${advice.layIn.text} Gently, and in a straight line.`}</Text> : null}
      {kit.floats.length === 0 ? <Text tone="straw">No floats in Gear: these are what depth and flow ask for. Write down yours, and the rig is made for one you have.</Text> : null}
      {swims.map((swim) => (
        <SwimRig key={swim.id} name={swimName(swim, units)} rig={rigAt(swim.depthM ?? advice.depth.m)} units={units} />
      ))}
      <Choice
        label="How the shot goes on"
        wrap
        options={[
          { id: 'auto', label: 'As the flow asks' },
          { id: 'bulk', label: 'All together' },
          { id: 'bulk-droppers', label: 'Together, droppers below' },
          { id: 'strung', label: 'Strung out' },
          { id: 'strung-dropper', label: 'Strung, one dropper' },
        ]}
        value={pole.pattern ?? 'auto'}
        onChange={(id) => setPole({ pattern: id === 'auto' ? null : id })}
      />
      <Stepper
        label="Hook and bait"
        text={own.loadG === null ? null : `${own.loadG.toFixed(2)} g`}
        empty={`${pole.loadG.toFixed(2)} g, assumed`}
        onStep={(d) => setPole({ loadG: Math.round(100 * clamp(pole.loadG + 0.01 * d, 0, 1)) / 100 })}
      />
      <Suspense fallback={null}>
        <Field label="Bait on the hook" value={pole.bait} onChangeText={(bait) => setPole({ bait })} maxLength={60} />
      </Suspense>
      <Stepper
        label="The float runs"
        text={own.runM === null ? null : depthFine(own.runM, units)}
        empty={`${depthFine(pole.runM, units)}, assumed`}
        onStep={(d) => setPole({ runM: clamp(pole.runM + 0.5 * d, 1, 12) })}
        hint="From where it is laid in to where it is lifted out."
      />
      <ShotTable />
    </Sheet>
  );
}

/** The float and shot for one swim, and how they are set. */
function SwimRig({ name, rig, units }: { name: string; rig: PegControl['advice']['rig']; units: UnitPreference }) {
  const { float, plan, wantedG } = rig;
  // Of shot that touch only the first and the last are placed.
  const placed = plan?.shots.filter((s, k, all) => k === 0 || k === all.length - 1 || Math.abs(s.aboveHookM - all[k - 1].aboveHookM) > 0.03);
  return (
    <View style={{ gap: 2 }}>
      <Text heading={2} size="lead">
        {`${name}: ${float ? `${float.name}, ${float.capacityG} g` : `a float of ${wantedG.toFixed(2)} g`}`}
      </Text>
      {rig.change ? <Text tone="straw">{`${rig.change.reason} ${rig.change.label}.`}</Text> : null}
      {float && float.capacityG < wantedG - 0.01 ? <Text tone="straw">{`It carries less than the ${wantedG.toFixed(2)} g that depth and flow ask for.`}</Text> : null}
      <Text>{plan ? `${shotText(plan)}: ${plan.totalG.toFixed(2)} g, ${plan.leftG.toFixed(2)} g to spare` : 'It cannot carry hook and bait.'}</Text>
      {placed ? (
        <Text size="small" tone="second">
          {`${placed.map((s) => `${s.name} at ${liftText(s.aboveHookM, units)}`).join(', ')} over the hook`}
        </Text>
      ) : null}
      <Text
        size="small"
        tone="second"
      >{`${rig.patternReason} Float to hook ${depthFine(rig.stopM, units)}${rig.overM > 0 ? `, ${liftText(rig.overM, units)} of it on the bottom so that it lies in the tow` : ''}.`}</Text>
    </View>
  );
}

/** The shot one has, with the mass of each: opened by its key. */
function ShotTable() {
  const { pole } = usePreferences();
  const [edits, setEdits] = useState(false);
  const shot = pole.shot ?? usualShot;
  const finer = (massG: number, d: number) => Math.round(1000 * clamp(massG + d * (massG < 0.2 ? 0.002 : 0.01), 0.005, 10)) / 1000;
  return (
    <>
      <Action label={edits ? 'Done with the shot' : 'Shot I have'} onPress={() => setEdits(!edits)} />
      {edits ? (
        <View style={{ gap: 10 }}>
          <Text size="small" tone="second">
            Masses as they are usually sold, good to a tenth. Weigh ten of yours and set them here; take out what you have not got.
          </Text>
          {shot.map((s) => (
            <View key={s.name} style={{ gap: 2 }}>
              <Stepper
                label={s.name}
                text={`${s.massG.toFixed(3).replace(/0$/, '')} g`}
                onStep={(d) => setPole({ shot: shot.map((o) => (o.name === s.name ? { ...o, massG: finer(o.massG, d) } : o)) })}
              />
              {shot.length > 1 ? (
                <Action
                  kind="bare"
                  height={48}
                  label="Not in my box"
                  spoken={`${s.name} is not in my box`}
                  onPress={() => setPole({ shot: shot.filter((o) => o.name !== s.name) })}
                />
              ) : null}
            </View>
          ))}
          <Action label="Back to the usual table" onPress={() => setPole({ shot: null })} />
        </View>
      ) : null}
    </>
  );
}
