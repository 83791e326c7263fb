import { type Changers, changePersonSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { useZodForm } from '../../../session/forms';
import { takeOver } from '../../../session/useFollowing';
import { useChangers } from './Pin';

type Whom = Changers['people'][number];
const pinSchema = changePersonSchema.pick({ pin: true });

function ByPin({ id, name }: Whom) {
  const { control, handleSubmit, setError, formState } = useZodForm(pinSchema, { pin: '' });
  const enter = handleSubmit(({ pin }) =>
    takeOver({ person: id, pin }).catch((error: Error) => setError('root', { message: error.message })),
  );
  const problem = formState.errors.root?.message;
  return (
    <>
      <Field
        control={control}
        name="pin"
        label={`PIN of ${name}`}
        secureTextEntry
        inputMode="numeric"
        maxLength={6}
        autoFocus
        onSubmitEditing={() => void enter()}
      />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button
        tall
        look="act"
        label="Take over"
        disabled={!formState.isValid || formState.isSubmitting}
        onPress={() => void enter()}
      />
    </>
  );
}

/** Who may take over; that nobody may is only said where the server said so. */
function whoWords(people: number | undefined, unreachable: boolean): string {
  if (people === undefined)
    return unreachable ? 'The server cannot be reached: another person cannot take over now.' : 'Reading…';
  return people
    ? 'People with a PIN. Everyone else signs in with a password.'
    : 'No one else has a PIN. Everyone signs in with a password.';
}

/** Another person takes over this device: what is not sent yet of the one before waits until they are back. */
export function ChangePerson() {
  const { data, error } = useChangers();
  const [open, setOpen] = useState(false);
  const [whom, setWhom] = useState<Whom | null>(null);
  const people = data?.people ?? [];
  return (
    <>
      <Button look={people.length ? 'act' : 'plain'} label="Change person" onPress={() => setOpen(true)} />
      {open ? (
        <Drawer
          title={whom ? whom.name : 'Switch to'}
          onClose={() => {
            setOpen(false);
            setWhom(null);
          }}
        >
          {whom ? (
            <ByPin {...whom} />
          ) : (
            <>
              <Text tone="soft">{whoWords(data?.people.length, error !== null)}</Text>
              {people.map((each) => (
                <Button key={each.id} tall label={each.name} onPress={() => setWhom(each)} />
              ))}
            </>
          )}
        </Drawer>
      ) : null}
    </>
  );
}
