import { rmSync } from 'node:fs';

export default async function teardown() {
  const { stop, dir } = globalThis.__BURROW_CLUSTER__;
  stop();
  rmSync(dir, { recursive: true, force: true });
}
