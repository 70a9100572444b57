import { useState } from 'react';
import { View } from 'react-native';
import { OfflineError } from '@/data/api';
import { useObservable } from '@/data/observable-value';
import { usePersistence, type Persistence } from '@/data/persistence';
import { useAccount, useIsSignedOut, useLedger, useSignOut } from '@/data/session';
import { EnterForm } from '@/features/account/EnterForm';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { ArchiveSheet } from './ArchiveSheet';
import { DeleteSheet, PasswordSheet } from './PasswordSheets';
import { DevicesSheet } from './DevicesSheet';
import { RefusedList } from './RefusedList';

const keeping: Record<Exclude<Persistence, null>, string> = {
  promised: 'The browser has promised to keep the log on this phone.',
  'not promised': 'The browser may throw the log away when the phone gets short of room. What is sent is safe on the server; on the home screen it is kept longer.',
  unknown: 'This browser does not say how long it keeps the log. What is sent is safe on the server.',
};

type SheetName = 'password' | 'devices' | 'archive' | 'delete';

/** The account: what is sent, where it is kept, where one is signed in, all of it in one file, its end. */
export function AccountPart() {
  const { name, isDemo, store } = useAccount();
  // While the band says that nothing is kept, how long it would be is no answer.
  const isKept = useObservable(store.health) === 'kept';
  const { unsent, reached, trouble, ledger } = useLedger();
  const isSignedOut = useIsSignedOut();
  const persistence = usePersistence();
  const leave = useSignOut();
  const [says, setSays] = useState<string | null>(null);
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const close = () => setSheet(null);
  const waits = `${unsent} ${unsent === 1 ? 'entry waits' : 'entries wait'} on this phone.`;
  const state = isSignedOut
    ? `The server does not know this sign-in any more: it was put back from a backup, or you were signed out from elsewhere. Nothing is lost. ${waits} Sign in and it is sent.`
    : trouble !== null
      ? `The server answers but does not take what is sent: ${trouble} ${waits}`
      : unsent > 0
        ? waits
        : reached === false
          ? 'No signal. Everything so far is sent.'
          : 'Everything is sent.';
  return (
    <View style={{ gap: 8 }}>
      <Text>{`${name}. ${state}`}</Text>
      {isSignedOut ? <EnterForm mode="known" /> : null}
      {persistence === null || !isKept ? null : (
        <Text size="small" tone="second">
          {keeping[persistence]}
        </Text>
      )}
      <RefusedList />
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <Action
          label="Send now"
          onPress={() =>
            void ledger.sync().then(
              () => setSays('Sent.'),
              (error: Error) => setSays(error instanceof OfflineError ? 'No signal yet.' : `Not taken: ${error.message}`),
            )
          }
        />
        <Action label="Sign out" onPress={() => void leave().catch(() => setSays('Signing out needs a signal.'))} />
        <Action label="All in one file" onPress={() => setSheet('archive')} />
        {isDemo ? null : (
          <>
            <Action label="Where signed in" onPress={() => setSheet('devices')} />
            <Action label="Change password" onPress={() => setSheet('password')} />
            <Action label="Delete account" onPress={() => setSheet('delete')} />
          </>
        )}
      </View>
      <View aria-live="polite">{says ? <Text>{says}</Text> : null}</View>
      {sheet === 'archive' ? <ArchiveSheet onClose={close} /> : null}
      {sheet === 'devices' ? <DevicesSheet onClose={close} /> : null}
      {sheet === 'password' ? <PasswordSheet onClose={close} /> : null}
      {sheet === 'delete' ? <DeleteSheet onClose={close} /> : null}
    </View>
  );
}
