import { View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Text } from '../../../parts/Text';

interface Says {
  title: string;
  says: string;
  done: string;
}

/** Before brakes are let go nobody is beside a wheel that can roll; before the unit is moved nothing lies in its way. */
const SAYS = {
  chocks: {
    title: 'Chock the wheels',
    says: 'Chock a wheel of an axle that stays on the ground, front and back. The brakes are released next: without chocks the unit can roll.',
    done: 'Chocked, both ways',
  },
  'chocks-out': {
    title: 'Remove the chocks',
    says: 'Every one, on both sides, and stow them. Look all around: the unit moves next. No one in front of it, behind it or beside a wheel.',
    done: 'Chocks out',
  },
} satisfies Record<string, Says>;
export type ChocksGate = keyof typeof SAYS;

/** A gate, and no defect. That the wheels were chocked is kept with what is then read. */
export function ChocksPad({ gate, onDone }: { gate: ChocksGate; onDone: () => void }) {
  const { title, says, done } = SAYS[gate];
  return (
    <View className="gap-4">
      <View>
        <Text level={2} bold size="title">
          {title}
        </Text>
        <Text>{says}</Text>
      </View>
      <Button tall look="act" label={done} onPress={onDone} />
    </View>
  );
}
