import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Image, ScrollView, type TextInput, View } from 'react-native';
import { Button } from '../../parts/Button';
import { Field } from '../../parts/Field';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { Refused } from '../../server/client';
import { signIn } from '../../session/session';

/** Its form brings the schemas along: fetched by whoever has a code. */
const Claim = lazy(() => import('./Claim').then(({ Claim: Its }) => ({ default: Its })));

const HOW = 'Write your name as person@fleet, and your password.';
const NO_SERVER = 'The server cannot be reached. Try again when there is a signal.';

/** What somebody wrote before the page answered, or what the browser filled in. */
const writtenIn = (input: TextInput | null): string =>
  input && 'value' in input && typeof input.value === 'string' ? input.value : '';

/** The code an invitation's address brings along, and whose it is. */
function useGiven() {
  const [given, setGiven] = useState<{ name: string; code: string } | null>(null);
  useEffect(() => {
    const { searchParams } = new URL(window.location.href);
    const code = searchParams.get('code');
    if (code) setGiven({ name: searchParams.get('name') ?? '', code });
  }, []);
  return [given, setGiven] as const;
}

/** The door: name, password, and what the program is. `onBegin` is told when somebody begins to sign in. */
export function SignIn({ onBegin }: { onBegin?: () => void }) {
  const [given, setGiven] = useGiven();
  return (
    <ScrollView className="flex-1 bg-ground" contentContainerClassName="grow items-center justify-center p-5">
      <View role="main" className="w-full max-w-md gap-5">
        <View className="flex-row items-center gap-4">
          <Image source={{ uri: '/mark.svg' }} className="h-16 w-16" aria-hidden />
          <View className="min-w-0 flex-1">
            <Text level={1} size="title" bold>
              Zealous Axle
            </Text>
            <Text tone="soft">Measured, judged, repaired, released.</Text>
          </View>
        </View>
        {given ? (
          <Suspense fallback={null}>
            <Claim {...given} onBack={() => setGiven(null)} />
          </Suspense>
        ) : (
          <>
            <Form onBegin={onBegin} />
            <Button label="I have an invite code" onPress={() => setGiven({ name: '', code: '' })} />
          </>
        )}
        <Text size="small" tone="soft">
          Local law, the maker’s manual and licensed practice decide. The program measures and explains; the person who
          signs is answerable.
        </Text>
      </View>
    </ScrollView>
  );
}

/** Name and password; and the second factor, where the server asks for it. */
function Form({ onBegin }: { onBegin?: () => void }) {
  const { control, handleSubmit, setValue, setError, formState } = useForm({
    defaultValues: { name: '', password: '', code: '' },
  });
  const [answers, setAnswers] = useState(false);
  const name = useRef<TextInput>(null);
  const password = useRef<TextInput>(null);
  useEffect(() => {
    setAnswers(true);
    if (writtenIn(name.current)) setValue('name', writtenIn(name.current));
    if (writtenIn(password.current)) setValue('password', writtenIn(password.current));
  }, [setValue]);
  const [factor, setFactor] = useState(false);
  const enter = handleSubmit(async (written) => {
    if (!/^[^@\s]+@[^@\s]+$/.test(written.name.trim()) || written.password === '')
      return setError('root', { message: HOW });
    const { code, ...own } = written;
    await signIn(code.trim() ? { ...own, code } : own).catch((error: unknown) => {
      const refused = error instanceof Refused ? error : null;
      if (/:(second-factor|too-many-tries)$/.test(refused?.problem.type ?? '')) setFactor(true);
      setError('root', { message: refused?.message ?? NO_SERVER });
    });
  });
  const { isSubmitting: busy, errors } = formState;
  const problem = errors.root?.message;
  return (
    <>
      <Field
        control={control}
        name="name"
        input={name}
        label="Name"
        placeholder="person@fleet"
        autoComplete="username"
        inputMode="email"
        onFocus={onBegin}
        onSubmitEditing={() => void enter()}
      />
      <Field
        control={control}
        name="password"
        input={password}
        label="Password"
        secureTextEntry
        autoComplete="current-password"
        onFocus={onBegin}
        onSubmitEditing={() => void enter()}
      />
      {factor ? (
        <Field
          control={control}
          name="code"
          label="The six digits on your device, or a backup code"
          autoComplete="one-time-code"
          autoFocus
          onSubmitEditing={() => void enter()}
        />
      ) : null}
      {problem ? <Notice look={factor ? 'ask' : 'stop'}>{problem}</Notice> : null}
      <Button
        tall
        look="act"
        label={busy ? 'Signing in…' : 'Sign in'}
        onPress={() => void enter()}
        disabled={busy}
        waits={!answers}
      />
    </>
  );
}
