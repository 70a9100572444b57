/** A file that was opened in one place and is gone on with in another: taken once. */
let brought: { name: string; text: string } | null = null;

export const handOver = (file: { name: string; text: string }): void => void (brought = file);

export function takeOver(): { name: string; text: string } | null {
  const file = brought;
  brought = null;
  return file;
}
