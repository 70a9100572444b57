import type { SignedInDevice } from '@burrow/contract/api';
import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { ProblemError } from '../problem';

/** How long a session lasts after it was used last, ms. */
export const sessionMs = 180 * 86_400_000;

interface SessionData {
  sid: string;
  sess: { browser?: string; sinceMs?: number };
  expire: Date;
}

/** What a session is called towards others: its own id signs in. */
const nameOf = (sid: string) => createHash('sha256').update(sid).digest('hex').slice(0, 24);

/** Where an account is signed in. */
export class Sessions {
  constructor(private readonly db: DataSource) {}

  async list(accountId: string, ownSid: string): Promise<SignedInDevice[]> {
    const rows: SessionData[] = await this.db.query(`SELECT sid, sess, expire FROM session WHERE sess->>'accountId' = $1 AND expire > now() ORDER BY expire DESC`, [accountId]);
    return rows.map(({ sid, sess, expire }) => ({
      id: nameOf(sid),
      browser: sess.browser ?? 'unknown',
      sinceMs: sess.sinceMs ?? null,
      seenMs: expire.getTime() - sessionMs,
      isThis: sid === ownSid,
    }));
  }

  /** Ends one session of an account. Throws a 404 problem for an unknown one. */
  async end(accountId: string, id: string): Promise<void> {
    const rows: { sid: string }[] = await this.db.query(`SELECT sid FROM session WHERE sess->>'accountId' = $1`, [accountId]);
    const found = rows.find(({ sid }) => nameOf(sid) === id);
    if (!found) throw new ProblemError(404, 'No such session', `expected one of your sessions, found "${id}"`);
    await this.db.query('DELETE FROM session WHERE sid = $1', [found.sid]);
  }

  /** Ends all sessions of an account but one. */
  async endOthers(accountId: string, ownSid: string): Promise<void> {
    await this.db.query(`DELETE FROM session WHERE sess->>'accountId' = $1 AND sid <> $2`, [accountId, ownSid]);
  }
}
