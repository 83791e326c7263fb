import { TEMPLATES, type Template } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Stepper } from '../../parts/Stepper';
import { Text } from '../../parts/Text';
import { useParts } from '../../server/queries';

type Needs = Template['parts'];

/** Parts that shipped work calls for, by the name it calls them. */
const SHIPPED = [...new Set(TEMPLATES.flatMap(({ parts }) => parts.map(({ part }) => part)))];

/** The parts a kind of work needs: chosen from the parts room and from what work calls for, with how many of each. */
export function TemplateParts({ parts, onChange }: { parts: Needs; onChange: (parts: Needs) => void }) {
  const [choosing, setChoosing] = useState(false);
  const room = useParts().data?.parts ?? [];
  const nameOf = (id: string) => room.find((each) => each.id === id)?.name ?? id.replaceAll('-', ' ');
  const known = [...new Set([...room.map(({ id }) => id), ...SHIPPED])];
  const free = known.filter((id) => !parts.some(({ part }) => part === id));
  return (
    <View className="gap-1">
      <Text bold>Parts</Text>
      {parts.length === 0 ? <Text tone="soft">None.</Text> : null}
      {parts.map(({ part, count }) => (
        <View key={part} className="flex-row flex-wrap items-center gap-2 border-t border-line py-1">
          <View className="min-w-0 shrink grow basis-[14rem]">
            <Stepper
              label={nameOf(part)}
              value={count}
              least={1}
              most={100}
              onChange={(next) => onChange(parts.map((each) => (each.part === part ? { part, count: next } : each)))}
            />
          </View>
          <Button
            look="bare"
            label="Not needed"
            hint={nameOf(part)}
            onPress={() => onChange(parts.filter((each) => each.part !== part))}
          />
        </View>
      ))}
      <Button label="Another part…" onPress={() => setChoosing(true)} />
      {choosing ? (
        <Drawer title="Which part?" onClose={() => setChoosing(false)}>
          <Text tone="soft">Add a new part in the parts room first.</Text>
          {free.map((id) => (
            <Button
              key={id}
              label={room.some((each) => each.id === id) ? nameOf(id) : `${nameOf(id)} (not in the parts list)`}
              onPress={() => {
                setChoosing(false);
                onChange([...parts, { part: id, count: 1 }]);
              }}
            />
          ))}
        </Drawer>
      ) : null}
    </View>
  );
}
