import { cadences, drawWords, preferenceToday, preferenceWords, type CadenceId, type CoachMemory } from '@burrow/core/coach';
import type { OutingState } from '@burrow/core/ledger';
import { responsesBy, responseWords, type ResponsesBy } from '@burrow/core/season';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Trials } from '@/features/season/learned/Trials';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

const ways = [
  { id: 'cadence', label: 'Movement' },
  { id: 'depth', label: 'Depth' },
  { id: 'presentation', label: 'Bait' },
] as const;

const percent = (share: number) => `${Math.round(100 * share)}`;

interface Spanned {
  low: number;
  mean: number;
  high: number;
}

/** A mean with its span on a bar from nothing to all. */
function Span({ low, mean, high, label }: Spanned & { label: string }) {
  const palette = usePalette();
  return (
    <View role="img" aria-label={label} style={{ height: 14, borderRadius: 7, backgroundColor: palette.line }}>
      <View style={{ position: 'absolute', left: `${100 * low}%`, right: `${100 - 100 * high}%`, height: 14, borderRadius: 7, backgroundColor: palette.kelp, opacity: 0.45 }} />
      <View style={{ position: 'absolute', left: `${100 * mean}%`, marginLeft: -4, width: 8, height: 14, backgroundColor: palette.kelp }} />
    </View>
  );
}

/** How lively they want it today, as far as the coach can tell. */
function Preference({ memory }: { memory: CoachMemory }) {
  const preference = preferenceToday(memory);
  const draws = drawWords(memory);
  return (
    <View style={{ gap: 4 }}>
      <Text strong>{preferenceWords(memory)}</Text>
      {preference ? (
        <>
          <Span {...preference} label={`Between ${percent(preference.low)} and ${percent(preference.high)} in 100 of the way from still to lively`} />
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Text size="small" tone="second">
              still
            </Text>
            <Text size="small" tone="second">
              lively
            </Text>
          </View>
        </>
      ) : null}
      {draws ? <Text>{draws}</Text> : null}
    </View>
  );
}

/** What fish told this outing: which movement, depth or bait drew which answer, with the evidence. */
export function ResponseSheet({ outing, memory, units, onClose }: { outing: OutingState; memory: CoachMemory; units: UnitPreference; onClose: () => void }) {
  const [by, setBy] = useState<ResponsesBy>('cadence');
  const responses = responsesBy(outing, by);
  const name = (key: string) => (by === 'depth' ? depthText(Number(key), units) : by === 'cadence' && Object.hasOwn(cadences, key) ? cadences[key as CadenceId].verb : key);
  return (
    <Sheet title="What they told us" open onClose={onClose}>
      <Text>{responseWords(responses, name)}</Text>
      <Preference memory={memory} />
      <Trials outings={[outing]} />
      <Choice label="Compare" options={ways} value={by} onChange={setBy} wrap />
      {responses.rows.map((row) => (
        <View key={row.key} style={{ gap: 4 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Text strong style={{ flex: 1 }}>
              {name(row.key)}
            </Text>
            <Text size="small" tone="second">{`${row.answered} answered, ${row.turnedDown} turned down, ${row.looked} looked`}</Text>
          </View>
          <Span {...row.share} label={`Between ${percent(row.share.low)} and ${percent(row.share.high)} in 100 answer`} />
        </View>
      ))}
      <Text size="small" tone="second">
        Bars: share that answered, with the span it lies in nine times of ten. One yes and one no are taken as seen before the first.
      </Text>
    </Sheet>
  );
}
