import type { LedgerEvent } from '@burrow/core/ledger';
import type { WithoutWeather } from '@burrow/core/outlook';
import { useRouter } from 'expo-router';
import { Suspense, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { TargetChoice } from '@/features/fish/TargetChoice';
import { BringWeather } from './BringWeather';
import { SeenSheet } from './SeenSheet';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

interface Props {
  words: WithoutWeather;
  water: { id: string; name: string };
  zone: string;
  said: LedgerEvent | null;
  onSeen: (event: LedgerEvent) => void;
  onDone: () => void;
  /** Asks the weather service again, where it did not answer; null where there is none to ask. */
  onAgain: (() => void) | null;
}

/** The Outlook of a water whose weather nobody knows: what can be said without it, and nothing made up. */
export function NoWeather({ words, water, zone, said, onSeen, onDone, onAgain }: Props) {
  const router = useRouter();
  const { ledger } = useLedger();
  const [seeing, setSeeing] = useState(false);
  return (
    <>
      <ScrollView contentContainerStyle={{ padding: 16, gap: 22, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
        <View style={{ gap: 8 }}>
          <Text size="small" tone="second">
            {water.name}
          </Text>
          <Text heading={1} size="title">
            {words.headline}
          </Text>
          <Text tone="second">{words.why}</Text>
          {onAgain ? (
            <>
              <Text tone="straw">The weather service does not answer, and nothing is kept from before.</Text>
              <Action label="Ask it again" onPress={onAgain} />
            </>
          ) : null}
        </View>
        <TargetChoice />
        <Caution headline={words.ice.headline}>{words.ice.detail}</Caution>
        <View style={{ gap: 4 }}>
          <Text heading={2} size="lead">
            Light
          </Text>
          <Text>{words.light}</Text>
        </View>
        <View style={{ gap: 8 }}>
          <Action kind="main" height={64} label="To the map" onPress={() => router.navigate('/water')} />
          <Action label="Log what I see" onPress={() => setSeeing(true)} />
        </View>
        <BringWeather waterId={water.id} zone={zone} />
      </ScrollView>
      <SeenSheet open={seeing} onClose={() => setSeeing(false)} last={undefined} zone={zone} onLogged={onSeen} />
      {said === null ? null : (
        <Suspense fallback={null}>
          <UndoSnackbar key={said.id} text="Weather logged" onUndo={() => void ledger.write({ id: said.outing, zone }, 'undone', { target: said.id })} onDismiss={onDone} />
        </Suspense>
      )}
    </>
  );
}
