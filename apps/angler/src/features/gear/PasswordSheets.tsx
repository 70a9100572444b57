import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { forgetSettings } from '@/data/account-settings';
import { api } from '@/data/api';
import { remember, useAccount } from '@/data/session';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** A line for a password. */
function Password({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <Suspense fallback={null}>
      <Field label={label} value={value} onChangeText={onChange} secureTextEntry autoCapitalize="none" />
    </Suspense>
  );
}

/** Sets a new password by the one of now. */
export function PasswordSheet({ onClose }: { onClose: () => void }) {
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState('');
  const changing = useMutation({ mutationFn: () => api.changePassword(current, next) });
  return (
    <Sheet title="Change password" open onClose={onClose}>
      <Password label="Password now" value={current} onChange={setCurrent} />
      <Password label="New password" value={next} onChange={setNext} />
      <Text size="small" tone="second">
        At least 10 characters; three or four words of your own do well. Every other phone is signed out.
      </Text>
      <Action kind="main" label="Change it" disabled={changing.isPending || current === '' || next.length < 10} onPress={() => changing.mutate()} />
      <View aria-live="assertive">
        {changing.isSuccess ? <Text>Changed.</Text> : null}
        {changing.error ? <Text tone="straw">{changing.error.message}</Text> : null}
      </View>
    </Sheet>
  );
}

/** Deletes the account with everything, on the server and on this phone. */
export function DeleteSheet({ onClose }: { onClose: () => void }) {
  const [password, setPassword] = useState('');
  const client = useQueryClient();
  const { id, store } = useAccount();
  const deleting = useMutation({
    mutationFn: () => api.deleteAccount(password),
    onSuccess: async () => {
      await store.forget();
      forgetSettings(id);
      client.removeQueries({ predicate: (q) => q.queryKey[0] !== 'session' });
      client.setQueryData(['session'], remember(await api.session(), true));
    },
  });
  return (
    <Sheet title="Delete the account" open onClose={onClose}>
      <Text>The log, waters, weather, tackle and settings of this account are deleted on the server and on this phone. It cannot be undone.</Text>
      <Text tone="second">“All in one file” saves them first; such a file can be brought into another account.</Text>
      <Password label="Password" value={password} onChange={setPassword} />
      <Action height={64} label="Delete everything" disabled={deleting.isPending || password === ''} onPress={() => deleting.mutate()} />
      <View aria-live="assertive">{deleting.error ? <Text tone="straw">{deleting.error.message}</Text> : null}</View>
    </Sheet>
  );
}
