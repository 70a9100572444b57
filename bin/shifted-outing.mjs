import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { root } from './stack.mjs';

/** A UUID of version 7 of a moment. */
function idAt(ms) {
  const hex = ms.toString(16).padStart(12, '0') + randomBytes(10).toString('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/**
 * An outing of the demo's season as it stood so many hours after its start, with ids of its own and its clock moved so that this is `nowMs`:
 * to show, and to test with, hours that nobody waits for.
 * @param method id of the way it was fished
 * @param water id of the water
 */
export function shiftedOuting(method, water, hours, nowMs) {
  const events = readFileSync(path.join(root, 'demo/season.ndjson'), 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line));
  const start = events.find((e) => e.kind === 'outing-started' && e.body.method === method && e.body.water === water);
  if (!start) throw new Error(`expected an outing of ${method} on ${water} in the demo's season`);
  const cutMs = Date.parse(start.at) + hours * 3_600_000;
  const own = events.filter((e) => e.outing === start.outing && Date.parse(e.at) <= cutMs && e.kind !== 'outing-ended');
  const byMs = nowMs - cutMs;
  const ids = new Map();
  const text = JSON.stringify(own).replace(/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) => {
    if (!ids.has(id)) ids.set(id, idAt(parseInt(id.slice(0, 8) + id.slice(9, 13), 16) + byMs));
    return ids.get(id);
  });
  return JSON.parse(text).map((e) => ({ ...e, at: new Date(Date.parse(e.at) + byMs).toISOString(), device: 'demo-phone' }));
}
