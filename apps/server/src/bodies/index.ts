import { setTimeout } from 'node:timers/promises';
import express, { type Request, type RequestHandler, type Response } from 'express';
import Piscina from 'piscina';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { ProblemError } from '../problem';
import type { BodyTask } from '../workers/body';
import type { unpack, UnpackedArchive } from './archive';
import { checkBody, type BodyKind, type Checked, type CheckedBodies } from './check';

/** A body as JSON, of `limit` at most ("16kb"). */
export const smallBody = express.json({ limit: '16kb' });

/** Bodies larger than this are let in a few at a time, bytes, and checked apart from the thread that answers everybody. */
const largeFrom = 64 * 1024;
/** Large bodies in work at once, over all accounts; one account has one. */
const mostLarge = 2;
/** Megabytes of large bodies that one account may send in a minute: the log of a life after a backup was put back, or five of the largest maps. */
const mostMbPerMin = 120;
/** A refusal for want of room takes this long, ms: whoever asks again at once gains nothing and costs little; room may come meanwhile. */
const refusalMs = 1000;
/** Memory of the checking thread, MB: the largest body that passes takes half of it. */
const threadMb = 320;

/** Bodies that may be large: read, checked and answered for. */
export class Bodies {
  private readonly senders = new Set<string>();
  private readonly sent = new RateLimiterMemory({ points: mostMbPerMin, duration: 60 });
  private readonly pool: Piscina;

  /** @param worker file of the bundled worker */
  constructor(worker: string) {
    this.pool = new Piscina({ filename: worker, minThreads: 0, maxThreads: 1, idleTimeout: 5000, resourceLimits: { maxOldGenerationSizeMb: threadMb } });
  }

  /** Takes in a body of up to `limit` from a signed-in account, as bytes. A 429 problem for a second large one of an account, 503 when there are many. */
  upTo(limit: string, type: string | string[] = 'application/json'): RequestHandler {
    const read = express.raw({ limit, type });
    return async (req, res, next) => {
      await this.enter(req, res);
      read(req, res, next);
    };
  }

  /** What a body that was taken in says. Throws a 400 problem that names its first fault. */
  checked<K extends BodyKind>(kind: K, req: Pick<Request, 'body'>): Promise<CheckedBodies[K]> {
    return this.checkedBytes(kind, bytesOf(req, 'application/json'));
  }

  /** What bytes say. Throws a 400 problem that names their first fault, and the file it is in where one is given. */
  async checkedBytes<K extends BodyKind>(kind: K, bytes: Uint8Array<ArrayBuffer>, file?: string): Promise<CheckedBodies[K]> {
    const checked = bytes.byteLength <= largeFrom ? checkBody(kind, bytes) : ((await this.apart({ kind, bytes })) as Checked<K>);
    if (!checked.ok) throw new ProblemError(400, 'Bad request', file === undefined ? checked.detail : `${file}: ${checked.detail}`);
    return checked.value;
  }

  /** The files of an archive that was taken in. Throws a 400 problem for a file that is none. */
  async unpacked(req: Pick<Request, 'body'>): Promise<UnpackedArchive> {
    const unpacked = (await this.apart({ kind: 'archive', bytes: bytesOf(req, 'application/zip') })) as ReturnType<typeof unpack>;
    if (!unpacked.ok) throw new ProblemError(400, 'Bad request', unpacked.detail);
    return unpacked.value;
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }

  private async apart({ kind, bytes }: BodyTask): Promise<unknown> {
    // The bytes move to the thread rather than being copied, where nothing else shares their memory.
    const own = bytes.byteLength === bytes.buffer.byteLength ? new Uint8Array(bytes.buffer) : new Uint8Array(bytes);
    try {
      return await this.pool.run({ kind, bytes: own } satisfies BodyTask, { transferList: [own.buffer] });
    } catch (error) {
      if ((error as { code?: string }).code !== 'ERR_WORKER_OUT_OF_MEMORY') throw error;
      throw new ProblemError(413, 'Too large', 'expected a body that can be read in the memory there is for one; send it in parts');
    }
  }

  /** Lets a request in until it is answered. Throws a problem where there is no room; its body is then not read. */
  private async enter(req: Request, res: Response): Promise<void> {
    const bytes = Number(req.headers['content-length'] ?? Infinity);
    const sender = req.session.accountId!;
    if (bytes <= largeFrom) return;
    if (this.senders.has(sender) || this.senders.size >= mostLarge) await setTimeout(refusalMs);
    if (this.senders.has(sender)) throw new ProblemError(429, 'One at a time', 'expected one large request at a time, found a second before the first was done');
    if (this.senders.size >= mostLarge) throw new ProblemError(503, 'Busy', 'The server is taking in other large files. Try again in a moment.');
    this.senders.add(sender);
    res.on('close', () => this.senders.delete(sender));
    const megabytes = Number.isFinite(bytes) ? Math.ceil(bytes / 1e6) : 24;
    await this.sent.consume(sender, megabytes).catch(async () => {
      await setTimeout(refusalMs);
      throw new ProblemError(429, 'Too much at once', `expected at most ${mostMbPerMin} MB in a minute, found more; wait a moment`);
    });
  }
}

function bytesOf(req: Pick<Request, 'body'>, type: string): Uint8Array<ArrayBuffer> {
  const bytes: unknown = req.body;
  if (bytes instanceof Uint8Array) return bytes as Uint8Array<ArrayBuffer>;
  throw new ProblemError(400, 'Bad request', `expected a body of content type ${type}`);
}
