import pg from 'pg';
import type { Logger } from 'pino';
import { crewChannel } from './crews';

/** A lost connection is tried again after so long, and news that come together are told once after so long, ms. */
const [againMs, togetherMs] = [1000, 120] as const;

/**
 * News of crews from the database, to whoever listens here: one connection for all streams of this process, opened with the first of them. While it is lost
 * nothing is heard; once it is back all are told, so that nothing is missed.
 */
export class CrewNews {
  private readonly listeners = new Map<string, Set<() => void>>();
  private client: pg.Client | null = null;
  private readonly waiting = new Set<string>();

  constructor(
    private readonly pool: pg.Pool,
    private readonly log: Logger,
  ) {}

  /** Calls `told` whenever something of a crew has changed, until the answer is called. */
  listen(crew: string, told: () => void): () => void {
    const of = this.listeners.get(crew) ?? new Set();
    this.listeners.set(crew, of.add(told));
    void this.connect();
    return () => {
      of.delete(told);
      if (of.size === 0) this.listeners.delete(crew);
      if (this.listeners.size === 0) void this.disconnect();
    };
  }

  private async connect(): Promise<void> {
    if (this.client) return;
    const client = new pg.Client(this.pool.options);
    this.client = client;
    client.on('notification', ({ payload }) => payload && this.tell(payload));
    client.on('error', (error) => {
      this.log.warn({ err: error }, 'crew news: connection lost');
      this.again(client);
    });
    try {
      await client.connect();
      await client.query(`LISTEN ${crewChannel}`);
      // What was told while nobody listened is asked for once.
      for (const crew of this.listeners.keys()) this.tell(crew);
    } catch (error) {
      this.log.warn({ err: error }, 'crew news: no connection');
      this.again(client);
    }
  }

  private again(client: pg.Client): void {
    if (this.client !== client) return;
    this.client = null;
    client.end().catch(() => undefined);
    setTimeout(() => {
      if (this.listeners.size > 0) void this.connect();
    }, againMs).unref();
  }

  private async disconnect(): Promise<void> {
    const { client } = this;
    this.client = null;
    await client?.end().catch(() => undefined);
  }

  /** A sync writes many entries: what they change is told once. */
  private tell(crew: string): void {
    if (this.waiting.has(crew)) return;
    this.waiting.add(crew);
    setTimeout(() => {
      this.waiting.delete(crew);
      for (const told of this.listeners.get(crew) ?? []) told();
    }, togetherMs).unref();
  }
}
