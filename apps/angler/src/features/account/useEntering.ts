import type { Session } from '@burrow/contract/api';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '@/data/api';
import { remember } from '@/data/session';
import type { AccountFields, AccountMode } from './AccountForm';

/** Enters an account in one of the ways there are, and tells the app who is signed in now. */
export function useEntering() {
  const client = useQueryClient();
  const entering = useMutation({
    mutationFn: (enter: () => Promise<Session>) => enter(),
    onSuccess: (session) => client.setQueryData(['session'], remember(session)),
  });
  const submit = (mode: AccountMode, { email, password, name, code, invitation }: AccountFields) =>
    entering.mutate(() => {
      if (mode === 'new') return api.register(email, password, name, invitation.trim());
      return mode === 'reset' ? api.reset(email, code, password) : api.signIn(email, password);
    });
  return { entering, submit };
}
