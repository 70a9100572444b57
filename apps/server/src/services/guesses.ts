import { createHash } from 'node:crypto';
import type pg from 'pg';
import { RateLimiterMemory, RateLimiterPostgres, type RateLimiterAbstract, type RateLimiterRes } from 'rate-limiter-flexible';
import { ProblemError } from '../problem';

/** Wrong passwords and codes of one account, from wherever they come, before it is shut for a while. */
const most = { points: 10, duration: 15 * 60 };

/** Counts wrong guesses by account, over all processes of this server. Addresses are kept as hashes alone. */
export class Guesses {
  private readonly limiter: RateLimiterAbstract;

  constructor(pool: pg.Pool) {
    // Without the database nobody signs in anyway; what is counted meanwhile is counted here.
    const insuranceLimiter = new RateLimiterMemory(most);
    this.limiter = new RateLimiterPostgres({ storeClient: pool, tableName: 'guess', keyPrefix: 'account', tableCreated: true, insuranceLimiter, ...most });
  }

  /** Lets a guess through unless there were too many. Throws a 429 problem that says how long to wait. */
  async allow(email: string): Promise<void> {
    const found = await this.limiter.get(keyOf(email));
    if (found !== null && found.remainingPoints <= 0) throw tooMany(found);
  }

  async wrong(email: string): Promise<void> {
    await this.limiter.consume(keyOf(email)).catch((error: RateLimiterRes | Error) => {
      if (error instanceof Error) throw error;
    });
  }

  async right(email: string): Promise<void> {
    await this.limiter.delete(keyOf(email));
  }
}

const keyOf = (email: string) => createHash('sha256').update(email.toLowerCase()).digest('hex');

const tooMany = ({ msBeforeNext }: RateLimiterRes) =>
  new ProblemError(
    429,
    'Too many tries',
    `expected at most ${most.points} wrong tries in ${most.duration / 60} minutes, found more; wait ${Math.ceil(msBeforeNext / 60_000)} min, or ask the server's owner for a reset code`,
  );
