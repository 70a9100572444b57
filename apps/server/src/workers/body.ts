import { unpack } from '../bodies/archive';
import { checkBody, type BodyKind, type Checked } from '../bodies/check';

export type BodyTask = { kind: BodyKind | 'archive'; bytes: Uint8Array<ArrayBuffer> };

/** Checks one large body, or unpacks one archive, on a thread of its own. */
export default function body({ kind, bytes }: BodyTask): Checked | ReturnType<typeof unpack> {
  return kind === 'archive' ? unpack(bytes) : checkBody(kind, bytes);
}
