import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Text } from './Text';

/** A group of things that belong together, with its heading. */
export function Card({
  title,
  note,
  right,
  children,
}: {
  title?: string;
  note?: string;
  right?: ReactNode;
  children: ReactNode;
}) {
  return (
    <View className="gap-3 rounded-2xl border border-line bg-card p-3.5">
      {title ? (
        <View className="flex-row items-start justify-between gap-3">
          <View className="min-w-0 flex-1">
            <Text level={2} size="lead" bold>
              {title}
            </Text>
            {note ? (
              <Text size="small" tone="soft">
                {note}
              </Text>
            ) : null}
          </View>
          {right}
        </View>
      ) : null}
      {children}
    </View>
  );
}
