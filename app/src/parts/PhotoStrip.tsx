import { useState } from 'react';
import { Image, Pressable, View } from 'react-native';
import { Sheet } from './Sheet';
import { T } from './T';

export interface Picture {
  id: string;
  source: string;
  words: string;
}

/** Pictures in a row; touching one shows it large. */
export function PhotoStrip({ pictures }: { pictures: readonly Picture[] }) {
  const [large, setLarge] = useState<Picture | null>(null);
  return (
    <>
      <View className="flex-row flex-wrap gap-2">
        {pictures.map((picture) => (
          <Pressable
            key={picture.id}
            role="button"
            aria-label={`Photo: ${picture.words}`}
            onPress={() => setLarge(picture)}
            className="overflow-hidden rounded-xl border-2 border-edge"
          >
            <Image
              source={{ uri: picture.source }}
              style={{ width: 104, height: 104 }}
              resizeMode="cover"
              aria-hidden
            />
          </Pressable>
        ))}
      </View>
      {large ? (
        <Sheet title="Photo" onClose={() => setLarge(null)}>
          <Image
            source={{ uri: large.source }}
            style={{ width: '100%', height: 420 }}
            resizeMode="contain"
            aria-label={large.words}
          />
          <T>{large.words}</T>
        </Sheet>
      ) : null}
    </>
  );
}
