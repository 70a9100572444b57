import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync } from 'node:fs';
import { Agent, request as httpRequest } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { freePort, removeCluster, startCluster } from '../bin/cluster.mjs';
import { createDatabase } from '../bin/stack.mjs';
import type { Figure } from './figure';

const [anglers, strangers, everyMs, forMs] = [200, 10, 3000, 24_000];
const megabytes = 24;

const agent = new Agent({ keepAlive: true, maxSockets: 400 });

/** One request; answers its status and how long it took, ms. */
function ask(
  port: number,
  method: string,
  where: string,
  headers: Record<string, string>,
  body?: Buffer,
): Promise<{ status: number; ms: number; headers: Record<string, unknown>; text: string }> {
  const began = performance.now();
  return new Promise((resolve, reject) => {
    const sending = httpRequest(
      {
        port,
        host: '127.0.0.1',
        path: where,
        method,
        agent,
        headers: { ...headers, ...(body ? { 'content-type': 'application/json', 'content-length': String(body.length) } : {}) },
      },
      (res) => {
        const chunks: Buffer[] = [];
        res.on('data', (chunk: Buffer) => chunks.push(chunk));
        res.on('end', () => resolve({ status: res.statusCode!, ms: performance.now() - began, headers: res.headers, text: Buffer.concat(chunks).toString() }));
        res.on('error', reject);
      },
    );
    sending.on('error', reject);
    sending.end(body);
  });
}

const at = (values: readonly number[], share: number) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))];

/** What an angler's sync costs while strangers with accounts send the worst bodies there are, against the same without them. */
export async function flood(): Promise<Figure[]> {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-flood-'));
  chmodSync(dir, 0o711);
  const cluster = await startCluster(path.join(dir, 'postgresql'), await freePort());
  await createDatabase(cluster.url('postgres'));
  const port = await freePort();
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    PORT: String(port),
    DATABASE_URL: cluster.url('burrow'),
    SESSION_SECRET: 'only for this measurement',
    PROXY_HOPS: '1',
    LOG_LEVEL: 'error',
    DEMO_START: '',
  };
  const server = spawn(process.execPath, [path.resolve('.build/server.mjs')], { env, stdio: ['ignore', 'inherit', 'inherit'] });
  const memoryMb = (name: 'VmHWM' | 'VmRSS') => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]) / 1024;
  try {
    for (let i = 0; i < 200; i++) {
      if (await ask(port, 'GET', '/readyz', {}).then((a) => a.status === 200, () => false)) break; // prettier-ignore
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    const accounts: { cookie: string; address: string }[] = [];
    for (let i = 0; i < anglers + strangers; i++) {
      const address = `198.51.${Math.floor(i / 250)}.${i % 250}`;
      const made = await ask(
        port,
        'POST',
        '/api/account',
        { 'x-forwarded-for': address },
        Buffer.from(JSON.stringify({ email: `a${i}@test.invalid`, password: 'four words stand here', name: `A${i}` })),
      );
      accounts.push({ cookie: String((made.headers['set-cookie'] as string[])[0]).split(';')[0], address });
    }
    const headersOf = ({ cookie, address }: (typeof accounts)[number]) => ({ cookie, 'x-forwarded-for': address });
    const empty = Buffer.from('{"device":"d","cursor":0,"events":[]}');
    const spell = async (isFlooded: boolean) => {
      const times: number[] = [];
      const health: number[] = [];
      const timers = accounts.slice(0, anglers).map((account, i) => setTimeout(() => {
        const tick = () => void ask(port, 'POST', '/api/ledger/sync', headersOf(account), empty).then(({ ms }) => times.push(ms));
        tick();
        timers.push(setInterval(tick, everyMs));
      }, (i * everyMs) / anglers)); // prettier-ignore
      timers.push(setInterval(() => void ask(port, 'GET', '/healthz', {}).then(({ ms }) => health.push(ms)), 200));
      // In a process of their own: what it costs to send so much must not slow those who are measured.
      const flooding = isFlooded
        ? spawn(process.execPath, [path.resolve('bench/strangers.mjs')], {
            env: { ...process.env, TARGET_PORT: String(port), MEGABYTES: String(megabytes), STRANGERS: JSON.stringify(accounts.slice(anglers).map(headersOf)) },
            stdio: ['ignore', 'pipe', 'inherit'],
          })
        : null;
      let said = '';
      flooding?.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
      // Until they have made their bodies and begun.
      for (let i = 0; flooding && i < 300 && said === ''; i++) await new Promise((resolve) => setTimeout(resolve, 50));
      times.length = health.length = 0;
      await new Promise((resolve) => setTimeout(resolve, forMs));
      for (const timer of timers) clearInterval(timer as NodeJS.Timeout);
      flooding?.kill('SIGTERM');
      if (flooding) await new Promise((resolve) => flooding.once('exit', resolve));
      const [sent, taken] = /(\d+) sent, (\d+) taken/
        .exec(said.split('\n').at(-2) ?? '')
        ?.slice(1)
        .map(Number) ?? [0, 0];
      return { p99: at(times, 0.99), p50: at(times, 0.5), health: at(health, 0.99), worstHealth: Math.max(...health), syncs: times.length, sent, taken };
    };
    const quiet = await spell(false);
    const flooded = await spell(true);
    const peakMb = memoryMb('VmHWM');
    const floorMs = Math.max(quiet.p99, 1);
    return [
      {
        what: `a sync of ${anglers} anglers while ${strangers} strangers send ${megabytes} MB, 99 in 100`,
        ratio: flooded.p99 / floorMs,
        baseline: 'without the strangers',
        goal: '≤ 5×',
        met: flooded.p99 <= 5 * floorMs,
        detail: `${flooded.p99.toFixed(0)} ms against ${quiet.p99.toFixed(0)} ms (middle ${flooded.p50.toFixed(0)} and ${quiet.p50.toFixed(0)}); ${flooded.syncs} syncs, ${flooded.sent} bodies sent, ${flooded.taken} taken in`,
      },
      { what: 'memory of the server at its most', ratio: peakMb / 600, baseline: '600 MB', goal: '≤ 1×', met: peakMb <= 600, detail: `${peakMb.toFixed(0)} MB` },
      {
        what: 'health check meanwhile, 99 in 100',
        ratio: flooded.health / 200,
        baseline: '200 ms',
        goal: '≤ 1×',
        met: flooded.health <= 200,
        detail: `${flooded.health.toFixed(0)} ms, slowest ${flooded.worstHealth.toFixed(0)} ms`,
      },
    ];
  } finally {
    agent.destroy();
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
    cluster.stop();
    removeCluster(dir);
  }
}
