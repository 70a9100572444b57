import { agoText, clockText } from '@burrow/core/units';
import { Pressable, View } from 'react-native';
import { Beat } from './Beat';
import { HoleClock } from './HoleClock';
import { Text } from '@/ui/Text';
import { FlagBar } from './FlagBar';
import type { HoleControl } from './useHole';

/** Room for the longest words, the suggestion and the beat, px: whatever they say, the picture under them keeps its size. */
const [wordsPx, suggestionPx, beatPx] = [152, 20, 64];

/** What to do with the next ten seconds, why, and for how long to stay. */
export function Instruction({ control }: { control: HoleControl }) {
  const { outing, hole, method, isByEye, reading, zone, now, advice, words, isTaken, clock, setSheet } = control;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 8, gap: 4 }}>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1, gap: 2 }}>
          <Text size="small" tone="second">
            {isByEye
              ? `${method.station} ${hole.label}, ${reading.readings[0] ? `read by eye, ${agoText(now - reading.readings[0].atMs)}` : 'read your flasher by eye'}`
              : `${method.station} ${hole.label}`}
          </Text>
          <Pressable
            role="button"
            aria-label="Why, and what would change it"
            disabled={words === null || isTaken}
            onPress={() => setSheet('why')}
            style={{ height: wordsPx, overflow: 'hidden' }}
          >
            <View aria-live="polite">
              <Text heading={1} size="title" numberOfLines={2}>
                {isTaken ? 'Rod tip down: strike' : (words?.instruction ?? (isByEye ? 'Read your flasher' : 'Listening to the flasher'))}
              </Text>
              <Text tone="second" numberOfLines={4}>
                {isTaken
                  ? 'Tap Bite to set the hook. The tip is simulated.'
                  : words
                    ? `${words.reason} ${words.then}`
                    : isByEye
                      ? 'Touch the picture where bottom, jig and top mark are, then say what the mark did.'
                      : 'The first pings take a second.'}
              </Text>
            </View>
          </Pressable>
        </View>
        <HoleClock clock={clock} untilText={clockText(clock.stayUntilMs, zone)} onPress={() => setSheet('clock')} />
      </View>
      <View style={{ height: suggestionPx }}>
        {advice?.suggestion && !isTaken ? (
          <Text size="small" strong numberOfLines={1}>
            {advice.suggestion.text}
          </Text>
        ) : null}
      </View>
      <View style={{ height: beatPx }}>{advice && words ? <Beat advice={advice} words={words} /> : null}</View>
      <FlagBar outing={outing} nowMs={now} onPress={() => setSheet('tip-ups')} />
    </View>
  );
}
