import { claimSchema, LEAST_PASSWORD } from '@zealous-axle/core';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Field } from '../../parts/Field';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { Refused } from '../../server/client';
import { useZodForm } from '../../session/forms';
import { claimInvitation } from '../../session/session';

const NO_SERVER = 'The server cannot be reached. Try again when there is a signal.';

/** Whoever was given a code sets a password of their own, and is in. */
export function Claim({ name, code, onBack }: { name: string; code: string; onBack: () => void }) {
  const form = useZodForm(claimSchema, { name, code, password: '' });
  const { control, handleSubmit, setError, formState } = form;
  const enter = handleSubmit(async (written) => {
    await claimInvitation(written).catch((error: unknown) =>
      setError('root', { message: error instanceof Refused ? error.message : NO_SERVER }),
    );
  });
  const problem = formState.errors.root?.message;
  return (
    <View className="gap-5">
      <Text>You were given a name and a code. The code works once; after that, use your password.</Text>
      <Field control={control} name="name" label="Name" placeholder="person@fleet" autoComplete="username" />
      <Field control={control} name="code" label="Code" placeholder="K7QM-2XWD-9HRT" />
      <Field
        control={control}
        name="password"
        label={`Your own password, at least ${LEAST_PASSWORD} characters`}
        secureTextEntry
        autoComplete="new-password"
        onSubmitEditing={() => void enter()}
      />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button
        tall
        look="act"
        label="Sign in"
        onPress={() => void enter()}
        disabled={formState.isSubmitting || !formState.isValid}
      />
      <Button label="I already have a password" onPress={onBack} />
    </View>
  );
}
