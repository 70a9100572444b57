import { credentials, passwordReset, registration, resetRequest, type Session } from '@burrow/contract/api';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Services } from '../services';
import { smallBody } from '../bodies';
import { accept, ProblemError, sendProblem } from '../problem';
import type { Identity } from '../services/accounts';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
    /** What the browser calls itself, and when it was signed in: shown to the account's owner. */
    browser: string;
    sinceMs: number;
  }
}

/** A limit by address whose answer is a problem like any other. */
export const limitedTo = (limit: number, windowMs = 60_000): RequestHandler =>
  rateLimit({
    windowMs,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) =>
      sendProblem(res, 429, 'Too many requests', `expected at most ${limit} requests in ${windowMs / 60_000} min from one address, found more; wait a moment`),
  });

/** Signing in, out and up. */
export function sessionRoutes({ accounts, sessions, mailer, clockOf, demo, signUp }: Services): Router {
  const router = Router();
  const slow = limitedTo(30);
  const answer = (found: Identity | null): Session => {
    const account = found && { ...found, isDemo: demo && found.isDemo };
    return { account, demo, nowMs: clockOf(account).nowMs(), signUp };
  };

  router.get('/session', async (req, res) => {
    res.json(answer(req.session.accountId === undefined ? null : await accounts.find(req.session.accountId)));
  });
  router.post('/session', slow, smallBody, async (req, res) => {
    const { email, password } = accept(credentials, req.body);
    res.json(answer(await enter(req, await accounts.login(email, password))));
  });
  router.post('/account', slow, smallBody, async (req, res) => {
    res.status(201).json(answer(await enter(req, await accounts.register(accept(registration, req.body)))));
  });
  router.post('/account/reset-request', slow, smallBody, async (req, res) => {
    const { email } = accept(resetRequest, req.body);
    // The same answer at the same time whether or not there is such an account: the code is made and sent behind it.
    res.status(202).json({ mailed: mailer.isThere });
    if (!mailer.isThere) return;
    const code = await accounts.resetCode(email);
    if (code === null) return;
    const text = `Your code: ${code}\n\nIt sets a new password for Vivid Burrow within an hour, once. If you did not ask for it, do nothing.\n`;
    await mailer.send(email, 'A new password for Vivid Burrow', text).catch((error: unknown) => req.log.error({ err: error }, 'mail could not be sent'));
  });
  router.post('/account/reset', slow, smallBody, async (req, res) => {
    const { email, code, password } = accept(passwordReset, req.body);
    const account = await accounts.reset(email, code, password);
    await sessions.endOthers(account.id, '');
    res.json(answer(await enter(req, account)));
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
      req.session.browser = (req.get('user-agent') ?? 'unknown').slice(0, 300);
      req.session.sinceMs = Date.now();
      req.session.save((failed) => (failed ? reject(failed as Error) : resolve(account)));
    });
  });
}
