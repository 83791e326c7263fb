import { useState } from 'react';
import { Image, ScrollView, View } from 'react-native';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { Refused } from '../../server/client';
import { useSessionState } from '../../session/session';

/** The door: name, password, and what the program is. */
export function SignIn() {
  const { signIn } = useSessionState();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);

  const enter = async () => {
    if (busy) return;
    if (!/^[^@\s]+@[^@\s]+$/.test(name.trim()) || password === '') {
      setProblem('Write your name as person@fleet, and your password.');
      return;
    }
    setBusy(true);
    setProblem(null);
    try {
      await signIn(name, password);
    } catch (error) {
      setProblem(
        error instanceof Refused ? error.message : 'The server cannot be reached. Try again when there is a signal.',
      );
      setBusy(false);
    }
  };

  return (
    <ScrollView className="flex-1 bg-ground" contentContainerClassName="grow items-center justify-center p-5">
      <View role="main" className="w-full max-w-md gap-5">
        <View className="flex-row items-center gap-4">
          <Image source={{ uri: '/mark.svg' }} style={{ width: 64, height: 64 }} aria-hidden />
          <View className="min-w-0 flex-1">
            <Text level={1} size="title" bold>
              Zealous Axle
            </Text>
            <Text tone="soft">Measured, judged, repaired, released.</Text>
          </View>
        </View>
        <TextField
          label="Name"
          placeholder="person@fleet"
          value={name}
          onChangeText={setName}
          autoComplete="username"
          inputMode="email"
          onSubmitEditing={enter}
        />
        <TextField
          label="Password"
          value={password}
          onChangeText={setPassword}
          secureTextEntry
          autoComplete="current-password"
          onSubmitEditing={enter}
        />
        {problem ? <Notice look="stop">{problem}</Notice> : null}
        <Button tall look="act" label={busy ? 'Signing in…' : 'Sign in'} onPress={enter} disabled={busy} />
        <Text size="small" tone="soft">
          Local law, the maker’s manual and licensed practice decide. The program measures and explains; the person who
          signs is answerable.
        </Text>
      </View>
    </ScrollView>
  );
}
