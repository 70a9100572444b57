import { floatStop, type FloatWork } from '@burrow/core/casting';
import type { ReactionKind } from '@burrow/core/ledger';
import { depthText, liftText, type UnitPreference } from '@burrow/core/units';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import type { HowAnswered } from './float-log';

interface Props {
  float: FloatWork;
  units: UnitPreference;
  onReact: (reaction: ReactionKind, text: string, how: HowAnswered) => void;
  onStop: (toM: number) => void;
  onClose: () => void;
}

/** A float that lies flat says one of two things: the bait lies on something, or a fish rose with it. */
export function FlatSheet({ float, units, onReact, onStop, onClose }: Props) {
  return (
    <Sheet title="It lies flat" open onClose={onClose}>
      <Action height={72} kind="main" label="It stood, then lay flat: a bite" onPress={() => onReact('bite', 'Bite logged: it rose with the bait', { float: 'rose' })} />
      <Text tone="second">A fish came up with the bait: take up the slack, then strike. Some let the rod load by itself.</Text>
      <Action height={72} label={`It never stood: ${liftText(floatStop.changeM, units)} shallower`} onPress={() => onStop(float.stopM - floatStop.changeM)} />
      <Text tone="second">{`The bait lies on the bed or on a branch at ${depthText(float.stopM, units)}.`}</Text>
      <Action height={72} label="It slid to the side: a bite" onPress={() => onReact('bite', 'Bite logged: it slid', { float: 'slid' })} />
    </Sheet>
  );
}
