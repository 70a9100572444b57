/** Largest file of each ending that is read, bytes: a log of pings or entries may be long, a map or a table is not. */
const mostBytes: Readonly<Record<string, number>> = { ndjson: 400e6, jsonl: 400e6, log: 400e6, zip: 200e6 };
const mostElse = 32e6;

/** What to say of a file too large to read, before it is read; null where it is not. */
export function fileSizeProblem(name: string, bytes: number): string | null {
  const most = mostBytes[name.split('.').at(-1)!.toLowerCase()] ?? mostElse;
  return bytes <= most ? null : `${name}: expected a file of at most ${most / 1e6} MB, found ${Math.ceil(bytes / 1e6)} MB`;
}
