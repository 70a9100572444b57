import type { LineSetting } from '@burrow/contract/api';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { ProblemError } from '../problem';

/** The flasher that stands by the hole, reached over its own address. */
export class FlasherFeed {
  /** @param url of the flasher; null where this server has none */
  constructor(private readonly url: string | null) {}

  /** Opens the stream of pings of one account's flasher over a bottom at `bottomM`. */
  async open(accountId: string, bottomM: number | undefined, signal: AbortSignal): Promise<Readable> {
    const bottom = bottomM === undefined ? '' : `&bottomM=${bottomM}`;
    const answer = await this.ask(`/stream?unit=${accountId}${bottom}`, { signal });
    if (!answer.body) throw new ProblemError(503, 'No flasher', 'The flasher answered without a stream.');
    return Readable.fromWeb(answer.body as ReadableStream);
  }

  async setLine(accountId: string, setting: LineSetting): Promise<void> {
    await this.post(`/line?unit=${accountId}`, setting);
  }

  async strike(accountId: string): Promise<unknown> {
    return (await this.post(`/strike?unit=${accountId}`, {})).json();
  }

  private post(path: string, body: unknown): Promise<Response> {
    return this.ask(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body), signal: AbortSignal.timeout(3000) });
  }

  private async ask(path: string, init: RequestInit): Promise<Response> {
    if (this.url === null) throw new ProblemError(404, 'No flasher', 'This server has no flasher for you.');
    const answer = await fetch(`${this.url}${path}`, init).catch(() => null);
    if (!answer?.ok) throw new ProblemError(503, 'No flasher', 'The flasher does not answer.');
    return answer;
  }
}
