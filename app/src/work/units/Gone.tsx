import type { GonePage } from '@zealous-axle/core';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { LinkRow } from '../../parts/LinkRow';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Search } from '../../parts/Search';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { usePages } from '../../server/queries';
import { useSession } from '../../session/session';

/** Units sold or scrapped: out of the yard, with all their records. */
export function Gone() {
  const { fleet } = useSession();
  const [typed, setTyped] = useState('');
  const text = useDeferredValue(typed.trim());
  const pages = usePages(
    ['gone', text],
    (after) => call<GonePage>('GET', `/units/gone?text=${encodeURIComponent(text)}${after ? `&after=${after}` : ''}`),
    { typed: text !== '' },
  );
  return (
    <Screen narrow title="Sold and scrapped" under={fleet.name} back={goBack('/set-up')}>
      <Search hint="Number or body" text={typed} onChange={setTyped} />
      <Loaded query={pages}>
        {({ pages: read }) => {
          const units = read.flatMap((page) => page.units);
          return (
            <View>
              {units.length === 0 ? (
                <Text tone="soft">{text ? 'None fits.' : 'No unit sold or scrapped yet.'}</Text>
              ) : null}
              {units.map(({ id, number, body, state, since, reason }) => (
                <LinkRow key={id} href={`/trailer/${id}`} className="min-h-14 justify-center border-t border-line py-2">
                  <Text bold>
                    {number} <Text tone="soft">{body}</Text>
                  </Text>
                  <Text size="small" tone="soft">
                    {[`${state}${since ? ` ${dayOf(since, fleet.zone)}` : ''}`, reason].filter(Boolean).join(': ')}
                  </Text>
                </LinkRow>
              ))}
            </View>
          );
        }}
      </Loaded>
      {pages.hasNextPage ? (
        <Button label="Show more" disabled={pages.isFetchingNextPage} onPress={() => void pages.fetchNextPage()} />
      ) : null}
    </Screen>
  );
}
