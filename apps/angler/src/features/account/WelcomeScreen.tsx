import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { Icon } from '@/ui/icon/Icon';
import { Text } from '@/ui/Text';
import { api } from '@/data/api';
import { lendDemoBox, returnDemoBox } from '@/data/demo-box';
import { remember } from '@/data/session';
import { usePalette } from '@/theme/theme';

const AccountForm = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.AccountForm })));

/** The door: the demo by one tap, or an account. */
export function WelcomeScreen({ demo }: { demo: boolean }) {
  const palette = usePalette();
  const client = useQueryClient();
  const [form, setForm] = useState<'none' | 'known' | 'new'>(demo ? 'none' : 'known');
  const entering = useMutation({
    mutationFn: (enter: () => ReturnType<typeof api.session>) => enter(),
    onSuccess: (session, enter) => {
      if (enter === api.enterDemo) lendDemoBox();
      else returnDemoBox();
      client.setQueryData(['session'], remember(session));
    },
  });
  return (
    <ScrollView
      role="main"
      style={{ backgroundColor: palette.ground }}
      contentContainerStyle={{ flexGrow: 1, justifyContent: 'center', padding: 24, gap: 20, maxWidth: 460, width: '100%', alignSelf: 'center' }}
    >
      <Icon name="hole" size={72} color={palette.ember} />
      <View style={{ gap: 8 }}>
        <Text heading={1} size="title">
          Vivid Burrow
        </Text>
        <Text tone="second">Reads the water under the ice: when to go, where to drill, how deep to hang it, what to do with the mark that came up and would not bite.</Text>
      </View>
      {demo && form === 'none' ? <Action kind="main" height={64} label="Enter the demo" onPress={() => entering.mutate(api.enterDemo)} /> : null}
      {form === 'none' ? null : (
        <Suspense fallback={null}>
          <AccountForm
            isNew={form === 'new'}
            busy={entering.isPending}
            onSubmit={({ email, password, name }) => entering.mutate(() => (form === 'new' ? api.register(email, password, name) : api.signIn(email, password)))}
          />
        </Suspense>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {form === 'known' ? null : <Action grow label="I have an account" onPress={() => setForm('known')} />}
        {form === 'new' ? null : <Action grow label="I am new here" onPress={() => setForm('new')} />}
      </View>
      <View aria-live="assertive">{entering.error ? <Text tone="straw">{entering.error.message}</Text> : null}</View>
      <Text size="small" tone="second">
        It never says that ice is safe. Measure, and ask those who know the water.
      </Text>
    </ScrollView>
  );
}
