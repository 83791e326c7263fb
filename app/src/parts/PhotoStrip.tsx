import { keyWords } from '@zealous-axle/core';
import { useState } from 'react';
import { Image, Pressable, View } from 'react-native';
import { Drawer } from './Drawer';
import { Text } from './Text';

export interface Picture {
  id: string;
  source: string;
  words: string;
}

/** Where a photo belongs, in words. */
export const photoWords = (key: string | null): string =>
  key?.startsWith('road:') ? 'Road service' : key ? keyWords(key, ' at ') : 'Whole unit';

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
        <Drawer title="Photo" onClose={() => setLarge(null)}>
          <Image
            source={{ uri: large.source }}
            style={{ width: '100%', height: 420 }}
            resizeMode="contain"
            aria-label={large.words}
          />
          <Text>{large.words}</Text>
        </Drawer>
      ) : null}
    </>
  );
}
