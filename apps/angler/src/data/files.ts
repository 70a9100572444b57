import { fileSizeProblem } from '@burrow/contract/formats/file-size';

/** Gives the user a file. */
export function saveFile(name: string, type: string, text: BlobPart): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** A file that is not read, and why. */
export class FileRefused extends Error {}

/** Asks the user for a file and answers its text; null when they turn back. Rejects with FileRefused for one that is too large, before it is read. */
export async function openFile(accept: string): Promise<{ name: string; text: string } | null> {
  const file = await chooseFile(accept);
  return file && { name: file.name, text: await file.text() };
}

/** Asks the user for a file; null when they turn back. */
export function chooseFile(accept: string): Promise<File | null> {
  return new Promise((resolve, reject) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.addEventListener('cancel', () => resolve(null));
    input.addEventListener('change', () => {
      const file = input.files?.[0];
      const tooLarge = file ? fileSizeProblem(file.name, file.size) : null;
      if (tooLarge !== null) reject(new FileRefused(tooLarge));
      else resolve(file ?? null);
    });
    input.click();
  });
}
