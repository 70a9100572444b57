import type { OutingState, StationState } from '@burrow/core/ledger';
import { depthHoursText, isNoted, trollSpeedText, type DepthHours } from '@burrow/core/troll';
import type { UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import { LogList } from '@/features/station/LogList';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** What each depth of a water was fished for, and gave. */
export function HoursByDepth({ rows, units }: { rows: readonly DepthHours[]; units: UnitPreference }) {
  return rows.map((h) => (
    <Text key={h.fromM} size="small" tone={h.strikes > 0 ? 'kelp' : isNoted(h) ? 'ink' : 'second'}>
      {depthHoursText(h, units)}
    </Text>
  ));
}

/** The same under its title, for wide screens. */
export function DepthHoursList({ rows, units }: { rows: readonly DepthHours[]; units: UnitPreference }) {
  return (
    <>
      <Text heading={2} size="lead">
        Hours by depth
      </Text>
      <HoursByDepth rows={rows} units={units} />
    </>
  );
}

/** What was logged on the passes of an outing. */
export function PassLog({ outing, pass, units, zone, onUndo }: { outing: OutingState; pass: StationState; units: UnitPreference; zone: string; onUndo: (id: string) => void }) {
  const passes = new Set(outing.stations.filter((s) => s.kind === pass.kind).map((s) => s.id));
  return <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && passes.has(e.station))} units={units} timeZone={zone} onUndo={onUndo} />;
}

/** Speed now, how it is known, and what came of it. */
export function SpeedLine({ speedMs, speedBy, units, says }: { speedMs: number; speedBy: string; units: UnitPreference; says: string }) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'center',
        minHeight: 44,
        paddingHorizontal: 16,
        backgroundColor: palette.card,
        borderTopWidth: 1,
        borderTopColor: palette.line,
      }}
    >
      <Text>
        <Text strong size="lead">
          {trollSpeedText(speedMs, units)}
        </Text>
        <Text size="small" tone="second">
          {speedBy === 'measured' ? '' : ` ${speedBy}`}
        </Text>
      </Text>
      <Text size="small" tone="second">
        {says}
      </Text>
    </View>
  );
}
