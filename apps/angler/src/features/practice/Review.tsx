import { decisionWords, type DrillReview } from '@burrow/core/practice';
import type { UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { Trace } from './Trace';

const clock = (ms: number) => `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`;
/** Decisions that lost most come first in the list of what to work on. */
const shown = 40;

/** What each choice in a drill did: where there was something to decide, what was done, what the coach would have done, what the fish did. */
export function Review({
  review,
  title,
  best,
  onAgain,
  onClose,
  units,
}: {
  review: DrillReview;
  title: string;
  best: number | null;
  onAgain: () => void;
  onClose: () => void;
  units: UnitPreference;
}) {
  const palette = usePalette();
  const { decisions } = review;
  const [chosen, setChosen] = useState(() => weakest(review));
  const decision = decisions[chosen];
  const words = decision && decisionWords(decision, units);
  const go = (by: number) => setChosen((i) => Math.min(decisions.length - 1, Math.max(0, i + by)));
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 14 }}>
      <View style={{ gap: 4 }}>
        <Text heading={1} size="title">
          {review.score === null ? 'Nothing to decide yet' : `${review.score} of 100 over ${decisions.length} ${decisions.length === 1 ? 'decision' : 'decisions'}`}
        </Text>
        <Text tone="second">
          {`${title}, ${clock(review.seconds * 1000)}. ${review.takes} takes, ${review.landed} landed. ${review.refusals} refusals, ${review.logged} of them logged.${best === null ? '' : ` Best so far ${best}.`}`}
        </Text>
      </View>
      <Trace trace={review.trace} decisions={decisions.slice(0, shown)} chosen={chosen} onChoose={setChosen} units={units} />
      {words ? (
        <View style={{ gap: 10, padding: 14, borderRadius: radius, borderWidth: 1, borderColor: palette.line, backgroundColor: palette.card }} aria-live="polite">
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Text heading={2} size="lead">{`Decision ${chosen + 1}, at ${clock(decision.t)}`}</Text>
            <Text size="lead" strong>{`${decision.score}`}</Text>
          </View>
          <Text tone="second">{words.seen}</Text>
          <Row label="You" text={`${words.did} ${words.remarks}`} />
          <Row label="Coach" text={words.would} />
          <Row label="Fish" text={words.fish} />
        </View>
      ) : (
        <Text tone="second">No look changed while the drill ran. Give it a minute or two.</Text>
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label="Before" disabled={chosen <= 0} onPress={() => go(-1)} />
        <Action grow height={64} label="Next" disabled={chosen >= decisions.length - 1} onPress={() => go(1)} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label="Done" onPress={onClose} />
        <Action grow height={64} kind="main" label="Once more" onPress={onAgain} />
      </View>
      <Text size="small" tone="second">
        Scored against the coach: depth for 55, movement for 45. The fish are simulated, a training model and not a claim about fish.
      </Text>
    </ScrollView>
  );
}

function Row({ label, text }: { label: string; text: string }) {
  return (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      <Text strong style={{ width: 56 }}>
        {label}
      </Text>
      <Text style={{ flex: 1 }}>{text}</Text>
    </View>
  );
}

/** Where most was lost: the first to look at. */
function weakest({ decisions }: DrillReview): number {
  let at = 0;
  decisions.slice(0, shown).forEach((d, i) => {
    if (d.score < decisions[at].score) at = i;
  });
  return at;
}
