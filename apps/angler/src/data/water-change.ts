import type { WaterDetail } from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { mergedWater } from '@burrow/contract/formats/water-merge';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, ApiError, OfflineError } from './api';
import { newId } from './ids';
import { useAccount, useLedger } from './session';
import type { PhoneStore } from './store';

const unsentKey = (id: string) => `unsent-water/${id}`;

/** A change that the server has not taken yet. */
interface Unsent {
  /** Of this change and no other. */
  id: string;
  file: WaterFile;
  /** The server's water that the change was made to, and its version; not known of changes that an older app kept. */
  base?: WaterFile;
  version?: number;
}

const unsentOf = (store: PhoneStore, id: string) => store.setting<Unsent | null>(unsentKey(id));

/** How often a change is joined with another's before it waits for the next time. */
const mostTries = 3;

interface Sent {
  /** The phone's own version, where it has one. */
  own: WaterDetail | null;
  /** Whether it is still here alone. */
  isUnsent: boolean;
  /** Why the server would not have it. */
  why: string | null;
}

/** Sends what was changed on a water here, joined with what others changed meanwhile. */
export async function sendWater(store: PhoneStore, id: string): Promise<Sent> {
  for (let tries = 0; ; tries++) {
    const unsent = await unsentOf(store, id);
    if (!unsent) return { own: null, isUnsent: false, why: null };
    const still = (why: string | null): Sent => ({ own: { id, version: unsent.version ?? 1, file: unsent.file }, isUnsent: true, why });
    try {
      if (unsent.version === undefined) {
        await rebase(store, id, unsent);
        continue;
      }
      const { version } = await api.changeWater(id, unsent.version, unsent.file);
      return await settle(store, id, unsent, version);
    } catch (error) {
      if (error instanceof OfflineError) return still(null);
      if (!(error instanceof ApiError)) throw error;
      // What the server refuses stays here too: it was drawn by somebody.
      if (error.status !== 412 || tries >= mostTries) return still(error.message);
      await rebase(store, id, unsent).catch((failed: unknown) => {
        if (!(failed instanceof OfflineError)) throw failed;
      });
    }
  }
}

/** Puts a change on top of the server's water as it is now. */
async function rebase(store: PhoneStore, id: string, unsent: Unsent): Promise<void> {
  const theirs = await api.water(id);
  await store.atomically(async () => {
    // What was drawn meanwhile is joined in the next round.
    const now = (await unsentOf(store, id)) ?? unsent;
    const file = mergedWater(now.base ?? null, now.file, theirs.file);
    await store.keep(unsentKey(id), { ...now, file, base: theirs.file, version: theirs.version } satisfies Unsent);
  });
}

/** The server has a change. What was changed since is not sent yet, and goes before what was. */
async function settle(store: PhoneStore, id: string, sent: Unsent, version: number): Promise<Sent> {
  return store.atomically(async () => {
    const now = await unsentOf(store, id);
    if (now && now.id !== sent.id) {
      await store.keep(unsentKey(id), { ...now, base: sent.file, version } satisfies Unsent);
      return { own: { id, version, file: now.file }, isUnsent: true, why: null };
    }
    await store.keep(unsentKey(id), null);
    return { own: { id, version, file: sent.file }, isUnsent: false, why: null };
  });
}

/** A water as it was changed here; null where it was not, or the server had it already. It is sent first, where that can be done. */
export const ownVersion = async (store: PhoneStore, id: string): Promise<WaterDetail | null> => (await sendWater(store, id)).own;

/**
 * Keeps a change of a water on the phone until the server has it: what lies between `from` and `to`, put on top of what is here by now.
 * Answers the water as it stands then.
 * @param known the server's water as this phone has it
 */
export function keepUnsent(store: PhoneStore, known: WaterDetail, from: WaterFile, to: WaterFile): Promise<WaterFile> {
  return store.atomically(async () => {
    const unsent = await unsentOf(store, known.id);
    const file = mergedWater(from, to, unsent?.file ?? known.file);
    const on = unsent ? { base: unsent.base, version: unsent.version } : { base: known.file, version: known.version };
    await store.keep(unsentKey(known.id), { id: newId(), file, ...on } satisfies Unsent);
    return file;
  });
}

/** Changes a water: `keep` puts it on the phone at once and shows it everywhere, `send` gives it to the server when it can. */
export function useWaterChange(water: WaterDetail) {
  const { id } = water;
  const client = useQueryClient();
  const { store } = useAccount();
  return {
    /** Answers the water as it stands with this change, which another phone's may be part of. */
    keep: async (from: WaterFile, to: WaterFile): Promise<WaterFile> => {
      const known = client.getQueryData<{ value: WaterDetail }>(['water', id])?.value ?? water;
      const file = await keepUnsent(store, known, from, to);
      const kept = { value: { ...known, file }, keptMs: Date.now() };
      client.setQueryData(['water', id], kept);
      await store.keep(`water/${id}`, kept, false);
      return file;
    },
    send: () => sendWater(store, id),
  };
}

/** Sends changed waters when the signal comes back. */
export function useUnsentWaters(): void {
  const client = useQueryClient();
  const { reached } = useLedger();
  useEffect(() => {
    if (reached) void client.invalidateQueries({ queryKey: ['water'] });
  }, [reached, client]);
}
