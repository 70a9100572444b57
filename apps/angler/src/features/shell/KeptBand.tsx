import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { StoreHealth } from '@/data/store';
import { trouble } from '@/data/troubles';
import { useObservable } from '@/data/observable-value';
import { useAccount, useIsSignedOut } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

const headlines: Record<Exclude<StoreHealth, 'kept'>, string> = {
  full: 'No room on this phone: the log is in memory only',
  refused: 'This browser does not keep the log: it is in memory only',
  again: 'The log is kept on this phone again',
};

const steps: Record<'full' | 'refused', string[]> = {
  full: [
    'Do not close this page: what you logged since is kept in it, and goes to the server when there is a signal.',
    'Make room: delete photos, downloads or other pages’ data. The log is written as soon as there is room, and this band says so.',
  ],
  refused: [
    'Do not close this page: what you log is kept in it, and goes to the server when there is a signal.',
    'A private window keeps nothing: open Vivid Burrow in an ordinary one.',
    'Allow site data for this address in the browser’s settings, or free some room, then reload once everything is sent.',
  ],
};

/** Lasting bands above every screen: where the log is not kept, where the server wants one to sign in again, and what failed unseen. */
export function KeptBand() {
  const { store } = useAccount();
  const health = useObservable(store.health);
  const failed = useObservable(trouble);
  const isSignedOut = useIsSignedOut();
  const [isOpen, setOpen] = useState(false);
  return (
    <View aria-live="assertive">
      {health === 'kept' ? null : <Band text={headlines[health]} action={health === 'again' ? undefined : { label: 'What to do', onPress: () => setOpen(true) }} />}
      {isSignedOut ? <SignedOutBand /> : null}
      {failed === null ? null : <Band text={failed} action={{ label: 'Close', onPress: () => trouble.set(null) }} />}
      {health === 'full' || health === 'refused' ? (
        <Sheet title="The log is in memory only" open={isOpen} onClose={() => setOpen(false)}>
          {steps[health].map((step) => (
            <Text key={step}>{step}</Text>
          ))}
        </Sheet>
      ) : null}
    </View>
  );
}

function Band({ text, action }: { text: string; action?: { label: string; onPress: () => void } }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingLeft: 16, minHeight: 48, backgroundColor: palette.strawGround }}>
      <Text strong tone="straw" style={{ flex: 1 }}>
        {text}
      </Text>
      {action ? <Action kind="bare" label={action.label} onPress={action.onPress} /> : null}
    </View>
  );
}

function SignedOutBand() {
  const palette = usePalette();
  return (
    <Link href="/gear" asChild>
      <Pressable role="link" style={{ paddingHorizontal: 16, minHeight: 48, justifyContent: 'center', backgroundColor: palette.strawGround }}>
        <Text strong tone="straw">
          The server wants you to sign in again. Nothing is lost: fish on, and sign in under Gear.
        </Text>
      </Pressable>
    </Link>
  );
}
