import { View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Text } from '../../../parts/Text';

/** A gate before brakes are let go: nobody is beside a wheel that can roll. It is kept with what is then read. */
export const ChocksPad = ({ onChocked }: { onChocked: () => void }) => (
  <View className="gap-4">
    <View>
      <Text level={2} bold size="title">
        Chock the wheels
      </Text>
      <Text>
        A wheel of an axle that stays on the ground, in front and behind. Next the brakes are let go: without chocks the
        unit can roll.
      </Text>
    </View>
    <Button tall look="act" label="Chocked, both ways" onPress={onChocked} />
  </View>
);
