import { mostPhotoBytes } from '@burrow/contract/formats/jpeg';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, ApiError } from './api';
import { newId } from './ids';
import { useAccount, useLedger } from './session';
import type { PhoneStore } from './store';

/** Longest edge of a kept picture, px: a fish that fills it can be told by its fins. */
const longestPx = 1280;
/** How well it is kept, from the first that is small enough. */
const qualities = [0.8, 0.6, 0.4] as const;

const keyOf = (id: string) => `photo/${id}`;
const unsentKey = 'photos-unsent';

/** A picture made small. Drawn anew, it holds nothing of where, when and by what it was taken. Throws with what was expected for a file that is no picture. */
export async function smallPicture(file: Blob): Promise<Blob> {
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file);
  } catch {
    throw new RangeError('expected a picture, found a file that this phone cannot draw');
  }
  const scale = Math.min(1, longestPx / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  for (const quality of qualities) {
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));
    if (blob && blob.size <= mostPhotoBytes) return blob;
  }
  throw new RangeError('expected a picture that can be made small, found one that cannot');
}

/** Keeps a picture on the phone, to be sent when there is a signal, and answers its id. */
export async function keepPhoto(store: PhoneStore, jpeg: Blob): Promise<string> {
  const id = newId();
  await store.atomically(async () => {
    const unsent = (await store.setting<string[]>(unsentKey)) ?? [];
    await store.put({ settings: { [keyOf(id)]: jpeg, [unsentKey]: [...unsent, id] } });
  });
  return id;
}

/** Sends what waits, one after the other; what cannot be sent now waits on, what the server will never take is no longer offered. */
export async function sendPhotos(store: PhoneStore): Promise<void> {
  for (const id of (await store.setting<string[]>(unsentKey)) ?? []) {
    const jpeg = await store.setting<Blob>(keyOf(id));
    try {
      if (jpeg) await api.keepPhoto(id, jpeg);
    } catch (error) {
      if (!(error instanceof ApiError) || error.status === 401 || error.status >= 500) return;
    }
    await store.atomically(async () => {
      const unsent = (await store.setting<string[]>(unsentKey)) ?? [];
      await store.keep(
        unsentKey,
        unsent.filter((u) => u !== id),
      );
    });
  }
}

/** Sends pictures whenever the server has been reached. */
export function useUnsentPhotos(): void {
  const { store } = useAccount();
  const { reached, unsent } = useLedger();
  useEffect(() => {
    if (reached) void sendPhotos(store);
  }, [reached, unsent, store]);
}

/** A picture as an address that can be shown: this phone's, else the server's, which is kept then. */
export function usePhoto(id: string | null) {
  const { store } = useAccount();
  return useQuery({
    queryKey: ['photo', id],
    enabled: id !== null,
    staleTime: Infinity,
    retry: 1,
    queryFn: async () => {
      const kept = await store.setting<Blob>(keyOf(id!));
      const jpeg = kept ?? (await api.photo(id!));
      // The server has it: should the phone lose it, it is fetched again.
      if (!kept) await store.keep(keyOf(id!), jpeg, false);
      return URL.createObjectURL(jpeg);
    },
  });
}
