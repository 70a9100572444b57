import { quietRules, shotText, swimName } from '@burrow/core/pole';
import { clockText, currentText } from '@burrow/core/units';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { SwimDay } from './SwimDay';
import type { PegControl } from './usePeg';

const aheadMin = 45;

/** What each swim promises, how they went, and the rigs: for wide screens. */
export function SwimsPane({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { advice: answer, reasons, zone } = control;
  const { peg, rings, rigAt, depth, flow } = answer;
  const flowMs = flow.ms;
  const views = answer.swims?.views ?? [];
  const most = Math.max(1, ...views.map((v) => v.high));
  return (
    <View style={{ gap: 14 }}>
      <Text heading={2} size="lead">
        Bites in the next ten minutes
      </Text>
      {views.length === 0 ? <Text tone="second">Swims first: what they promise stands here.</Text> : null}
      {rings.map((ring) => (
        <SwimPromise key={ring.swim.id} ring={ring} view={views.find((v) => v.id === ring.swim.id)!} most={most} zone={zone} />
      ))}
      {peg.swims.some((s) => s.stays.length > 0) ? (
        <SwimDay
          peg={peg}
          atMs={control.now}
          tempC={control.temp.value}
          hereId={answer.swims?.here ?? peg.hereId}
          swapTo={answer.swapTo?.id ?? null}
          aheadMin={aheadMin}
          zone={zone}
        />
      ) : null}
      {reasons.length > 0 ? <Text tone="straw">{reasons.map((r) => quietRules.find((q) => q.id === r.id)!.says).join(' ')}</Text> : null}
      <Text heading={2} size="lead">
        Rigs
      </Text>
      {rings.map(({ swim }) => {
        const rig = rigAt(swim.depthM ?? depth.m);
        return (
          <View key={swim.id} style={{ flexDirection: 'row', gap: 10 }}>
            <Text strong style={{ width: 64 }}>
              {swimName(swim, units)}
            </Text>
            <Text
              style={{ flex: 1 }}
            >{`${rig.float ? `${rig.float.name} ${rig.float.capacityG} g` : `a float of ${rig.wantedG.toFixed(2)} g`}${rig.plan ? `: ${shotText(rig.plan)}` : ''}`}</Text>
          </View>
        );
      })}
      <Text size="small" tone="second">
        {flowMs === null
          ? 'Flow not timed: rigs are for still water.'
          : `${flow.isStill ? 'It stands still' : `Flow ${currentText(Math.abs(flowMs), units)} over the depth`}, timed ${clockText(peg.flow!.ms, zone)}.`}
      </Text>
    </View>
  );
}

type Advice = PegControl['advice'];

interface PromiseProps {
  ring: Advice['rings'][number];
  view: NonNullable<Advice['swims']>['views'][number];
  /** Bites at the right end of the bar. */
  most: number;
  zone: string;
}

/** Bites that one swim promises, with how sure that is, and what came there. */
function SwimPromise({ ring: { swim, words, isHere }, view, most, zone }: PromiseProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const at = (b: number) => `${(100 * Math.min(b, most)) / most}%` as const;
  const low = Math.max(0, view.low);
  const color = isHere ? palette.kelp : palette.second;
  return (
    <View style={{ gap: 4, borderBottomWidth: 1, borderBottomColor: palette.line, paddingBottom: 10 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <View style={{ width: 92 }}>
          <Text strong size="lead">
            {swimName(swim, units)}
          </Text>
          <Text size="small" strong tone={isHere ? 'kelp' : 'second'}>
            {words}
          </Text>
        </View>
        <View style={{ flex: 1, height: 34, justifyContent: 'center' }} role="img" aria-label={`${view.bites.toFixed(1)} bites, ${view.low.toFixed(1)} to ${view.high.toFixed(1)}`}>
          <View style={{ height: 2, backgroundColor: palette.line }} />
          <View style={{ position: 'absolute', left: at(low), width: at(view.high - low), height: 9, borderRadius: 5, backgroundColor: color, opacity: 0.45 }} />
          <View style={{ position: 'absolute', left: at(view.bites), width: 14, height: 14, marginLeft: -7, borderRadius: 7, backgroundColor: color }} />
        </View>
        <Text strong size="lead" tone={isHere ? 'kelp' : 'second'}>
          {view.bites.toFixed(1)}
        </Text>
      </View>
      <Text
        size="small"
        tone="second"
      >{`${swim.fish} fish, ${swim.bites} bites; ${swim.fedMs.length === 0 ? 'not fed' : `last fed ${clockText(swim.fedMs[swim.fedMs.length - 1], zone)}`}`}</Text>
    </View>
  );
}
