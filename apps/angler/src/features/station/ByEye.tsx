import type { StationState } from '@burrow/core/ledger';
import { clockText, depthText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import type { TakenReading } from './reading/ReadingSheet';
import { Text } from '@/ui/Text';

/** A reading by eye with when it was made. */
export interface KeptReading extends TakenReading {
  atMs: number;
}

interface Props {
  hole: StationState;
  reading: KeptReading | null;
  jigM: number | null;
  units: UnitPreference;
  timeZone: string;
  onRead: () => void;
}

/** A hole without a flasher that the phone can hear: what is known of it, by whom, and the way to read one's own. */
export function ByEye({ hole, reading, jigM, units, timeZone, onRead }: Props) {
  const palette = usePalette();
  const depth = (m: number | null | undefined) => (m == null ? null : depthText(m, units));
  const read = reading && `read by eye at ${clockText(reading.atMs, timeZone)}`;
  const rows = [
    { what: 'Top mark', figure: depth(reading?.markM), from: reading ? (reading.markM === null ? 'none seen' : read) : 'not read yet' },
    { what: 'Jig', figure: depth(jigM), from: jigM === null ? 'not set yet' : 'as you set it' },
    {
      what: 'Bottom',
      figure: depth(reading?.bottomM ?? hole.depthM),
      from: reading ? read : hole.depthM !== null ? 'sounded' : hole.mapDepthM === null ? 'not sounded' : `not sounded; the map expects ${depthText(hole.mapDepthM, units)}`,
    },
  ];
  return (
    <View style={{ flex: 1, minHeight: 260, borderTopWidth: 1, borderTopColor: palette.line, padding: 16, gap: 12 }}>
      {rows.map((row) => (
        <View key={row.what} style={{ flexDirection: 'row', alignItems: 'baseline', gap: 12, borderBottomWidth: 1, borderBottomColor: palette.line, paddingBottom: 8 }}>
          <Text strong style={{ width: 84 }}>
            {row.what}
          </Text>
          {row.figure === null ? null : (
            <Text size="title" strong>
              {row.figure}
            </Text>
          )}
          <Text size="small" tone="second" style={{ flex: 1 }}>
            {row.from}
          </Text>
        </View>
      ))}
      <Action kind={reading ? 'plain' : 'main'} height={64} icon="eye" label={reading ? 'Read again' : 'Quick reading'} onPress={onRead} />
    </View>
  );
}
