import { credentials, registration, type Session } from '@burrow/contract/api';
import { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Services } from '../services';
import { smallBody } from '../bodies';
import { accept, ProblemError } from '../problem';
import type { Identity } from '../services/accounts';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
  }
}

/** Signing in, out and up. */
export function sessionRoutes({ accounts, clockOf, demo }: Services): Router {
  const router = Router();
  const slow = rateLimit({ windowMs: 60_000, limit: 30, standardHeaders: 'draft-8', legacyHeaders: false });
  const answer = (found: Identity | null): Session => {
    const account = found && { ...found, isDemo: demo && found.isDemo };
    return { account, demo, nowMs: clockOf(account).nowMs() };
  };

  router.get('/session', async (req, res) => {
    res.json(answer(req.session.accountId === undefined ? null : await accounts.find(req.session.accountId)));
  });
  router.post('/session', slow, smallBody, async (req, res) => {
    const { email, password } = accept(credentials, req.body);
    res.json(answer(await enter(req, await accounts.login(email, password))));
  });
  router.post('/account', slow, smallBody, async (req, res) => {
    const { email, password, name } = accept(registration, req.body);
    res.status(201).json(answer(await enter(req, await accounts.register(email, password, name))));
  });
  router.post('/session/demo', slow, async (req, res) => {
    if (!demo) throw new ProblemError(404, 'No demo here', 'This server has no demo account.');
    res.json(answer(await enter(req, await accounts.demo())));
  });
  router.delete('/session', (req, res, next) => {
    req.session.destroy((error) => (error ? next(error) : res.status(204).end()));
  });
  return router;
}

/** A new session id on entering, so that one known before is worth nothing. */
function enter(req: Request, account: Identity): Promise<Identity> {
  return new Promise((resolve, reject) => {
    req.session.regenerate((error) => {
      if (error) {
        reject(error as Error);
        return;
      }
      req.session.accountId = account.id;
      req.session.save((failed) => (failed ? reject(failed as Error) : resolve(account)));
    });
  });
}
