import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { Icon } from '@/ui/icon/Icon';
import { Text } from '@/ui/Text';
import { api } from '@/data/api';
import type { KnownSession } from '@/data/session';
import { usePalette } from '@/theme/theme';
import type { AccountMode } from './AccountForm';
import { EnterForm } from './EnterForm';
import { useEntering } from './useEntering';

/** The door: the demo by one tap, or an account. */
export function WelcomeScreen({ session }: { session: KnownSession }) {
  const palette = usePalette();
  const { demo, signUp = 'open' } = session;
  const [mode, setMode] = useState<AccountMode | null>(demo ? null : 'known');
  const { entering } = useEntering();
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
      {mode === null ? (
        <>
          <Action kind="main" height={64} label="Enter the demo" disabled={entering.isPending} onPress={() => entering.mutate(api.enterDemo)} />
          <View aria-live="assertive">{entering.error ? <Text tone="straw">{entering.error.message}</Text> : null}</View>
        </>
      ) : (
        <EnterForm mode={mode} isInvited={signUp === 'invited'} />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {mode === 'known' ? null : <Action grow label="I have an account" onPress={() => setMode('known')} />}
        {mode === 'new' || signUp === 'closed' ? null : <Action grow label="I am new here" onPress={() => setMode('new')} />}
        {mode === 'known' ? <Action grow label="I forgot my password" onPress={() => setMode('reset')} /> : null}
      </View>
      {signUp === 'closed' ? (
        <Text size="small" tone="second">
          This server takes no new accounts; ask its owner.
        </Text>
      ) : null}
      <Text size="small" tone="second">
        It never says that ice is safe. Measure, and ask those who know the water.
      </Text>
    </ScrollView>
  );
}
