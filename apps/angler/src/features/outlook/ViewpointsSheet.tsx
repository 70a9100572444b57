import { viewpointWords, type FeedingWindow, type Activity } from '@burrow/core/outlook';
import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  window: FeedingWindow | null;
  /** Feeding at the window's best moment. */
  peak: Activity | null;
  open: boolean;
  onClose: () => void;
  onRules: () => void;
}

/** Why a window: what weather, light and clock each add to it, how much of it is the log, and the sides to take where anglers differ. */
export function ViewpointsSheet({ window, peak, open, onClose, onRules }: Props) {
  const { viewpoints } = usePreferences();
  const rows = peak
    ? [
        ['Weather', peak.phaseShare],
        ['Light', peak.lightShare],
        ['Clock', peak.clockShare],
      ]
    : [];
  return (
    <Sheet title="Why these hours" open={open} onClose={onClose} footer={<Action label="All rules, and what your log says" onPress={onRules} />}>
      {window ? window.reasons.map((r) => <Text key={r.ruleId}>{r.text}</Text>) : null}
      {rows.map(([name, share]) => (
        <View key={name} style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
          <Text>{name}</Text>
          <Text strong>{`× ${(share as number).toFixed(2)}`}</Text>
        </View>
      ))}
      <Text size="small" tone="second">
        {window && window.logShare > 0.005
          ? `1 is low light in steady weather. ${Math.round(window.logShare * 100)} % of the weather's weight is your own log, the rest fieldcraft.`
          : '1 is low light in steady weather. All fieldcraft so far: your log has not spoken.'}
      </Text>
      <Viewpoint question="pressure-or-light" value={viewpoints['pressure-or-light']} />
      <Viewpoint question="early-or-warmed" value={viewpoints['early-or-warmed']} />
      <Text size="small" tone="second">
        Good anglers differ here. Fish both ways: the log tells which pays on this water.
      </Text>
    </Sheet>
  );
}

function Viewpoint<Q extends keyof typeof viewpointWords>({ question, value }: { question: Q; value: string }) {
  const { viewpoints } = usePreferences();
  const words = viewpointWords[question];
  return (
    <View style={{ gap: 6 }}>
      <Text strong>{words.question}</Text>
      <Choice
        label={words.question}
        wrap
        options={words.options as readonly { id: string; label: string }[]}
        value={value}
        onChange={(side) => change({ viewpoints: { ...viewpoints, [question]: side } })}
      />
    </View>
  );
}
