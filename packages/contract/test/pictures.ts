/** A picture of 16 by 12 dots as a browser writes it. */
export const smallJpeg = new Uint8Array(
  Buffer.from(
    '/9j/4AAQSkZJRgABAQAAAQABAAD/2wBDABALDA4MChAODQ4SERATGCgaGBYWGDEjJR0oOjM9PDkzODdASFxOQERXRTc4UG1RV19iZ2hnPk1xeXBkeFxlZ2P/2wBDARESEhgVGC8aGi9jQjhCY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2P/wAARCAAMABADASIAAhEBAxEB/8QAFgABAQEAAAAAAAAAAAAAAAAAAAQF/8QAHhAAAAUFAQAAAAAAAAAAAAAAAAUREhMBFSNCUWH/xAAVAQEBAAAAAAAAAAAAAAAAAAACA//EABkRAAMAAwAAAAAAAAAAAAAAAAAREgIhUf/aAAwDAQACEQMRAD8AhKCq5zZoo26OVV9pwDcqtkOaWR2jURPa9GaAU5U3rhM//9k=',
    'base64',
  ),
);

/** The picture with segments of its own after the start, as a phone's camera writes them: each marker with its text. */
export function withSegments(jpeg: Uint8Array, segments: readonly (readonly [marker: number, text: string])[]): Uint8Array {
  const parts = segments.map(([marker, text]) => {
    const length = text.length + 2;
    return Buffer.concat([Buffer.from([0xff, marker, length >> 8, length & 0xff]), Buffer.from(text, 'latin1')]);
  });
  return new Uint8Array(Buffer.concat([jpeg.subarray(0, 2), ...parts, jpeg.subarray(2)]));
}
