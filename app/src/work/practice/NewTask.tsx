import { dayText, type PracticeClass, type Route, wordsText } from '@zealous-axle/core';
import {
  DRILL_WORDS,
  drillsOf,
  formsOf,
  LEVELS,
  levelsOf,
  PRACTICE_ROUTES,
  VEHICLE_WORDS,
  type Vehicle,
  vehiclesOf,
} from '@zealous-axle/core/practice';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { useZodForm } from '../../session/forms';
import { useSession } from '../../session/session';
import { useOwn, useSpeaking } from './own';

const KINDS = [
  { value: 'yard', label: 'Made-up trailer' },
  { value: 'by-heart', label: 'By heart' },
  { value: 'air', label: 'Air check' },
  { value: 'drill', label: 'Drill' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

const taskForm = z.object({
  name: wordsText(80),
  due: z.union([z.literal(''), dayText]),
  seed: z.string().regex(/^\d{1,9}$/, 'enter a whole number'),
  pass: z.string().regex(/^([1-9]\d?|100)$/, 'enter a number from 1 to 100'),
});

/** What is practised in a task, as far as its kind asks for it. */
interface What {
  kind: Kind;
  route: string;
  level: number;
  vehicle: Vehicle;
  form: string;
  drill: string;
}

/** What the kind of exercise asks for; a level or vehicle the route does not have gives way to its first. */
function exerciseOf({ kind, route, level, vehicle, form, drill }: What, routes: readonly Route[]) {
  const found = routes.find(({ id }) => id === route);
  const offered = <T,>(all: readonly T[], wanted: T): T => (all.includes(wanted) ? wanted : (all[0] ?? wanted));
  switch (kind) {
    case 'yard':
      return {
        of: route,
        level: found ? offered(levelsOf(found), level) : level,
        vehicle: found ? offered(vehiclesOf(found), vehicle) : vehicle,
      };
    case 'by-heart':
      return { of: form, level: null, vehicle: null };
    case 'drill':
      return { of: drill, level: null, vehicle: null };
    case 'air':
      return { of: null, level: null, vehicle: null };
  }
}

interface WhatProps {
  what: What;
  routes: readonly Route[];
  onChange: (change: Partial<What>) => void;
}

/** A made-up trailer: its route, how hard, which kind of it. */
function WhichTrailer({ what, routes, onChange }: WhatProps) {
  const found = routes.find(({ id }) => id === what.route);
  if (!found) return null;
  const { level, vehicle } = exerciseOf(what, routes);
  return (
    <>
      <Choice
        stacked
        label="Route"
        options={routes.map(({ id, name }) => ({ value: id, label: name }))}
        value={what.route}
        onChange={(route) => onChange({ route })}
      />
      <Choice
        stacked
        label="Level"
        options={LEVELS.filter(({ id }) => levelsOf(found).includes(id)).map(({ id, name }) => ({
          value: String(id),
          label: `${id}. ${name}`,
        }))}
        value={String(level)}
        onChange={(value) => onChange({ level: Number(value) })}
      />
      <Choice
        label="Which"
        options={vehiclesOf(found).map((value) => ({ value, label: VEHICLE_WORDS[value] }))}
        value={vehicle}
        onChange={(value) => value && onChange({ vehicle: value })}
      />
    </>
  );
}

/** What is to be practised, by its kind. */
function Practised({ what, routes, onChange }: WhatProps) {
  const speaking = useSpeaking();
  const { book } = useSession().fleet;
  return (
    <>
      <Choice label="What" options={KINDS} value={what.kind} onChange={(kind) => onChange({ kind })} />
      {what.kind === 'yard' ? <WhichTrailer what={what} routes={routes} onChange={onChange} /> : null}
      {what.kind === 'by-heart' ? (
        <Choice
          stacked
          label="Form"
          options={formsOf(
            routes.filter((route) => !PRACTICE_ROUTES.includes(route)),
            speaking,
          ).map(({ id, name }) => ({
            value: id,
            label: name,
          }))}
          value={what.form}
          onChange={(form) => onChange({ form })}
        />
      ) : null}
      {what.kind === 'drill' ? (
        <Choice
          stacked
          label="Drill"
          options={drillsOf(book).map((value) => ({ value, label: DRILL_WORDS[value].name }))}
          value={what.drill}
          onChange={(drill) => onChange({ drill })}
        />
      ) : null}
    </>
  );
}

/** A task: what, how hard, for whom, until when. */
export function NewTask({ people, onClose }: { people: PracticeClass['people']; onClose: () => void }) {
  const own = useOwn().routes;
  const routes = [...PRACTICE_ROUTES, ...own];
  const [what, setWhat] = useState<What>({
    kind: 'yard',
    route: routes[0]?.id ?? '',
    level: 2,
    vehicle: 'trailer',
    form: 'in-cab-air',
    drill: 'gauge',
  });
  const [person, setPerson] = useState('');
  const { control, handleSubmit, formState } = useZodForm(taskForm, {
    name: '',
    due: '',
    seed: String(Math.floor(Math.random() * 1_000)),
    pass: '80',
  });
  const set = handleSubmit(({ name, due, seed, pass }) => {
    onClose();
    const exercise = { what: what.kind, seed: Number(seed), ...exerciseOf(what, routes) };
    void send(
      'set-practice-task',
      { task: uuidv7(), name, person: person || null, exercise, due: due || null, pass: Number(pass) },
      `Task: ${name}`,
    );
  });
  return (
    <Drawer title="A task" onClose={onClose}>
      <Field control={control} name="name" label="Its name" placeholder="Brakes before Friday" autoFocus />
      <Practised what={what} routes={routes} onChange={(change) => setWhat((now) => ({ ...now, ...change }))} />
      <Field
        control={control}
        name="seed"
        label="Number (same number, same exercise)"
        inputMode="numeric"
        maxLength={9}
      />
      <Field control={control} name="pass" label="Passing score, of 100" inputMode="numeric" maxLength={3} />
      <Field control={control} name="due" label="Until (optional)" placeholder="2026-12-31" />
      <Choice
        stacked
        label="For whom"
        options={[{ value: '', label: 'Everybody' }, ...people.map(({ id, name }) => ({ value: id, label: name }))]}
        value={person}
        onChange={setPerson}
      />
      <Button tall look="act" label="Set it" disabled={!formState.isValid} onPress={() => void set()} />
    </Drawer>
  );
}
