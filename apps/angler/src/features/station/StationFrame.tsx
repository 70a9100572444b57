import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { useWide } from '@/features/shell/Shell';
import { usePalette } from '@/theme/theme';
import { ScrollPane } from '@/ui/ScrollPane';
import { Text } from '@/ui/Text';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';
import { useShortcuts } from '@/ui/useShortcuts';
import { useWakeLock } from '@/ui/useWakeLock';

/** What a way of fishing fills the frame of its station with. */
export interface StationSlots {
  /** Where, which fish, how warm and by what: one line, which leads to what is fished for. */
  facts: ReactNode;
  /** The next thing to do, and one reason for it. */
  heading: string;
  reason: string;
  /** Lines that the reason may take: whatever it says, the picture under it keeps its size. */
  reasonLines?: 2 | 3 | 4;
  /** Opens what stands behind the advice, and what that is called; left out where there is no more to say. */
  why?: { label: string; onOpen: () => void; isOff?: boolean };
  /** Until when. */
  clock?: ReactNode;
  /** How what hangs on the line is moved, or the one tap that does what is advised. */
  movement?: ReactNode;
  picture: ReactNode;
  /** A second picture under the first, and how much of the room it takes beside the first's 1. */
  below?: ReactNode;
  belowShare?: number;
  /** A line between picture and keys: the bag, the speed. */
  strip?: ReactNode;
  keys: readonly ThumbKey[];
  keysLabel?: string;
  log: ReactNode;
  /** What stands over the log on wide screens, and what the log is called there. */
  overLog?: ReactNode;
  logTitle: string;
  /** Panes beside the frame on wide screens, from the left; the picture over the second one where left out. */
  panes?: readonly ReactNode[];
  sheets: ReactNode;
  /** Whether a sheet is open, which has the keyboard then. */
  isBusy: boolean;
  onHelp: () => void;
}

/** Room for a heading of two lines, and for each line of its reason, px. */
const [headingPx, linePx] = [70, 22] as const;
const frameWidth = 400;

/**
 * The frame of every station, whatever the way: facts, heading, reason, clock, movement, picture, keys, one under the other on a phone; the pictures beside
 * them, with the log under the keys, where there is room. A way fills its slots and adds none.
 */
export function StationFrame(slots: StationSlots) {
  const { picture, below, belowShare = 1, strip, keys, keysLabel, log, overLog, logTitle, panes, sheets, isBusy, onHelp } = slots;
  useWakeLock();
  const wide = useWide();
  const palette = usePalette();
  useShortcuts(wide && !isBusy ? [...keys] : [], onHelp);
  const under = below ? <View style={{ flex: belowShare, minHeight: 0, borderTopWidth: 1, borderTopColor: palette.line }}>{below}</View> : null;
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        <Advice {...slots} />
        <View style={{ flex: 1, minHeight: 0 }}>{picture}</View>
        {under}
        {strip}
        <ThumbBar keys={keys} label={keysLabel} />
        {sheets}
      </View>
    );
  const beside = panes ?? [
    <View key="picture" style={{ flex: 1 }}>
      <View style={{ flex: 1, minHeight: 0 }}>{picture}</View>
      {under}
    </View>,
  ];
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      {beside.map((pane, k) => (
        <View key={k} style={{ flex: k === 0 ? 1.15 : 1, borderRightWidth: 1, borderRightColor: palette.line }}>
          {pane}
        </View>
      ))}
      <View style={{ width: frameWidth }}>
        <Advice {...slots} />
        <ThumbBar keys={keys} showShortcuts label={keysLabel} />
        {strip}
        <ScrollPane label={logTitle}>
          {overLog}
          <Text heading={2} size="lead">
            {logTitle}
          </Text>
          {log}
        </ScrollPane>
      </View>
      {sheets}
    </View>
  );
}

/** What to do now, why, how, and until when. */
function Advice({ facts, heading, reason, reasonLines = 2, why, clock, movement }: StationSlots) {
  const words = (
    <View aria-live="polite">
      <Text heading={1} size="title" numberOfLines={2}>
        {heading}
      </Text>
      <Text tone="second" numberOfLines={reasonLines}>
        {reason}
      </Text>
    </View>
  );
  const room = { height: headingPx + linePx * reasonLines, overflow: 'hidden' } as const;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 6, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          {facts}
          {why ? (
            <Pressable role="button" aria-label={why.label} disabled={why.isOff} onPress={why.onOpen} style={room}>
              {words}
            </Pressable>
          ) : (
            <View style={room}>{words}</View>
          )}
        </View>
        {clock}
      </View>
      {movement}
    </View>
  );
}
