import { Suspense } from 'react';
import { View } from 'react-native';
import { LongWait } from '@/ui/Notice';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import type { AccountMode } from './AccountForm';
import { ResetHelp, useAskedCode } from './ResetHelp';
import { useEntering } from './useEntering';

const AccountForm = lazily(() => import('@/features/with-paper').then((m) => m.AccountForm));

/** The form of one way in, with what the server said of the last try. */
export function EnterForm({ mode, isInvited }: { mode: AccountMode; isInvited?: boolean }) {
  const { entering, submit } = useEntering();
  const asked = useAskedCode();
  return (
    <View style={{ gap: 12 }}>
      {mode === 'reset' ? <ResetHelp asked={asked} /> : null}
      <Suspense fallback={<LongWait />}>
        <AccountForm
          key={mode}
          mode={mode}
          isInvited={isInvited}
          busy={entering.isPending}
          onSubmit={(fields) => submit(mode, fields)}
          onAskCode={mode === 'reset' ? (email) => asked.mutate(email) : undefined}
        />
      </Suspense>
      <View aria-live="assertive">{entering.error ? <Text tone="straw">{entering.error.message}</Text> : null}</View>
    </View>
  );
}
