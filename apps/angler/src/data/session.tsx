import type { Session } from '@burrow/contract/api';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { api } from './api';
import { setClock } from './clock';
import { useObservable } from './observable-value';
import { PhoneLedger } from './ledger';
import type { LedgerView } from './ledger-view';
import { PhoneStore } from './store';

const key = 'burrow.session';

/** The last known session, for a start without signal. */
function remembered(): Session | undefined {
  try {
    return JSON.parse(globalThis.localStorage?.getItem(key) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

export function remember(session: Session): Session {
  setClock(session.nowMs);
  globalThis.localStorage?.setItem(key, JSON.stringify(session));
  return session;
}

/** Who is signed in: from the server, or without signal from the last time. */
export function useSession() {
  return useQuery({ queryKey: ['session'], queryFn: async () => remember(await api.session()), initialData: remembered, initialDataUpdatedAt: 0, staleTime: 60_000, retry: 1 });
}

interface Account {
  id: string;
  name: string;
  /** The demo's own account: its weather, flasher and fish are simulated. No other's are. */
  isDemo: boolean;
  ledger: PhoneLedger;
  store: PhoneStore;
}

const AccountContext = createContext<Account | null>(null);

/** Opens the phone's store for the account and keeps it open. Give it the account's id as key. */
export function AccountProvider({ account, children }: { account: { id: string; name: string; isDemo: boolean }; children: ReactNode }) {
  const { id, name, isDemo } = account;
  const [open] = useState(() => {
    const store = new PhoneStore(id);
    return { store, ledger: new PhoneLedger(store, id) };
  });
  const value = useMemo<Account>(() => ({ ...open, id, name, isDemo }), [open, id, name, isDemo]);
  useEffect(() => {
    void open.ledger.open();
    return () => open.ledger.close();
  }, [open]);
  return <AccountContext value={value}>{children}</AccountContext>;
}

export function useAccount(): Account {
  const account = use(AccountContext);
  if (!account) throw new Error('no account is open');
  return account;
}

export const useLedger = (): LedgerView & { ledger: PhoneLedger } => {
  const { ledger } = useAccount();
  return { ...useObservable(ledger.view), ledger };
};

/** Leaves the account; what is unsent stays on the phone for the next time. */
export function useSignOut() {
  const client = useQueryClient();
  return async () => {
    await api.signOut();
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== 'session' });
    client.setQueryData(['session'], remember(await api.session()));
  };
}
