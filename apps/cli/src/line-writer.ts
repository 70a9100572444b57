import { once } from 'node:events';
import type { Writable } from 'node:stream';

/** Writes many lines in blocks, waiting for a slow reader rather than filling memory. */
export class LineWriter {
  private block: string[] = [];

  constructor(private readonly stream: Writable) {}

  async write(line: string): Promise<void> {
    this.block.push(line, '\n');
    if (this.block.length >= 1024) await this.flush();
  }

  async end(): Promise<void> {
    await this.flush();
  }

  private async flush(): Promise<void> {
    const text = this.block.join('');
    this.block = [];
    if (text !== '' && !this.stream.write(text)) await once(this.stream, 'drain');
  }
}
