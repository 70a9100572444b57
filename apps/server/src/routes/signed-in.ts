import type { Request, RequestHandler } from 'express';
import type { Accounts } from '../services/accounts';
import { ProblemError } from '../problem';

/** Lets through who is signed in; a 401 problem otherwise. */
export const signedIn: RequestHandler = (req, _res, next) => {
  if (req.session.accountId === undefined) throw new ProblemError(401, 'Not signed in', 'Sign in first.');
  next();
};

/** The account of a request that `signedIn` let through. */
export const accountOf = (req: Pick<Request, 'session'>): string => req.session.accountId!;

/** The account of a request, and whether what is simulated is for it: on the demo's server, and the demo's own account. */
export async function whose(req: Pick<Request, 'session'>, accounts: Accounts, demo: boolean): Promise<{ id: string; isDemo: boolean }> {
  const id = accountOf(req);
  return { id, isDemo: demo && ((await accounts.find(id))?.isDemo ?? false) };
}
