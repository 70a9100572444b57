import type { OutingState, StationState } from '@burrow/core/ledger';
import { depthHoursText, isNoted, trollSpeedText, type DepthHours } from '@burrow/core/troll';
import type { UnitPreference } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useWide } from '@/features/shell/Shell';
import { LogList } from '@/features/station/LogList';
import { usePalette } from '@/theme/theme';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';

interface Props {
  advice: ReactNode;
  map: ReactNode;
  /** The lines over the bed ahead; absent where the bed is not known. */
  lines?: ReactNode;
  speed: ReactNode;
  keys: readonly ThumbKey[];
  rows: readonly DepthHours[];
  log: ReactNode;
  units: UnitPreference;
}

/** The parts of a pass: one under the other on a phone, side by side where there is room. */
export function PassFrame({ advice, map, lines, speed, keys, rows, log, units }: Props) {
  const wide = useWide();
  const palette = usePalette();
  const pictures = (mapShare: number) => (
    <>
      <View style={{ flex: mapShare, minHeight: 0 }}>{map}</View>
      {lines ? <View style={{ flex: 1, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>{lines}</View> : null}
    </>
  );
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        {advice}
        {pictures(1.3)}
        {speed}
        <ThumbBar keys={keys} label="What you did and what happened" />
      </View>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1.2, borderRightWidth: 1, borderRightColor: palette.line }}>{pictures(1.6)}</View>
      <View style={{ width: 420 }}>
        {advice}
        <ThumbBar keys={keys} showShortcuts label="What you did and what happened" />
        {speed}
        <ScrollPane label="Hours by depth and the log">
          <Text heading={2} size="lead">
            Hours by depth
          </Text>
          <HoursByDepth rows={rows} units={units} />
          <Text heading={2} size="lead">
            This outing
          </Text>
          {log}
        </ScrollPane>
      </View>
    </View>
  );
}

/** What each depth of a water was fished for, and gave. */
export function HoursByDepth({ rows, units }: { rows: readonly DepthHours[]; units: UnitPreference }) {
  return rows.map((h) => (
    <Text key={h.fromM} size="small" tone={h.strikes > 0 ? 'kelp' : isNoted(h) ? 'ink' : 'second'}>
      {depthHoursText(h, units)}
    </Text>
  ));
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
