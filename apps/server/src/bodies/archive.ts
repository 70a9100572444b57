import { unzipSync } from 'fflate';
import { z } from 'zod';

/** Names within the zip file of an account. */
export const archiveFiles = {
  manifest: 'vivid-burrow.json',
  ledger: 'ledger.ndjson',
  settings: 'settings.json',
  waters: 'waters/',
  weather: 'weather/',
  photos: 'photos/',
} as const;

const manifest = z.object({ format: z.literal('vivid-burrow-archive'), version: z.literal(1), name: z.string(), made: z.string() });
export type ArchiveManifest = z.infer<typeof manifest>;

/** Most files of an archive, pictures apart, and most bytes of one and of all once they are unpacked. */
const most = { files: 1000, photos: 5000, fileBytes: 300e6, allBytes: 400e6 };

export interface UnpackedArchive {
  ledger: Uint8Array<ArrayBuffer>;
  settings: Uint8Array<ArrayBuffer>;
  waters: { name: string; bytes: Uint8Array<ArrayBuffer> }[];
  weather: { name: string; bytes: Uint8Array<ArrayBuffer> }[];
  photos: { name: string; bytes: Uint8Array<ArrayBuffer> }[];
}

/** Unpacks an account's archive, or says why it is none. What a file says of its size is counted before it is unpacked, and holds it to that. */
export function unpack(bytes: Uint8Array): { ok: true; value: UnpackedArchive } | { ok: false; detail: string } {
  let [files, photos, all, tooLarge] = [0, 0, 0, false];
  let found: Record<string, Uint8Array>;
  try {
    found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name.startsWith(archiveFiles.photos)) photos++;
        else files++;
        all += originalSize;
        tooLarge ||= files > most.files || photos > most.photos || originalSize > most.fileBytes || all > most.allBytes;
        return !tooLarge;
      },
    });
  } catch {
    return { ok: false, detail: 'expected an archive of Vivid Burrow (.zip), found a file that is no zip or is damaged' };
  }
  if (tooLarge) return { ok: false, detail: `expected an archive of at most ${most.files} files and ${most.allBytes / 1e6} MB once unpacked, found more` };
  const read = (name: string) => new TextDecoder().decode(found[name] ?? new Uint8Array());
  try {
    manifest.parse(JSON.parse(read(archiveFiles.manifest)));
  } catch {
    return { ok: false, detail: `expected an archive of Vivid Burrow with ${archiveFiles.manifest} of version 1 in it, found another zip file` };
  }
  const alone = (name: string) => new Uint8Array(found[name] ?? new Uint8Array());
  const within = (folder: string, ending: string) =>
    Object.keys(found)
      .filter((name) => name.startsWith(folder) && name.endsWith(ending))
      .map((name) => ({ name: name.slice(folder.length, -ending.length), bytes: alone(name) }));
  return {
    ok: true,
    value: {
      ledger: alone(archiveFiles.ledger),
      settings: alone(archiveFiles.settings),
      waters: within(archiveFiles.waters, '.geojson'),
      weather: within(archiveFiles.weather, '.json'),
      photos: within(archiveFiles.photos, '.jpg'),
    },
  };
}
