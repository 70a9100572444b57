import express, { type Request, type RequestHandler, type Response } from 'express';
import { ProblemError } from './problem';

/** A body as JSON, of `limit` at most ("16kb"). */
export const smallBody = express.json({ limit: '16kb' });

/** Bodies larger than this are let in a few at a time, bytes. */
const largeFrom = 256 * 1024;
/** Large bodies in work at once, over all accounts; one account has one. */
const mostLarge = 4;

/**
 * A body as JSON of up to `limit`, from a signed-in account. Large ones take many times their size while they are read and checked, so few are
 * let in at once: a 429 problem for a second of one account, 503 when there are many.
 */
export function largeBody(limit: string, among: LargeBodies): RequestHandler {
  const read = express.json({ limit });
  return (req, res, next) => {
    among.enter(req, res);
    read(req, res, next);
  };
}

/** Who sends a large body now. */
export class LargeBodies {
  private readonly senders = new Set<string>();

  /** Lets a request in until it is answered. Throws a problem where there is no room. */
  enter(req: Request, res: Response): void {
    const bytes = Number(req.headers['content-length'] ?? Infinity);
    const sender = req.session.accountId!;
    if (bytes <= largeFrom) return;
    if (this.senders.has(sender)) throw new ProblemError(429, 'One at a time', 'expected one large request at a time, found a second before the first was done');
    if (this.senders.size >= mostLarge) throw new ProblemError(503, 'Busy', 'The server is taking in other large files. Try again in a moment.');
    this.senders.add(sender);
    res.on('close', () => this.senders.delete(sender));
  }
}
