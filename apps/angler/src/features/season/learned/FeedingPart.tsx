import { feedingRates, feedingWords, type FeedingBy } from '@burrow/core/season';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { nowMs } from '@/data/clock';
import { useLedger } from '@/data/session';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { RateDots } from '../RateDots';

const kinds = [
  { id: 'way', label: 'How it got there' },
  { id: 'break', label: 'How hard it was' },
] as const;

/** Which way of feeding a swim draws more bites, as far as the log is sure; nothing before anything was fed. */
export function FeedingPart({ method }: { method: string }) {
  const { state } = useLedger();
  const [by, setBy] = useState<FeedingBy>('way');
  const outings = useMemo(() => state.outings.filter((o) => o.feeds.length > 0 && o.methods.some((m) => m.method === method)), [state, method]);
  const rates = useMemo(() => feedingRates(outings, nowMs(), by), [outings, by]);
  if (outings.length === 0) return null;
  const words = feedingWords(rates);
  return (
    <View style={{ gap: 6 }}>
      <Text heading={2} size="lead">
        Feeding
      </Text>
      <Choice label="Feeding by" options={kinds} value={by} onChange={setBy} />
      <Text size="small" tone="second">{`${words.headline}. ${words.detail}`}</Text>
      {rates.rows.length === 0 ? null : (
        <RateDots
          rows={rates.rows}
          label={(key) => key}
          best={rates.finding.kind === 'leads' ? rates.finding.best.key : undefined}
          unit="bites an hour of line in the half hour after it"
          effort={(minutes) => `${Math.round(minutes)} min of line`}
        />
      )}
    </View>
  );
}
