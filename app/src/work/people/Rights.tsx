import { COMMAND_NAMES, commandOf } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Text } from '../../parts/Text';
import { ROLE_WORDS } from './roles';

/** Who may do what, from the table that decides it. */
export function Rights() {
  const [open, setOpen] = useState(false);
  return (
    <Card title="Who may do what" note="The table the server uses.">
      <Button label={open ? 'Hide it' : 'Show it'} onPress={() => setOpen(!open)} />
      {open
        ? COMMAND_NAMES.map((name) => (
            <View key={name} className="flex-row gap-3 border-t border-line py-1">
              <Text className="min-w-0 flex-1">{name.replaceAll('-', ' ')}</Text>
              <Text tone="soft">
                {commandOf(name)
                  .roles.map((role) => ROLE_WORDS[role].toLowerCase())
                  .join(', ')}
              </Text>
            </View>
          ))
        : null}
    </Card>
  );
}
