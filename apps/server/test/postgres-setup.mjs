import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort, startCluster } from '../../../bin/cluster.mjs';

/** A throwaway cluster for the integration tests, its address in the environment of the tests. */
export default async function setup() {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'burrow-test-'));
  const cluster = await startCluster(dir, await freePort());
  globalThis.__BURROW_CLUSTER__ = { ...cluster, dir };
  process.env.BURROW_TEST_DATABASE = cluster.url('postgres');
}
