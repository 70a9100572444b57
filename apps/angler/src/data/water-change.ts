import type { WaterDetail } from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, ApiError, OfflineError } from './api';
import { useAccount, useLedger } from './session';
import type { PhoneStore } from './store';

const unsentKey = (id: string) => `unsent-water/${id}`;

/** Sends what was changed on a water here. Answers what is still on the phone alone, and why the server would not have it. */
async function send(store: PhoneStore, id: string): Promise<{ left: WaterFile | null; sent: WaterFile | null; why: string | null }> {
  const file = await store.setting<WaterFile | null>(unsentKey(id));
  if (!file) return { left: null, sent: null, why: null };
  try {
    await api.changeWater(id, file);
    await store.keep(unsentKey(id), null);
    return { left: null, sent: file, why: null };
  } catch (error) {
    if (error instanceof OfflineError) return { left: file, sent: null, why: null };
    // What the server refuses stays here too: it was drawn by somebody.
    if (error instanceof ApiError) return { left: file, sent: null, why: error.message };
    throw error;
  }
}

/** A water as it was changed here; null where it was not, or the server has it already. It is sent first, where that can be done. */
export async function ownVersion(store: PhoneStore, id: string): Promise<WaterDetail | null> {
  const { left, sent } = await send(store, id);
  const file = left ?? sent;
  return file && { id, file };
}

/** Changes a water: `keep` puts it on the phone at once and shows it everywhere, `send` gives it to the server when it can. */
export function useWaterChange(id: string) {
  const client = useQueryClient();
  const { store } = useAccount();
  return {
    keep: async (file: WaterFile): Promise<void> => {
      const kept = { value: { id, file }, keptMs: Date.now() };
      client.setQueryData(['water', id], kept);
      await store.keep(unsentKey(id), file);
      await store.keep(`water/${id}`, kept);
    },
    send: () => send(store, id),
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
