import { accountSettings, passwordChange, passwordProof } from '@burrow/contract/api';
import express, { Router } from 'express';
import { smallBody } from '../bodies';
import { accept, ProblemError } from '../problem';
import type { Services } from '../services';
import { accountOf } from './signed-in';

/** The life of one's own account: its password, where it is signed in, its settings, all of it in one file, its end. */
export function accountRoutes({ accounts, sessions, archives, demo }: Services): Router {
  const router = Router();

  router.put('/account/password', smallBody, async (req, res) => {
    const { current, next } = accept(passwordChange, req.body);
    await accounts.changePassword(accountOf(req), current, next);
    // Whoever had the old one is out.
    await sessions.endOthers(accountOf(req), req.sessionID);
    res.status(204).end();
  });
  router.get('/account/sessions', async (req, res) => {
    res.json(await sessions.list(accountOf(req), req.sessionID));
  });
  router.delete('/account/sessions', async (req, res) => {
    await sessions.endOthers(accountOf(req), req.sessionID);
    res.status(204).end();
  });
  router.delete('/account/sessions/:id', async (req, res) => {
    await sessions.end(accountOf(req), req.params.id);
    res.status(204).end();
  });

  router.get('/account/settings', async (req, res) => {
    res.json(await accounts.settings(accountOf(req)));
  });
  router.put('/account/settings', express.json({ limit: '512kb' }), async (req, res) => {
    res.json(await accounts.joinSettings(accountOf(req), accept(accountSettings, req.body)));
  });

  router.get('/account/archive', async (req, res) => {
    res.writeHead(200, { 'content-type': 'application/zip', 'content-disposition': 'attachment; filename="vivid-burrow.zip"', 'cache-control': 'no-store' });
    await archives.write(accountOf(req), res);
  });
  router.post('/account/archive', archives.body, async (req, res) => {
    res.json(await archives.takeIn(accountOf(req), req));
  });

  router.delete('/account', smallBody, async (req, res) => {
    const { password } = accept(passwordProof, req.body);
    if (demo && (await accounts.find(accountOf(req)))?.isDemo) throw new ProblemError(403, 'The demo’s account', 'The demo is shared and cannot be deleted.');
    await accounts.remove(accountOf(req), password);
    req.session.destroy(() => res.status(204).end());
  });
  return router;
}
