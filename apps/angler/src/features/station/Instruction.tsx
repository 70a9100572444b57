import { clockText } from '@burrow/core/units';
import { View } from 'react-native';
import { Beat } from './Beat';
import { HoleClock } from './HoleClock';
import { Text } from '@/ui/Text';
import { FlagBar } from './FlagBar';
import type { HoleControl } from './useHole';

/** What to do with the next ten seconds, why, and for how long to stay. */
export function Instruction({ control }: { control: HoleControl }) {
  const { outing, hole, method, isDemo, zone, now, advice, words, isTaken, clock, setSheet } = control;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 8, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Text size="small" tone="second">
            {isDemo ? `${method.place} ${hole.label}` : `${method.place} ${hole.label}, no flasher connected: read yours by eye`}
          </Text>
          <View aria-live="polite" style={{ minHeight: 92 }}>
            <Text heading={1} size="title">
              {isTaken ? 'Rod tip down: strike' : (words?.instruction ?? (isDemo ? 'Listening to the flasher' : 'Read your flasher'))}
            </Text>
            <Text tone="second">
              {isTaken
                ? 'Tap Bite to set the hook. The tip is simulated.'
                : words
                  ? `${words.reason} ${words.then}`
                  : isDemo
                    ? 'The first pings take a second.'
                    : 'Bottom, jig, top mark and what it did: the next move follows from them.'}
            </Text>
          </View>
        </View>
        <HoleClock clock={clock} untilText={clockText(clock.stayUntilMs, zone)} onPress={() => setSheet('clock')} />
      </View>
      {advice?.suggestion && !isTaken ? (
        <Text size="small" strong>
          {advice.suggestion.text}
        </Text>
      ) : null}
      {advice && words ? <Beat advice={advice} words={words} /> : null}
      <FlagBar outing={outing} nowMs={now} onPress={() => setSheet('tip-ups')} />
    </View>
  );
}
