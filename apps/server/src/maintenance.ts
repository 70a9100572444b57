import { parseLedger, parseWaterFile } from '@burrow/contract/formats';
import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { DataSource } from 'typeorm';
import { checkedWater } from './bodies/check';
import { dataSource } from './data-source';
import { Accounts, demoEmail } from './services/accounts';
import { Ledger } from './services/ledger';
import { migrate } from './migrate';
import { ProblemError } from './problem';
import { rebuildProjections } from './services/projection';
import { Waters } from './services/waters';

/** Puts the demo's account, waters and ledger in by the services that any account uses. Loading again adds nothing twice. */
async function loadDemo(db: DataSource, folder: string): Promise<string> {
  const accounts = new Accounts(db);
  const known = await accounts.demo().catch(() => null);
  const read = (file: string) => readFileSync(path.join(folder, file), 'utf8');
  const account = known ?? (await accounts.register({ email: demoEmail, password: randomBytes(24).toString('hex'), name: 'Demo angler' }));
  const waters = new Waters(db);
  for (const file of readdirSync(folder).filter((f) => f.endsWith('.geojson'))) {
    await waters.add(account.id, checkedWater(parseWaterFile(read(file)))).catch((error: unknown) => {
      // Loaded before: the water that is there may have been marked since, and stays.
      if (!(error instanceof ProblemError && error.status === 409)) throw error;
    });
  }
  const events = parseLedger(read('season.ndjson')).map((event) => ({ ...event, angler: account.id }));
  const ledger = new Ledger(db);
  for (let i = 0; i < events.length; i += 500) {
    const { rejected } = await ledger.sync(account.id, { device: 'demo', cursor: Number.MAX_SAFE_INTEGER, events: events.slice(i, i + 500) });
    if (rejected.length > 0) throw new Error(`demo event ${rejected[0].id}: ${rejected[0].reason}`);
  }
  return `demo loaded: ${events.length} events`;
}

const commands: Record<string, (db: DataSource, args: string[]) => Promise<string>> = {
  migrate: async () => 'migrated',
  'load-demo': (db, [folder]) => loadDemo(db, folder),
  'reset-code': async (db, [email]) => {
    const code = await new Accounts(db).resetCode(email ?? '');
    if (code === null) throw new Error(`expected the e-mail address of an account, found ${email === undefined ? 'nothing' : `"${email}"`}`);
    return `${code}\nGood for an hour, once: "I forgot my password" on the sign-in page takes it with the address.`;
  },
  invite: async (db) => `${await new Accounts(db).invite()}\nMakes one account within 14 days: "I am new here" on the sign-in page takes it.`,
  accounts: async (db) => {
    const rows: { email: string; name: string; last_seq: string }[] = await db.query('SELECT email, name, last_seq FROM account ORDER BY created_at');
    return rows.map((r) => `${r.email}\t${r.name}\t${r.last_seq} entries`).join('\n');
  },
  'rebuild-projections': async (db) => `rebuilt ${await rebuildProjections(db)} outings`,
};

async function main([name, ...args]: string[]): Promise<void> {
  const command = commands[name];
  if (!command) throw new Error(`expected one of ${Object.keys(commands).join(', ')}, found "${name ?? ''}"`);
  const url = process.env.DATABASE_URL;
  if (url === undefined) throw new Error('DATABASE_URL: expected postgres://…, found nothing');
  const db = await dataSource(url).initialize();
  try {
    await migrate(db);
    process.stdout.write(`${await command(db, args)}\n`);
  } finally {
    await db.destroy();
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`maintenance: ${(error as Error).message}\n`);
  process.exit(1);
});
