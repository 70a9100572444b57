import { wrap, type Remote } from 'comlink';
import type { ColumnApi } from './column.api';
import type { FlasherApi } from './flasher.api';
import type { GroundApi } from './ground.api';

/** Starts the worker that builds depth maps. */
export const spawnGround = (): Remote<GroundApi> => wrap<GroundApi>(new Worker(new URL('../workers/ground', window.location.href)));

/** Starts the worker that reads the flasher. The caller ends it. */
export function spawnFlasher(): { remote: Remote<FlasherApi>; end: () => void } {
  const worker = new Worker(new URL('../workers/flasher', window.location.href));
  return { remote: wrap<FlasherApi>(worker), end: () => worker.terminate() };
}

/** Starts the worker that models the column. */
export const spawnColumn = (): Remote<ColumnApi> => wrap<ColumnApi>(new Worker(new URL('../workers/column', window.location.href)));
