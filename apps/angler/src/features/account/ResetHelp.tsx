import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { api } from '@/data/api';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

const Field = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.Field })));

/** Where the code for a new password comes from: by mail where this server sends any, else from its owner. */
export function ResetHelp() {
  const [email, setEmail] = useState('');
  const asking = useMutation({ mutationFn: () => api.askReset(email.trim()) });
  const answer = asking.data;
  return (
    <View style={{ gap: 8 }}>
      <Text tone="second">A new password wants a code. The owner of the server can make one for your address; where the server sends mail, ask for it here.</Text>
      <Suspense fallback={null}>
        <Field label="Send a code to this address" value={email} onChangeText={setEmail} autoCapitalize="none" inputMode="email" />
      </Suspense>
      <Action label="Ask for a code" disabled={!email.includes('@') || asking.isPending} onPress={() => asking.mutate()} />
      <View aria-live="polite">
        {answer ? (
          <Text>{answer.mailed ? 'If that address has an account, a code is on its way. It is good for an hour.' : 'This server sends no mail: ask its owner for a code.'}</Text>
        ) : null}
        {asking.error ? <Text tone="straw">{asking.error.message}</Text> : null}
      </View>
    </View>
  );
}
