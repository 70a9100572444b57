import { cadences, drawWords, tasteToday, tasteWords, type CadenceId, type CoachMemory } from '@burrow/core/coach';
import type { OutingState } from '@burrow/core/ledger';
import { toldBy, toldWords, type ToldBy } from '@burrow/core/season';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Choice } from '../Choice';
import { Sheet } from '../Sheet';
import { Words } from '../Words';

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
function Taste({ memory }: { memory: CoachMemory }) {
  const taste = tasteToday(memory);
  const draws = drawWords(memory);
  return (
    <View style={{ gap: 4 }}>
      <Words strong>{tasteWords(memory)}</Words>
      {taste ? (
        <>
          <Span {...taste} label={`Between ${percent(taste.low)} and ${percent(taste.high)} in 100 of the way from still to lively`} />
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Words size="small" tone="second">
              still
            </Words>
            <Words size="small" tone="second">
              lively
            </Words>
          </View>
        </>
      ) : null}
      {draws ? <Words>{draws}</Words> : null}
    </View>
  );
}

/** What fish told this outing: which movement, depth or bait drew which answer, with the evidence. */
export function ToldSheet({ outing, memory, units, onClose }: { outing: OutingState; memory: CoachMemory; units: UnitPreference; onClose: () => void }) {
  const [by, setBy] = useState<ToldBy>('cadence');
  const told = toldBy(outing, by);
  const name = (key: string) => (by === 'depth' ? depthText(Number(key), units) : by === 'cadence' && Object.hasOwn(cadences, key) ? cadences[key as CadenceId].verb : key);
  return (
    <Sheet title="What they told us" open onClose={onClose}>
      <Words>{toldWords(told, name)}</Words>
      <Taste memory={memory} />
      <Choice label="Compare" options={ways} value={by} onChange={setBy} wrap />
      {told.rows.map((row) => (
        <View key={row.key} style={{ gap: 4 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Words strong style={{ flex: 1 }}>
              {name(row.key)}
            </Words>
            <Words size="small" tone="second">{`${row.answered} answered, ${row.turnedDown} turned down, ${row.looked} looked`}</Words>
          </View>
          <Span {...row.share} label={`Between ${percent(row.share.low)} and ${percent(row.share.high)} in 100 answer`} />
        </View>
      ))}
      <Words size="small" tone="second">
        Bars: share that answered, with the span it lies in nine times of ten. One yes and one no are taken as seen before the first.
      </Words>
    </Sheet>
  );
}
