import { viewpointLine } from '@burrow/core/casting';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { quietRules, swimName } from '@burrow/core/pole';
import { clamp, clockText, tempText, weightText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { setPole, usePreferences } from '@/data/preferences';
import { useSituation } from '@/data/outlook';
import { CastMeasures } from '@/features/cast/CastMeasures';
import { ColdWaterNote } from '@/features/cast/ColdWater';
import { FishSheet } from '@/features/station/FishSheet';
import { SchoolField } from '@/features/station/SchoolField';
import { Action } from '@/ui/Action';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { ThumbKey } from '@/ui/ThumbBar';
import { FeedSheet } from './FeedSheet';
import { FlowSheet } from './FlowSheet';
import { PegFishSheet } from './PegFishSheet';
import { PegRigSheet } from './PegRigSheet';
import { PlumbSheet } from './PlumbSheet';
import { AnotherSwim, SwimsSheet } from './SwimSheets';
import type { PegControl } from './usePeg';

const saidBy = { seen: 'as you saw', measured: 'by your thermometer', weather: 'by the weather' } as const;

/** Everything that opens over the peg. */
export function PegSheets({ control, keys, log }: { control: PegControl; keys: readonly ThumbKey[]; log: ReactNode }) {
  const { units } = usePreferences();
  const { outing, station, zone, sheets, along, advice: answer, reasons } = control;
  const { here, peg } = answer;
  const { open: sheet, close } = sheets;
  const airC = useSituation().airC?.value ?? null;
  return (
    <>
      {sheet === 'plumb' ? <PlumbSheet control={control} /> : null}
      {sheet === 'flow' ? <FlowSheet control={control} /> : null}
      {sheet === 'feed' ? <FeedSheet control={control} /> : null}
      {sheet === 'rig' ? <PegRigSheet control={control} /> : null}
      {sheet === 'fish' ? <PegFishSheet control={control} /> : null}
      {sheet === 'swims' ? <SwimsSheet control={control} /> : null}
      {sheet === 'another-swim' ? <AnotherSwim control={control} /> : null}
      {sheet === 'weigh' ? <WeighSheet control={control} /> : null}
      {sheet === 'more' ? <MorePeg control={control} log={log} /> : null}
      <FishSheet
        open={sheet === 'fish-measured'}
        onClose={close}
        outing={outing}
        zone={zone}
        station={station.id}
        line={control.log.line?.id}
        depthM={null}
        bottomM={null}
        airC={airC}
        alongM={along.m}
        onLogged={control.log.measured}
      />
      <Sheet title={answer.headline} open={sheet === 'why'} onClose={close}>
        <Text>{answer.detail}</Text>
        {answer.swims?.views.map((v) => {
          const swim = peg.swims.find((s) => s.id === v.id)!;
          return (
            <Text key={v.id} strong>
              {`${swimName(swim, units)}: ${v.bites.toFixed(1)} bites in the next ten minutes, ${v.low.toFixed(1)} to ${v.high.toFixed(1)}. ${swim.bites} bites, ${swim.fish} fish so far.`}
            </Text>
          );
        })}
        {reasons.map((r) => {
          const rule = quietRules.find((q) => q.id === r.id)!;
          return <Text key={r.id} tone="straw">{`${rule.label}, ${saidBy[r.by]}. ${rule.says}`}</Text>;
        })}
        {answer.wait.isUnusual ? (
          <>
            <Text>{`${answer.change.label}: ${answer.change.reason}`}</Text>
            {answer.change.viewpoint ? <Text tone="second">{viewpointLine(answer.change.viewpoint)}</Text> : null}
          </>
        ) : Number.isFinite(answer.wait.unusualMin) ? (
          <Text tone="second">{`By its own bites a wait on ${swimName(here, units)} is unusual from ${Math.round(answer.wait.unusualMin)} min on. It has been ${Math.round(answer.wait.waitMin)}.`}</Text>
        ) : (
          <Text tone="second">Two bites tell the swim’s own pace; until then no wait is called unusual.</Text>
        )}
        <Text tone="second">Expected bites follow what each swim gave, its rest and its feed. Swapping by them beats swapping by feel by little: the rest is yours.</Text>
      </Sheet>
      <KeysSheet keys={keys} arrows="Arrows on the run move the float." open={sheet === 'help'} onClose={close} />
    </>
  );
}

/** Swims of a peg that one can rest and feed without losing count. Convention. */
const mostSwims = 3;

/** Fish weighed together, of the class that is being logged or of all. */
function WeighSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { sheets, log } = control;
  const { bag, peg } = control.advice;
  const classes = bag.classes.filter((c) => c.classMm !== null);
  const [classMm] = useState(classes.at(-1)?.classMm ?? null);
  const [count, setCount] = useState<number | null>(null);
  const [massG, setMass] = useState<number | null>(null);
  const known = classes.find((c) => c.classMm === classMm);
  const stepG = units.weight === 'lb' ? 28.35 : 20;
  return (
    <Sheet
      title="Weigh some"
      open
      onClose={sheets.close}
      footer={
        <Action
          kind="main"
          height={64}
          label="Log this weight"
          disabled={count === null || massG === null}
          onPress={() =>
            void log.write('Weighed', [{ kind: 'bag-weighed', body: { station: peg.id, count: count!, massG: Math.round(massG!), ...(classMm === null ? {} : { classMm }) } }])
          }
        />
      }
    >
      <Text tone="second">Ten of one size in the weighing bag tell more of the total than any table.</Text>
      <Stepper label="Fish" text={count === null ? null : String(count)} empty="not counted" onStep={(d) => setCount((n) => clamp((n ?? 10) + (n === null ? 0 : d), 1, 500))} />
      <Stepper
        label="Weight together"
        text={massG === null ? null : weightText(massG, units)}
        empty="not weighed"
        onStep={(d) => setMass((g) => (g === null ? Math.round((count ?? 10) * (known?.meanG ?? 60)) : clamp(g + d * stepG, 1, 200_000)))}
        big={{ text: weightText(stepG * 10, units), onStep: (d) => setMass((g) => clamp((g ?? 0) + d * stepG * 10, 1, 200_000)) }}
        hint="The scale’s figure less the empty bag."
      />
    </Sheet>
  );
}

/** What is wanted less often at a peg. */
function MorePeg({ control, log }: { control: PegControl; log: ReactNode }) {
  const { units } = usePreferences();
  const { outing, station, zone, advice: answer, temp, sheets } = control;
  const { peg, here, swapsTo, others } = answer;
  const { swap } = control.log;
  const { show: setSheet, close } = sheets;
  const method = methodOf(station.method) ?? usualMethod;
  const router = useRouter();
  return (
    <Sheet title={`${method.station} ${peg.label}`} open onClose={close}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Action height={64} label="Plumb" onPress={() => setSheet('plumb')} />
        <Action height={64} label="Time the float" onPress={() => setSheet('flow')} />
        <Action height={64} label="Feed" onPress={() => setSheet('feed')} />
        <Action height={64} label="Rigs" onPress={() => setSheet('rig')} />
        <Action height={64} label="Fish, another size" onPress={() => setSheet('fish')} />
        <Action height={64} label="Weigh some" onPress={() => setSheet('weigh')} />
        {here.outM === null ? (
          <Action height={64} label="Swims" onPress={() => setSheet('swims')} />
        ) : others.length < mostSwims - 1 ? (
          <Action height={64} label="Another swim" onPress={() => setSheet('another-swim')} />
        ) : null}
      </View>
      <SchoolField outing={outing} station={station.id} zone={zone} onLogged={close} />
      <QuietSwim control={control} />
      {others.length > 1 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {others.map((s) => (
            <Action key={s.id} height={64} label={`Swap to ${swimName(s, units)}`} onPress={() => void swap(s)} />
          ))}
        </View>
      ) : null}
      {swapsTo === null && here.outM !== null ? (
        <Text size="small" tone="second">
          One swim: there is nothing to swap to.
        </Text>
      ) : null}
      <TargetWeight control={control} />
      <ColdWaterNote tempC={temp.value} method={method} craft="bank" units={units} />
      <CastMeasures outing={outing} station={station.id} zone={zone} levelM={outing.levels.at(-1)?.levelM ?? 0} units={units} onLogged={close} />
      <Text size="small" tone="second">{`Water ${tempText(temp.value, units)}, ${temp.by}.`}</Text>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} icon="walk" label="Leave this peg" onPress={() => router.navigate('/water')} />
        <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>This peg</Text>
        {log}
      </View>
    </Sheet>
  );
}

/** What to change when a swim has gone quiet, and what one has seen that explains it. */
function QuietSwim({ control: { advice: answer, before, reasons, log } }: { control: PegControl }) {
  const { answers } = log;
  return (
    <>
      <View style={{ gap: 6 }}>
        <Text strong>{`One change: ${answer.change.label.toLowerCase()}`}</Text>
        <Text size="small" tone="second">
          {`${answer.change.reason}${before && before.tried > 0 ? ` In your log it won a bite ${before.won} of ${before.tried} times.` : ''}`}
        </Text>
        {answer.change.id === 'pole.change.none-yet' ? null : <Action height={64} label="Done: log the change" onPress={() => void answers.changed()} />}
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>Gone quiet for a reason</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {quietRules
            .filter((r) => r.id !== 'cooling')
            .map((r) => (
              <Action key={r.id} height={64} selected={reasons.some((q) => q.id === r.id)} label={r.label} onPress={() => void answers.seen(r.id, r.label)} />
            ))}
        </View>
        <Text size="small" tone="second">
          It holds for three quarters of an hour. Cooling water is told by its temperatures, below.
        </Text>
      </View>
    </>
  );
}

/** The weight one fishes for, and when it is reached at this rate. */
function TargetWeight({ control: { advice, pole, zone } }: { control: PegControl }) {
  const { units } = usePreferences();
  const { bag, target } = advice;
  const stepG = units.weight === 'lb' ? 453.59 : 500;
  return (
    <Stepper
      label="Weight you fish for"
      text={pole.targetG === null ? null : weightText(pole.targetG, units)}
      empty="none"
      onStep={(d) => setPole({ targetG: clamp((pole.targetG ?? stepG * 4) + (pole.targetG === null ? 0 : d * stepG), stepG, 100_000) })}
      onClear={() => setPole({ targetG: null })}
      hint={
        target && bag.bag && pole.targetG !== null
          ? bag.bag.totalG >= pole.targetG
            ? 'Reached.'
            : `${weightText(pole.targetG - bag.bag.totalG, units)} to go: by about ${clockText(target.atMs, zone)} at this rate.`
          : undefined
      }
    />
  );
}
