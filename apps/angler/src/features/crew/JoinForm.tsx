import type { OutingState } from '@burrow/core/ledger';
import { Suspense, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { OfflineError } from '@/data/api';
import { useCrewChanges } from '@/data/crew';
import { useAccount } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

const said = (error: Error) => (error instanceof OfflineError ? 'No signal: a crew is opened and joined over the server once. Your own log goes on.' : error.message);

/** Opens a crew for the outing under way, or joins another's by its code. */
export function JoinForm({ outing }: { outing: OutingState }) {
  const account = useAccount();
  const [name, setName] = useState(account.name);
  const [code, setCode] = useState('');
  const { open, join } = useCrewChanges(outing);
  const isBusy = open.isPending || join.isPending;
  const who = name.trim();
  const failed = open.error ?? join.error;
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 16, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
      <View style={{ gap: 4 }}>
        <Text heading={1} size="title">
          Fish together
        </Text>
        <Text tone="second">
          One board for several phones: rods, depths, baits, bites and schools as they come, and which bait leads. Each keeps a log of his own; of you the others see this outing
          alone.
        </Text>
      </View>
      <Suspense fallback={null}>
        <Field label="Your name to the others" value={name} onChangeText={setName} maxLength={40} />
      </Suspense>
      <Action kind="main" height={64} label={open.isPending ? 'Opening' : 'Open a crew'} disabled={isBusy || who === ''} onPress={() => open.mutate(who)} />
      <View style={{ gap: 8 }}>
        <Text strong>Or join one</Text>
        <Suspense fallback={null}>
          <Field label="Code of six signs" value={code} onChangeText={setCode} autoCapitalize="characters" maxLength={12} />
        </Suspense>
        <Action
          height={64}
          label={join.isPending ? 'Joining' : 'Join'}
          disabled={isBusy || who === '' || code.replace(/[^A-Za-z0-9]/g, '').length < 6}
          onPress={() => join.mutate({ code, name: who })}
        />
      </View>
      <View aria-live="polite">{failed ? <Text tone="straw">{said(failed)}</Text> : null}</View>
    </ScrollView>
  );
}
