import type { OwnCheck } from '@zealous-axle/core';
import { PhotoStrip } from './PhotoStrip';

/** What good looks like, as a picture; nothing where the check has none. */
export function CheckPicture({ check: { name, picture } }: { check: Pick<OwnCheck, 'name' | 'picture'> }) {
  if (!picture) return null;
  const source = `/api/v1/check-pictures/${picture}`;
  return <PhotoStrip pictures={[{ id: picture, source, words: `${name}: what good looks like` }]} />;
}
