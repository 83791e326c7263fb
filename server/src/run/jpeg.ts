import { invalid } from '../problem';

const JPEG_START = Buffer.from([0xff, 0xd8, 0xff]);
/** A picture of more points is nobody's photo of a brake: a few kilobytes can unfold to gigabytes. */
const MOST_POINTS = 40_000_000;
const QUALITY = 86;

export interface Picture {
  jpeg: Buffer;
  width: number;
  height: number;
}

/**
 * A picture as it was sent, looked at and written anew: nothing but its points is kept – no place it was taken at, no bytes behind
 * it – the right way up. Refused where it is none.
 */
export async function jpegOf(base64: string): Promise<Picture> {
  const sent = Buffer.from(base64, 'base64');
  if (!sent.subarray(0, JPEG_START.length).equals(JPEG_START)) throw invalid('body.jpeg', 'not-a-picture');
  // Loaded when the first picture comes: it is large. It works in threads of its own.
  const { default: sharp } = await import('sharp');
  try {
    const { data, info } = await sharp(sent, { limitInputPixels: MOST_POINTS, failOn: 'truncated' })
      .rotate()
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch {
    throw invalid('body.jpeg', 'not-a-picture');
  }
}
