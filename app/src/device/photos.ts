import { v7 as uuidv7 } from 'uuid';
import { send } from './outbox';

/** A photo's longest side after shrinking, in pixels. */
const LONGEST_PX = 1_280;
/** Base64 characters a photo may take: what the server accepts, with room to spare. */
const MOST_CHARS = 600_000;
const QUALITIES = [0.8, 0.65, 0.5, 0.35] as const;

export interface Shrunk {
  jpeg: string;
  width: number;
  height: number;
}

/** A picture as it is kept with a report until that is sent. */
export type Picture = { photo: string } & Shrunk;

const base64Of = (dataUrl: string): string => dataUrl.slice(dataUrl.indexOf(',') + 1);

/** Shrinks a picture on the device to a JPEG that is quickly sent. Throws when the file is no picture. */
export async function shrink(file: Blob): Promise<Shrunk> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error('This file is not a picture this device can read.');
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  for (const quality of QUALITIES) {
    const jpeg = base64Of(canvas.toDataURL('image/jpeg', quality));
    if (jpeg.length <= MOST_CHARS) return { jpeg, width, height };
  }
  throw new Error('This picture is too large even after shrinking. Take it again from further away.');
}

/** Asks for a picture, from the camera or a file as the device offers it. Null when the person leaves it. */
export const pickPhoto = (): Promise<File | null> =>
  new Promise((resolve) => {
    const input = Object.assign(document.createElement('input'), { type: 'file', accept: 'image/*' });
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });

interface Place {
  unit: string;
  inspection: string | null;
  defect: string | null;
  key: string | null;
  label: string;
}

/** Shrinks a picture, keeps it on the device and sends it in its turn. Gives its id. */
export async function attachPhoto(file: Blob, { label, ...place }: Place): Promise<string> {
  const photo = uuidv7();
  await send('attach-photo', { photo, ...place, ...(await shrink(file)) }, label);
  return photo;
}

/** The same for a picture of what good looks like, of a check of the shop's own. */
export async function addCheckPicture(file: Blob, label: string): Promise<string> {
  const picture = uuidv7();
  await send('add-check-picture', { picture, ...(await shrink(file)) }, label);
  return picture;
}

/** Sends the pictures of a report, or of another act, after it: each points to it. */
export async function sendPictures(
  pictures: readonly Picture[],
  { unit, defect = null, key = null }: { unit: string; defect?: string | null; key?: string | null },
  label: string,
): Promise<void> {
  for (const picture of pictures)
    await send('attach-photo', { ...picture, unit, inspection: null, defect, key }, label);
}
