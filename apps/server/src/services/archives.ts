import { accountSettings, type ArchiveTaken } from '@burrow/contract/api';
import { Zip, ZipDeflate } from 'fflate';
import type { Request, RequestHandler } from 'express';
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { MoreThan, type DataSource } from 'typeorm';
import { z } from 'zod';
import type { Bodies } from '../bodies';
import { archiveFiles, type ArchiveManifest } from '../bodies/archive';
import type { CheckedWater } from '../bodies/check';
import { Account, Event, OwnWeather } from '../entities';
import { accept, ProblemError } from '../problem';
import type { Accounts } from './accounts';
import { toEvent } from './event-row';
import type { Ledger } from './ledger';
import type { Photos } from './photos';
import type { Waters } from './waters';
import type { Weather } from './weather';

/** Entries read, written and taken in at a time. */
const page = 500;
/** Things left out that are named one by one. */
const mostNamed = 20;

const readme = `All that Vivid Burrow keeps of one account, in open formats (docs/formats.md, "Archive").
ledger.ndjson: the log, an entry a line. waters/: maps as GeoJSON. weather/: weather that was brought. photos/: pictures of fish, by the id that the log has for them. settings.json: units, tackle and the rest.
`;

/** All of an account in one zip file, and such a file taken in. */
export class Archives {
  /** Takes in the file as it was sent. */
  readonly body: RequestHandler;

  constructor(
    private readonly db: DataSource,
    private readonly services: { accounts: Accounts; ledger: Ledger; photos: Photos; waters: Waters; weather: Weather },
    private readonly bodies: Bodies,
  ) {
    this.body = bodies.upTo('64mb', ['application/zip', 'application/octet-stream']);
  }

  /** Writes the archive of an account, page by page, so that a long log takes no more memory than a short one. */
  async write(accountId: string, out: Writable): Promise<void> {
    const { name, settings } = await this.db.getRepository(Account).findOneByOrFail({ id: accountId });
    const zip = new Zip((error, chunk, final) => {
      if (error) out.destroy(error);
      else out.write(chunk);
      if (final) out.end();
    });
    const file = (path: string) => {
      const entry = new ZipDeflate(path, { level: 6 });
      zip.add(entry);
      return async (content: string | Uint8Array, final = false) => {
        entry.push(typeof content === 'string' ? Buffer.from(content) : content, final);
        if (out.writableNeedDrain) await Promise.race([once(out, 'drain'), once(out, 'close')]);
        if (out.destroyed) throw new Error('the archive’s reader went away');
      };
    };
    const manifest: ArchiveManifest = { format: 'vivid-burrow-archive', version: 1, name, made: new Date().toISOString() };
    await file(archiveFiles.manifest)(`${JSON.stringify(manifest)}\n`, true);
    await file('README.txt')(readme, true);
    await file(archiveFiles.settings)(`${JSON.stringify(settings)}\n`, true);
    for (const { id } of await this.services.waters.list(accountId))
      await file(`${archiveFiles.waters}${id}.geojson`)(`${(await this.services.waters.text(accountId, id)).json}\n`, true);
    const brought = await this.db.getRepository(OwnWeather).find({ select: { accountId: true, waterId: true, source: true, series: true }, where: { accountId } });
    for (const { waterId, source, series } of brought) await file(`${archiveFiles.weather}${waterId}.json`)(`${JSON.stringify({ source, series })}\n`, true);
    for (const id of await this.services.photos.ids(accountId)) await file(`${archiveFiles.photos}${id}.jpg`)(await this.services.photos.of(accountId, id), true);
    const ledger = file(archiveFiles.ledger);
    for (let seq = '0'; ;) {
      const rows = await this.db.getRepository(Event).find({ where: { accountId, seq: MoreThan(seq) }, order: { seq: 'ASC' }, take: page });
      await ledger(rows.map((row) => `${JSON.stringify(toEvent(row, accountId))}\n`).join(''), rows.length < page);
      if (rows.length < page) break;
      seq = rows.at(-1)!.seq;
    }
    zip.end();
  }

  /**
   * Takes in an archive: entries become this account's own, waters of a name that is here stay as they are, of settings the later stand. All of it is
   * checked before any is written; taking in the same again adds nothing. Throws a 400 problem for a file that is no archive.
   */
  async takeIn(accountId: string, req: Pick<Request, 'body'>): Promise<ArchiveTaken> {
    const files = await this.bodies.unpacked(req);
    const waters: { id: string; water: CheckedWater }[] = [];
    for (const { name, bytes } of files.waters) waters.push({ id: name, water: await this.bodies.checkedBytes('water', bytes, `waters/${name}.geojson`) });
    const weather = [];
    for (const { name, bytes } of files.weather) weather.push({ id: name, brought: await this.bodies.checkedBytes('weather', bytes, `weather/${name}.json`) });
    const settings = accept(accountSettings, JSON.parse(Buffer.from(files.settings).toString('utf8') || '{}'));
    const left: string[] = [];
    const taken = { events: 0, waters: 0 };
    for (const { id, water } of waters) {
      try {
        await this.services.waters.add(accountId, water);
        taken.waters++;
        const own = weather.find((w) => w.id === id);
        if (own) await this.services.weather.bring(accountId, id, own.brought);
      } catch (error) {
        if (!(error instanceof ProblemError && error.status === 409)) throw error;
        left.push(`${water.name}: is here already and stays as it is`);
      }
    }
    for (const { name, bytes } of files.photos) {
      try {
        await this.services.photos.keep(accountId, accept(z.uuid(), name), bytes);
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error;
        left.push(`photos/${name}.jpg: ${error.message}`);
      }
    }
    await this.services.accounts.joinSettings(accountId, settings);
    for (const lines of pagesOf(files.ledger)) {
      const sorted = await this.bodies.checkedBytes('sync', lines, archiveFiles.ledger);
      const good = sorted.good.map((e) => ({ ...e, angler: accountId }));
      const { accepted, rejected } = await this.services.ledger.exchange(accountId, { ...sorted, good, cursor: Number.MAX_SAFE_INTEGER });
      taken.events += accepted.length;
      left.push(...rejected.map(({ id, reason }) => `entry ${id}: ${reason}`));
    }
    return { ...taken, left: left.length <= mostNamed ? left : [...left.slice(0, mostNamed), `and ${left.length - mostNamed} more`] };
  }
}

/** The lines of a ledger by pages, each as the body of a sync. */
function* pagesOf(ledger: Uint8Array): Generator<Uint8Array<ArrayBuffer>> {
  const text = Buffer.from(ledger.buffer, ledger.byteOffset, ledger.byteLength);
  let lines: string[] = [];
  for (let from = 0; from < text.length;) {
    const end = text.indexOf(10, from);
    const line = text.toString('utf8', from, end < 0 ? text.length : end).trim();
    if (line !== '') lines.push(line);
    from = end < 0 ? text.length : end + 1;
    if (lines.length === page || (from >= text.length && lines.length > 0)) {
      yield new TextEncoder().encode(`{"device":"archive","cursor":0,"events":[${lines.join(',')}]}`);
      lines = [];
    }
  }
}
