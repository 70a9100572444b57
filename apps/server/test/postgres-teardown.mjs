import { removeCluster } from '../../../bin/cluster.mjs';

export default async function teardown() {
  const { stop, dir } = globalThis.__BURROW_CLUSTER__;
  stop();
  removeCluster(dir);
}
