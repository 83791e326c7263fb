import { ROUTES, type Route } from '@zealous-axle/core';
import { router } from 'expo-router';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const KIND_WORDS: Record<Route['kinds'][number], string> = {
  semitrailer: 'semitrailers',
  'full-trailer': 'full trailers',
  dolly: 'dollies',
  tractor: 'tractors',
  truck: 'straight trucks',
  bus: 'buses',
};
const kindsWords = ({ kinds }: Route): string => kinds.map((kind) => KIND_WORDS[kind]).join(', ');

function RouteCard({ route, own, may }: { route: Route; own: number | null; may: boolean }) {
  const copy = async () => {
    const id = uuidv7();
    await send(
      'save-route',
      { route: id, version: 0, definition: { ...route, id, name: `${route.name}, ours`.slice(0, 60) } },
      `Route copied: ${route.name}`,
    );
  };
  const remove = () =>
    void send('remove-route', { route: route.id, version: own ?? 1 }, `Route removed: ${route.name}`);
  return (
    <Card title={route.name} note={route.says}>
      <Text>{route.sections.map(({ name }) => name).join(' → ')}</Text>
      <Text size="small" tone="soft">{`For ${kindsWords(route)}`}</Text>
      {may ? (
        <View className="flex-row flex-wrap gap-2">
          {own !== null ? (
            <>
              <Button
                className="grow"
                label="Change"
                hint={route.name}
                onPress={() => router.navigate(`/routes/${route.id}`)}
              />
              <ConfirmButton label="Remove" ask={`Remove ${route.name}`} hint={route.name} onDo={remove} />
            </>
          ) : null}
          <Button className="grow" label="Copy" hint={route.name} onPress={() => void copy()} />
        </View>
      ) : null}
    </Card>
  );
}

/** The routes of the walk: those that ship, and those the shop made its own. */
export function Routes() {
  const { fleet } = useSession();
  const may = useMaySend('save-route');
  const { entries } = useOutbox();
  const waits = entries.some(({ name }) => name === 'save-route' || name === 'remove-route');
  return (
    <Screen title="Routes" under="A fixed order for each walk-around" back={goBack('/me')}>
      {waits ? <Notice look="ask">A change is waiting to be sent.</Notice> : null}
      {may ? <Notice>Built-in routes cannot be edited. Copy one, then edit the copy.</Notice> : null}
      {fleet.routes.map(({ version, definition }) => (
        <RouteCard key={definition.id} route={definition} own={version} may={may} />
      ))}
      {ROUTES.map((route) => (
        <RouteCard key={route.id} route={route} own={null} may={may} />
      ))}
    </Screen>
  );
}
