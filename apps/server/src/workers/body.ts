import { constants, setPriority } from 'node:os';
import { unpack } from '../bodies/archive';
import { checkBody, type BodyKind, type Checked } from '../bodies/check';

export type BodyTask = { kind: BodyKind | 'archive'; bytes: Uint8Array<ArrayBuffer> };

// On Linux this is of the calling thread alone: the thread that answers everybody goes first.
setPriority(constants.priority.PRIORITY_LOW);

/** Checks one large body, or unpacks one archive, on a thread of its own. */
export default function body({ kind, bytes }: BodyTask): Checked | ReturnType<typeof unpack> {
  return kind === 'archive' ? unpack(bytes) : checkBody(kind, bytes);
}
