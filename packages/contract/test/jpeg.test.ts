import fc from 'fast-check';
import { bareJpeg, FormatError } from '../src/formats';
import { smallJpeg, withSegments } from './pictures';

const text = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1');

test('what a camera says of where, when and by what is left out, and the picture stays as it was', () => {
  const taken = withSegments(smallJpeg, [
    [0xe1, 'Exif\0\0 GPSLatitude 62.31 GPSLongitude 25.71'],
    [0xed, 'IPTC a town'],
    [0xfe, 'a comment'],
  ]);
  expect(text(taken)).toContain('GPSLatitude');
  expect(bareJpeg(taken)).toEqual(smallJpeg);
});

test('whatever segments stand before the picture, the same picture comes of it, and once bare it stays as it is', () => {
  const segment = fc.tuple(
    fc.oneof(fc.integer({ min: 0xe1, max: 0xef }), fc.constant(0xfe)),
    fc.string({ maxLength: 200 }).map((s) => text(Buffer.from(s))),
  );
  fc.assert(
    fc.property(fc.array(segment, { maxLength: 6 }), (segments) => {
      const bare = bareJpeg(withSegments(smallJpeg, segments));
      expect(bare).toEqual(smallJpeg);
      expect(bareJpeg(bare)).toEqual(bare);
    }),
  );
});

test.each([
  ['nothing', new Uint8Array(), /found another kind of file/],
  ['a PNG', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a]), /found another kind of file/],
  ['a half', smallJpeg.subarray(0, 200), /found one that breaks off/],
  ['a start and an end alone', new Uint8Array([0xff, 0xd8, 0xff, 0xd9]), /expected a whole JPEG/],
  ['a segment longer than the file', new Uint8Array([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff, 1, 2, 0xff, 0xd9]), /runs past its end/],
])('%s is refused with what was expected', (_, bytes, says) => {
  expect(() => bareJpeg(bytes)).toThrow(FormatError);
  expect(() => bareJpeg(bytes)).toThrow(says);
});

test('no bytes whatever bring it down', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (bytes) => {
      const picture = new Uint8Array([0xff, 0xd8, ...bytes, 0xff, 0xd9]);
      try {
        bareJpeg(picture);
      } catch (error) {
        expect(error).toBeInstanceOf(FormatError);
      }
    }),
  );
});
