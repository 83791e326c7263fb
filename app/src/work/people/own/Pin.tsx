import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type Changers, ownPinSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { useZodForm } from '../../../session/forms';

const CHANGERS = ['changers'];
export const useChangers = () =>
  useQuery({ queryKey: CHANGERS, queryFn: () => call<Changers>('GET', '/session/person') });

function Form({ has, onDone }: { has: boolean; onDone: (words: string) => void }) {
  const { control, handleSubmit, setError, formState, watch } = useZodForm(ownPinSchema, { current: '', pin: '' });
  const send = (current: string, pin: string | null) =>
    call('POST', '/session/pin', { current, pin })
      .then(() => onDone(pin === null ? 'PIN removed.' : 'PIN saved.'))
      .catch((error: Error) => setError('root', { message: error.message }));
  const set = handleSubmit(({ current, pin }) => send(current, pin));
  const problem = formState.errors.root?.message;
  return (
    <>
      <Text>
        On a shop device someone signed in on today, six digits switch to you. After five wrong tries only your password
        works.
      </Text>
      <Field control={control} name="current" label="Password" secureTextEntry autoComplete="current-password" />
      <Field control={control} name="pin" label="Six digits" secureTextEntry inputMode="numeric" maxLength={6} />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Set it" disabled={!formState.isValid} onPress={() => void set()} />
      {has ? (
        <Button
          label="Remove my PIN"
          disabled={watch('current') === ''}
          onPress={() => void send(watch('current'), null)}
        />
      ) : null}
    </>
  );
}

/** A PIN of one's own for the shop's shared devices. */
export function Pin() {
  const client = useQueryClient();
  const { data } = useChangers();
  const [asking, setAsking] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  return (
    <>
      <Button label={data?.ownPin ? 'Change my PIN' : 'A PIN for shared devices'} onPress={() => setAsking(true)} />
      {done ? <Notice look="good">{done}</Notice> : null}
      {asking ? (
        <Drawer title="My PIN" onClose={() => setAsking(false)}>
          <Form
            has={data?.ownPin ?? false}
            onDone={(words) => {
              setAsking(false);
              setDone(words);
              void client.invalidateQueries({ queryKey: CHANGERS });
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}
