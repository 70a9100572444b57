import { findingWords, minutesPerCast, rowLabel, type Comparison } from '@burrow/core/season';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { Text } from '@/ui/Text';
import { RateDots } from './RateDots';

/** Rates of one comparison; its finding in words unless the screen has said it already. */
export function Rates({ title, comparison, said }: { title: string; comparison: Comparison; said: boolean }) {
  const { units } = usePreferences();
  const words = findingWords(comparison, units, (name) => name);
  return (
    <View style={{ gap: 6 }}>
      <Text heading={2} size="lead">
        {title}
      </Text>
      {said ? null : <Text size="small" tone="second">{`${words.headline}. ${words.detail}`}</Text>}
      {comparison.rows.length === 0 ? null : (
        <RateDots
          rows={comparison.by === 'height' ? [...comparison.rows].reverse() : comparison.rows}
          label={(key) => rowLabel(comparison, key, units, (name) => name)}
          best={comparison.finding.kind === 'leads' ? comparison.finding.best.key : undefined}
          unit={`${comparison.count} ${comparison.unit === 'casts' ? 'in ten casts' : 'an hour of line'}`}
          effort={(minutes, isEnough) =>
            comparison.unit === 'casts'
              ? `${Math.round(minutes / minutesPerCast)} casts`
              : isEnough
                ? `${Math.round(minutes / 60)} hours of line`
                : `${Math.round(minutes)} min of line`
          }
        />
      )}
    </View>
  );
}
