import Camera from 'lucide-react-native/icons/camera';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { type Picture, pickPhoto, shrink } from '../device/photos';
import { Button } from './Button';
import { Notice } from './Notice';
import { PhotoStrip } from './PhotoStrip';

/** Photos that go with a report. */
export function Pictures({
  photos,
  onPhoto,
  of = 'goes with this report',
}: {
  photos: readonly Picture[];
  onPhoto: (picture: Picture) => void;
  of?: string;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const take = async () => {
    const file = await pickPhoto();
    if (!file) return;
    setProblem(null);
    await shrink(file)
      .then((picture) => onPhoto({ photo: uuidv7(), ...picture }))
      .catch((error: Error) => setProblem(error.message));
  };
  return (
    <View className="gap-2">
      <Button
        icon={Camera}
        label={photos.length ? `Another photo (${photos.length} taken)` : 'Add a photo'}
        onPress={() => void take()}
      />
      {photos.length ? (
        <PhotoStrip
          pictures={photos.map(({ photo, jpeg }) => ({
            id: photo,
            source: `data:image/jpeg;base64,${jpeg}`,
            words: of,
          }))}
        />
      ) : null}
      {problem ? <Notice look="stop">{problem}</Notice> : null}
    </View>
  );
}
