import { useOutbox } from '../../../device/useOutbox';
import { clock } from '../../../look/dates';
import { Card } from '../../../parts/Card';
import { PhotoStrip, type Picture, photoWords } from '../../../parts/PhotoStrip';
import { useSession } from '../../../session/session';
import type { Judged } from './useJudged';

interface Unsent {
  photo: string;
  inspection: string | null;
  jpeg: string;
  key: string | null;
}

/** The photos of an inspection, those that still wait on this device included. */
export function Photos({ judged: { photos, draft } }: { judged: Judged }) {
  const { fleet } = useSession();
  const { entries } = useOutbox();
  const unsent = entries
    .filter(({ name }) => name === 'attach-photo')
    .map(({ body }) => body as Unsent)
    .filter(({ inspection }) => draft !== null && inspection === draft.inspection);
  const pictures: Picture[] = [
    ...photos.map(({ id, key, by, at }) => ({
      id,
      source: `/api/v1/photos/${id}`,
      words: `${photoWords(key)}, ${by}, ${clock(at, fleet.zone)}`,
    })),
    ...unsent.map(({ photo, jpeg, key }) => ({
      id: photo,
      source: `data:image/jpeg;base64,${jpeg}`,
      words: `${photoWords(key)}, waits to be sent`,
    })),
  ];
  if (pictures.length === 0) return null;
  return (
    <Card title={pictures.length === 1 ? 'One photo' : `${pictures.length} photos`}>
      <PhotoStrip pictures={pictures} />
    </Card>
  );
}
