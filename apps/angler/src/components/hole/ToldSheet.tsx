import { cadences, type CadenceId } from '@burrow/core/coach';
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

/** What fish told this outing: which movement, depth or bait drew which answer, with the evidence. */
export function ToldSheet({ outing, units, onClose }: { outing: OutingState; units: UnitPreference; onClose: () => void }) {
  const palette = usePalette();
  const [by, setBy] = useState<ToldBy>('cadence');
  const told = toldBy(outing, by);
  const name = (key: string) => (by === 'depth' ? depthText(Number(key), units) : by === 'cadence' && Object.hasOwn(cadences, key) ? cadences[key as CadenceId].verb : key);
  return (
    <Sheet title="What they told us" open onClose={onClose}>
      <Words>{toldWords(told, name)}</Words>
      <Choice label="Compare" options={ways} value={by} onChange={setBy} wrap />
      {told.rows.map((row) => (
        <View key={row.key} style={{ gap: 4 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Words strong style={{ flex: 1 }}>
              {name(row.key)}
            </Words>
            <Words size="small" tone="second">{`${row.answered} answered, ${row.turnedDown} turned down, ${row.looked} looked`}</Words>
          </View>
          <View
            role="img"
            aria-label={`Between ${percent(row.share.low)} and ${percent(row.share.high)} in 100 answer`}
            style={{ height: 14, borderRadius: 7, backgroundColor: palette.line }}
          >
            <View
              style={{
                position: 'absolute',
                left: `${100 * row.share.low}%`,
                right: `${100 - 100 * row.share.high}%`,
                height: 14,
                borderRadius: 7,
                backgroundColor: palette.kelp,
                opacity: 0.45,
              }}
            />
            <View style={{ position: 'absolute', left: `${100 * row.share.mean}%`, marginLeft: -4, width: 8, height: 14, backgroundColor: palette.kelp }} />
          </View>
        </View>
      ))}
      <Words size="small" tone="second">
        Bars: share that answered, with the span it lies in nine times of ten. One yes and one no are taken as seen before the first.
      </Words>
    </Sheet>
  );
}
