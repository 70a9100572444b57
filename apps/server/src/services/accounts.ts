import { joinedSettings, type AccountSettings } from '@burrow/contract/api';
import { timingSafeEqual, randomUUID } from 'node:crypto';
import { LessThan, QueryFailedError, type DataSource } from 'typeorm';
import { Account, Invitation, ResetCode, WeatherPlace, type AccountRow } from '../entities';
import { ProblemError } from '../problem';
import { codeHash, newCode } from './codes';
import type { Guesses } from './guesses';
import { chosenPassword, isPassword } from './passwords';

/** Address of the account that the demo enters by one tap. */
export const demoEmail = 'demo@vivid-burrow.invalid';

export interface Identity {
  id: string;
  name: string;
  /** The demo's own account, the only one for which anything is simulated. */
  isDemo: boolean;
}

export type SignUp = 'open' | 'invited' | 'closed';

const identityOf = ({ id, name, email }: Pick<AccountRow, 'id' | 'name' | 'email'>): Identity => ({ id, name, isDemo: email === demoEmail });
/** A reset code is good for an hour and five tries, an invitation for a fortnight. */
const life = { resetMs: 3_600_000, resetTries: 5, invitationMs: 14 * 86_400_000 };
const wrongCode = () => new ProblemError(401, 'Not reset', 'expected the address of an account and the code that was given for it in the last hour, found no match');

/** Accounts with argon2id passwords. */
export class Accounts {
  constructor(
    private readonly db: DataSource,
    private readonly guesses: Guesses | null = null,
    private readonly signUp: SignUp = 'open',
  ) {}

  /**
   * Makes an account. Throws a 403 problem where sign-up is closed or wants an invitation, 400 for a password that is easy to guess, and 409 where
   * none can be made of this address, in words that tell nobody whether it has an account.
   */
  async register({ email, password, name, invitation }: { email: string; password: string; name: string; invitation?: string }): Promise<Identity> {
    if (this.signUp === 'closed') throw new ProblemError(403, 'Sign-up is closed', 'This server takes no new accounts; ask its owner.');
    const passwordHash = await chosenPassword(password, [email, name]);
    const row = { id: randomUUID(), email: email.toLowerCase(), name, passwordHash };
    return this.db.transaction(async (manager) => {
      if (this.signUp === 'invited') {
        const used = await manager.getRepository(Invitation).delete({ codeHash: codeHash(invitation ?? '') });
        if (used.affected !== 1) throw new ProblemError(403, 'By invitation', 'invitation: expected a code that the owner of this server gave and nobody has used, found none');
      }
      try {
        await manager.getRepository(Account).insert(row);
      } catch (error) {
        if (!(error instanceof QueryFailedError && (error.driverError as { code?: string }).code === '23505')) throw error;
        throw new ProblemError(409, 'No account made', 'expected an address that a new account can be made with; if it is yours already, sign in or ask for a new password');
      }
      return identityOf(row);
    });
  }

  /** Who this is. Throws a 401 problem that tells nobody whether the address has an account, 429 after too many wrong tries. */
  async login(email: string, password: string): Promise<Identity> {
    await this.guesses?.allow(email);
    const row = await this.db.getRepository(Account).findOneBy({ email: email.toLowerCase() });
    if (!(await isPassword(password, row?.passwordHash)) || !row) {
      await this.guesses?.wrong(email);
      throw new ProblemError(401, 'Not signed in', 'expected the e-mail address and password of an account, found no match');
    }
    await this.guesses?.right(email);
    return identityOf(row);
  }

  async find(id: string): Promise<Identity | null> {
    const row = await this.db.getRepository(Account).findOne({ select: { id: true, name: true, email: true }, where: { id } });
    return row && identityOf(row);
  }

  async demo(): Promise<Identity> {
    const row = await this.db.getRepository(Account).findOneBy({ email: demoEmail });
    if (!row) throw new ProblemError(404, 'No demo account', 'The demo data has not been loaded.');
    return identityOf(row);
  }

  /** Sets a new password for whoever knows the one of now. Throws a 403 problem where that is wrong. */
  async changePassword(id: string, current: string, next: string): Promise<void> {
    const row = await this.proven(id, current);
    await this.db.getRepository(Account).update({ id }, { passwordHash: await chosenPassword(next, [row.email, row.name]) });
  }

  /** A code by which the account of an address may set a new password, once, within an hour; null where there is no such account. */
  async resetCode(email: string): Promise<string | null> {
    const row = await this.db.getRepository(Account).findOneBy({ email: email.toLowerCase() });
    if (!row || row.email === demoEmail) return null;
    const code = newCode();
    await this.db.getRepository(ResetCode).save({ accountId: row.id, codeHash: codeHash(code), expiresAt: new Date(Date.now() + life.resetMs), tries: 0 });
    return code;
  }

  /** Sets a new password by a reset code. Throws a 401 problem where address and code do not belong together, whatever is the matter with them. */
  async reset(email: string, code: string, password: string): Promise<Identity> {
    await this.guesses?.allow(email);
    const row = await this.db.getRepository(Account).findOneBy({ email: email.toLowerCase() });
    const passwordHash = await chosenPassword(password, row ? [row.email, row.name] : [email]);
    const codes = this.db.getRepository(ResetCode);
    const given = row && (await codes.findOneBy({ accountId: row.id }));
    const isRight = given && given.tries < life.resetTries && given.expiresAt.getTime() > Date.now() && timingSafeEqual(Buffer.from(given.codeHash), Buffer.from(codeHash(code)));
    if (!row || !isRight) {
      if (given) await codes.increment({ accountId: given.accountId }, 'tries', 1);
      await this.guesses?.wrong(email);
      throw wrongCode();
    }
    await this.db.transaction(async (manager) => {
      const used = await manager.getRepository(ResetCode).delete({ accountId: row.id, codeHash: given.codeHash });
      if (used.affected !== 1) throw wrongCode();
      await manager.getRepository(Account).update({ id: row.id }, { passwordHash });
    });
    await this.guesses?.right(email);
    return identityOf(row);
  }

  /** A code that lets one account be made within a fortnight. */
  async invite(): Promise<string> {
    const code = newCode();
    const invitations = this.db.getRepository(Invitation);
    await invitations.delete({ expiresAt: LessThan(new Date()) });
    await invitations.insert({ codeHash: codeHash(code), expiresAt: new Date(Date.now() + life.invitationMs) });
    return code;
  }

  /** Deletes an account with everything that is kept of it. Throws a 403 problem where the password is wrong. */
  async remove(id: string, password: string): Promise<void> {
    const { email } = await this.proven(id, password);
    await this.db.transaction(async (manager) => {
      await manager.query(`DELETE FROM session WHERE sess->>'accountId' = $1`, [id]);
      await manager.getRepository(WeatherPlace).update({ askedBy: id }, { askedBy: null });
      await manager.getRepository(Account).delete({ id });
    });
    await this.guesses?.right(email);
  }

  async settings(id: string): Promise<AccountSettings> {
    return (await this.db.getRepository(Account).findOneOrFail({ select: { id: true, settings: true }, where: { id } })).settings;
  }

  /** Takes in settings, of each the one that was set later, and answers what stands. */
  async joinSettings(id: string, settings: AccountSettings): Promise<AccountSettings> {
    return this.db.transaction(async (manager) => {
      const accounts = manager.getRepository(Account);
      const row = await accounts.findOneOrFail({ select: { id: true, settings: true }, where: { id }, lock: { mode: 'pessimistic_write' } });
      const joined = joinedSettings(row.settings, settings);
      await accounts.update({ id }, { settings: joined as never });
      return joined;
    });
  }

  private async proven(id: string, password: string): Promise<AccountRow> {
    const row = await this.db.getRepository(Account).findOneByOrFail({ id });
    if (row.email === demoEmail) throw new ProblemError(403, 'The demo’s account', 'The demo is shared and has no password; make an account of your own.');
    await this.guesses?.allow(row.email);
    if (await isPassword(password, row.passwordHash)) return row;
    await this.guesses?.wrong(row.email);
    throw new ProblemError(403, 'Wrong password', 'password: expected that of this account, found another');
  }
}
