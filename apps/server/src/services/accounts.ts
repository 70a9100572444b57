import { hash, verify } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import { QueryFailedError, type DataSource } from 'typeorm';
import { Account, type AccountRow } from '../entities';
import { ProblemError } from '../problem';

/** Address of the account that the demo enters by one tap. */
export const demoEmail = 'demo@vivid-burrow.invalid';

export interface Identity {
  id: string;
  name: string;
  /** The demo's own account, the only one for which anything is simulated. */
  isDemo: boolean;
}

const identityOf = ({ id, name, email }: AccountRow): Identity => ({ id, name, isDemo: email === demoEmail });
/** Compared against when there is no such account, so that the answer takes as long. */
const decoy = hash('no such account', { algorithm: 2 });

/** Accounts with argon2id passwords. */
export class Accounts {
  constructor(private readonly db: DataSource) {}

  async register(email: string, password: string, name: string): Promise<Identity> {
    const row = { id: randomUUID(), email: email.toLowerCase(), name, passwordHash: await hash(password, { algorithm: 2 }) };
    try {
      await this.db.getRepository(Account).insert(row);
    } catch (error) {
      if (error instanceof QueryFailedError && (error.driverError as { code?: string }).code === '23505') {
        throw new ProblemError(409, 'Account exists', 'email: expected an address without an account, found one that has one');
      }
      throw error;
    }
    return { id: row.id, name, isDemo: row.email === demoEmail };
  }

  async login(email: string, password: string): Promise<Identity> {
    const row = await this.db.getRepository(Account).findOneBy({ email: email.toLowerCase() });
    const fits = await verify(row?.passwordHash ?? (await decoy), password);
    if (!row || !fits) throw new ProblemError(401, 'Not signed in', 'expected the e-mail address and password of an account, found no match');
    return identityOf(row);
  }

  async find(id: string): Promise<Identity | null> {
    const row = await this.db.getRepository(Account).findOneBy({ id });
    return row && identityOf(row);
  }

  async demo(): Promise<Identity> {
    const row = await this.db.getRepository(Account).findOneBy({ email: demoEmail });
    if (!row) throw new ProblemError(404, 'No demo account', 'The demo data has not been loaded.');
    return identityOf(row);
  }
}
