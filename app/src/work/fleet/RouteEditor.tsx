import {
  AIR_TESTS,
  type Asked,
  CHECKS,
  type Route,
  routeSchema,
  type Section,
  STEP_KINDS,
  subjectWords,
  WALK_WORDS,
  WALKS,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useSession } from '../../session/session';
import { useTyped } from '../../session/useTyped';

const sameAsked = (a: Asked, b: Asked): boolean => a.kind === b.kind && a.item === b.item;

/** Everything a section may ask for at its place. */
function askable(at: Section['at']): Asked[] {
  if (at === 'sides') return [{ kind: 'mud-flap' }];
  if (at === 'ends')
    return [
      ...STEP_KINDS.filter((kind) => !['king-pin', 'slider-pins', 'mud-flap', 'air-test', 'check'].includes(kind)).map(
        (kind) => ({ kind }),
      ),
      ...CHECKS.filter((check) => check.at === 'end').map(({ id }) => ({ kind: 'check' as const, item: id })),
    ];
  return [
    { kind: 'king-pin' },
    { kind: 'slider-pins' },
    ...AIR_TESTS.map((item) => ({ kind: 'air-test' as const, item })),
    ...CHECKS.filter((check) => check.at === 'unit').map(({ id }) => ({ kind: 'check' as const, item: id })),
  ];
}

const moved = <V,>(list: readonly V[], from: number, by: number): V[] => {
  const next = [...list];
  const [taken] = next.splice(from, 1);
  if (taken !== undefined) next.splice(from + by, 0, taken);
  return next;
};

function AskRow({
  asked,
  index,
  last,
  onMove,
  onRemove,
}: {
  asked: Asked;
  index: number;
  last: boolean;
  onMove: (by: number) => void;
  onRemove: () => void;
}) {
  const words = subjectWords(asked);
  return (
    <View className="flex-row items-center gap-1 border-t border-line py-1">
      <Text className="min-w-0 flex-1">{words}</Text>
      <Button look="bare" label="↑" hint={`${words} earlier`} disabled={index === 0} onPress={() => onMove(-1)} />
      <Button look="bare" label="↓" hint={`${words} later`} disabled={last} onPress={() => onMove(1)} />
      <Button look="bare" label="✕" hint={`Take out ${words}`} onPress={onRemove} />
    </View>
  );
}

function AddAsk({ section, onAdd, onClose }: { section: Section; onAdd: (asked: Asked) => void; onClose: () => void }) {
  const left = askable(section.at).filter((each) => !section.asks.some((asked) => sameAsked(asked, each)));
  return (
    <Drawer title={`Add to ${section.name}`} onClose={onClose}>
      {left.length === 0 ? <Text tone="soft">Everything that can be asked here is in it already.</Text> : null}
      {left.map((asked) => (
        <Pressable
          key={`${asked.kind} ${asked.item ?? ''}`}
          role="button"
          onPress={() => onAdd(asked)}
          className="min-h-12 justify-center rounded-xl border-2 border-edge bg-card px-3"
        >
          <Text>{subjectWords(asked)}</Text>
          {asked.kind === 'check' || asked.kind === 'air-test' ? null : (
            <Text size="small" tone="soft">
              Measured
            </Text>
          )}
        </Pressable>
      ))}
    </Drawer>
  );
}

/** Where a section may go; null where it cannot. */
interface Moves {
  up: (() => void) | null;
  down: (() => void) | null;
}

function SectionCard({
  section,
  onChange,
  onMove,
  onRemove,
  only,
}: {
  section: Section;
  onChange: (section: Section) => void;
  onMove: Moves;
  onRemove: () => void;
  only: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const { up, down } = onMove;
  const asks = (next: Asked[]) => onChange({ ...section, asks: next });
  const where = { unit: 'Once on the unit', sides: 'On each side', ends: 'At every axle end' }[section.at];
  return (
    <Card title={section.name} note={where}>
      <TextField
        label="Name"
        value={section.name}
        onChangeText={(name) => onChange({ ...section, name })}
        maxLength={60}
      />
      <TextField
        label="Said when it begins"
        value={section.says}
        onChangeText={(says) => onChange({ ...section, says })}
        maxLength={300}
        multiline
      />
      {section.at === 'ends' ? (
        <Choice
          stacked
          label="Order of the ends"
          options={WALKS.map((walk) => ({ value: walk, label: WALK_WORDS[walk] }))}
          value={section.walk ?? 'round'}
          onChange={(walk) => onChange({ ...section, walk })}
        />
      ) : null}
      <View>
        {section.asks.map((asked, index) => (
          <AskRow
            key={`${asked.kind} ${asked.item ?? ''}`}
            asked={asked}
            index={index}
            last={index === section.asks.length - 1}
            onMove={(by) => asks(moved(section.asks, index, by))}
            onRemove={() => asks(section.asks.filter((_, at) => at !== index))}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Add a step" hint={section.name} onPress={() => setAdding(true)} />
        <Button label="Earlier" hint={section.name} disabled={!up} onPress={() => up?.()} />
        <Button label="Later" hint={section.name} disabled={!down} onPress={() => down?.()} />
        <Button look="stop" label="Take out" hint={section.name} disabled={only} onPress={onRemove} />
      </View>
      {adding ? (
        <AddAsk
          section={section}
          onAdd={(asked) => {
            setAdding(false);
            asks([...section.asks, asked]);
          }}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </Card>
  );
}

const NEW_SECTIONS: Record<Section['at'], Omit<Section, 'id'>> = {
  unit: { name: 'Unit', says: '', at: 'unit', asks: [{ kind: 'check', item: 'stance' }] },
  sides: { name: 'Sides', says: '', at: 'sides', asks: [{ kind: 'mud-flap' }] },
  ends: { name: 'Axle ends', says: '', at: 'ends', walk: 'round', asks: [{ kind: 'lining' }] },
};

/** Changes not saved yet, and the version they were made from. */
interface Changed {
  route: Route | null;
  version: number;
}

function Editor({ stored, version }: { stored: Route; version: number }) {
  const typed = useTyped<Changed>(`route ${stored.id}`, { route: null, version });
  if (!typed) return null;
  const { change, clear } = typed;
  const route = typed.value.route ?? stored;
  const base = typed.value.route ? typed.value.version : version;
  const setRoute = (next: Route) => change({ route: next, version: base });
  const changed = JSON.stringify(route) !== JSON.stringify(stored);
  const checked = routeSchema.safeParse(route);
  const problem = checked.success ? null : 'Every section needs a name and at least one step.';
  const sections = (next: Section[]) => setRoute({ ...route, sections: next });
  const add = (at: Section['at']) =>
    sections([...route.sections, { ...NEW_SECTIONS[at], id: `s${Date.now().toString(36)}` }]);
  const save = async () => {
    await send('save-route', { route: route.id, version: base, definition: route }, `Route changed: ${route.name}`);
    await clear();
    router.replace('/routes');
  };
  return (
    <Screen
      title={route.name}
      under="A route of our own"
      back={goBack('/routes')}
      footer={
        <View className="flex-row flex-wrap gap-2">
          {changed ? (
            <ConfirmButton label="Undo" ask="Throw my changes away" hint={route.name} onDo={() => void clear()} />
          ) : null}
          <Button
            tall
            look="act"
            className="grow"
            label="Save the route"
            disabled={!changed || problem !== null}
            onPress={save}
          />
        </View>
      }
    >
      {changed && base < version ? (
        <Notice look="ask">
          Somebody else saved this route meanwhile. What you changed stands here as you left it; “Undo” shows theirs.
        </Notice>
      ) : null}
      {problem ? <Notice look="ask">{problem}</Notice> : null}
      <Card>
        <TextField
          label="Name of the route"
          value={route.name}
          onChangeText={(name) => setRoute({ ...route, name })}
          maxLength={60}
        />
        <TextField
          label="What it is for"
          value={route.says}
          onChangeText={(says) => setRoute({ ...route, says })}
          maxLength={300}
          multiline
        />
      </Card>
      {route.sections.map((section, index) => {
        const move = (by: number) => sections(moved(route.sections, index, by));
        return (
          <SectionCard
            key={section.id}
            section={section}
            only={route.sections.length === 1}
            onChange={(next) => sections(route.sections.map((each, at) => (at === index ? next : each)))}
            onMove={{
              up: index > 0 ? () => move(-1) : null,
              down: index < route.sections.length - 1 ? () => move(1) : null,
            }}
            onRemove={() => sections(route.sections.filter((_, at) => at !== index))}
          />
        );
      })}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Add: once on the unit" onPress={() => add('unit')} />
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
        <Notice look="ask">This route is not there: it was removed, or has not been sent yet.</Notice>
      </Screen>
    );
  return <Editor stored={found.definition} version={found.version} />;
}
