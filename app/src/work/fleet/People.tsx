import { useQuery } from '@tanstack/react-query';
import {
  COMMAND_NAMES,
  COMMANDS,
  commandOf,
  type People as Everybody,
  mayManage,
  type PersonView,
  ROLES,
  type Role,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChoiceField } from '../../parts/ChoiceField';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useZodForm } from '../../session/forms';
import { useSession } from '../../session/session';
import { onceCode } from './once-code';

const ROLE_WORDS: Record<Role, string> = {
  driver: 'Driver',
  technician: 'Technician',
  foreman: 'Foreman',
  manager: 'Manager',
};
const STATE_WORDS: Record<PersonView['state'], string> = { invited: 'invited', active: '', left: 'has left' };

/** A code to tell somebody, shown once: on the screen, or printed. */
interface Given {
  name: string;
  signIn: string;
  code: string;
}

/** Whether the code works yet: it does once the server has taken it. */
function useCodeState(code: string): { words: string; look: 'ask' | 'stop' } | null {
  const { entries } = useOutbox();
  const entry = entries.find(({ body }) => (body as { code?: string }).code === code);
  if (entry?.refused) {
    const { errors, detail } = entry.refused;
    return { words: `Refused, so this code opens nothing: ${errors[0]?.message ?? detail}`, look: 'stop' };
  }
  return entry ? { words: 'Not sent yet: the code opens the door once this device has sent it.', look: 'ask' } : null;
}

function Code({ given, slug, onClose }: { given: Given; slug: string; onClose: () => void }) {
  const who = `${given.signIn}@${slug}`;
  const address = `${location.origin}/?name=${encodeURIComponent(who)}&code=${given.code}`;
  const state = useCodeState(given.code);
  return (
    <Drawer title={`For ${given.name}`} onClose={onClose}>
      {state ? <Notice look={state.look}>{state.words}</Notice> : null}
      <Text>This is shown once. Tell it to nobody else: it opens the door within a week, once.</Text>
      <View id="once-code">
        <Card>
          <Text tone="soft">Name</Text>
          <Text reading bold size="lead">
            {who}
          </Text>
          <Text tone="soft">Code</Text>
          <Text reading bold size="title">
            {given.code}
          </Text>
          <Text tone="soft">At this address</Text>
          <Text reading>{address}</Text>
        </Card>
      </View>
      <View className="flex-row gap-2">
        <Button className="grow" label="Print" onPress={() => window.print()} />
        <Button className="grow" look="act" label="I have told them" onPress={onClose} />
      </View>
    </Drawer>
  );
}

const invited = COMMANDS['invite-person'].body;
const inviteSchema = z.object({ signIn: invited.shape.signIn, ...invited.shape.form.shape });

const rolesFor = (by: Role) =>
  ROLES.filter((role) => mayManage(by, role)).map((value) => ({ value, label: ROLE_WORDS[value] }));

function Invite({ onDone, onClose }: { onDone: (given: Given) => void; onClose: () => void }) {
  const { person } = useSession();
  const { control, handleSubmit, formState } = useZodForm(inviteSchema, { signIn: '', name: '', role: 'driver' });
  const invite = handleSubmit(async ({ signIn, ...form }) => {
    const code = onceCode();
    await send('invite-person', { person: uuidv7(), signIn, form, code }, `${form.name} invited`);
    onDone({ name: form.name, signIn, code });
  });
  return (
    <Drawer title="Invite somebody" onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <Field control={control} name="signIn" label="Signs in as" placeholder="wyn.castellan" maxLength={39} />
      <ChoiceField control={control} name="role" label="Role" pairs options={rolesFor(person.role)} />
      <Button tall look="act" label="Invite" disabled={!formState.isValid} onPress={() => void invite()} />
    </Drawer>
  );
}

const changeSchema = COMMANDS['set-person'].body.shape.form;

/** One person: name and role, a new code, and leaving. */
function Change({ whom, onCode, onClose }: { whom: PersonView; onCode: (given: Given) => void; onClose: () => void }) {
  const { person } = useSession();
  const { id, version, name } = whom;
  const { control, handleSubmit, formState } = useZodForm(changeSchema, { name, role: whom.role });
  const save = handleSubmit((form) => {
    onClose();
    void send('set-person', { person: id, version, form }, `${form.name}: ${form.role}`);
  });
  const reset = () => {
    const code = onceCode();
    void send('reset-person', { person: id, version, code }, `${name}: a new code`);
    onCode({ name, signIn: whom.signIn, code });
  };
  const leave = (left: boolean) => {
    onClose();
    void send('set-person-left', { person: id, version, left }, `${name}: ${left ? 'left' : 'back'}`);
  };
  return (
    <Drawer title={name} onClose={onClose}>
      {whom.state === 'left' ? (
        <>
          <Text>They left: they stay in the records and cannot sign in. Once back, they need a new code.</Text>
          <Button tall label="Back again" onPress={() => leave(false)} />
        </>
      ) : (
        <>
          <Field control={control} name="name" label="Name" maxLength={60} />
          <ChoiceField control={control} name="role" label="Role" pairs options={rolesFor(person.role)} />
          <Button
            tall
            look="act"
            label="Save"
            disabled={!formState.isValid || !formState.isDirty}
            onPress={() => void save()}
          />
          <Button label="A new code: the password ends" onPress={reset} />
          <ConfirmButton label="Has left" ask={`${name} has left`} hint={name} onDo={() => leave(true)} />
        </>
      )}
    </Drawer>
  );
}

/** Who may do what, from the table that decides it. */
function Rights() {
  const [open, setOpen] = useState(false);
  return (
    <Card title="Who may do what" note="The table the server decides by.">
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

/** Everybody of the fleet: invited by a code, changed, let go and let in again. */
export function People() {
  const { person, fleet } = useSession();
  const query = useQuery({ queryKey: ['people'], queryFn: () => call<Everybody>('GET', '/people') });
  const [inviting, setInviting] = useState(false);
  const [changing, setChanging] = useState<PersonView | null>(null);
  const [given, setGiven] = useState<Given | null>(null);
  const tell = (next: Given) => {
    setInviting(false);
    setChanging(null);
    setGiven(next);
  };
  return (
    <Screen narrow title="People" under={fleet.name} back={goBack('/set-up')}>
      <Button tall look="act" label="Invite somebody" onPress={() => setInviting(true)} />
      <Loaded query={query}>
        {({ people, slug }) => (
          <>
            <Card title="Everybody">
              {people.map((each) => (
                <View key={each.id} className="min-h-14 flex-row items-center gap-3 border-t border-line">
                  <View className="min-w-0 flex-1">
                    <Text bold>{each.name}</Text>
                    <Text size="small" tone="soft">
                      {[ROLE_WORDS[each.role], `${each.signIn}@${slug}`, STATE_WORDS[each.state]]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                  </View>
                  {each.id !== person.id && mayManage(person.role, each.role) ? (
                    <Button look="bare" label="Change" hint={each.name} onPress={() => setChanging(each)} />
                  ) : null}
                </View>
              ))}
            </Card>
            {given ? <Code given={given} slug={slug} onClose={() => setGiven(null)} /> : null}
          </>
        )}
      </Loaded>
      <Rights />
      {inviting ? <Invite onDone={tell} onClose={() => setInviting(false)} /> : null}
      {changing ? <Change whom={changing} onCode={tell} onClose={() => setChanging(null)} /> : null}
    </Screen>
  );
}
