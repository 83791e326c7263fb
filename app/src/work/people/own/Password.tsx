import { LEAST_PASSWORD, newPasswordSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { Button } from '../../../parts/Button';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { call } from '../../../server/client';
import { useZodForm } from '../../../session/forms';

function Form({ onDone }: { onDone: () => void }) {
  const { control, handleSubmit, setError, formState } = useZodForm(newPasswordSchema, { current: '', next: '' });
  const change = handleSubmit(async (written) => {
    await call('POST', '/session/password', written)
      .then(onDone)
      .catch((error: Error) => setError('root', { message: error.message }));
  });
  const problem = formState.errors.root?.message;
  return (
    <>
      <Field
        control={control}
        name="current"
        label="Current password"
        secureTextEntry
        autoComplete="current-password"
      />
      <Field
        control={control}
        name="next"
        label={`New password, at least ${LEAST_PASSWORD} characters`}
        secureTextEntry
        autoComplete="new-password"
        onSubmitEditing={() => void change()}
      />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button
        tall
        look="act"
        label="Change it"
        disabled={!formState.isValid || formState.isSubmitting}
        onPress={() => void change()}
      />
    </>
  );
}

/** Another password of one's own: one's other sessions end. */
export function Password() {
  const [asking, setAsking] = useState(false);
  const [done, setDone] = useState(false);
  return (
    <>
      <Button label="Change my password" onPress={() => setAsking(true)} />
      {done ? <Notice look="good">Password changed. Your other sessions have ended.</Notice> : null}
      {asking ? (
        <Drawer title="My password" onClose={() => setAsking(false)}>
          <Form
            onDone={() => {
              setAsking(false);
              setDone(true);
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}
