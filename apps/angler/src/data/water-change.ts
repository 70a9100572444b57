import type { WaterDetail } from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, ApiError, OfflineError } from './api';
import { newId } from './ledger';
import { useAccount, useLedger } from './session';
import type { PhoneStore } from './store';

const unsentKey = (id: string) => `unsent-water/${id}`;

/** A change that the server has not taken yet. */
interface Unsent {
  /** Of this change and no other. */
  id: string;
  file: WaterFile;
}

const unsentOf = (store: PhoneStore, id: string) => store.setting<Unsent | null>(unsentKey(id));

/** Sends what was changed on a water here. Answers the phone's own version, if it has one, whether it is still here alone, and why the server would not have it. */
export async function sendWater(store: PhoneStore, id: string): Promise<{ own: WaterFile | null; isUnsent: boolean; why: string | null }> {
  const unsent = await unsentOf(store, id);
  if (!unsent) return { own: null, isUnsent: false, why: null };
  try {
    await api.changeWater(id, unsent.file);
  } catch (error) {
    if (error instanceof OfflineError) return { own: unsent.file, isUnsent: true, why: null };
    // What the server refuses stays here too: it was drawn by somebody.
    if (error instanceof ApiError) return { own: unsent.file, isUnsent: true, why: error.message };
    throw error;
  }
  // What was changed meanwhile is not sent yet, and goes before what was.
  return store.transaction('rw', store.settings, async () => {
    const now = await unsentOf(store, id);
    if (now && now.id !== unsent.id) return { own: now.file, isUnsent: true, why: null };
    await store.keep(unsentKey(id), null);
    return { own: unsent.file, isUnsent: false, why: null };
  });
}

/** A water as it was changed here; null where it was not, or the server had it already. It is sent first, where that can be done. */
export async function ownVersion(store: PhoneStore, id: string): Promise<WaterDetail | null> {
  const { own } = await sendWater(store, id);
  return own && { id, file: own };
}

/** Keeps a changed water on the phone until the server has it. */
export const keepUnsent = (store: PhoneStore, id: string, file: WaterFile): Promise<void> => store.keep(unsentKey(id), { id: newId(), file } satisfies Unsent);

/** Changes a water: `keep` puts it on the phone at once and shows it everywhere, `send` gives it to the server when it can. */
export function useWaterChange(id: string) {
  const client = useQueryClient();
  const { store } = useAccount();
  return {
    keep: async (file: WaterFile): Promise<void> => {
      const kept = { value: { id, file }, keptMs: Date.now() };
      client.setQueryData(['water', id], kept);
      await keepUnsent(store, id, file);
      await store.keep(`water/${id}`, kept);
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
