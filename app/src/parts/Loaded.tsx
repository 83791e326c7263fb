import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { ActivityIndicator, View } from 'react-native';
import { usePalette } from '../look/theme';
import { Refused } from '../server/client';
import { Button } from './Button';
import { Notice } from './Notice';
import { Text } from './Text';

interface Props<D> {
  query: UseQueryResult<D>;
  /** What else stands between the controls: nothing moves under a finger because it comes later. */
  beside?: readonly Pick<UseQueryResult, 'isPending' | 'fetchStatus'>[];
  children: (data: D) => ReactNode;
}

/** What a question answered: the last known answer at once, or that it is being read, or why it is not there. */
export function Loaded<D>({ query, beside = [], children }: Props<D>) {
  const palette = usePalette();
  const waits = beside.some(({ isPending, fetchStatus }) => isPending && fetchStatus === 'fetching');
  if (query.data !== undefined && !waits) return <>{children(query.data)}</>;
  if (query.error && query.data === undefined)
    return (
      <View className="gap-3 p-4">
        <Notice look="stop">
          {query.error instanceof Refused
            ? query.error.message
            : 'The server cannot be reached, and this device has not seen this page before.'}
        </Notice>
        <Button label="Try again" onPress={() => void query.refetch()} />
      </View>
    );
  return (
    <View className="flex-row items-center gap-3 p-6" role="status">
      <ActivityIndicator color={palette.act} />
      <Text tone="soft">Reading…</Text>
    </View>
  );
}
