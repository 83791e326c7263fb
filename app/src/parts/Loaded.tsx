import type { UseQueryResult } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { ActivityIndicator, View } from 'react-native';
import { usePalette } from '../look/theme';
import { Refused } from '../server/client';
import { Button } from './Button';
import { Notice } from './Notice';
import { Text } from './Text';

type Asked = Pick<UseQueryResult, 'isPending' | 'fetchStatus'>;

const isAwaited = ({ isPending, fetchStatus }: Asked): boolean => isPending && fetchStatus === 'fetching';

function Reading() {
  const palette = usePalette();
  return (
    <View className="flex-row items-center gap-3 p-6" role="status">
      <ActivityIndicator color={palette.act} />
      <Text tone="soft">Loading…</Text>
    </View>
  );
}

/** So long is waited for what stands beside: where the network hangs, what is known is shown without it. */
const PATIENCE_MS = 2_000;

function useAwaited(of: readonly Asked[]): boolean {
  const awaited = of.some(isAwaited);
  const [over, setOver] = useState(false);
  useEffect(() => {
    setOver(false);
    if (!awaited) return;
    const timer = setTimeout(() => setOver(true), PATIENCE_MS);
    return () => clearTimeout(timer);
  }, [awaited]);
  return awaited && !over;
}

/** What stands one below the other, once all of it was answered or is not to be had: nothing moves under a finger because it comes later. */
export const Together = ({ of, children }: { of: readonly Asked[]; children: ReactNode }) =>
  useAwaited(of) ? <Reading /> : children;

interface Props<D> {
  query: UseQueryResult<D>;
  /** What else stands between its controls: waited for, as {@link Together} does. */
  beside?: readonly Asked[];
  children: (data: D) => ReactNode;
}

/** What a question answered: the last known answer at once, or that it is being read, or why it is not there. */
export function Loaded<D>({ query, beside = [], children }: Props<D>) {
  const awaited = useAwaited(beside);
  if (query.data !== undefined && !awaited) return <>{children(query.data)}</>;
  if (query.error && query.data === undefined)
    return (
      <View className="gap-3 p-4">
        <Notice look="stop">
          {query.error instanceof Refused
            ? query.error.message
            : 'No connection, and this page is not saved on this device.'}
        </Notice>
        <Button label="Try again" onPress={() => void query.refetch()} />
      </View>
    );
  return <Reading />;
}
