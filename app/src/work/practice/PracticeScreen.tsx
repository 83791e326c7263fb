import type { ComponentProps } from 'react';
import { View } from 'react-native';
import { Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';

/** Stands on every screen of the practice yard. */
function Banner() {
  return (
    <View className="flex-row flex-wrap items-center justify-center gap-x-2 border-b-2 border-shop bg-shop-tint px-3 py-1.5">
      <Text bold tone="shop">
        Practice
      </Text>
      <Text size="small" tone="shop">
        Made up: no real unit, on no unit’s record.
      </Text>
    </View>
  );
}

/** A screen of the practice yard, said so at its top. */
export function PracticeScreen({ children, fixed, ...screen }: ComponentProps<typeof Screen>) {
  return (
    <Screen {...screen} fixed={fixed}>
      {fixed ? (
        <View className="min-h-0 flex-1">
          <Banner />
          {children}
        </View>
      ) : (
        <>
          <View className="-mx-4 -mt-4">
            <Banner />
          </View>
          {children}
        </>
      )}
    </Screen>
  );
}
