import { invalid } from '../problem';

const JPEG_START = Buffer.from([0xff, 0xd8, 0xff]);

/** The bytes of a picture as it was sent; refused where they are none. */
export function jpegOf(base64: string): Buffer {
  const jpeg = Buffer.from(base64, 'base64');
  if (!jpeg.subarray(0, JPEG_START.length).equals(JPEG_START)) throw invalid('body.jpeg', 'not-a-picture');
  return jpeg;
}
