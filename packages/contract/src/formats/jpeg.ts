import { FormatError } from './format-error';

/** A picture of a fish is at most this large, bytes: the phone makes it small before it keeps it. */
export const mostPhotoBytes = 400_000;

const [start, scan, end, comment] = [0xd8, 0xda, 0xd9, 0xfe] as const;
/** Segments of the application: 0 says how large a dot is, the others hold position, camera, time and the like. */
const application = { first: 0xe1, last: 0xef } as const;

/**
 * A JPEG without anything but the picture: no position, camera, time or comment of whoever made it. Throws FormatError for what is no whole JPEG.
 * Source: ITU-T T.81, segments of a JPEG.
 */
export function bareJpeg(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const broken = (found: string) => new FormatError(null, `expected a whole JPEG picture, found ${found}`);
  if (bytes[0] !== 0xff || bytes[1] !== start) throw broken('another kind of file');
  if (bytes.at(-2) !== 0xff || bytes.at(-1) !== end) throw broken('one that breaks off');
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let at = 2;
  for (;;) {
    if (bytes[at] !== 0xff) throw broken('a segment that does not begin as one');
    const marker = bytes[at + 1];
    const next = at + 2 + ((bytes[at + 2] << 8) | bytes[at + 3]);
    if (!(next > at + 3 && next <= bytes.length)) throw broken('a segment that runs past its end');
    const isPicture = marker !== comment && (marker < application.first || marker > application.last);
    if (marker === scan) {
      kept.push(bytes.subarray(at));
      break;
    }
    if (isPicture) kept.push(bytes.subarray(at, next));
    at = next;
  }
  const bare = new Uint8Array(kept.reduce((sum, part) => sum + part.length, 0));
  let to = 0;
  for (const part of kept) {
    bare.set(part, to);
    to += part.length;
  }
  return bare;
}
