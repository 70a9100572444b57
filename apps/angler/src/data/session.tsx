import type { Session } from '@burrow/contract/api';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { api } from './api';
import { setClock } from './clock';
import { useObservable } from './observable-value';
import { PhoneLedger } from './ledger';
import type { LedgerView } from './ledger-view';
import { PhoneStore } from './store';
import { joinTabs } from './tabs';
import { trouble, troubleText } from './troubles';

const key = 'burrow.session';

/** Who is signed in as the phone knows it. */
export interface KnownSession extends Session {
  /** The server knows this sign-in no more, and nobody asked it to forget it. One fishes on; signing in again sends what waits. */
  isLapsed?: boolean;
}

/** The last known session, for a start without signal. */
function remembered(): KnownSession | undefined {
  try {
    return JSON.parse(globalThis.localStorage?.getItem(key) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

/**
 * Keeps what the server says of who is signed in. Where it knows nobody although nobody signed out (a backup was put back, the session was ended
 * elsewhere or ran out), the account stays open on this phone: a log must not be shut in the middle of an outing.
 */
export function remember(session: Session, isLeaving = false): KnownSession {
  const before = remembered()?.account;
  const isLapsed = session.account === null && !isLeaving && before != null && !before.isDemo;
  const known: KnownSession = isLapsed ? { ...session, account: before, isLapsed } : session;
  setClock(known.nowMs);
  try {
    globalThis.localStorage?.setItem(key, JSON.stringify(known));
  } catch {
    // A browser that keeps nothing is told of where the log is kept.
  }
  return known;
}

/** Who is signed in: from the server, or without signal from the last time. */
export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: async () => remember(await api.session()),
    initialData: remembered,
    initialDataUpdatedAt: 0,
    staleTime: 60_000,
    retry: 1,
  });
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
    open.ledger.open().catch((error: unknown) => trouble.set(troubleText(error)));
    const leaveTabs = joinTabs(id, open.ledger);
    return () => {
      leaveTabs();
      open.ledger.close();
    };
  }, [open, id]);
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
    client.setQueryData(['session'], remember(await api.session(), true));
  };
}

/** Whether the server no longer knows this phone's sign-in. */
export function useIsSignedOut(): boolean {
  const client = useQueryClient();
  const session = useSession();
  const { signedOut } = useLedger();
  const isLapsed = session.data?.isLapsed === true;
  useEffect(() => {
    if (signedOut && !isLapsed) void client.invalidateQueries({ queryKey: ['session'] });
  }, [signedOut, isLapsed, client]);
  return signedOut || isLapsed;
}
