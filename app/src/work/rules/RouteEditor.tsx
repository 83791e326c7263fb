import type { Route, Section } from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { useFieldArray } from 'react-hook-form';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Field } from '../../parts/Field';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { useKeptForm } from '../../session/forms';
import { useSession } from '../../session/session';
import { type Changed, changedSchema } from './changed-route';
import { SectionCard } from './SectionCard';

const NEW_SECTIONS: Record<'unit' | 'axles' | 'ends', Omit<Section, 'id'>> = {
  unit: { name: 'Unit', says: '', at: 'unit', asks: [{ kind: 'check', item: 'stance' }] },
  axles: { name: 'Axles', says: '', at: 'axles', asks: [] },
  ends: { name: 'Axle ends', says: '', at: 'ends', walk: 'round', asks: [{ kind: 'lining' }] },
};

function Editor({ stored, version }: { stored: Route; version: number }) {
  const form = useKeptForm<Changed, Changed>(`route ${stored.id}`, changedSchema, { route: stored, version });
  const { fleet } = useSession();
  const { control, watch, formState, reset, clear, ready } = form;
  const sections = useFieldArray({ control, name: 'route.sections', keyName: 'key' });
  const [route, base] = watch(['route', 'version']);
  const changed = JSON.stringify(route) !== JSON.stringify(stored);
  const begun = form.earlier || formState.isDirty;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what somebody else saved changes what nobody touched.
  useEffect(() => {
    if (ready && !begun) reset({ route: stored, version });
  }, [version]);
  if (!ready) return null;
  const add = (at: keyof typeof NEW_SECTIONS) =>
    sections.append({ ...NEW_SECTIONS[at], id: `s${Date.now().toString(36)}` });
  const save = form.handleSubmit(async (sent) => {
    await send(
      'save-route',
      { route: sent.route.id, version: sent.version, definition: sent.route },
      `Route changed: ${sent.route.name}`,
    );
    await clear();
    router.replace('/routes');
  });
  return (
    <Screen
      title={route.name}
      under="A route of our own"
      back={goBack('/routes')}
      footer={
        <View className="flex-row flex-wrap gap-2">
          {changed ? (
            <ConfirmButton label="Undo" ask="Discard my changes" hint={route.name} onDo={() => void clear()} />
          ) : null}
          <Button
            tall
            look="act"
            className="grow"
            label="Save the route"
            disabled={!changed || !formState.isValid}
            onPress={() => void save()}
          />
        </View>
      }
    >
      {changed && base < version ? (
        <Notice look="ask">
          Someone else saved this route. Your changes are still here. “Undo” shows their version.
        </Notice>
      ) : null}
      {formState.isValid ? null : <Notice look="ask">Every section needs a name and at least one step.</Notice>}
      <Card>
        <Field control={control} name="route.name" label="Name of the route" maxLength={60} />
        <Field control={control} name="route.says" label="What it is for" maxLength={300} multiline />
      </Card>
      {sections.fields.map(({ key }, index) => (
        <SectionCard
          key={key}
          control={control}
          index={index}
          count={sections.fields.length}
          onMove={(by) => sections.move(index, index + by)}
          onRemove={() => sections.remove(index)}
        />
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Add: once on the unit" onPress={() => add('unit')} />
        {fleet.checks.some(({ at }) => at === 'axle') ? (
          <Button className="grow" label="Add: once at each axle" onPress={() => add('axles')} />
        ) : null}
        <Button className="grow" label="Add: at every axle end" onPress={() => add('ends')} />
      </View>
    </Screen>
  );
}

/** Changes a route of the shop's own. */
export function RouteEditor() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { fleet } = useSession();
  const found = fleet.routes.find(({ definition }) => definition.id === id);
  if (!found)
    return (
      <Screen title="Route" back={goBack('/routes')}>
        <Notice look="ask">No such route. It was removed, or not sent yet.</Notice>
      </Screen>
    );
  return <Editor stored={found.definition} version={found.version} />;
}
