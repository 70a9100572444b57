import type { OutingState } from '@burrow/core/ledger';
import { trialsOf, trialWords } from '@burrow/core/season';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useAfterFirstPaint } from '@/data/after-first-paint';
import { nowMs } from '@/data/clock';
import { Text } from '@/ui/Text';

const most = 3;

/** Which of two baits that hung side by side fish take better; nothing where only one was in the water at a time. */
export function Trials({ outings, heading }: { outings: readonly OutingState[]; heading?: string }) {
  // Every pair of baits over every outing: the page stands before that.
  const settled = useAfterFirstPaint(true);
  const trials = useMemo(() => (settled ? trialsOf(outings, nowMs(), most) : []), [outings, settled]);
  if (trials.length === 0) return null;
  return (
    <View style={{ gap: 10 }}>
      {heading ? (
        <Text heading={2} size="lead">
          {heading}
        </Text>
      ) : null}
      {trials.map((trial) => {
        const words = trialWords(trial);
        return (
          <View key={`${trial.first}/${trial.second}`} style={{ gap: 2 }}>
            <Text strong tone={trial.verdict === 'leads' ? 'kelp' : 'ink'}>
              {words.headline}
            </Text>
            <Text size="small" tone="second">
              {words.detail}
            </Text>
          </View>
        );
      })}
    </View>
  );
}
