import type { MoveIn } from '@zealous-axle/core';
import { View } from 'react-native';
import { send } from '../../../device/outbox';
import { clock } from '../../../look/dates';
import { Card } from '../../../parts/Card';
import { ConfirmButton } from '../../../parts/ConfirmButton';
import { Text } from '../../../parts/Text';
import { useMaySend } from '../../../session/may';
import { useSession } from '../../../session/session';
import { countOf } from './words';

/** What moved in lately, and the way back while nothing rests on it. */
export function Lately({ moves }: { moves: readonly MoveIn[] }) {
  const { fleet } = useSession();
  const may = useMaySend('undo-move-in');
  if (moves.length === 0) return null;
  return (
    <Card title="Moved in recently">
      {moves.map(({ id, name, list, rows, by, at, undoneAt }) => (
        <View key={id} className="gap-1 border-t border-line py-2">
          <Text bold>{name}</Text>
          <Text size="small" tone="soft">
            {`${countOf(list, rows)}, ${by}, ${clock(at, fleet.zone)}${undoneAt ? ' · taken back' : ''}`}
          </Text>
          {may && !undoneAt ? (
            <ConfirmButton
              label="Undo the move"
              ask={`Remove all ${rows} again`}
              hint={name}
              onDo={() => void send('undo-move-in', { move: id }, `${name}: undone`)}
            />
          ) : null}
        </View>
      ))}
    </Card>
  );
}
